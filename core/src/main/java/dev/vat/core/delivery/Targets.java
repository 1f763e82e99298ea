package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import java.util.List;

/** The targets that Vat comes with, by recipient. */
final class Targets {

    private static final String ANYONE = "Anyone";
    private static final String WEB = "The web";
    private static final String SOCIAL = "Social media";
    private static final String EDIT = "Editing";
    private static final String ALPHA = "Compositing, with transparency";
    static final String BROADCAST = "Broadcast";
    private static final String HDR = "High dynamic range";
    private static final String FRAMES = "Frames";
    private static final String ARCHIVE = "Archive";

    static final Target WEB_H264 = new Target("web-h264", WEB, "H.264 for the web", "web",
            "8-bit 4:2:0 High profile plays in every browser, on telephones and in editing programs; the index stands in front, so that it "
                    + "starts before it has arrived. No transparency.",
            in(H264.HIGH_420, Container.MP4).withIndexInFront(true));

    static final Target EDIT_PRORES_HQ = new Target("edit-prores-hq", EDIT, "ProRes HQ for editing", "edit",
            "10 bits and every frame by itself: grades and cuts well. Opens in editing and finishing programs. Browsers don't play it. No "
                    + "transparency.",
            in(ProRes.HQ_422, Container.MOV));

    static final Target ALPHA_PRORES_4444 = new Target("alpha-prores-4444", ALPHA, "ProRes 4444 with alpha", "alpha",
            "Full colour resolution and 16-bit alpha. Opens in editing and compositing programs, transparency included. Browsers don't "
                    + "play it.",
            in(ProRes.P4444, Container.MOV));

