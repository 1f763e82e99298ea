package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;

/**
 * The outcome of looking into one frame.
 *
 * @param why what is wrong, in words; null for a sound frame
 * @param note something worth knowing about a sound frame, such as a lost footer; else null
 * @param format what the picture holds; null if the frame isn't sound
 * @param look what the decoded picture looks like; null if it wasn't decoded
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FrameCheck(long number, FrameState state, String why, String note, PictureFormat format, FrameLook look) {

    public static FrameCheck sound(long number, PictureFormat format, FrameLook look, String note) {
        return new FrameCheck(number, FrameState.GOOD, null, note, format, look);
    }

    public static FrameCheck fault(long number, FrameState state, String why) {
        return new FrameCheck(number, state, why, null, null, null);
    }

    /** The same of another frame number. */
    public FrameCheck at(long other) {
        return new FrameCheck(other, state, why, note, format, look);
    }

    /** Whether nothing can be seen through; false as well where nobody looked. */
    @JsonIgnore
    public boolean opaque() {
        return look != null && look.opaque();
    }
}
