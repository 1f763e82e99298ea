package dev.vat.media.read;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FrameState;
import dev.vat.media.picture.Picture;

/** What came of reading one frame file. */
public sealed interface FrameRead {

    /**
     * The whole picture, decoded strictly; the receiver closes it.
     *
     * @param note something worth knowing, such as a lost footer, or null
     */
    record Sound(Picture picture, PictureFormat format, String note) implements FrameRead {}

    /** No picture: what is wrong, in words. Nothing half decoded is ever handed out. */
    record Unsound(FrameState state, String why) implements FrameRead {}
}
