package dev.vat.core.delivery;

import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;

/** Stills that move, for pages on the web: GIF (89a), animated PNG (Portable Network Graphics, third edition), animated WebP (RFC 9649). */
final class MovingStills {

    private static final Words WORDS = Words.of(MovingStills.class);

    private static final String SILENT = WORDS.say("playsInEveryBrowserOver");

    /** Each frame has the 256 colours that suit it best; what is more than half transparent is wholly so. */
    static final Codec GIF = gif("gif", "GIF", 0);
    static final Codec GIF_ALPHA = gif("gif-alpha", WORDS.say("gifWithHardEdgedTransparency"), 1);

    static final Codec APNG = apng("apng", WORDS.say("animatedPNG"), 0);
    static final Codec APNG_RGBA = apng("apng-rgba", WORDS.say("animatedPNGWithAlpha"), 8);

    static final Codec WEBP = webp("webp-420", WORDS.say("animatedWebP"), 0);
    static final Codec WEBP_ALPHA = webp("webp-420-alpha", WORDS.say("animatedWebPWithAlpha"), 8);
    static final Codec WEBP_LOSSLESS = Codec.named("webp-lossless", WORDS.say("animatedWebPWithoutLoss")).reports("webp", "unknown")
            .samples(Chroma.RGB, 8).alpha(8)
            .in(Container.WEBP).partsIn(Container.WEBP).whole().lossless().effort().limits(Limits.upTo(16383, 16383)).bitsPerPixel(.5, 34)
            .reach(Reach.BROWSERS).plays(SILENT).build();

    private static Codec gif(String id, String title, int alpha) {
        return Codec.named(id, title).reports("gif", "unknown").samples(Chroma.RGB, 8).alpha(alpha).in(Container.GIF).partsIn(Container.GIF)
                .whole()
                .limits(Limits.upTo(65_535, 65_535).fastest(Rate.of(50))).bitsPerPixel(.2, 9)
                .reach(Reach.ANYWHERE).plays(WORDS.say("playsEverywhereMailIncluded")).unwise(WORDS.say("256ColoursAreFewForFilmed"))
                .build();
    }

    private static Codec apng(String id, String title, int alpha) {
        return Codec.named(id, title).reports("apng", "unknown").samples(Chroma.RGB, 8).alpha(alpha).colour(ColourCoding.SCREEN)
                .in(Container.APNG).partsIn(Container.APNG).whole().lossless().effort()
                .bitsPerPixel(.5, 26 + alpha).reach(Reach.BROWSERS).plays(SILENT).build();
    }

    /** The number is what is given up: a hundred less the quality by WebP's own count. */
    private static Codec webp(String id, String title, int alpha) {
        return Codec.named(id, title).reports("webp", "unknown").samples(Chroma.YUV420, 8).alpha(alpha).colour(ColourCoding.WEBP)
                .in(Container.WEBP).partsIn(Container.WEBP)
                .whole().effort().quality(new Quality(0, 100, 12, 25, 50), 15).limits(Limits.upTo(16383, 16383)).bitsPerPixel(.1, 4)
                .reach(Reach.BROWSERS).plays(SILENT).build();
    }

    static List<Codec> all() {
        return List.of(GIF, GIF_ALPHA, APNG, APNG_RGBA, WEBP, WEBP_ALPHA, WEBP_LOSSLESS);
    }

    private MovingStills() {}
}
