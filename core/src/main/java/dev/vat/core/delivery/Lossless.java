package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.List;

/** Codecs that give back every sample as it went in, and samples that aren't packed at all. */
final class Lossless {

    private static final Words WORDS = Words.of(Lossless.class);

    /** FFV1, version 3 (RFC 9043): every slice has a checksum, which makes it the archive's choice. */
    static final Codec FFV1_RGB_8 = ffv1("ffv1-rgb-8", "FFV1 RGB", Chroma.RGB, 8, 0);
    static final Codec FFV1_RGB_16 = ffv1("ffv1-rgb-16", "FFV1 RGB 16-bit", Chroma.RGB, 16, 0);
    static final Codec FFV1_RGBA_16 = ffv1("ffv1-rgba-16", "FFV1 RGBA 16-bit", Chroma.RGB, 16, 16);
    static final Codec FFV1_422_10 = ffv1("ffv1-422-10", "FFV1 4:2:2 10-bit", Chroma.YUV422, 10, 0);

    static final Codec UT_RGB = ut("utvideo-rgb", WORDS.say("utVideoRGB"), 0);
    static final Codec UT_RGBA = ut("utvideo-rgba", WORDS.say("utVideoRGBA"), 8);

    static final Codec V210 = Codec.named("v210", WORDS.say("uncompressed42210BitV210")).reports("v210", "unknown")
            .samples(Chroma.YUV422, 10).in(Container.MOV, Container.MKV, Container.AVI).rangeUnstatedIn(Container.MOV, Container.MKV)
            .lossless().bitsPerPixel(21.3, 21.8)
            .plays(WORDS.say("opensInEditingAndFinishing")).build();
    static final Codec UYVY = Codec.named("uncompressed-422-8", WORDS.say("uncompressed4228Bit")).reports("rawvideo", "unknown")
            .samples(Chroma.YUV422, 8).in(Container.MOV).rangeUnstatedIn(Container.MOV).lossless().bitsPerPixel(16, 16.1)
            .plays(WORDS.say("opensInEditingAndFinishing")).build();
    static final Codec RGB_8 = Codec.named("uncompressed-rgb-8", WORDS.say("uncompressedRGB")).reports("rawvideo", "unknown")
            .samples(Chroma.RGB, 8).in(Container.MOV).rangeUnstatedIn(Container.MOV).lossless().bitsPerPixel(24, 24.3)
            .plays(WORDS.say("opensInMostDesktopPrograms")).build();
    static final Codec RGBA_8 = Codec.named("uncompressed-rgba-8", WORDS.say("uncompressedRGBA")).reports("rawvideo", "unknown")
            .samples(Chroma.RGB, 8).alpha(8).in(Container.MOV).rangeUnstatedIn(Container.MOV).lossless().bitsPerPixel(32, 32.1)
            .plays(WORDS.say("opensInCompositingPrograms")).build();

    static final Codec PNG_RGB_8 = png("png-rgb-8", WORDS.say("pngInMOV"), 8, 0);
    static final Codec PNG_RGBA_8 = png("png-rgba-8", WORDS.say("pngInMOVWithAlpha"), 8, 8);
    static final Codec PNG_RGBA_16 = png("png-rgba-16", WORDS.say("pngInMOVWithAlpha16Bit"), 16, 16);

    static final Codec RLE_RGB = rle("rle-rgb", WORDS.say("runLengthRGB"), 0);
    static final Codec RLE_RGBA = rle("rle-rgba", WORDS.say("runLengthRGBA"), 8);

    private static Codec ffv1(String id, String title, Chroma chroma, int bits, int alpha) {
        double all = bits * (chroma == Chroma.RGB ? 3 : 2) + alpha;
        return Codec.named(id, title).reports("ffv1", "unknown").samples(chroma, bits).alpha(alpha)
                .in(Container.MKV, Container.AVI, Container.MXF)
                .rangeUnstatedIn(chroma == Chroma.RGB ? new Container[] {Container.MXF} : new Container[0])
                .partsIn(Container.MKV).lossless().bitsPerPixel(all * .05, all * 1.05)
                .plays(WORDS.say("opensInArchiveToolsAndPlayers")).build();
    }

    private static Codec ut(String id, String title, int alpha) {
        return Codec.named(id, title).reports("utvideo", "unknown").samples(Chroma.RGB, 8).alpha(alpha).in(Container.AVI, Container.MKV)
                .partsIn(Container.MKV).lossless().bitsPerPixel(1.5, 25 + alpha)
                .plays(WORDS.say("opensInProgramsThatHave")).build();
    }

    private static Codec png(String id, String title, int bits, int alpha) {
        return Codec.named(id, title).reports("png", "unknown").samples(Chroma.RGB, bits).alpha(alpha).in(Container.MOV).lossless().effort()
                .bitsPerPixel(.5, (3 * bits + alpha) * 1.05)
                .plays(WORDS.say("opensInEditingAndCompositing", (alpha > 0 ? WORDS.say("transparencyIncluded") : "."))).build();
    }

    private static Codec rle(String id, String title, int alpha) {
        return Codec.named(id, title).reports("qtrle", "unknown").samples(Chroma.RGB, 8).alpha(alpha).in(Container.MOV)
                .rangeUnstatedIn(Container.MOV).lossless()
                .bitsPerPixel(.2, 25 + alpha).plays(WORDS.say("opensInCompositingPrograms2")).build();
    }

    static List<Codec> all() {
        return List.of(FFV1_RGB_8, FFV1_RGB_16, FFV1_RGBA_16, FFV1_422_10, UT_RGB, UT_RGBA, V210, UYVY, RGB_8, RGBA_8,
                PNG_RGB_8, PNG_RGBA_8, PNG_RGBA_16, RLE_RGB, RLE_RGBA);
    }

    private Lossless() {}
}
