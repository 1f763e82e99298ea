package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.List;

/** CineForm (SMPTE ST 2073-1) and Motion JPEG (ITU-T T.81): every frame stands alone, at a quality that is chosen. */
final class FrameByFrame {

    private static final Words WORDS = Words.of(FrameByFrame.class);

    /** From 0, the best, in the steps that its encoder has. */
    private static final Quality FILM = new Quality(0, 12, 2, 6, 9);
    private static final Quality JPEG = new Quality(1, 31, 3, 6, 12);

    static final Codec CINEFORM_422_10 = cineform("cineform-422-10", WORDS.say("cineform422"), Chroma.YUV422, 10, 0, 5);
    static final Codec CINEFORM_RGB_12 = cineform("cineform-rgb-12", WORDS.say("cineformRGB"), Chroma.RGB, 12, 0, 10);
    static final Codec CINEFORM_RGBA_12 = cineform("cineform-rgba-12", WORDS.say("cineformRGBA"), Chroma.RGB, 12, 12, 13);

    static final Codec MJPEG_422 = Codec.named("mjpeg-422", "Motion JPEG").reports("mjpeg", "Baseline").samples(Chroma.YUV422, 8)
            .colour(ColourCoding.JFIF).statesItself().in(Container.MOV, Container.AVI, Container.MKV).quality(JPEG, 3).bitsPerPixel(.3, 6)
            .plays(WORDS.say("opensNearlyEverywhereOn")).build();

    private static Codec cineform(String id, String title, Chroma chroma, int bits, int alpha, double high) {
        return Codec.named(id, title).reports("cfhd", "unknown").samples(chroma, bits).alpha(alpha).in(Container.MOV, Container.AVI)
                .rangeUnstatedIn(Container.MOV)
                .quality(FILM, 2).bitsPerPixel(.8, high).limits(Limits.NONE.from(48))
                .plays(WORDS.say("opensInEditingAndFinishing")).build();
    }

    static List<Codec> all() {
        return List.of(CINEFORM_422_10, CINEFORM_RGB_12, CINEFORM_RGBA_12, MJPEG_422);
    }

    private FrameByFrame() {}
}
