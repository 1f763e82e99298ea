package dev.vat.core.pass;

import dev.vat.core.words.Words;
import java.util.Comparator;
import java.util.List;

/**
 * How far the sum of a shot's passes is from its full picture, frame by frame.
 *
 * @param frames those that were compared, in their order
 * @param missing how many couldn't be compared
 */
public record PassReport(List<Frame> frames, long missing) {

    private static final Words WORDS = Words.of(PassReport.class);

    /** One frame. @param number as its file has it @param most the strongest difference of any sample, in codes of 8 bits */
    public record Frame(String number, double most) {}

    /** So far apart, in codes of 8 bits, that it is no matter of rounding. */
    private static final double APART = 1;
    private static final int NAMED = 5;

    public PassReport {
        frames = List.copyOf(frames);
    }

    /** The strongest difference of all, in codes of 8 bits. */
    public double most() {
        return frames.stream().mapToDouble(Frame::most).max().orElse(0);
    }

    /** Frames that are further apart than rounding explains, the worst first. */
    public List<Frame> apart() {
        return frames.stream().filter(f -> f.most > APART).sorted(Comparator.comparingDouble(Frame::most).reversed()).toList();
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
            return WORDS.say("theSumOfThePassesDiffers", Words.decimal(most(), 1), all, left);
        }
        List<String> named = apart.stream().limit(NAMED).map(f -> WORDS.say("by", f.number, Words.decimal(f.most, 1))).toList();
        double rest = frames.stream().filter(f -> f.most <= APART).mapToDouble(Frame::most).max().orElse(0);
        return WORDS.say("theSumOfThePassesIsApart", apart.size(), all, String.join(", ", named),
                apart.size() > NAMED ? WORDS.say("andMore") : "", Words.decimal(rest, 1), left);
    }
}
