package dev.vat.media.lib;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_version;
import static org.bytedeco.ffmpeg.global.avutil.av_version_info;

/** The media library inside Vat. */
public final class MediaLibrary {

    private MediaLibrary() {}

    /** Its release and the version of its codecs, as plans and receipts name it; loads the native code. */
    public static String version() {
        int codecs = avcodec_version();
        return "libav " + Av.string(av_version_info(), "?") + ", avcodec " + (codecs >> 16) + "." + (codecs >> 8 & 255)
                + "." + (codecs & 255);
    }
}
