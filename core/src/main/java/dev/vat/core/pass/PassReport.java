package dev.vat.core.pass;

import dev.vat.core.words.Words;
import java.util.Comparator;
import java.util.List;

/**
 * What is wrong with the sum of a shot's passes, frame by frame: how far it is from the full picture, or, where there is none, how much of
 * it is beyond white that is so in no pass.
 *
 * @param full whether there is a full picture
 * @param frames those that were compared, in their order
 * @param missing how many couldn't be compared
 */
public record PassReport(boolean full, List<Frame> frames, long missing) {

    private static final Words WORDS = Words.of(PassReport.class);

    /**
     * One frame.
     *
     * @param number of the source, as it counts them
     * @param name the number as its file has it
     * @param value against a full picture the strongest difference of any sample, in codes of 8 bits; else the share of samples that are
     *            at or beyond white in the sum alone, from 0 to 1
     */
    public record Frame(long number, String name, double value) {}

    /** So far apart, in codes of 8 bits, that it is no matter of rounding. */
    private static final double APART = 1;
    /** A highlight here and there goes beyond white in any shot. */
    private static final double BEYOND = .01;
    private static final int NAMED = 5;

    public PassReport {
        frames = List.copyOf(frames);
    }

    /** The largest value of all frames. */
    public double most() {
        return frames.stream().mapToDouble(Frame::value).max().orElse(0);
    }

    /** Frames with which something is wrong, the worst first: further apart than rounding explains, or too much is beyond white. */
    public List<Frame> apart() {
        return frames.stream().filter(f -> f.value > allowed()).sorted(Comparator.comparingDouble(Frame::value).reversed()).toList();
    }

    private double allowed() {
        return full ? APART : BEYOND;
    }

    /** {@code The sum of the passes differs from the full picture by at most 0.4 of 255 in 96 frames.} */
    public String words() {
        if (frames.isEmpty()) {
            return WORDS.say("noFrameCouldBeCompared");
        }
        List<Frame> apart = apart();
        String all = WORDS.say("frames", frames.size());
        String left = missing == 0 ? "" : WORDS.say("couldntBeCompared", missing);
        if (apart.isEmpty()) {
            return full ? WORDS.say("theSumOfThePassesDiffers", Words.decimal(most(), 1), all, left)
                    : WORDS.say("noFullPictureAndWithinRange", all, left);
        }
        List<String> named = apart.stream().limit(NAMED).map(this::words).toList();
        String more = apart.size() > NAMED ? WORDS.say("andMore") : "";
        double rest = frames.stream().filter(f -> f.value <= allowed()).mapToDouble(Frame::value).max().orElse(0);
        return full ? WORDS.say("theSumOfThePassesIsApart", apart.size(), all, String.join(", ", named), more, Words.decimal(rest, 1), left)
                : WORDS.say("noFullPictureAndBeyondWhite", apart.size(), all, String.join(", ", named), more, left);
    }

    /** {@code 0412 by 3.1}, {@code 0412 in 12.5 % of it}. */
    public String words(Frame frame) {
        return full ? WORDS.say("by", frame.name, Words.decimal(frame.value, 1))
                : WORDS.say("inPercent", frame.name, Words.decimal(100 * frame.value, 1));
    }
}
