package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Set;

/** What broadcasters ask for beside AVC-Intra and VC-3: MPEG-2 (ITU-T H.262, 4:2:2 and main profile) and DV (IEC 61834, SMPTE 314M). */
final class Broadcast {

    private static final Words WORDS = Words.of(Broadcast.class);

    private static final Size LINES_625 = Size.of(720, 576);
    private static final Size LINES_525 = Size.of(720, 480);
    private static final Limits FULL_HD = Limits.only(Set.of(Size.of(1920, 1080)), Rate.of(24000, 1001), Rate.of(25), Rate.of(30000, 1001));

    /** 50 Mbit/s, groups of half a second. */
    static final Codec MPEG2_LONG_50 = Codec.named("mpeg2-422-50", WORDS.say("mpeg242250MbitSLongGOP")).reports("mpeg2video", "4:2:2")
            .samples(Chroma.YUV422, 8).in(Container.MXF, Container.MOV).limits(FULL_HD).pixelAspects(PixelAspect.SQUARE)
            .interlaced(Scan.TOP_FIRST).group(1).fixedGroup().whole().bitsPerPixel(.7, 1.1)
            .plays(WORDS.say("takenByMostBroadcasters")).build();

    /** The same of 720 lines, which are progressive. */
    static final Codec MPEG2_LONG_50_720 = Codec.named("mpeg2-422-50-720", WORDS.say("mpeg242250MbitSOf720Lines"))
            .reports("mpeg2video", "4:2:2").samples(Chroma.YUV422, 8).in(Container.MXF, Container.MOV)
            .limits(Limits.only(Set.of(Size.of(1280, 720)), Rate.of(50), Rate.of(60000, 1001))).pixelAspects(PixelAspect.SQUARE)
            .group(1).fixedGroup().whole().bitsPerPixel(.6, 1.3).plays(WORDS.say("takenByMostBroadcasters")).build();

    static final Codec MPEG2_INTRA_625 = mpeg2Intra("mpeg2-422-50-intra-625", WORDS.say("mpeg242250MbitSIntra625"), LINES_625,
            Rate.of(25));
    static final Codec MPEG2_INTRA_525 = mpeg2Intra("mpeg2-422-50-intra-525", WORDS.say("mpeg242250MbitSIntra525"), LINES_525,
            Rate.of(30000, 1001));

    /** Main profile, as it is sent: at no moment more than a level's decoder holds. */
    static final Codec MPEG2_MAIN_1080 = mpeg2Main("mpeg2-main-1080", WORDS.say("mpeg2MainOf1080Lines"),
            Limits.only(Set.of(Size.of(1920, 1080)), Rate.of(24000, 1001), Rate.of(24), Rate.of(25), Rate.of(30000, 1001), Rate.of(30)),
            18_000_000, PixelAspect.SQUARE).interlaced(Scan.TOP_FIRST).build();
    static final Codec MPEG2_MAIN_720 = mpeg2Main("mpeg2-main-720", WORDS.say("mpeg2MainOf720Lines"),
            Limits.only(Set.of(Size.of(1280, 720)), Rate.of(24000, 1001), Rate.of(24), Rate.of(25), Rate.of(30000, 1001), Rate.of(30),
                    Rate.of(50), Rate.of(60000, 1001), Rate.of(60)),
            15_000_000, PixelAspect.SQUARE).build();
    static final Codec MPEG2_MAIN_625 = mpeg2Main("mpeg2-main-625", WORDS.say("mpeg2Main625"), Limits.only(Set.of(LINES_625), Rate.of(25)),
            6_000_000, shapes(LINES_625)).interlaced(Scan.TOP_FIRST).build();
    static final Codec MPEG2_MAIN_525 = mpeg2Main("mpeg2-main-525", WORDS.say("mpeg2Main525"),
            Limits.only(Set.of(LINES_525), Rate.of(30000, 1001)), 6_000_000, shapes(LINES_525)).interlaced(Scan.TOP_FIRST).build();

    static final Codec DV25_625 = dv("dv25-625", WORDS.say("dv25MbitS625Lines"), Chroma.YUV420, LINES_625, Rate.of(25), 2.3, 2.9);
    static final Codec DV25_525 = dv("dv25-525", WORDS.say("dv25MbitS525Lines"), Chroma.YUV411, LINES_525, Rate.of(30000, 1001), 2.3, 2.9);
    static final Codec DV50_625 = dv("dv50-625", WORDS.say("dv50MbitS625Lines"), Chroma.YUV422, LINES_625, Rate.of(25), 4.7, 5.7);
    static final Codec DV50_525 = dv("dv50-525", WORDS.say("dv50MbitS525Lines"), Chroma.YUV422, LINES_525, Rate.of(30000, 1001), 4.7, 5.7);

    private static Codec dv(String id, String title, Chroma chroma, Size size, Rate rate, double low, double high) {
        return Codec.named(id, title).reports("dvvideo", "unknown").samples(chroma, 8).in(Container.MOV, Container.AVI)
                .rangeUnstatedIn(Container.MOV)
                .limits(Limits.only(Set.of(size), rate)).bitsPerPixel(low, high)
                .pixelAspects(shapes(size)).interlaced(Scan.BOTTOM_FIRST).alwaysCalled(Scan.BOTTOM_FIRST)
                .plays(WORDS.say("opensInEditingProgramsOld")).build();
    }

    private static CodecBuilder mpeg2Main(String id, String title, Limits limits, long bits, PixelAspect... shapes) {
        return Codec.named(id, title).reports("mpeg2video", "Main").samples(Chroma.YUV420, 8).in(Container.TS).limits(limits)
                .pixelAspects(shapes).group(1).fixedGroup().ruled(new RateControl.Steady(bits), RateControl.Kind.AVERAGE)
                .bitsPerPixel(.05, 2).plays(WORDS.say("takenByEveryReceiver"));
    }

    private static Codec mpeg2Intra(String id, String title, Size size, Rate rate) {
        return Codec.named(id, title).reports("mpeg2video", "4:2:2").samples(Chroma.YUV422, 8).in(Container.MXF, Container.MOV).whole()
                .bitsPerPixel(.7, 5).limits(Limits.only(Set.of(size), rate)).pixelAspects(shapes(size))
                .interlaced(size.equals(LINES_625) ? Scan.TOP_FIRST : Scan.BOTTOM_FIRST)
                .plays(WORDS.say("takenByBroadcastersInStandard")).build();
    }

    /** 4:3 and 16:9 over the whole width, as the coded pictures say it. */
    private static PixelAspect[] shapes(Size size) {
        return size.equals(LINES_625) ? new PixelAspect[] {PixelAspect.of(16, 15), PixelAspect.of(64, 45)}
                : new PixelAspect[] {PixelAspect.of(8, 9), PixelAspect.of(32, 27)};
    }

    static List<Codec> all() {
        return List.of(MPEG2_LONG_50, MPEG2_LONG_50_720, MPEG2_INTRA_625, MPEG2_INTRA_525, MPEG2_MAIN_1080, MPEG2_MAIN_720,
                MPEG2_MAIN_625, MPEG2_MAIN_525, DV25_625, DV25_525, DV50_625, DV50_525);
    }

    private Broadcast() {}
}
