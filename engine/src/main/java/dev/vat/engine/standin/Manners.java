package dev.vat.engine.standin;

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
public record Manners(long millis, Long small, Long absent, Long silent, Long gone, boolean files) {

    public static final Manners GOOD = new Manners(0, null, null, null, null, false);

    public Manners withMillis(long longer) {
        return new Manners(longer, small, absent, silent, gone, files);
    }

    public Manners withSmall(long frame) {
        return new Manners(millis, frame, absent, silent, gone, files);
    }

    public Manners withAbsent(long frame) {
        return new Manners(millis, small, frame, silent, gone, files);
    }

    public Manners withSilent(long frame) {
        return new Manners(millis, small, absent, frame, gone, files);
    }

    public Manners withGone(long frame) {
        return new Manners(millis, small, absent, silent, frame, files);
    }

    public Manners withFiles() {
        return new Manners(millis, small, absent, silent, gone, true);
    }

    static boolean is(Long named, long frame) {
        return named != null && named == frame;
    }
}
