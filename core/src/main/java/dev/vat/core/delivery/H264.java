package dev.vat.core.delivery;

import java.util.Set;

/** H.264 (ITU-T H.264, ISO/IEC 14496-10). */
final class H264 {

    /**
     * Constant quality 17 is where a practised eye stops seeing a difference at 1:1; 8-bit 4:2:0 High profile is what
     * every browser and telephone decodes.
     */
    static final Codec HIGH_420 = new Codec("h264-high-420", "H.264 High", "h264", "High", Chroma.YUV420, 8, 8, 0,
            Set.of(Container.MP4, Container.MOV), PartForm.STRETCH, "constant quality 17, preset medium", 2, 0.02, 1.6);

    private H264() { }
}
