package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.words.Words;

/** What decides how many bits a picture gets. Bit rates are bits a second, decimal. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "by")
@JsonSubTypes({
    @JsonSubTypes.Type(value = RateControl.ByProfile.class, name = "profile"),
    @JsonSubTypes.Type(value = RateControl.Constant.class, name = "constant-quality"),
    @JsonSubTypes.Type(value = RateControl.Average.class, name = "average"),
    @JsonSubTypes.Type(value = RateControl.TwoPass.class, name = "two-pass"),
    @JsonSubTypes.Type(value = RateControl.FileSize.class, name = "file-size"),
    @JsonSubTypes.Type(value = RateControl.Steady.class, name = "steady"),
    @JsonSubTypes.Type(value = RateControl.Capped.class, name = "capped"),
    @JsonSubTypes.Type(value = RateControl.Lossless.class, name = "lossless"),
})
public sealed interface RateControl {

    /** No picture can be made of less. */
    long LEAST_BITS = 10_000;

    /** The kinds that a codec may offer. */
    enum Kind {
        PROFILE(Words.of(RateControl.class).say("setByTheProfile")), QUALITY("quality"),
        AVERAGE(Words.of(RateControl.class).say("averageBitRate")), TWO_PASS(Words.of(RateControl.class).say("averageBitRateInTwoPasses")),
        FILE_SIZE(Words.of(RateControl.class).say("fileSize")), STEADY(Words.of(RateControl.class).say("constantBitRate")),
        CAPPED(Words.of(RateControl.class).say("qualityWithACap")), LOSSLESS(Words.of(RateControl.class).say("withoutLoss"));

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** The profile has one rate, or one quality: there is nothing to choose. */
    record ByProfile() implements RateControl {
        @Override
        public Kind kind() {
            return Kind.PROFILE;
        }
    }

    /** The same quality everywhere; size follows. @param number on the codec's own scale */
    record Constant(int number) implements RateControl {
        @Override
        public Kind kind() {
            return Kind.QUALITY;
        }
    }

    /** So many bits a second over the whole file, spent where they are needed. */
    record Average(long bitsPerSecond) implements RateControl {
        public Average {
            requireBits(bitsPerSecond);
        }

        @Override
        public Kind kind() {
            return Kind.AVERAGE;
        }
    }

    /** As {@link Average}, but a first pass finds out where bits are needed: closer to what was asked, and better spread. */
    record TwoPass(long bitsPerSecond) implements RateControl {
        public TwoPass {
            requireBits(bitsPerSecond);
        }

        @Override
        public Kind kind() {
            return Kind.TWO_PASS;
        }
    }

    /** A file that is no larger than so many bytes, sound and container included, in two passes; see {@link SizeBudget}. */
    record FileSize(long bytes) implements RateControl {
        public FileSize {
            if (bytes < 10_000) {
                throw new IllegalArgumentException(Words.of(RateControl.class).say("aFileNeeds10KBAtLeastNot", bytes));
            }
        }

        /** {@code 25 MB}, decimal. @throws IllegalArgumentException if it is no size of a file */
        public static FileSize parse(String text) {
            return ControlText.fileSize(text);
        }

        @Override
        public Kind kind() {
            return Kind.FILE_SIZE;
        }
    }

    /** The same bits in every second. */
    record Steady(long bitsPerSecond) implements RateControl {
        public Steady {
            requireBits(bitsPerSecond);
        }

        @Override
        public Kind kind() {
            return Kind.STEADY;
        }
    }

    /**
     * A quality, but never more bits than the cap over the time that the buffer holds.
     *
     * @param bufferBits what a decoder must be able to hold
     */
    record Capped(int number, long bitsPerSecond, long bufferBits) implements RateControl {
        public Capped {
            requireBits(bitsPerSecond);
            requireBits(bufferBits);
        }

        @Override
        public Kind kind() {
            return Kind.CAPPED;
        }
    }

    /** Every sample comes back as it went in. */
    record Lossless() implements RateControl {
        @Override
        public Kind kind() {
            return Kind.LOSSLESS;
        }
    }

    Kind kind();

    /** Whether a file may be made in parts: what looks at the whole file while it spends its bits may not. */
    @JsonIgnore
    default boolean mayBeCut() {
        return switch (this) {
            case ByProfile _ -> true;
            case Constant _ -> true;
            case Lossless _ -> true;
            case Average _ -> false;
            case TwoPass _ -> false;
            case FileSize _ -> false;
            case Steady _ -> false;
            case Capped _ -> false;
        };
    }

    /** How often the frames are read and encoded. */
    @JsonIgnore
    default int passes() {
        return this instanceof TwoPass || this instanceof FileSize ? 2 : 1;
    }

    private static void requireBits(long bits) {
        if (bits < LEAST_BITS || bits > 100_000_000_000L) {
            throw new IllegalArgumentException(Words.of(RateControl.class).say("aBitRateMustBeFrom10Kbit", bits));
        }
    }
}
