package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * How far one file of a run is.
 *
 * @param done frames encoded or proven, by the stage
 * @param bytes of coded pictures so far, later of the file
 * @param speed frames a second in this stage, 0 if not known yet
 * @param secondsLeft of this stage, or -1 if not known yet
 * @param path the file: in the work folder while it is proven, in its own place afterwards; null before
 * @param receipt the receipt's path, once there is one
 * @param why why it failed or isn't proven, else null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FileProgress(String target, Stage stage, long done, long frames, long bytes, double speed,
        double secondsLeft, String path, String receipt, String why) {

    /** The stations of a file. */
    public enum Stage {
        WAITING, FIRST_PASS, ENCODING, JOINING, PROVING, DELIVERED, UNPROVEN, FAILED, STOPPED
    }

    public boolean isEnd() {
        return stage.ordinal() >= Stage.DELIVERED.ordinal();
    }
}
