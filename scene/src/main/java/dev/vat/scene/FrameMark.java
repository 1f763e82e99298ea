package dev.vat.scene;

import dev.vat.core.words.Words;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;

/**
 * A row of black and white cells at the lower left edge of a frame, from which a machine reads what it is: white, black, four bits of the
 * shot, twelve of the number, white. The number is in Gray code, in which no cell ever changes for one frame alone: the mark is no
 * flicker. A cell is an eightieth of the width and a forty-fifth of the height, so that it outlives scaling and packing.
 *
 * @param shot from 0 to 15
 * @param number from 0 to 4095
 */
public record FrameMark(int shot, int number) {

    private static final Words WORDS = Words.of(FrameMark.class);

    private static final int ACROSS = 80;
    private static final int DOWN = 45;
    private static final int SHOT_BITS = 4;
    private static final int NUMBER_BITS = 12;
    private static final int CELLS = 2 + SHOT_BITS + NUMBER_BITS + 1;
    /** Between white and black, of which less is no mark. */
    private static final double CONTRAST = .3;

    public FrameMark {
        if (shot < 0 || shot >= 1 << SHOT_BITS || number < 0 || number >= 1 << NUMBER_BITS) {
            throw new IllegalArgumentException(WORDS.say("noMarkSaysShotFrame", shot, number));
        }
    }

    private int bits() {
        return shot << NUMBER_BITS | number ^ number >> 1;
    }

    private boolean isWhite(int cell) {
        return switch (cell) {
            case 0, CELLS - 1 -> true;
            case 1 -> false;
            default -> (bits() >> SHOT_BITS + NUMBER_BITS + 1 - cell & 1) == 1;
        };
    }

    /** Draws it into a picture, opaque; of several layers it stands in the first, so that they still add up. */
    public Drawing on(Drawing drawing) {
        Map<String, float[]> channels = new TreeMap<>();
        String first = drawing.channels().keySet().stream().filter(c -> c.contains(".")).sorted().findFirst().map(FrameMark::layer)
                .orElse("");
        drawing.channels().forEach((name, values) -> {
            float[] marked = values.clone();
            boolean stands = layer(name).isEmpty() || layer(name).equals(first);
            for (int y = drawing.height() - Math.max(1, drawing.height() / DOWN); y < drawing.height(); y++) {
                for (int cell = 0; cell < CELLS; cell++) {
                    float value = stands && (name.endsWith("A") || isWhite(cell)) ? 1 : 0;
                    for (int x = drawing.width() * (cell + 1) / ACROSS; x < drawing.width() * (cell + 2) / ACROSS; x++) {
                        marked[y * drawing.width() + x] = value;
                    }
                }
            }
            channels.put(name, marked);
        });
        return new Drawing(drawing.width(), drawing.height(), channels);
    }

    private static String layer(String channel) {
        return channel.substring(0, Math.max(0, channel.lastIndexOf('.')));
    }

    /** How bright a picture is at a point of it, from 0 to 1. */
    public interface Brightness {
        double at(double across, double down);
    }

    /** What a picture says of itself; empty where there is no mark, or more than one over each other. */
    public static Optional<FrameMark> read(Brightness picture) {
        double white = brightness(picture, 0);
        double black = brightness(picture, 1);
        if (white - black < CONTRAST || brightness(picture, CELLS - 1) < (white + black) / 2) {
            return Optional.empty();
        }
        int bits = 0;
        for (int cell = 2; cell < CELLS - 1; cell++) {
            OptionalInt bit = bit((brightness(picture, cell) - black) / (white - black));
            if (bit.isEmpty()) {
                return Optional.empty();
            }
            bits = bits << 1 | bit.getAsInt();
        }
        int number = bits & (1 << NUMBER_BITS) - 1;
        for (int shift = 1; shift < NUMBER_BITS; shift *= 2) {
            number ^= number >> shift;
        }
        return Optional.of(new FrameMark(bits >> NUMBER_BITS, number));
    }

    /** Neither black nor white is what two marks mixed make. */
    private static OptionalInt bit(double level) {
        return level > .75 ? OptionalInt.of(1) : level < .25 ? OptionalInt.of(0) : OptionalInt.empty();
    }

    private static double brightness(Brightness picture, int cell) {
        return picture.at((cell + 1.5) / ACROSS, 1 - .5 / DOWN);
    }
}
