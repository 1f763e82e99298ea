package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avutil.AVALPHA_MODE_STRAIGHT;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_PRI_BT709;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_RGB;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_TRC_BT709;

/** The tags that working pictures carry. */
final class ColourTags {

    private ColourTags() { }

    /** Display-coded RGB, full range, Rec.709 primaries; straight alpha where there is any. */
    static void displayRgb(Picture picture) {
        picture.frame().color_range(AVCOL_RANGE_JPEG);
        picture.frame().colorspace(AVCOL_SPC_RGB);
        picture.frame().color_primaries(AVCOL_PRI_BT709);
        picture.frame().color_trc(AVCOL_TRC_BT709);
        if (picture.hasAlpha()) {
            picture.frame().alpha_mode(AVALPHA_MODE_STRAIGHT);
        }
    }
}
