package dev.vat.protocol.feed;

/**
 * How a stand-in behaves; everything but politeness is there to try what Vat makes of it.
 *
 * @param millis that each picture takes longer than it has to
 * @param small the frame that comes at another size than asked for, or null
 * @param absent the frame that it won't draw, or null
 * @param silent the frame at which it says nothing any more, or null
 * @param gone the frame at which it hangs up, or null
 * @param files whether it hands over files only
 */
public record StandInBehaviour(long millis, Long small, Long absent, Long silent, Long gone, boolean files) {

    public static final StandInBehaviour GOOD = new StandInBehaviour(0, null, null, null, null, false);

    public StandInBehaviour withMillis(long longer) {
        return new StandInBehaviour(longer, small, absent, silent, gone, files);
    }

    public StandInBehaviour withSmall(long frame) {
        return new StandInBehaviour(millis, frame, absent, silent, gone, files);
    }

    public StandInBehaviour withAbsent(long frame) {
        return new StandInBehaviour(millis, small, frame, silent, gone, files);
    }

    public StandInBehaviour withSilent(long frame) {
        return new StandInBehaviour(millis, small, absent, frame, gone, files);
    }

    public StandInBehaviour withGone(long frame) {
        return new StandInBehaviour(millis, small, absent, silent, frame, files);
    }

    public StandInBehaviour withFiles() {
        return new StandInBehaviour(millis, small, absent, silent, gone, true);
    }

    public static boolean is(Long named, long frame) {
        return named != null && named == frame;
    }
}
