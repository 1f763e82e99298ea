package dev.vat.core.source;

import dev.vat.core.words.Words;

/**
 * How the frames of a movie are numbered, where they aren't counted from 0: a preview's have the numbers of the scene that it shows.
 *
 * @param first number of the first one
 * @param step from one to the next
 */
public record FrameNumbers(long first, long step) {

    private static final Words WORDS = Words.of(FrameNumbers.class);

    /** The field of a movie's metadata in which it says so. */
    public static final String TAG = "dev.vat.frames";

    public static final FrameNumbers FROM_ZERO = new FrameNumbers(0, 1);

    public FrameNumbers {
        if (step < 1) {
            throw new IllegalArgumentException(WORDS.say("numbersOfFramesAscendNot", step));
        }
    }

    /** As it is written into a file: {@code 1001 by 1}. @throws IllegalArgumentException with what can't be understood */
    public static FrameNumbers parse(String text) {
        String[] parts = text.split(" by ");
        try {
            return new FrameNumbers(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            throw new IllegalArgumentException(WORDS.say("saysNothingOfTheNumbers", text), e);
        }
    }

    public long number(long index) {
        return first + index * step;
    }

    /**
     * The place of a number, from 0; negative or between two where there is none.
     *
     * @throws IllegalArgumentException for a number between two frames
     */
    public long index(long number) {
        if (Math.floorMod(number - first, step) != 0) {
            throw new IllegalArgumentException(WORDS.say("framesGoFromByThereIsNone", first, step, number));
        }
        return Math.floorDiv(number - first, step);
    }

    @Override
    public String toString() {
        return WORDS.say("by", first, step);
    }
}
