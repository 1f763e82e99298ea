package dev.vat.core.run;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Mpeg2Level;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import java.util.Map;

/** Encoder options of MPEG-2, by the media library's names. */
final class Mpeg2Options {

    private Mpeg2Options() {}

    /** Main or 4:2:2 profile, closed groups of half a second. */
    static void into(Settings settings, Rate rate, Size size, Map<String, String> options) {
        Codec codec = settings.codec();
        boolean intra = codec.everyFrameStandsAlone();
        options.putAll(Map.of("g", intra ? "1" : rate.timecodeBase() > 25 ? "15" : "12", "bf", intra ? "0" : "2", "qmin", "1",
                "intra_vlc", "1", "non_linear_quant", "1"));
        if (codec.chroma() == Chroma.YUV420) {
            Mpeg2Level level = Mpeg2Level.of(size);
            options.putAll(Map.of("qmax", "28", "profile", "4", "level", Integer.toString(level.code())));
            boolean steady = settings.control() instanceof RateControl.Steady;
            long bits = settings.control() instanceof RateControl.Average(long average) ? average
                    : ((RateControl.Steady) settings.control()).bitsPerSecond();
            options.putAll(Map.of("b", Long.toString(bits), "maxrate", Long.toString(steady ? bits : level.bitsPerSecond()), "bufsize",
                    Long.toString(steady ? level.bufferAt(bits) : level.buffer())));
            if (steady) {
                options.put("minrate", Long.toString(bits));
            }
        } else {
            for (String name : new String[] {"b", "minrate", "maxrate"}) {
                options.put(name, "50000000");
            }
            options.putAll(Map.of("bufsize", "36408333", "qmax", "12", "profile", "0", "level", intra ? "5" : "2"));
        }
        // The encoder closes groups only if it may not begin one at every cut.
        options.put("sc_threshold", "1000000000");
        options.merge("flags", "+cgop", String::concat);
    }
}
