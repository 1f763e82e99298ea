package dev.vat.media.lib;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_version;
import static org.bytedeco.ffmpeg.global.avutil.av_version_info;

import dev.vat.core.words.Words;

/** The media library inside Vat. */
public final class MediaLibrary {

    private static final Words WORDS = Words.of(MediaLibrary.class);

    private MediaLibrary() {}

    /** Its release and the version of its codecs, as plans and receipts name it; loads the native code. */
    public static String version() {
        int codecs = avcodec_version();
        return WORDS.say("libavAvcodec", Av.string(av_version_info(), "?"), (codecs >> 16), (codecs >> 8 & 255), (codecs & 255));
    }
}
