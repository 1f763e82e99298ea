package dev.vat.core.content;

import dev.vat.core.time.FrameRange;
import java.util.List;

/**
 * Something in the pictures of a sequence that looks wrong although every file is sound: a suspicion with its evidence,
 * for people to judge.
 *
 * @param frames the frames it is about, ascending
 * @param beside a frame to hold the first of them against, or null where there is none
 * @param evidence what was seen, in words
 */
public record ContentFault(Kind kind, List<Long> frames, Long beside, String evidence) {

    /** What looks wrong. */
    public enum Kind {
        BLANK("blank", true),
        REPEATED("repeated", true),
        TORN("torn", true),
        POP("local pop", true),
        NOISE("noisier than its neighbours", true),
        /** Frames of a later render stand where others were, and the picture jumps between them. */
        OVERWRITTEN("written over", false),
        SESSIONS("of two sessions", false),
        STILL_HEAD("still at the head", false),
        STILL_TAIL("still at the tail", false),
        UNSETTLED("not settled yet", false),
        EDGE("touches the edge", false),
        EIGHT_BIT("8-bit values in 16 bits", false),
        ODD_VALUES("values that are no colour", false);

        private final String label;
        private final boolean single;

        Kind(String label, boolean single) {
            this.label = label;
            this.single = single;
        }

        public String label() {
            return label;
        }

        /** Whether each frame by itself is suspicious, so that it is marked. */
        public boolean marksFrames() {
            return single;
        }
    }

    public ContentFault {
        frames = List.copyOf(frames);
        if (frames.isEmpty()) {
            throw new IllegalArgumentException("A fault of content is about at least one frame");
        }
    }

    public FrameRange range() {
        return FrameRange.of(frames.getFirst(), frames.getLast());
    }
}
