package dev.vat.media.picture;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/** The samples of a picture at one pixel, as they are stored. */
public final class CodeValues {

    private static final List<String> RGB = List.of("R", "G", "B", "A");
    private static final List<String> YUV = List.of("Y", "Cb", "Cr", "A");
    private static final List<String> GREY = List.of("Y", "A");
    private static final List<String> INDEX = List.of("index");

    private CodeValues() {}

    /** {@code Y 126 Cb 121 Cr 140, 10-bit}; of coarser colour the sample that covers the pixel. */
    public static String at(Picture picture, int x, int y) {
        AVPixFmtDescriptor d = picture.descriptor();
        boolean floating = (d.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0;
        ByteOrder order = (d.flags() & AV_PIX_FMT_FLAG_BE) != 0 ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        List<String> names = picture.isPalette() ? INDEX : picture.isRgb() ? RGB : d.nb_components() <= 2 ? GREY : YUV;
        List<String> words = new ArrayList<>();
        for (int i = 0; i < Math.min(d.nb_components(), names.size()); i++) {
            AVComponentDescriptor c = d.comp(i);
            boolean coarse = !picture.isRgb() && d.nb_components() > 2 && (i == 1 || i == 2);
            long at = (long) (coarse ? y >> d.log2_chroma_h() : y) * picture.stride(c.plane())
                    + (long) (coarse ? x >> d.log2_chroma_w() : x) * c.step() + c.offset();
            words.add(names.get(i) + " " + (floating ? floating(picture.plane(c.plane()), at, c.depth(), order)
                    : Long.toString(whole(picture.plane(c.plane()), at, c, order))));
        }
        return String.join("  ", words) + ", " + (floating ? "float" : picture.bits() + "-bit");
    }

    private static String floating(MemorySegment plane, long at, int bits, ByteOrder order) {
        float value = bits == 16 ? Float.float16ToFloat(plane.get(ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(order), at))
                : plane.get(ValueLayout.JAVA_FLOAT_UNALIGNED.withOrder(order), at);
        return String.format(Locale.ROOT, "%.5f", value);
    }

    private static long whole(MemorySegment plane, long at, AVComponentDescriptor c, ByteOrder order) {
        long raw = c.shift() + c.depth() > 16 ? plane.get(ValueLayout.JAVA_INT_UNALIGNED.withOrder(order), at) & 0xffffffffL
                : c.shift() + c.depth() > 8 ? plane.get(ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(order), at) & 0xffff
                        : plane.get(ValueLayout.JAVA_BYTE, at) & 0xff;
        return raw >> c.shift() & (1L << c.depth()) - 1;
    }
}
