package dev.vat.core.content;

import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(ContentFault.class);

    /** What looks wrong. */
    public enum Kind {
        BLANK("blank", true),
        REPEATED("repeated", true),
        /** Pictures come again in a rhythm, as when a rate was made of another. */
        CADENCE(Words.of(ContentFault.class).say("repeatedInARhythm"), false),
        TORN("torn", true),
        POP(Words.of(ContentFault.class).say("localPop"), true),
        NOISE(Words.of(ContentFault.class).say("noisierThanItsNeighbours"), true),
        /** Frames of a later render stand where others were, and the picture jumps between them. */
        OVERWRITTEN(Words.of(ContentFault.class).say("writtenOver"), false),
        SESSIONS(Words.of(ContentFault.class).say("ofTwoSessions"), false),
        STILL_HEAD(Words.of(ContentFault.class).say("stillAtTheHead"), false),
        STILL_TAIL(Words.of(ContentFault.class).say("stillAtTheTail"), false),
        UNSETTLED(Words.of(ContentFault.class).say("notSettledYet"), false),
        EDGE(Words.of(ContentFault.class).say("touchesTheEdge"), false),
        EIGHT_BIT(Words.of(ContentFault.class).say("8BitValuesIn16Bits"), false),
        ODD_VALUES(Words.of(ContentFault.class).say("valuesThatAreNoColour"), false);

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
            throw new IllegalArgumentException(WORDS.say("aFaultOfContentIsAboutAt"));
        }
    }

    public FrameRange range() {
        return FrameRange.of(frames.getFirst(), frames.getLast());
    }
}
