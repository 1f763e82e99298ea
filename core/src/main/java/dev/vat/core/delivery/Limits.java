package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a codec can't exceed.
 *
 * @param sizes the only sizes there are, or empty for any up to {@code widest} by {@code tallest}
 * @param rates the only rates there are, or empty for any
 * @param fastest the highest rate there is, or null for any
 */
public record Limits(int narrowest, int widest, int tallest, Set<Size> sizes, Set<Rate> rates, Rate fastest) {

    private static final Words WORDS = Words.of(Limits.class);

    /** What the media library takes at most, with room around the picture. */
    private static final long MOST_SAMPLES = Integer.MAX_VALUE / 8;
    private static final long BESIDE = 128;

    static final Limits NONE = upTo(Size.MAX, Size.MAX);

    public Limits {
        sizes = Set.copyOf(sizes);
        rates = Set.copyOf(rates);
    }

    static Limits upTo(int widest, int tallest) {
        return new Limits(1, widest, tallest, Set.of(), Set.of(), null);
    }

    static Limits only(Set<Size> sizes, Rate... rates) {
        return new Limits(1, Size.MAX, Size.MAX, sizes, Set.of(rates), null);
    }

    Limits from(int width) {
        return new Limits(width, widest, tallest, sizes, rates, fastest);
    }

    Limits fastest(Rate rate) {
        return new Limits(narrowest, widest, tallest, sizes, rates, rate);
    }

    /** Why a size can't be, in words that go on from the codec's name. */
    public Optional<String> against(Size size) {
        if (!sizes.isEmpty() && !sizes.contains(size)) {
            return Optional.of(WORDS.say("isDefinedForOnlyNot",
                    sizes.stream().map(Size::toString).sorted().collect(Collectors.joining(" and ")), size));
        }
        if (size.width() > widest || size.height() > tallest) {
            return Optional.of(WORDS.say("goesUpToXNot", widest, tallest, size));
        }
        if ((size.width() + BESIDE) * (size.height() + BESIDE) > MOST_SAMPLES) {
            return Optional.of(WORDS.say("takesNoPictureOfSoManyPixels", size, MOST_SAMPLES / 1_000_000));
        }
        return size.width() < narrowest ? Optional.of(WORDS.say("needsAWidthOfOrMoreNot", narrowest, size.width())) : Optional.empty();
    }

    public Optional<String> against(Rate rate) {
        if (fastest != null && rate.compareTo(fastest) > 0) {
            return Optional.of(WORDS.say("goesUpToFramesASecondNot", fastest.label(), rate.label()));
        }
        if (rates.isEmpty() || rates.contains(rate)) {
            return Optional.empty();
        }
        List<String> labels = rates.stream().sorted().map(Rate::label).toList();
        return Optional.of(WORDS.say("isDefinedAtOnlyNotAt", String.join(", ", labels), rate.label()));
    }
}
