package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.words.Words;
import java.util.List;

/** The targets that Vat comes with, by recipient. */
final class Targets {

    private static final Words WORDS = Words.of(Targets.class);

    private static final String ANYONE = WORDS.say("anyone");
    private static final String WEB = WORDS.say("theWeb");
    private static final String SOCIAL = WORDS.say("socialMedia");
    private static final String EDIT = WORDS.say("editing");
    private static final String ALPHA = WORDS.say("compositingWithTransparency");
    static final String BROADCAST = WORDS.say("broadcast");
    private static final String HDR = WORDS.say("highDynamicRange");
    private static final String FRAMES = WORDS.say("frames");
    private static final String ARCHIVE = WORDS.say("archive");

    static final Target WEB_H264 = new Target("web-h264", WEB, WORDS.say("h264ForTheWeb"), "web",
            WORDS.say("8Bit420HighProfilePlays"),
            in(H264.HIGH_420, Container.MP4).withIndexInFront(true));

    static final Target EDIT_PRORES_HQ = new Target("edit-prores-hq", EDIT, WORDS.say("proresHQForEditing"), "edit",
            WORDS.say("10BitsAndEveryFrameByItself"),
            in(ProRes.HQ_422, Container.MOV));

    static final Target ALPHA_PRORES_4444 = new Target("alpha-prores-4444", ALPHA, WORDS.say("prores4444WithAlpha"), "alpha",
            WORDS.say("fullColourResolutionAnd"),
            in(ProRes.P4444, Container.MOV));

