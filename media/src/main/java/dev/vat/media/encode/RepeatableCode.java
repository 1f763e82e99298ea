package dev.vat.media.encode;

import static org.bytedeco.ffmpeg.global.avutil.AV_CPU_FLAG_AVX512;
import static org.bytedeco.ffmpeg.global.avutil.av_get_cpu_flags;

import java.util.Map;
import java.util.TreeMap;

/**
 * Keeps the encoder of H.264 from its code for 512-bit registers. That code looks at memory which was never written, at widths that fill no
 * whole registers: with two threads nearly every encode of 64x48 came out with other bits (40 encodes, 12 results; without it one), and a
 * run that goes on after an accident has to make the file that it would have made. It is no slower without.
 */
final class RepeatableCode {

    /** Every set of instructions below it, by the encoder's names; processors that have the widest have all of these. */
    private static final String ALL_BUT_WIDEST = "asm=MMX2,SSE2,SSE3,SSSE3,SSE4.2,LZCNT,AVX,FMA3,BMI1,BMI2,AVX2";

    private RepeatableCode() {}

    /** Options for the encoder of that name on this processor. They aren't part of a plan, which may be carried out on another. */
    static Map<String, String> with(Map<String, String> options, String encoder) {
        if (!encoder.equals("libx264") || (av_get_cpu_flags() & AV_CPU_FLAG_AVX512) == 0) {
            return options;
        }
        Map<String, String> more = new TreeMap<>(options);
        more.merge("x264-params", ALL_BUT_WIDEST, (a, b) -> a + ":" + b);
        return more;
    }
}
