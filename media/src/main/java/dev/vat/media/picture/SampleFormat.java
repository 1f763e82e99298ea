package dev.vat.media.picture;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;

/** How samples lie in memory for the encoder of a codec, by the library's names of pixel formats. */
public final class SampleFormat {

    private SampleFormat() {}

    /** What the encoder takes, alpha included where the codec has it. */
    public static String of(Codec codec) {
        return switch (codec.id()) {
            case "uncompressed-422-8" -> "uyvy422";
            case "uncompressed-rgb-8", "png-rgb-8", "rle-rgb" -> "rgb24";
            case "uncompressed-rgba-8", "rle-rgba" -> "argb";
            case "ffv1-rgb-8" -> "bgr0";
            case "png-rgba-8" -> "rgba";
            case "png-rgba-16" -> "rgba64be";
            case "frames-png-8", "frames-tiff-8" -> "rgb24";
            case "frames-png-16" -> "rgb48be";
            case "frames-png-rgba-8" -> "rgba";
            case "frames-png-rgba-16" -> "rgba64be";
            case "frames-tiff-16" -> "rgb48le";
            case "frames-tiff-rgba-16" -> "rgba64le";
            case "frames-dpx-16" -> "rgb48be";
            case "frames-tga-8" -> "bgr24";
            case "frames-tga-rgba-8" -> "bgra";
            case "frames-jpeg" -> "yuvj444p";
            case "apng" -> "rgb24";
            case "apng-rgba" -> "rgba";
            case "webp-lossless" -> "bgra";
            case "frames-exr", "frames-exr-32" -> "gbrpf32le";
            case "frames-exr-rgba", "frames-exr-rgba-32" -> "gbrapf32le";
            case "mjpeg-422" -> "yuvj422p";
            default -> planar(codec);
        };
    }

    /** The same samples in a plane each, into which pictures are converted first. */
    public static String planar(Codec codec) {
        if (codec.reportedName().equals("exr")) {
            return of(codec);
        }
        boolean deep = codec.codedBits() > 8;
        if (codec.chroma() == Chroma.RGB) {
            return (codec.hasAlpha() ? "gbrap" : "gbrp") + (deep ? codec.codedBits() + "le" : "");
        }
        String chroma = switch (codec.chroma()) {
            case YUV420 -> "420p";
            case YUV411 -> "411p";
            case YUV422 -> "422p";
            case YUV444 -> "444p";
            case RGB -> throw new IllegalStateException("RGB has no chroma grid");
        };
        return (codec.hasAlpha() ? "yuva" : "yuv") + chroma + (deep ? codec.codedBits() + "le" : "");
    }
}