    static final List<Target> ALL = List.of(
            WEB_H264, EDIT_PRORES_HQ, ALPHA_PRORES_4444,
            new Target("anyone-h264", ANYONE, WORDS.say("h264ThatPlaysAnywhere"), "anywhere", WORDS.say("8Bit420H264HeldUnder12Mbit"),
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.Capped(20, 12_000_000, 12_000_000))
                            .withIndexInFront(true)),
            new Target("review-h264", ANYONE, WORDS.say("smallH264ToLookAt"), "look", WORDS.say("aQuarterOfTheBytesOfThe"),
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.Constant(26)).withIndexInFront(true)),
            new Target("phone-h265", ANYONE, WORDS.say("h265ForNewerTelephones"), "phone", WORDS.say("halfTheBytesOfH264AtThe"),
                    in(H265.MAIN_420, Container.MP4).withIndexInFront(true)),
            new Target("hevc-10", ANYONE, "H.265 10-bit", "hevc10", WORDS.say("smoothSkiesDontBandNewer"),
                    in(H265.MAIN10_420, Container.MP4).withIndexInFront(true)),
            new Target("social-portrait", SOCIAL, WORDS.say("portrait1080x1920"), "portrait", WORDS.say("fillsATelephoneThatIsHeld"),
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true)
                            .withFraming(Framing.of(Size.of(1080, 1920), Fit.FILL))),
            new Target("social-square", SOCIAL, WORDS.say("square1080x1080"), "square", WORDS.say("theSameRoomInEveryOrientation"),
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true)
                            .withFraming(Framing.of(Size.of(1080, 1080), Fit.FILL))),
            new Target("web-1080", WEB, WORDS.say("h2641920x1080ForTheWeb"), "hd", WORDS.say("asH264ForTheWebAtFullHD"),
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true).withFraming(Framing.of(Size.of(1920, 1080), Fit.BARS))),
            new Target("mail-25", ANYONE, WORDS.say("h264OfAtMost25MB"), "mail", WORDS.say("whatMostMailServersLetThrough"),
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.FileSize(25_000_000)).withIndexInFront(true)),
            new Target("web-gif", WEB, WORDS.say("gifForMailAndPages"), "gif", WORDS.say("playsWhereNothingElseDoes"),
                    in(MovingStills.GIF, Container.GIF)),
            new Target("web-apng", WEB, WORDS.say("animatedPNGWithTransparency"), "apng", WORDS.say("everyColourAndSoftEdges"),
                    in(MovingStills.APNG_RGBA, Container.APNG)),
            new Target("web-webp", WEB, WORDS.say("animatedWebPWithTransparency"), "webp", WORDS.say("softEdgesInEveryBrowser"),
                    in(MovingStills.WEBP_ALPHA, Container.WEBP)),
            new Target("web-avif", WEB, WORDS.say("animatedAVIF"), "avif", WORDS.say("everyColourInTheFewestBytes"),
                    in(OpenWeb.AV1_8, Container.AVIF)),
            new Target("web-vp9", WEB, WORDS.say("vp9ForTheWeb"), "vp9", WORDS.say("playsInEveryBrowserSmaller"),
                    in(OpenWeb.VP9, Container.WEBM)),
            new Target("web-vp9-alpha", WEB, WORDS.say("vp9WithTransparencyForThe"), "webalpha", WORDS.say("softTransparencyInTheFewest"),
                    in(OpenWeb.VP9_ALPHA, Container.WEBM)),
            new Target("web-av1", WEB, WORDS.say("av1ForTheWeb"), "av1", WORDS.say("theSmallestForItsQuality"),
                    in(OpenWeb.AV1_8, Container.MP4).withIndexInFront(true)),
            new Target("web-av1-10", WEB, WORDS.say("av110BitForTheWeb"), "av1-10", WORDS.say("asAV1AndSmoothSkiesDont"),
                    in(OpenWeb.AV1_10, Container.WEBM)),
            new Target("edit-prores-422", EDIT, WORDS.say("prores422ForEditing"), "prores", WORDS.say("10BitsAtTwoThirdsOfHQsBytes"),
                    in(ProRes.STANDARD_422, Container.MOV)),
            new Target("edit-prores-lt", EDIT, WORDS.say("proresLTForEditing"), "lt", WORDS.say("10BitsAtHalfOfHQsBytesWhere"),
                    in(ProRes.LT_422, Container.MOV)),
            new Target("proxy-prores", EDIT, WORDS.say("proresProxy"), "proxy", WORDS.say("aStandInToCutWithReplaced"),
                    in(ProRes.PROXY_422, Container.MOV)),
            new Target("edit-dnxhr-hqx", EDIT, WORDS.say("dnxhrHQXForEditing"), "hqx", WORDS.say("10BitsEveryFrameTheSame"),
                    in(Vc3.HR_HQX, Container.MOV)),
            new Target("edit-dnxhr-sq", EDIT, WORDS.say("dnxhrSQForEditing"), "sq", WORDS.say("8BitsEveryFrameTheSameBytes"),
                    in(Vc3.HR_SQ, Container.MXF)),
            new Target("proxy-dnxhr-lb", EDIT, WORDS.say("dnxhrLBProxy"), "lb", WORDS.say("aStandInToCutWithReplaced"),
                    in(Vc3.HR_LB, Container.MXF)),
            new Target("edit-cineform", EDIT, WORDS.say("cineformForEditing"), "cineform", WORDS.say("10BitsWithHardlyAnyLoss"),
                    in(FrameByFrame.CINEFORM_422_10, Container.MOV)),
            new Target("edit-h264-intra", EDIT, WORDS.say("h264422IntraForEditing"), "intra",
                    WORDS.say("10BitsSmallerThanProRes"),
                    in(H264.INTRA_422_10, Container.MOV)),
            new Target("edit-hdr-prores", EDIT, WORDS.say("prores4444InHDRForGrading"), "hdredit", WORDS.say("pqOverRec2020SoThatWhat"),
                    in(ProRes.P4444, Container.MOV).withColour(ColourCoding.PQ)),
            new Target("hdr-pq", HDR, WORDS.say("h265HDRByPQ"), "pq", WORDS.say("whatTelevisionsAndNewer"),
                    in(H265.MAIN10_420, Container.MP4).withColour(ColourCoding.PQ).withIndexInFront(true)),
            new Target("hdr-hlg", HDR, WORDS.say("h265HDRByHLG"), "hlg", WORDS.say("hdrThatOrdinaryScreensShow"),
                    in(H265.MAIN10_420, Container.MP4).withColour(ColourCoding.HLG).withIndexInFront(true)),
            new Target("hdr-av1", HDR, WORDS.say("av1HDRByPQForTheWeb"), "av1hdr",
                    WORDS.say("asH265ByPQWithoutRoyalties"),
                    in(OpenWeb.AV1_10, Container.MP4).withColour(ColourCoding.PQ).withIndexInFront(true)),
            new Target("alpha-prores-xq", ALPHA, WORDS.say("prores4444XQWithAlpha"), "xq", WORDS.say("theLargestProResForMaterial"),
                    in(ProRes.P4444_XQ, Container.MOV)),
            new Target("alpha-png", ALPHA, WORDS.say("pngInMOVWithAlpha"), "png", WORDS.say("withoutLoss8BitsSlowToWrite"),
                    in(Lossless.PNG_RGBA_8, Container.MOV)),
            new Target("alpha-png-16", ALPHA, WORDS.say("pngInMOVWithAlpha16Bit"), "png16", WORDS.say("withoutLoss16BitsSlowTo"),
                    in(Lossless.PNG_RGBA_16, Container.MOV)),
            new Target("alpha-rle", ALPHA, WORDS.say("runLengthRGBAInMOV"), "rle", WORDS.say("withoutLossForFlatDrawings"),
                    in(Lossless.RLE_RGBA, Container.MOV)),
            new Target("alpha-cineform", ALPHA, WORDS.say("cineformRGBA"), "cfalpha", WORDS.say("12BitsWithAlphaWithHardly"),
                    in(FrameByFrame.CINEFORM_RGBA_12, Container.MOV)),
            new Target("broadcast-mpeg2-50", BROADCAST, WORDS.say("mpeg242250MbitSInMXF"), "mpeg2", WORDS.say("whatManyBroadcastersTake"),
                    mono(Broadcast.MPEG2_LONG_50)),
            new Target("broadcast-mpeg2-50-720", BROADCAST, WORDS.say("mpeg242250MbitSOf720LinesInMXF"), "mpeg2-720",
                    WORDS.say("for720LinesAt50Or5994"), sized(mono(Broadcast.MPEG2_LONG_50_720), Size.of(1280, 720))),
            new Target("broadcast-dnxhr-hqx", BROADCAST, WORDS.say("dnxhrHQXInMXF"), "hqxmxf", WORDS.say("tenBitsOfAnySizeAndRate"),
                    mono(Vc3.HR_HQX)),
            new Target("broadcast-dnxhr-hqx-uhd", BROADCAST, WORDS.say("dnxhrHQXOf2160LinesInMXF"), "hqx2160",
                    WORDS.say("tenBitsOf2160Lines"), sized(mono(Vc3.HR_HQX), Size.of(3840, 2160))),
            new Target("broadcast-avci-100", BROADCAST, WORDS.say("avcIntra100InMXF"), "avci", WORDS.say("10BitsEveryFrameByItself"),
                    mono(H264.AVC_INTRA_100)),
            new Target("broadcast-dnxhd", BROADCAST, WORDS.say("dnxhd10BitInMXF"), "dnxhd", WORDS.say("10BitsAt175To185MbitSUp"),
                    mono(Vc3.HD_175_X)),
            new Target("broadcast-avci-100-i", BROADCAST, WORDS.say("avcIntra100InMXFInterlaced"), "avci-i",
                    WORDS.say("topFieldFirstWovenOfAReel"),
                    woven(mono(H264.AVC_INTRA_100), Scan.TOP_FIRST)),
            new Target("broadcast-mpeg2-50-i", BROADCAST, WORDS.say("mpeg242250MbitSInMXFInterlaced"), "mpeg2-i",
                    WORDS.say("topFieldFirstWovenOfAReel2"),
                    woven(mono(Broadcast.MPEG2_LONG_50), Scan.TOP_FIRST)),
            new Target("broadcast-dnxhd-i", BROADCAST, WORDS.say("dnxhd8BitInMXFInterlaced"), "dnxhd-i",
                    WORDS.say("topFieldFirstWovenOfAReel3"),
                    woven(mono(Vc3.HD_115), Scan.TOP_FIRST)),
            new Target("broadcast-dv-625-i", BROADCAST, WORDS.say("dv625LinesInterlaced"), "dv-i", WORDS.say("bottomFieldFirstAsDVHas"),
                    woven(in(Broadcast.DV25_625, Container.MOV), Scan.BOTTOM_FIRST)),
            new Target("broadcast-prores", BROADCAST, WORDS.say("proresHQInMXF"), "hqmxf", WORDS.say("asForEditingInTheContainer"),
                    mono(ProRes.HQ_422)),
            new Target("broadcast-dv-625", BROADCAST, WORDS.say("dv625Lines"), "dv", WORDS.say("standardDefinitionAt25720x576"),
                    in(Broadcast.DV25_625, Container.MOV)),
            new Target("broadcast-dv-525", BROADCAST, WORDS.say("dv525Lines"), "dv525", WORDS.say("standardDefinitionAt2997"),
                    in(Broadcast.DV25_525, Container.MOV)),
            new Target("broadcast-h264-ts", BROADCAST, WORDS.say("h264InATransportStream"), "ts", WORDS.say("whatCableAndInternet"),
                    sized(in(H264.HIGH_420, Container.TS).withControl(new RateControl.Steady(12_000_000)), Size.of(1920, 1080))),
            new Target("broadcast-mpeg2-ts", BROADCAST, WORDS.say("mpeg2InATransportStream"), "mpeg2ts", WORDS.say("whatOlderCableHeads"),
                    sized(in(Broadcast.MPEG2_MAIN_1080, Container.TS), Size.of(1920, 1080))),
            new Target("frames-png", FRAMES, WORDS.say("pngFrames"), "frames", WORDS.say("8BitsWithoutLossOneFile"),
                    in(NumberedStills.PNG_8, Container.FRAMES)),
            new Target("frames-png-alpha", FRAMES, WORDS.say("pngFramesWithAlpha16Bit"), "frames16",
                    WORDS.say("16BitsWithoutLossTransparency"),
                    in(NumberedStills.PNG_RGBA_16, Container.FRAMES)),
            new Target("frames-tiff", FRAMES, WORDS.say("tiffFrames16Bit"), "tiff", WORDS.say("16BitsWithoutLossOneFile"),
                    in(NumberedStills.TIFF_16, Container.FRAMES)),
            new Target("frames-dpx", FRAMES, WORDS.say("dpxFrames10Bit"), "dpx", WORDS.say("whatFinishingProgramsTake"),
                    in(NumberedStills.DPX_10, Container.FRAMES)),
            new Target("frames-dpx-12", FRAMES, WORDS.say("dpxFrames12Bit"), "dpx12", WORDS.say("asDPXWithFinerSteps"),
                    in(NumberedStills.DPX_12, Container.FRAMES)),
            new Target("frames-dpx-16", FRAMES, WORDS.say("dpxFrames16Bit"), "dpx16", WORDS.say("asDPXWithFinerSteps"),
                    in(NumberedStills.DPX_16, Container.FRAMES)),
            new Target("frames-exr", FRAMES, WORDS.say("exrFramesHalfFloat"), "exr", WORDS.say("lightItselfAboveWhiteToo"),
                    in(NumberedStills.EXR, Container.FRAMES)),
            new Target("frames-exr-alpha", FRAMES, WORDS.say("exrFramesWithAlphaHalfFloat"), "exralpha",
                    WORDS.say("asEXRFramesTransparency"),
                    in(NumberedStills.EXR_RGBA, Container.FRAMES)),
            new Target("frames-jpeg", FRAMES, WORDS.say("jpegFrames"), "jpeg", WORDS.say("smallStillsToLookAt"),
                    in(NumberedStills.JPEG_8, Container.FRAMES)),
            new Target("archive-ffv1", ARCHIVE, WORDS.say("ffv1RGB16BitWithoutLoss"), "archive", WORDS.say("everySampleComesBackEvery"),
                    in(Lossless.FFV1_RGB_16, Container.MKV)),
            new Target("archive-ffv1-alpha", ARCHIVE, WORDS.say("ffv1RGBA16BitWithoutLoss"), "archivealpha",
                    WORDS.say("asFFV1TransparencyIncluded"),
                    in(Lossless.FFV1_RGBA_16, Container.MKV)),
            new Target("archive-v210", ARCHIVE, WORDS.say("uncompressed42210Bit"), "v210", WORDS.say("nothingToDecodeNothingTo"),
                    in(Lossless.V210, Container.MOV)));

    private static Settings in(Codec codec, Container container) {
        return Settings.of(codec, container);
    }

    /** In MXF, with a track for every channel, as broadcasters count on. */
    private static Settings mono(Codec codec) {
        return in(codec, Container.MXF).withTracks(SoundTracks.MONO);
    }

    private static Settings woven(Settings settings, Scan scan) {
        return settings.withFraming(Framing.FOLLOWS.withScan(scan));
    }

    private static Settings sized(Settings settings, Size size) {
        return settings.withFraming(Framing.FOLLOWS.withSize(size));
    }

    private Targets() {}
}
