package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

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
    /** What a stream of a level may take. @param bitsPerSecond at no moment more @param buffer bits of the decoder's buffer */
    public record Bounds(CodecLevel level, long bitsPerSecond, long buffer) {}

    private static final int BLOCK = 16;
    private static final int LEVEL_1 = 10;
    /** Of H.264: pictures as in level 1, more bits a second. */
    private static final int LEVEL_1B = 9;
    /** What every player manages that is for high definition. */
    private static final String USUAL = "4.1";

    /**
     * The levels of a coding.
     *
     * @param times what streams multiply a level's name by
     * @param picture the size of a picture as its rows count it
     */
    private record Table(List<Row> rows, int times, long picture) {

        /** @param codec by the library's name; empty for those without such levels */
        static Optional<Table> of(String codec, Size size) {
            return switch (codec) {
                case "h264" -> Optional.of(
                        new Table(H264, 10, (long) Math.ceilDiv(size.width(), BLOCK) * Math.ceilDiv(size.height(), BLOCK)));
                case "hevc" -> Optional.of(new Table(H265, 30, size.pixels()));
                default -> Optional.empty();
            };
        }

        /** Rows that have room for its picture at a rate, the least first. */
        Stream<Row> allowing(Rate rate) {
            return rows.stream().filter(r -> r.allows(picture, rate));
        }

        Row row(String name) {
            return rows.stream().filter(r -> r.name.equals(name)).findFirst().orElseThrow();
        }
    }

    /**
     * The least level that allows a picture at a rate; empty for codecs without such levels, and beyond the last one.
     *
     * @param codec by the library's name
     */
    public static Optional<CodecLevel> needed(String codec, Size size, Rate rate) {
        return Table.of(codec, size).flatMap(t -> t.allowing(rate).findFirst().map(r -> r.level(t.times)));
    }

    /**
     * What the least level allows that has room for a picture at a rate with so many bits on average; empty for codecs without such levels,
     * and where no level has.
     */
    public static Optional<Bounds> bounds(Codec codec, Size size, Rate rate, long bitsPerSecond) {
        long factor = factor(codec);
        return Table.of(codec.reportedName(), size).flatMap(t -> t.allowing(rate).filter(r -> bitsPerSecond <= r.bits * factor).findFirst()
                .map(r -> new Bounds(r.level(t.times), r.bits * factor, r.buffer * factor)));
    }

    /** Bits a second of the least level for a picture at a rate, or of the usual one where that has more. */
    static Optional<Long> usualBits(Codec codec, Size size, Rate rate) {
        return Table.of(codec.reportedName(), size)
                .flatMap(t -> t.allowing(rate).findFirst().map(r -> factor(codec) * Math.max(r.bits, t.row(USUAL).bits)));
    }

    /** What a profile takes more than the tables say, in thousandths: of H.264 by table A-2, of H.265 by table A.10. */
    private static long factor(Codec codec) {
        boolean wide = codec.chroma() != Chroma.YUV420;
        if (codec.reportedName().equals("hevc")) {
            return wide ? 1667 : 1000;
        }
        return wide ? 4000 : codec.codedBits() > 8 ? 3000 : 1250;
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
