package dev.vat.core.source;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;

/**
 * The preview that somebody approved, to which the final frames are to be rendered.
 *
 * @param preview its name
 * @param range the frames that it shows, which the final ones have to have
 * @param size of the preview: the final frames are of the same shape, and as a rule larger
 * @param leadIn frames that the scene ran before its first one
 */
public record Approved(String preview, String camera, FrameRange range, Rate rate, Size size, long leadIn) {}
