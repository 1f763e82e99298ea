package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.List;

/** H.265 (ITU-T H.265, ISO/IEC 23008-2). */
final class H265 {

    private static final Words WORDS = Words.of(H265.class);

    private static final Quality SCALE = new Quality(1, 51, 18, 24, 30);

    static final Codec MAIN_420 = entry("h265-main-420", "H.265 Main", "Main", Chroma.YUV420, 8)
            .reach(Reach.BROWSERS).plays(WORDS.say("playsOnNewerTelephonesTelevisions")).build();

    static final Codec MAIN10_420 = entry("h265-main10-420", WORDS.say("h265Main10"), "Main 10", Chroma.YUV420, 10).wideColours()
            .reach(Reach.BROWSERS).plays(WORDS.say("playsOnNewerTelephonesAnd")).build();

    static final Codec MAIN422_10 = entry("h265-main422-10", WORDS.say("h265Main42210"), "Rext", Chroma.YUV422, 10).wideColours()
            .plays(WORDS.say("opensInNewerEditingPrograms")).unwise(WORDS.say("browsersAndMostTelephones")).build();

    private static CodecBuilder entry(String id, String title, String profile, Chroma chroma, int bits) {
        return Codec.named(id, title).reports("hevc", profile).samples(chroma, bits)
                .in(Container.MP4, Container.MOV, Container.MKV, Container.TS)
                .quality(SCALE, 19)
                .also(RateControl.Kind.AVERAGE, RateControl.Kind.TWO_PASS, RateControl.Kind.FILE_SIZE, RateControl.Kind.CAPPED)
                .limits(Limits.upTo(8192, 4320).from(64))
                .matrices().screenColours().group(2).effort().bitsPerPixel(.01, 1.3 * bits / 8);
    }

    static List<Codec> all() {
        return List.of(MAIN_420, MAIN10_420, MAIN422_10);
    }

    private H265() {}
}
