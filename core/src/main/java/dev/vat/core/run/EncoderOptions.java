package dev.vat.core.run;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.CodecLevel;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.product.VatVersion;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The one place where a codec of the catalogue becomes an encoder with its options, by the media library's names: text alone, so that a
 * plan can fix them where no library is loaded.
 */
public final class EncoderOptions {

    private static final Words WORDS = Words.of(EncoderOptions.class);

    /** CineForm's qualities from the best on. */
    private static final List<String> FILM = List.of("film3+", "film3", "film2+", "film2", "film1.5", "film1+", "film1", "high+", "high",
            "medium+", "medium", "low+", "low");

    private EncoderOptions() {}

    public static String encoder(Codec codec) {
        return switch (codec.reportedName()) {
            case "h264" -> "libx264";
            case "hevc" -> "libx265";
            case "vp9" -> "libvpx-vp9";
            case "av1" -> "libsvtav1";
            case "webp" -> "libwebp";
            case "prores" -> "prores_ks";
            default -> codec.reportedName();
        };
    }

    /** Every option but the threads; a run's plan keeps them. @param rate and @param size of the file's pictures */
    public static Map<String, String> options(Settings settings, Rate rate, Size size) {
        Codec codec = settings.codec();
        Map<String, String> options = new TreeMap<>();
        if (settings.framing().scanInUse().isInterlaced()) {
            options.put("flags", "+ildct+ilme");
        }
        switch (codec.reportedName()) {
            case "h264" -> h264(settings, rate, size, options);
            case "hevc" -> hevc(settings, rate, size, options);
            case "vp9" -> vp9(settings, rate, options);
            case "av1" -> av1(settings, rate, options);
            case "prores" -> proRes(codec, options);
            case "dnxhd" -> vc3(codec, rate, options);
            case "mpeg2video" -> Mpeg2Options.into(settings, rate, size, options);
            case "cfhd" -> options.put("quality", FILM.get(number(settings.control())));
            case "ffv1" -> options.putAll(Map.of("level", "3", "slicecrc", "1", "slices", "4", "g", "1"));
            case "mjpeg" -> options
                    .putAll(Map.of("flags", "+qscale+bitexact", "global_quality", Integer.toString(118 * number(settings.control()))));
            case "png" -> options.putAll(Map.of("compression_level", byEffort(settings, "1", "3", "9"), "pred", "mixed"));
            case "qtrle" -> options.put("g", "1");
            case "tiff" -> options.putAll(Map.of("flags", "+bitexact", "compression_algo", compression(settings)));
            case "targa" -> options.put("rle", "1");
            case "gif" -> {}
            case "apng" -> options.putAll(Map.of("compression_level", byEffort(settings, "1", "6", "9"), "pred", "mixed"));
            case "webp" -> webp(settings, options);
            case "exr" -> options
                    .putAll(Map.of("compression", compression(settings), "format", codec.codedBits() == 32 ? "float" : "half"));
            case "dpx" -> {}
            case "dvvideo", "utvideo", "v210", "rawvideo" -> {}
            default -> throw new IllegalArgumentException(WORDS.say("noEncoderSettingsFor", codec.id()));
        }
        return options;
    }

    private static String compression(Settings settings) {
        return switch (settings.compression()) {
            case NONE -> settings.codec().reportedName().equals("tiff") ? "raw" : "none";
            case RLE -> "rle";
            case ZIP_LINE -> "zip1";
            case ZIP -> "zip16";
            case PACKBITS -> "packbits";
            case LZW -> "lzw";
            case DEFLATE -> "deflate";
        };
    }

    /**
     * With the label of the file's first frame, for codings that count labels themselves.
     *
     * @param label null for none
     */
    public static Map<String, String> labelled(Map<String, String> options, Codec codec, String label) {
        if (label == null || !codec.reportedName().equals("mpeg2video")) {
            return options;
        }
        Map<String, String> all = new TreeMap<>(options);
        all.put("gop_timecode", label);
        return all;
    }

