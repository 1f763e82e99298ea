package dev.vat.media.measure;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/** Looks whether an alpha channel carries anything. */
public final class AlphaScan {

    private static final short HALF_ONE = 0x3c00;

    private AlphaScan() {}

    /** Whether every pixel is fully opaque; stops at the first that isn't. A picture without alpha is opaque. */
    public static boolean isOpaque(Picture picture) {
        if (!picture.hasAlpha()) {
            return true;
        }
        AVPixFmtDescriptor descriptor = av_pix_fmt_desc_get(picture.frame().format());
        int components = descriptor.nb_components();
        if (components != 2 && components != 4) {
            // a palette: its entries would have to be looked up; taken as transparent, which loses nothing
            return false;
        }
        AVComponentDescriptor alpha = descriptor.comp(components - 1);
        boolean floating = (descriptor.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0;
        MemorySegment plane = picture.plane(alpha.plane());
        long stride = picture.stride(alpha.plane());
        int full = (1 << Math.min(30, alpha.depth())) - 1;
        for (int y = 0; y < picture.height(); y++) {
            long at = y * stride + alpha.offset();
            for (int x = 0; x < picture.width(); x++, at += alpha.step()) {
                boolean opaque = switch (alpha.depth()) {
                    case 8 -> plane.get(ValueLayout.JAVA_BYTE, at) == (byte) 0xff;
                    case 16 -> floating ? plane.get(ValueLayout.JAVA_SHORT_UNALIGNED, at) >= HALF_ONE
                            : plane.get(ValueLayout.JAVA_SHORT_UNALIGNED, at) == (short) 0xffff;
                    case 32 -> plane.get(ValueLayout.JAVA_FLOAT_UNALIGNED, at) >= 1f;
                    default -> (plane.get(ValueLayout.JAVA_SHORT_UNALIGNED, at) & 0xffff) >= full;
                };
                if (!opaque) {
                    return false;
                }
            }
        }
        return true;
    }
}