    static final List<Target> ALL = List.of(
            WEB_H264, EDIT_PRORES_HQ, ALPHA_PRORES_4444,
            new Target("anyone-h264", ANYONE, "H.264 that plays anywhere", "anywhere", "8-bit 4:2:0 H.264 held under 12 Mbit/s, so "
                    + "that old and slow "
                    + "machines keep up. It runs through the whole file: a stop begins it again.",
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.Capped(20, 12_000_000, 12_000_000))
                            .withIndexInFront(true)),
            new Target("review-h264", ANYONE, "Small H.264 to look at", "look", "A quarter of the bytes of the web's, still fair to "
                    + "judge motion by.",
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.Constant(26)).withIndexInFront(true)),
            new Target("phone-h265", ANYONE, "H.265 for newer telephones", "phone", "Half the bytes of H.264 at the same quality; "
                    + "older machines "
                    + "and some browsers don't decode it.", in(H265.MAIN_420, Container.MP4).withIndexInFront(true)),
            new Target("hevc-10", ANYONE, "H.265 10-bit", "hevc10", "Smooth skies don't band; newer telephones and televisions play it.",
                    in(H265.MAIN10_420, Container.MP4).withIndexInFront(true)),
            new Target("social-portrait", SOCIAL, "Portrait 1080x1920", "portrait", "Fills a telephone that is held upright: the "
                    + "middle of a wide picture, "
                    + "without its sides. H.264, plays everywhere.",
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true)
                            .withFraming(Framing.of(Size.of(1080, 1920), Fit.FILL))),
            new Target("social-square", SOCIAL, "Square 1080x1080", "square", "The same room in every orientation: the middle of a "
                    + "wide picture, without "
                    + "its sides. H.264, plays everywhere.",
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true)
                            .withFraming(Framing.of(Size.of(1080, 1080), Fit.FILL))),
            new Target("web-1080", WEB, "H.264 1920x1080 for the web", "hd", "As H.264 for the web, at full HD whatever comes in; "
                    + "bars where the shape "
                    + "differs.",
                    in(H264.HIGH_420, Container.MP4).withIndexInFront(true).withFraming(Framing.of(Size.of(1920, 1080), Fit.BARS))),
            new Target("mail-25", ANYONE, "H.264 of at most 25 MB", "mail", "What most mail servers let through, sound and all. Made "
                    + "in two passes: the frames are read twice.",
                    in(H264.HIGH_420, Container.MP4).withControl(new RateControl.FileSize(25_000_000)).withIndexInFront(true)),
            new Target("web-gif", WEB, "GIF for mail and pages", "gif", "Plays where nothing else does; 256 colours a frame, large, "
                    + "no sound. Better small: 50 % as the size.",
                    in(MovingStills.GIF, Container.GIF)),
            new Target("web-apng", WEB, "Animated PNG with transparency", "apng", "Every colour and soft edges in every browser, "
                    + "without loss; large.", in(MovingStills.APNG_RGBA, Container.APNG)),
            new Target("web-webp", WEB, "Animated WebP with transparency", "webp", "Soft edges in every browser at a fraction of an "
                    + "animated PNG's bytes.",
                    in(MovingStills.WEBP_ALPHA, Container.WEBP)),
            new Target("web-vp9", WEB, "VP9 for the web", "vp9", "Plays in every browser, smaller than H.264, slower to make.",
                    in(OpenWeb.VP9, Container.WEBM)),
            new Target("web-vp9-alpha", WEB, "VP9 with transparency for the web", "webalpha", "Soft transparency in the fewest bytes that "
                    + "browsers take, with sound; Apple's don't show it.", in(OpenWeb.VP9_ALPHA, Container.WEBM)),
            new Target("web-av1", WEB, "AV1 for the web", "av1", "The smallest for its quality; plays in current browsers, slow to make.",
                    in(OpenWeb.AV1_8, Container.MP4).withIndexInFront(true)),
            new Target("web-av1-10", WEB, "AV1 10-bit for the web", "av1-10", "As AV1, and smooth skies don't band.",
                    in(OpenWeb.AV1_10, Container.WEBM)),
            new Target("edit-prores-422", EDIT, "ProRes 422 for editing", "prores", "10 bits at two thirds of HQ's bytes.",
                    in(ProRes.STANDARD_422, Container.MOV)),
            new Target("edit-prores-lt", EDIT, "ProRes LT for editing", "lt", "10 bits at half of HQ's bytes, where room is short.",
                    in(ProRes.LT_422, Container.MOV)),
            new Target("proxy-prores", EDIT, "ProRes Proxy", "proxy", "A stand-in to cut with; replaced before delivery.",
                    in(ProRes.PROXY_422, Container.MOV)),
            new Target("edit-dnxhr-hqx", EDIT, "DNxHR HQX for editing", "hqx", "10 bits, every frame the same bytes; any size.",
                    in(Vc3.HR_HQX, Container.MOV)),
            new Target("edit-dnxhr-sq", EDIT, "DNxHR SQ for editing", "sq", "8 bits, every frame the same bytes; any size.",
                    in(Vc3.HR_SQ, Container.MXF)),
            new Target("proxy-dnxhr-lb", EDIT, "DNxHR LB proxy", "lb", "A stand-in to cut with; replaced before delivery.",
                    in(Vc3.HR_LB, Container.MXF)),
            new Target("edit-cineform", EDIT, "CineForm for editing", "cineform", "10 bits with hardly any loss.",
                    in(FrameByFrame.CINEFORM_422_10, Container.MOV)),
            new Target("edit-h264-intra", EDIT, "H.264 4:2:2 Intra for editing", "intra",
                    "10 bits, smaller than ProRes, heavier to decode.",
                    in(H264.INTRA_422_10, Container.MOV)),
            new Target("edit-hdr-prores", EDIT, "ProRes 4444 in HDR for grading", "hdredit", "PQ over Rec.2020, so that what is "
                    + "brighter than white survives. For linear EXR; "
                    + "no mastering metadata.", in(ProRes.P4444, Container.MOV).withColour(ColourCoding.PQ)),
            new Target("hdr-pq", HDR, "H.265 HDR by PQ", "pq", "What televisions and newer telephones show as HDR: 10 bits, PQ, "
                    + "Rec.2020. On other screens it looks pale.",
                    in(H265.MAIN10_420, Container.MP4).withColour(ColourCoding.PQ).withIndexInFront(true)),
            new Target("hdr-hlg", HDR, "H.265 HDR by HLG", "hlg", "HDR that ordinary screens show too, as broadcasters send it: 10 "
                    + "bits, HLG, Rec.2020.",
                    in(H265.MAIN10_420, Container.MP4).withColour(ColourCoding.HLG).withIndexInFront(true)),
            new Target("hdr-av1", HDR, "AV1 HDR by PQ for the web", "av1hdr",
                    "As H.265 by PQ, without royalties; current browsers show it.",
                    in(OpenWeb.AV1_10, Container.MP4).withColour(ColourCoding.PQ).withIndexInFront(true)),
            new Target("alpha-prores-xq", ALPHA, "ProRes 4444 XQ with alpha", "xq", "The largest ProRes, for material that is graded hard.",
                    in(ProRes.P4444_XQ, Container.MOV)),
            new Target("alpha-png", ALPHA, "PNG in MOV with alpha", "png", "Without loss, 8 bits; slow to write, opens nearly "
                    + "everywhere on desktops.",
                    in(Lossless.PNG_RGBA_8, Container.MOV)),
            new Target("alpha-png-16", ALPHA, "PNG in MOV with alpha, 16-bit", "png16", "Without loss, 16 bits; slow to write and large.",
                    in(Lossless.PNG_RGBA_16, Container.MOV)),
            new Target("alpha-rle", ALPHA, "Run-length RGBA in MOV", "rle", "Without loss, for flat drawings and old programs.",
                    in(Lossless.RLE_RGBA, Container.MOV)),
            new Target("alpha-cineform", ALPHA, "CineForm RGBA", "cfalpha", "12 bits with alpha, with hardly any loss.",
                    in(FrameByFrame.CINEFORM_RGBA_12, Container.MOV)),
            new Target("broadcast-mpeg2-50", BROADCAST, "MPEG-2 4:2:2 50 Mbit/s in MXF", "mpeg2", "What many broadcasters take in "
                    + "high definition; groups are closed. "
                    + "1920x1080 only.", in(Broadcast.MPEG2_LONG_50, Container.MXF)),
            new Target("broadcast-avci-100", BROADCAST, "AVC-Intra 100 in MXF", "avci", "10 bits, every frame by itself. 1920x1080 only.",
                    in(H264.AVC_INTRA_100, Container.MXF)),
            new Target("broadcast-dnxhd", BROADCAST, "DNxHD 10-bit in MXF", "dnxhd", "10 bits at 175 to 185 Mbit/s, up to 25 frames a "
                    + "second. 1920x1080 only.", in(Vc3.HD_175_X, Container.MXF)),
            new Target("broadcast-avci-100-i", BROADCAST, "AVC-Intra 100 in MXF, interlaced", "avci-i", "Top field first, woven of a "
                    + "reel at 50 or 59.94. 1920x1080 only.",
                    woven(in(H264.AVC_INTRA_100, Container.MXF), Scan.TOP_FIRST)),
            new Target("broadcast-mpeg2-50-i", BROADCAST, "MPEG-2 4:2:2 50 Mbit/s in MXF, interlaced", "mpeg2-i", "Top field first, "
                    + "woven of a reel at 50 or 59.94; groups are closed.",
                    woven(in(Broadcast.MPEG2_LONG_50, Container.MXF), Scan.TOP_FIRST)),
            new Target("broadcast-dnxhd-i", BROADCAST, "DNxHD 8-bit in MXF, interlaced", "dnxhd-i", "Top field first, woven of a reel "
                    + "at 50 or 59.94; 120 or 145 Mbit/s.",
                    woven(in(Vc3.HD_115, Container.MXF), Scan.TOP_FIRST)),
            new Target("broadcast-dv-625-i", BROADCAST, "DV, 625 lines, interlaced", "dv-i", "Bottom field first, as DV has it, woven "
                    + "of a reel at 50; 720x576 only.",
                    woven(in(Broadcast.DV25_625, Container.MOV), Scan.BOTTOM_FIRST)),
            new Target("broadcast-prores", BROADCAST, "ProRes HQ in MXF", "hqmxf", "As for editing, in the container that broadcast "
                    + "servers take.", in(ProRes.HQ_422, Container.MXF)),
            new Target("broadcast-dv-625", BROADCAST, "DV, 625 lines", "dv", "Standard definition at 25; 720x576 only.",
                    in(Broadcast.DV25_625, Container.MOV)),
            new Target("broadcast-dv-525", BROADCAST, "DV, 525 lines", "dv525", "Standard definition at 29.97; 720x480 only.",
                    in(Broadcast.DV25_525, Container.MOV)),
            new Target("frames-png", FRAMES, "PNG frames", "frames", "8 bits without loss, one file a frame.",
                    in(NumberedStills.PNG_8, Container.FRAMES)),
            new Target("frames-png-alpha", FRAMES, "PNG frames with alpha, 16-bit", "frames16", "16 bits without loss, transparency "
                    + "included, one file a frame.",
                    in(NumberedStills.PNG_RGBA_16, Container.FRAMES)),
            new Target("frames-tiff", FRAMES, "TIFF frames, 16-bit", "tiff", "16 bits without loss, one file a frame.",
                    in(NumberedStills.TIFF_16, Container.FRAMES)),
            new Target("frames-dpx", FRAMES, "DPX frames, 10-bit", "dpx", "What finishing programs take, one file a frame.",
                    in(NumberedStills.DPX_10, Container.FRAMES)),
            new Target("frames-exr", FRAMES, "EXR frames, half float", "exr", "Light itself, above white too, one file a frame.",
                    in(NumberedStills.EXR, Container.FRAMES)),
            new Target("frames-exr-alpha", FRAMES, "EXR frames with alpha, half float", "exralpha", "As EXR frames, transparency "
                    + "included, premultiplied as its readers take it.",
                    in(NumberedStills.EXR_RGBA, Container.FRAMES)),
            new Target("frames-jpeg", FRAMES, "JPEG frames", "jpeg", "Small stills to look at.",
                    in(NumberedStills.JPEG_8, Container.FRAMES)),
            new Target("archive-ffv1", ARCHIVE, "FFV1 RGB 16-bit, without loss", "archive", "Every sample comes back, every slice has "
                    + "a checksum, the format is an open standard.",
                    in(Lossless.FFV1_RGB_16, Container.MKV)),
            new Target("archive-ffv1-alpha", ARCHIVE, "FFV1 RGBA 16-bit, without loss", "archivealpha", "As FFV1, transparency included.",
                    in(Lossless.FFV1_RGBA_16, Container.MKV)),
            new Target("archive-v210", ARCHIVE, "Uncompressed 4:2:2 10-bit", "v210", "Nothing to decode, nothing to go wrong; very large.",
                    in(Lossless.V210, Container.MOV)));

    private static Settings in(Codec codec, Container container) {
        return Settings.of(codec, container);
    }

    private static Settings woven(Settings settings, Scan scan) {
        return settings.withFraming(Framing.FOLLOWS.withScan(scan));
    }

    private Targets() {}
}
