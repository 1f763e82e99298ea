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

    /** @param size of a picture, in macroblocks or samples of luma @param rate the same, a second */
    private record Row(String name, long size, long rate) {}

    private static final List<Row> H264 = List.of(new Row("1", 99, 1485), new Row("1.1", 396, 3000), new Row("1.2", 396, 6000),
            new Row("1.3", 396, 11_880),
            new Row("2", 396, 11_880), new Row("2.1", 792, 19_800), new Row("2.2", 1620, 20_250), new Row("3", 1620, 40_500),
            new Row("3.1", 3600, 108_000),
            new Row("3.2", 5120, 216_000), new Row("4", 8192, 245_760), new Row("4.1", 8192, 245_760), new Row("4.2", 8704, 522_240),
            new Row("5", 22_080, 589_824),
            new Row("5.1", 36_864, 983_040), new Row("5.2", 36_864, 2_073_600), new Row("6", 139_264, 4_177_920),
            new Row("6.1", 139_264, 8_355_840),
            new Row("6.2", 139_264, 16_711_680));
    private static final List<Row> H265 = List.of(new Row("1", 36_864, 552_960), new Row("2", 122_880, 3_686_400),
            new Row("2.1", 245_760, 7_372_800),
            new Row("3", 552_960, 16_588_800), new Row("3.1", 983_040, 33_177_600), new Row("4", 2_228_224, 66_846_720),
            new Row("4.1", 2_228_224, 133_693_440),
            new Row("5", 8_912_896, 267_386_880), new Row("5.1", 8_912_896, 534_773_760), new Row("5.2", 8_912_896, 1_069_547_520),
            new Row("6", 35_651_584, 1_069_547_520), new Row("6.1", 35_651_584, 2_139_095_040), new Row("6.2", 35_651_584, 4_278_190_080L));

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
        Rational each = rate.perSecond().times(size);
        return rows.stream().filter(r -> size <= r.size && each.compareTo(Rational.of(r.rate)) <= 0).findFirst()
                .map(r -> new CodecLevel(Math.round(Float.parseFloat(r.name) * times), r.name));
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
