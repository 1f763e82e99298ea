package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.List;

/** Numbered stills, one file a frame: PNG (ISO/IEC 15948), TIFF 6.0, TGA 2.0, DPX (SMPTE ST 268-1), OpenEXR, JPEG (ITU-T T.81). */
final class NumberedStills {

    private static final Words WORDS = Words.of(NumberedStills.class);

    static final Codec PNG_8 = still("frames-png-8", WORDS.say("pngFrames"), "png", "png", 8, 0, 1.5);
    static final Codec PNG_16 = still("frames-png-16", WORDS.say("pngFrames16Bit"), "png", "png", 16, 0, 8);
    static final Codec PNG_RGBA_8 = still("frames-png-rgba-8", WORDS.say("pngFramesWithAlpha"), "png", "png", 8, 8, 1.5);
    static final Codec PNG_RGBA_16 = still("frames-png-rgba-16", WORDS.say("pngFramesWithAlpha16Bit"), "png", "png", 16, 16, 8);
    static final Codec TIFF_8 = still("frames-tiff-8", WORDS.say("tiffFrames"), "tiff", "tif", 8, 0, 3);
    static final Codec TIFF_16 = still("frames-tiff-16", WORDS.say("tiffFrames16Bit"), "tiff", "tif", 16, 0, 12);
    static final Codec TIFF_RGBA_16 = still("frames-tiff-rgba-16", WORDS.say("tiffFramesWithAlpha16Bit"), "tiff", "tif", 16, 16, 12);
    static final Codec TGA_8 = still("frames-tga-8", WORDS.say("tgaFrames"), "targa", "tga", 8, 0, 2);
    static final Codec TGA_RGBA_8 = still("frames-tga-rgba-8", WORDS.say("tgaFramesWithAlpha"), "targa", "tga", 8, 8, 2);
    static final Codec DPX_10 = still("frames-dpx-10", WORDS.say("dpxFrames10Bit"), "dpx", "dpx", 10, 0, 31);
    static final Codec DPX_12 = still("frames-dpx-12", WORDS.say("dpxFrames12Bit"), "dpx", "dpx", 12, 0, 47);
    static final Codec DPX_16 = still("frames-dpx-16", WORDS.say("dpxFrames16Bit"), "dpx", "dpx", 16, 0, 47);

    /** OpenEXR 2, half-precision floats, zip; light itself, premultiplied where there is alpha, as all its readers take it. */
    static final Codec EXR = exr("frames-exr", WORDS.say("exrFramesHalfFloat"), 16, false);
    static final Codec EXR_RGBA = exr("frames-exr-rgba", WORDS.say("exrFramesWithAlphaHalfFloat"), 16, true);
    /** The same in single precision: for programs that read nothing else. The light that is in them went through 16 bits. */
    static final Codec EXR_32 = exr("frames-exr-32", WORDS.say("exrFrames32BitFloat"), 32, false);
    static final Codec EXR_RGBA_32 = exr("frames-exr-rgba-32", WORDS.say("exrFramesWithAlpha32BitFloat"), 32, true);

    static final Codec JPEG_8 = Codec.named("frames-jpeg", WORDS.say("jpegFrames")).reports("mjpeg", "unknown").samples(Chroma.YUV444, 8)
            .colour(ColourCoding.JFIF).in(Container.FRAMES).extension("jpg").quality(new Quality(1, 31, 2, 5, 10), 2).bitsPerPixel(.5, 8)
            .reach(Reach.ANYWHERE).plays(WORDS.say("opensEverywhere")).build();

    private static Codec still(String id, String title, String name, String extension, int bits, int alpha, double low) {
        // PNG alone says what its values mean; as screens show them, they look as the frames looked that came in.
        CodecBuilder entry = Codec.named(id, title);
        if (name.equals("png")) {
            entry.effort();
            if (bits > 8) {
                entry.colours(ColourCoding.RGB_PQ, ColourCoding.RGB_HLG);
            }
        }
        if (name.equals("tiff")) {
            entry.compressed(Compression.OF_TIFF);
        }
        return entry.reports(name, "unknown").samples(Chroma.RGB, bits).alpha(alpha)
                .colour(name.equals("png") ? ColourCoding.SCREEN : ColourCoding.RGB)
                .in(Container.FRAMES).extension(extension)
                .lossless().bitsPerPixel(low, (3 * bits + alpha) * 1.4)
                .plays(WORDS.say("opensInCompositingAndFinishing", (alpha > 0 ? WORDS.say("transparencyIncluded") : "."))).build();
    }

    private static Codec exr(String id, String title, int bits, boolean alpha) {
        return Codec.named(id, title).reports("exr", "unknown").samples(Chroma.RGB, bits).alpha(alpha ? bits : 0)
                .colour(ColourCoding.LINEAR).compressed(Compression.OF_EXR)
                .in(Container.FRAMES)
                .extension("exr").bitsPerPixel(6, 1.2 * bits * (alpha ? 4 : 3))
                .plays(WORDS.say("opensInCompositingAndFinishing", (alpha ? WORDS.say("transparencyIncluded") : "."))).build();
    }

    static List<Codec> all() {
        return List.of(PNG_8, PNG_16, PNG_RGBA_8, PNG_RGBA_16, TIFF_8, TIFF_16, TIFF_RGBA_16, TGA_8, TGA_RGBA_8, DPX_10, DPX_12, DPX_16,
                EXR, EXR_RGBA, EXR_32, EXR_RGBA_32,
                JPEG_8);
    }

    private NumberedStills() {}
}