    /**
     * With the display on which pictures were judged, for codings that say so themselves; containers say it all the same.
     *
     * @param display null for nothing to be said of it
     */
    public static Map<String, String> mastered(Map<String, String> options, MasteringDisplay display) {
        if (display == null || !options.containsKey("x265-params")) {
            return options;
        }
        List<Long> u = display.units();
        Map<String, String> all = new TreeMap<>(options);
        all.merge("x265-params", "hdr10=1:master-display=G(%d,%d)B(%d,%d)R(%d,%d)WP(%d,%d)L(%d,%d)".formatted(u.get(2), u.get(3), u.get(4),
                u.get(5), u.get(0), u.get(1), u.get(6), u.get(7), u.get(8), u.get(9)), (a, b) -> a + ":" + b);
        return all;
    }

    private static int number(RateControl control) {
        return switch (control) {
            case RateControl.Constant(int number) -> number;
            case RateControl.Capped(int number, long _, long _) -> number;
            default -> throw new IllegalArgumentException(WORDS.say("noQualityIn", control));
        };
    }

    private static String group(Settings settings, Rate rate) {
        return Long.toString(settings.groupFrames(rate));
    }

    private static String byEffort(Settings settings, String quick, String normal, String thorough) {
        return switch (settings.effort()) {
            case QUICK -> quick;
            case NORMAL -> normal;
            case THOROUGH -> thorough;
        };
    }

    private static void h264(Settings settings, Rate rate, Size size, Map<String, String> options) {
        Codec codec = settings.codec();
        options.put("preset", byEffort(settings, "veryfast", "medium", "slow"));
        options.put("g", group(settings, rate));
        options.merge("flags", "+cgop", String::concat);
        // So that the stream says itself that all its frames last alike (annex E, fixed_frame_rate_flag).
        String own = "force-cfr=1";
        if (settings.framing().scanInUse().isInterlaced()) {
            own += settings.framing().scanInUse() == Scan.TOP_FIRST ? ":tff=1" : ":bff=1";
        }
        options.put("x264-params", own);
        if (codec.id().equals("avc-intra-100")) {
            options.put("avcintra-class", "100");
            return;
        }
        options.put("profile", switch (codec.id()) {
            case "h264-high-420" -> "high";
            case "h264-high10-420" -> "high10";
            case "h264-high444-8" -> "high444";
            default -> "high422";
        });
        switch (settings.control()) {
            case RateControl.Average(long bits) -> averaged(codec, bits, rate, size, options);
            case RateControl.TwoPass(long bits) -> averaged(codec, bits, rate, size, options);
            case RateControl.Steady(long bits) -> {
                for (String name : new String[] {"b", "minrate", "maxrate", "bufsize"}) {
                    options.put(name, Long.toString(bits));
                }
                options.put("nal-hrd", "cbr");
            }
            case RateControl.Capped(int number, long bits, long buffer) -> {
                options.put("crf", Integer.toString(number));
                options.put("maxrate", Long.toString(bits));
                options.put("bufsize", Long.toString(buffer));
            }
            default -> options.put("crf", Integer.toString(number(settings.control())));
        }
    }

    /** A rate on average, and at no moment more than the least level allows that has room for it. */
    private static void averaged(Codec codec, long bits, Rate rate, Size size, Map<String, String> options) {
        options.put("b", Long.toString(bits));
        CodecLevel.bounds(codec, size, rate, bits).ifPresent(bounds -> {
            options.put("maxrate", Long.toString(bounds.bitsPerSecond()));
            options.put("bufsize", Long.toString(bounds.buffer()));
        });
    }

