package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avutil.AV_CHANNEL_ORDER_UNSPEC;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_describe;

import dev.vat.core.words.Words;
import java.nio.charset.StandardCharsets;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.javacpp.BytePointer;

/** What the channels of a track are called together. */
final class ChannelNames {

    private static final Words WORDS = Words.of(ChannelNames.class);

    private ChannelNames() {}

    /** By its standard name; files that don't state an order of channels have the usual one for their number. */
    static String of(AVChannelLayout layout) {
        int channels = layout.nb_channels();
        if (layout.order() == AV_CHANNEL_ORDER_UNSPEC) {
            return switch (channels) {
                case 1 -> "mono";
                case 2 -> "stereo";
                case 6 -> "5.1";
                case 8 -> "7.1";
                default -> WORDS.say("channels", channels);
            };
        }
        try (BytePointer text = new BytePointer(64)) {
            int length = Math.clamp(av_channel_layout_describe(layout, text, 64) - 1, 0, 63);
            byte[] bytes = new byte[length];
            text.get(bytes);
            return length == 0 ? WORDS.say("channels", channels) : new String(bytes, StandardCharsets.UTF_8);
        }
    }
}
