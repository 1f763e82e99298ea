package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.words.Words;
import java.util.List;

/** The royalty-free codecs of the web: VP9 (its bitstream specification, version 0.6) and AV1 (version 1.0.0). */
final class OpenWeb {

    private static final Words WORDS = Words.of(OpenWeb.class);

    static final Codec VP9 = vp9("vp9-420", "VP9").also(RateControl.Kind.TWO_PASS, RateControl.Kind.FILE_SIZE).reach(Reach.BROWSERS)
            .plays(WORDS.say("playsInEveryBrowserAndOn")).build();

    /** Alpha is a second picture beside the first, as WebM has it. */
    static final Codec VP9_ALPHA = vp9("vp9-420-alpha", WORDS.say("vp9WithAlpha")).alpha(8).in(Container.WEBM, Container.MKV)
            .reach(Reach.BROWSERS).plays(WORDS.say("playsWithTransparencyIn")).build();

    static final Codec AV1_8 = av1("av1-8", "AV1", 8).build();
    static final Codec AV1_10 = av1("av1-10", "AV1 10-bit", 10).wideColours().build();

    private static CodecBuilder vp9(String id, String title) {
        return Codec.named(id, title).reports("vp9", "Profile 0").samples(Chroma.YUV420, 8)
                .in(Container.WEBM, Container.MKV, Container.MP4).partsIn(Container.MKV)
                .quality(new Quality(1, 63, 20, 30, 40), 24).also(RateControl.Kind.AVERAGE).limits(Limits.upTo(16384, 16384))
                .matrices().screenColours().group(4).effort().bitsPerPixel(.01, 1.4);
    }

    private static CodecBuilder av1(String id, String title, int bits) {
        return Codec.named(id, title).reports("av1", "Main").samples(Chroma.YUV420, bits)
                .in(Container.MP4, Container.WEBM, Container.MKV, Container.AVIF).partsIn(Container.MKV)
                .quality(new Quality(1, 63, 22, 32, 42), 26).also(RateControl.Kind.AVERAGE).limits(Limits.upTo(16384, 8704).from(64))
                .matrices().screenColours().pixelAspects(PixelAspect.SQUARE).group(4).effort().bitsPerPixel(.01, 1.2 * bits / 8)
                .reach(Reach.BROWSERS).plays(WORDS.say("playsInCurrentBrowsersAnd"));
    }

    static List<Codec> all() {
        return List.of(VP9, VP9_ALPHA, AV1_8, AV1_10);
    }

    private OpenWeb() {}
}
