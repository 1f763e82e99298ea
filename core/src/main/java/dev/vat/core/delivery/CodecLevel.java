package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.Optional;

/**
 * What a player must manage at least: the levels of H.264 (ITU-T H.264, table A-1) and H.265 (ITU-T H.265, tables A.8 and A.9), as far as
 * pictures and their rate go.
 *
 * @param number as streams say it: ten times the level in H.264, thirty times in H.265
 * @param name {@code 4.1}
 */
public record CodecLevel(int number, String name) {

    /**
     * One line of a table.
     *
     * @param size of a picture, in macroblocks or samples of luma @param rate the same, a second
     * @param bits a second and @param buffer in bits, both in thousands and before the profile's factor
     */
    private record Row(String name, long size, long rate, long bits, long buffer) {

        boolean allows(long picture, Rate frames) {
            return picture <= size && frames.perSecond().times(picture).compareTo(Rational.of(rate)) <= 0;
        }

        CodecLevel level(int times) {
            return new CodecLevel(Math.round(Float.parseFloat(name) * times), name);
        }
    }

    private static final List<Row> H264 = List.of(new Row("1", 99, 1485, 64, 175), new Row("1.1", 396, 3000, 192, 500),
            new Row("1.2", 396, 6000, 384, 1000), new Row("1.3", 396, 11_880, 768, 2000), new Row("2", 396, 11_880, 2000, 2000),
            new Row("2.1", 792, 19_800, 4000, 4000), new Row("2.2", 1620, 20_250, 4000, 4000), new Row("3", 1620, 40_500, 10_000, 10_000),
            new Row("3.1", 3600, 108_000, 14_000, 14_000), new Row("3.2", 5120, 216_000, 20_000, 20_000),
            new Row("4", 8192, 245_760, 20_000, 25_000), new Row("4.1", 8192, 245_760, 50_000, 62_500),
            new Row("4.2", 8704, 522_240, 50_000, 62_500), new Row("5", 22_080, 589_824, 135_000, 135_000),
            new Row("5.1", 36_864, 983_040, 240_000, 240_000), new Row("5.2", 36_864, 2_073_600, 240_000, 240_000),
            new Row("6", 139_264, 4_177_920, 240_000, 240_000), new Row("6.1", 139_264, 8_355_840, 480_000, 480_000),
            new Row("6.2", 139_264, 16_711_680, 800_000, 800_000));
    /** The main tier, which every decoder of a level manages. */
    private static final List<Row> H265 = List.of(new Row("1", 36_864, 552_960, 128, 350), new Row("2", 122_880, 3_686_400, 1500, 1500),
            new Row("2.1", 245_760, 7_372_800, 3000, 3000), new Row("3", 552_960, 16_588_800, 6000, 6000),
            new Row("3.1", 983_040, 33_177_600, 10_000, 10_000), new Row("4", 2_228_224, 66_846_720, 12_000, 12_000),
            new Row("4.1", 2_228_224, 133_693_440, 20_000, 20_000), new Row("5", 8_912_896, 267_386_880, 25_000, 25_000),
            new Row("5.1", 8_912_896, 534_773_760, 40_000, 40_000), new Row("5.2", 8_912_896, 1_069_547_520, 60_000, 60_000),
            new Row("6", 35_651_584, 1_069_547_520, 60_000, 60_000), new Row("6.1", 35_651_584, 2_139_095_040, 120_000, 120_000),
            new Row("6.2", 35_651_584, 4_278_190_080L, 240_000, 240_000));
    /** What H.264's profiles take more than its Baseline, in thousandths (table A-2): 4:2:2 and 4:4:4, 10 bits, all others. */
    private static final int[] H264_FACTORS = {4000, 3000, 1250};
    /** The same of H.265 (table A.10): 4:2:2 of 10 bits, and 4:2:0. */
    private static final int[] H265_FACTORS = {1667, 1000};

    /** What a stream of a level may take. @param bitsPerSecond at no moment more @param buffer bits of the decoder's buffer */
    public record Bounds(CodecLevel level, long bitsPerSecond, long buffer) {}

    private static final Size FULL_HD = Size.of(1920, 1080);
    private static final int BLOCK = 16;
    private static final int LEVEL_1 = 10;
    /** Of H.264: pictures as in level 1, more bits a second. */
    private static final int LEVEL_1B = 9;

    /**
     * The least level that allows a picture at a rate; empty for codecs without such levels, and beyond the last one.
     *
     * @param codec by the library's name
     */
    public static Optional<CodecLevel> needed(String codec, Size size, Rate rate) {
        long blocks = (long) Math.ceilDiv(size.width(), BLOCK) * Math.ceilDiv(size.height(), BLOCK);
        return switch (codec) {
            case "h264" -> least(H264, blocks, rate, 10);
            case "hevc" -> least(H265, size.pixels(), rate, 30);
            default -> Optional.empty();
        };
    }

    private static Optional<CodecLevel> least(List<Row> rows, long size, Rate rate, int times) {
        return rows.stream().filter(r -> r.allows(size, rate)).findFirst().map(r -> r.level(times));
    }

    /**
     * What the least level allows that has room for a picture at a rate with so many bits on average; empty for codecs without such levels,
     * and where no level has.
     */
    public static Optional<Bounds> bounds(Codec codec, Size size, Rate rate, long bitsPerSecond) {
        long blocks = (long) Math.ceilDiv(size.width(), BLOCK) * Math.ceilDiv(size.height(), BLOCK);
        boolean wide = codec.chroma() != Chroma.YUV420;
        return switch (codec.reportedName()) {
            case "h264" -> bounds(H264, blocks, rate, bitsPerSecond, 10, H264_FACTORS[wide ? 0 : codec.codedBits() > 8 ? 1 : 2]);
            case "hevc" -> bounds(H265, size.pixels(), rate, bitsPerSecond, 30, H265_FACTORS[wide ? 0 : 1]);
            default -> Optional.empty();
        };
    }

    /** Bits a second of the least level for a picture at a rate, or of 4.1, which every player manages that is for high definition. */
    static Optional<Long> usualBits(Codec codec, Size size, Rate rate) {
        return bounds(codec, size, rate, 0).map(least -> {
            Bounds level4 = bounds(codec, FULL_HD, Rate.of(30), 0).orElseThrow();
            Bounds level41 = bounds(codec, FULL_HD, Rate.of(30), level4.bitsPerSecond + 1).orElseThrow();
            return Math.max(least.bitsPerSecond, level41.bitsPerSecond);
        });
    }

    private static Optional<Bounds> bounds(List<Row> rows, long size, Rate rate, long bits, int times, long factor) {
        return rows.stream().filter(r -> r.allows(size, rate) && bits <= r.bits * factor).findFirst()
                .map(r -> new Bounds(r.level(times), r.bits * factor, r.buffer * factor));
    }

    /** Whether a stream that says a level of itself has this one at least. @param stated as the stream says it */
    public boolean isMetBy(int stated) {
        return stated >= number || number == LEVEL_1 && stated == LEVEL_1B;
    }

    /** What a stream says of itself, in the same words. */
    public static String name(String codec, int number) {
        if (codec.equals("h264") && number == LEVEL_1B) {
            return "1b";
        }
        int times = codec.equals("hevc") ? 30 : 10;
        return number % times == 0 ? Integer.toString(number / times) : Rational.of(number, times).toDecimal(1);
    }
}
