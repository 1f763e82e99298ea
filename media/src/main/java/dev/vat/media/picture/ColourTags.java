package dev.vat.media.picture;

import static org.bytedeco.ffmpeg.global.avutil.AVALPHA_MODE_STRAIGHT;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_PRI_BT709;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_PRI_UNSPECIFIED;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_RGB;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_TRC_BT709;
import static org.bytedeco.ffmpeg.global.avutil.av_color_primaries_from_name;
import static org.bytedeco.ffmpeg.global.avutil.av_color_space_from_name;
import static org.bytedeco.ffmpeg.global.avutil.av_color_transfer_from_name;

import dev.vat.core.delivery.ColourCoding;
import dev.vat.media.lib.Av;

/** The tags that working pictures carry. */
public final class ColourTags {

    private ColourTags() {}

    /** The code point of a matrix in ITU-T H.273, as the library has it. */
    public static int matrix(ColourCoding colour) {
        return Av.check(av_color_space_from_name(colour.matrix()), colour.matrix());
    }

    public static int primaries(ColourCoding colour) {
        return Av.check(av_color_primaries_from_name(colour.primaries()), colour.primaries());
    }

    public static int transfer(ColourCoding colour) {
        return Av.check(av_color_transfer_from_name(colour.transfer()), colour.transfer());
    }

    /**
     * Says that a working picture's values are signals and no colours, as those of bars are: they go into a file as levels of its own
     * coding, through no look and no other primaries, undithered.
     */
    public static void signal(Picture picture) {
        picture.frame().color_primaries(AVCOL_PRI_UNSPECIFIED);
    }

    public static boolean isSignal(Picture picture) {
        return picture.frame().color_primaries() == AVCOL_PRI_UNSPECIFIED;
    }

    /** What {@code from} says of its colours, and straight alpha where there is any. */
    public static void like(Picture from, Picture to) {
        to.frame().color_range(from.frame().color_range());
        to.frame().colorspace(from.frame().colorspace());
        to.frame().color_primaries(from.frame().color_primaries());
        to.frame().color_trc(from.frame().color_trc());
        to.frame().chroma_location(from.frame().chroma_location());
        if (to.hasAlpha()) {
            to.frame().alpha_mode(AVALPHA_MODE_STRAIGHT);
        }
    }

    /** Display-coded RGB, full range, Rec.709 primaries; straight alpha where there is any. */
    public static void displayRgb(Picture picture) {
        picture.frame().color_range(AVCOL_RANGE_JPEG);
        picture.frame().colorspace(AVCOL_SPC_RGB);
        picture.frame().color_primaries(AVCOL_PRI_BT709);
        picture.frame().color_trc(AVCOL_TRC_BT709);
        if (picture.hasAlpha()) {
            picture.frame().alpha_mode(AVALPHA_MODE_STRAIGHT);
        }
    }
}
