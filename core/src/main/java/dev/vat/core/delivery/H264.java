package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Set;

/** H.264 (ITU-T H.264, ISO/IEC 14496-10). */
final class H264 {

    private static final Words WORDS = Words.of(H264.class);

    private static final Quality SCALE = new Quality(1, 51, 17, 22, 28);
    private static final Container[] AND_SENT = {Container.MP4, Container.MOV, Container.MKV, Container.TS};
    private static final Container[] EVERYWHERE = {Container.MP4, Container.MOV, Container.MKV};

    /** Constant quality 17 is where a practised eye stops seeing a difference at 1:1; this profile is what every browser decodes. */
    static final Codec HIGH_420 = entry("h264-high-420", "H.264 High", "High", Chroma.YUV420, 8)
            .in(AND_SENT).reach(Reach.ANYWHERE).plays(WORDS.say("playsInEveryBrowserOnTelephones")).build();

    static final Codec HIGH10_420 = entry("h264-high10-420", WORDS.say("h264High10"), "High 10", Chroma.YUV420, 10).wideColours()
            .plays(WORDS.say("playsInProgramsThatDecode"))
            .unwise(WORDS.say("browsersAndTelephonesDont")).build();

    static final Codec HIGH422_10 = entry("h264-high422-10", WORDS.say("h264High422"), "High 4:2:2", Chroma.YUV422, 10).wideColours()
            .in(AND_SENT)
            .plays(WORDS.say("opensInEditingProgramsAnd")).unwise(WORDS.say("browsersAndTelephonesDont2")).build();

    static final Codec HIGH444_8 = entry("h264-high444-8", WORDS.say("h264High444"), "High 4:4:4 Predictive", Chroma.YUV444, 8)
            .plays(WORDS.say("playsInAFewDesktopPlayers")).unwise(WORDS.say("h264444PlaysAlmostNowhere")).build();

    static final Codec INTRA_422_10 = Codec.named("h264-intra-422-10", "H.264 4:2:2 Intra").reports("h264", "High 4:2:2 Intra")
            .samples(Chroma.YUV422, 10).in(EVERYWHERE).quality(SCALE, 14).effort().limits(Limits.upTo(4096, 2304)).bitsPerPixel(.3, 6)
            .plays(WORDS.say("opensInEditingProgramsQuick")).build();

    /** Class 100 of SMPTE RP 2027: about 100 Mbit/s at 25 and 29.97, every frame alike in bytes. */
    static final Codec AVC_INTRA_100 = Codec.named("avc-intra-100", WORDS.say("avcIntraClass100"))
            .reports("h264", "High 4:2:2 Intra")
            .samples(Chroma.YUV422, 10).in(Container.MXF, Container.MOV).partsIn(Container.MXF).selfContained().interlaced(Scan.TOP_FIRST)
            .bitsPerPixel(1.5, 2.6)
            .limits(Limits.only(Set.of(Size.of(1920, 1080)), Rate.of(24000, 1001), Rate.of(25), Rate.of(30000, 1001)))
            .pixelAspects(PixelAspect.SQUARE)
            .plays(WORDS.say("takenByBroadcastersAndTheir")).build();

    private static CodecBuilder entry(String id, String title, String profile, Chroma chroma, int bits) {
        return Codec.named(id, title).reports("h264", profile).samples(chroma, bits).in(EVERYWHERE).quality(SCALE, 17)
                .also(RateControl.Kind.AVERAGE, RateControl.Kind.TWO_PASS, RateControl.Kind.FILE_SIZE, RateControl.Kind.STEADY,
                        RateControl.Kind.CAPPED)
                .matrices().screenColours().interlaced(Scan.TOP_FIRST, Scan.BOTTOM_FIRST).limits(Limits.upTo(4096, 2304)).group(2).effort()
                .bitsPerPixel(.02, 1.6 * bits / 8);
    }

    static List<Codec> all() {
        return List.of(HIGH_420, HIGH10_420, HIGH422_10, HIGH444_8, INTRA_422_10, AVC_INTRA_100);
    }

    private H264() {}
}
