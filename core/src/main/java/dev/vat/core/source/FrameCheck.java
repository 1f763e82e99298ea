package dev.vat.core.source;

import dev.vat.core.picture.PictureFormat;

/**
 * The outcome of looking into one file.
 *
 * @param why what is wrong, in words; null for a sound file
 * @param note something worth knowing about a sound file, such as a lost footer; else null
 * @param format what the picture holds; null if the file isn't sound
 * @param opaque whether a picture with an alpha channel is fully opaque
 */
public record FrameCheck(long number, FrameState state, String why, String note, PictureFormat format, boolean opaque) {

    public static FrameCheck sound(long number, PictureFormat format, boolean opaque, String note) {
        return new FrameCheck(number, FrameState.GOOD, null, note, format, opaque);
    }

    public static FrameCheck fault(long number, FrameState state, String why) {
        return new FrameCheck(number, state, why, null, null, false);
    }
}