    private static void hevc(Settings settings, Rate rate, Size size, Map<String, String> options) {
        String group = group(settings, rate);
        String own = "log-level=error:open-gop=0:frame-threads=1:keyint=" + group + ":min-keyint=" + group;
        options.put("preset", byEffort(settings, "veryfast", "medium", "slow"));
        options.put("profile", switch (settings.codec().id()) {
            case "h265-main-420" -> "main";
            case "h265-main10-420" -> "main10";
            default -> "main422-10";
        });
        switch (settings.control()) {
            case RateControl.Average(long bits) -> averaged(settings.codec(), bits, rate, size, options);
            case RateControl.TwoPass(long bits) -> averaged(settings.codec(), bits, rate, size, options);
            case RateControl.Capped(int number, long bits, long buffer) -> {
                options.put("crf", Integer.toString(number));
                own += ":vbv-maxrate=" + bits / 1000 + ":vbv-bufsize=" + buffer / 1000;
            }
            default -> options.put("crf", Integer.toString(number(settings.control())));
        }
        options.put("x265-params", own);
    }

    private static void vp9(Settings settings, Rate rate, Map<String, String> options) {
        options.putAll(Map.of("deadline", "good", "cpu-used", byEffort(settings, "6", "4", "2"), "row-mt", "1", "tile-columns", "2", "g",
                group(settings, rate)));
        if (settings.codec().hasAlpha()) {
            options.put("auto-alt-ref", "0");
        }
        if (settings.control() instanceof RateControl.Average(long bits)) {
            options.put("b", Long.toString(bits));
        } else if (settings.control() instanceof RateControl.TwoPass(long bits)) {
            options.put("b", Long.toString(bits));
        } else {
            options.put("b", "0");
            options.put("crf", Integer.toString(number(settings.control())));
        }
    }

    private static void av1(Settings settings, Rate rate, Map<String, String> options) {
        options.put("preset", byEffort(settings, "10", "8", "5"));
        options.put("g", group(settings, rate));
        if (settings.control() instanceof RateControl.Average(long bits)) {
            options.put("b", Long.toString(bits));
            // It takes a quarter more or less for an average by itself.
            options.put("svtav1-params", "undershoot-pct=5:overshoot-pct=5");
        } else {
            options.put("crf", Integer.toString(number(settings.control())));
        }
    }

    private static void webp(Settings settings, Map<String, String> options) {
        boolean lossless = settings.control() instanceof RateControl.Lossless;
        options.put("compression_level", byEffort(settings, "2", "4", "6"));
        options.putAll(lossless ? Map.of("lossless", "1") : Map.of("quality", Integer.toString(100 - number(settings.control()))));
    }

    /**
     * What is added for one of two passes. VP9's notes go through the encoder itself.
     *
     * @param first whether it only takes notes
     * @param notes path of the file in which the first pass leaves them for the second
     */
    public static Map<String, String> inPass(Codec codec, Map<String, String> options, boolean first, String notes) {
        Map<String, String> more = new TreeMap<>(options);
        String number = first ? "1" : "2";
        if (codec.reportedName().equals("hevc")) {
            more.merge("x265-params", "pass=" + number + ":stats=" + notes.replaceAll("([\\\\:'])", "\\\\$1"), (a, b) -> a + ":" + b);
            return more;
        }
        more.merge("flags", "+pass" + number, String::concat);
        if (codec.reportedName().equals("h264")) {
            more.put("stats", notes);
        }
        return more;
    }

    private static void proRes(Codec codec, Map<String, String> options) {
        // Who encoded it, in every frame's head (SMPTE RDD 36, 6.1.1): four letters.
        options.put("vendor", VatVersion.NAME + " ");
        options.put("profile", switch (codec.id()) {
            case "prores-422-proxy" -> "proxy";
            case "prores-422-lt" -> "lt";
            case "prores-422" -> "standard";
            case "prores-422-hq" -> "hq";
            case "prores-4444" -> "4444";
            default -> "4444xq";
        });
        if (codec.hasAlpha()) {
            options.put("alpha_bits", Integer.toString(codec.alphaBits()));
        }
    }

    private static void vc3(Codec codec, Rate rate, Map<String, String> options) {
        long bits = Catalogue.profileBitRate(codec, rate);
        if (bits > 0) {
            options.put("profile", "dnxhd");
            options.put("b", Long.toString(bits));
        } else {
            options.put("profile", codec.id().replace('-', '_'));
        }
        options.put("thread_type", "slice");
    }
}
