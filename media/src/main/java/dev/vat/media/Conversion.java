package dev.vat.media;

import dev.vat.core.delivery.Codec;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * From the working picture to what an encoder takes: flattened where the codec carries no alpha, cropped at the right and
 * lower edge to the file's size, RGB full range to Y'CbCr limited range by the Rec.709 matrix, dithered where depth is
 * lost, tagged. Size, format and tags of every result are asserted. An instance belongs to one thread.
 */
public final class Conversion implements AutoCloseable {

    private static final int BT709 = 1;
    private static final int LIMITED = 1;

    private final Codec codec;
    private final Size size;
    private final Rgb ground;
    private final Filtering filtering;

    public Conversion(Codec codec, Size size, Rgb ground) {
        this.codec = codec;
        this.size = size;
        this.ground = ground;
        filtering = new Filtering(this::chain);
    }

    /** The library's name of the samples that the encoder takes. */
    static String pixelFormat(Codec codec) {
        return pixelFormat(codec, codec.hasAlpha());
    }

    private static String pixelFormat(Codec codec, boolean alpha) {
        String chroma = switch (codec.chroma()) {
            case YUV420 -> "420p";
            case YUV422 -> "422p";
            case YUV444 -> "444p";
        };
        return (alpha ? "yuva" : "yuv") + chroma + (codec.codedBits() > 8 ? codec.codedBits() + "le" : "");
    }

    private String chain(Picture picture) {
        String crop = picture.width() == size.width() && picture.height() == size.height() ? ""
                : "crop=" + size.width() + ":" + size.height() + ":0:0:exact=1,";
        boolean lossy = picture.bits() > codec.codedBits();
        boolean alpha = codec.hasAlpha() && picture.hasAlpha();
        // zscale is told that alpha is premultiplied, so that it leaves the colour of straight pictures alone.
        return crop + (alpha ? "setparams=alpha_mode=premultiplied," : "")
                + "zscale=matrixin=gbr:rangein=full:matrix=709:range=limited" + (lossy ? ":dither=error_diffusion" : "")
                + ",format=" + pixelFormat(codec, alpha)
                + ",setparams=range=tv:colorspace=bt709:color_primaries=bt709:color_trc=bt709"
                + (alpha ? ":alpha_mode=straight" : "");
    }

    public Picture convert(Picture working) {
        Picture converted;
        if (working.hasAlpha() && !codec.hasAlpha()) {
            try (Picture flat = Flattening.over(working, ground)) {
                converted = filtering.apply(flat);
            }
        } else {
            converted = filtering.apply(working);
        }
        if (codec.hasAlpha() && !working.hasAlpha()) {
            try (Picture opaque = converted) {
                converted = withOpaqueAlpha(opaque);
            }
        }
        requireRight(converted);
        return converted;
    }

    /** Nothing shows through a picture without alpha: its channel is full everywhere. */
    private Picture withOpaqueAlpha(Picture picture) {
        Picture full = Picture.allocate(pixelFormat(codec), picture.width(), picture.height());
        for (int plane = 0; plane < 3; plane++) {
            picture.copyPlane(plane, full);
        }
        short opaque = (short) ((1 << codec.codedBits()) - 1);
        MemorySegment alpha = full.plane(3);
        for (long at = 0; at < alpha.byteSize(); at += 2) {
            alpha.set(ValueLayout.JAVA_SHORT, at, opaque);
        }
        ColourTags.like(picture, full);
        return full;
    }

    private void requireRight(Picture picture) {
        boolean right = picture.width() == size.width() && picture.height() == size.height()
                && picture.formatName().equals(pixelFormat(codec)) && picture.frame().colorspace() == BT709
                && picture.frame().color_range() == LIMITED;
        if (!right) {
            String found = picture.width() + "x" + picture.height() + " " + picture.formatName();
            picture.close();
            throw new MediaException("The conversion gave " + found + " where " + size + " " + pixelFormat(codec)
                    + " was planned", 0);
        }
    }

    @Override
    public void close() {
        filtering.close();
    }
}
