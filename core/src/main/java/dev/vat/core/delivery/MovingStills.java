package dev.vat.core.delivery;

import dev.vat.core.time.Rate;
import java.util.List;

/** Stills that move, for pages on the web: GIF (89a), animated PNG (Portable Network Graphics, third edition), animated WebP (RFC 9649). */
final class MovingStills {

    private static final String SILENT = "Plays in every browser, over and over, without sound.";

    /** Each frame has the 256 colours that suit it best; what is more than half transparent is wholly so. */
    static final Codec GIF = gif("gif", "GIF", 0);
    static final Codec GIF_ALPHA = gif("gif-alpha", "GIF with hard-edged transparency", 1);

    static final Codec APNG = apng("apng", "Animated PNG", 0);
    static final Codec APNG_RGBA = apng("apng-rgba", "Animated PNG with alpha", 8);

    static final Codec WEBP = webp("webp-420", "Animated WebP", 0);
    static final Codec WEBP_ALPHA = webp("webp-420-alpha", "Animated WebP with alpha", 8);
    static final Codec WEBP_LOSSLESS = Codec.named("webp-lossless", "Animated WebP without loss, with alpha").reports("webp", "unknown")
            .samples(Chroma.RGB, 8).alpha(8)
            .in(Container.WEBP).partsIn(Container.WEBP).whole().lossless().effort().limits(Limits.upTo(16383, 16383)).bitsPerPixel(.5, 34)
            .reach(Reach.BROWSERS).plays(SILENT).build();

    private static Codec gif(String id, String title, int alpha) {
        return Codec.named(id, title).reports("gif", "unknown").samples(Chroma.RGB, 8).alpha(alpha).in(Container.GIF).partsIn(Container.GIF)
                .whole()
                .limits(Limits.upTo(65_535, 65_535).fastest(Rate.of(50))).bitsPerPixel(.2, 9)
                .reach(Reach.ANYWHERE).plays("Plays everywhere, mail included, over and over, without sound.").unwise("256 colours "
                        + "are few for filmed pictures, and the file is large")
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
