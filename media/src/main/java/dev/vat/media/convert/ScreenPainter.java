package dev.vat.media.convert;

import dev.vat.core.picture.Rgb;
import dev.vat.media.compose.Flattening;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * Brings working pictures to the screen: scaled to the shown size, eight bits, B G R A with colour multiplied by alpha, as
 * the window's toolkit takes it. An instance belongs to one thread.
 */
public final class ScreenPainter implements AutoCloseable {

    /** What of a picture is shown. */
    public enum Show {
        /** Colour, transparent where the picture is. */
        COLOUR,
        /** Alpha as grey, white for opaque. */
        ALPHA
    }

    private final int width;
    private final int height;
    private final Filtering colour;
    private final Filtering alpha;

    public ScreenPainter(int width, int height) {
        this.width = width;
        this.height = height;
        colour = new Filtering(this::colourChain);
        alpha = new Filtering(picture -> "alphaextract,format=" + (picture.bits() > 8 ? "gray16le" : "gray")
                + scale() + ",format=gray,format=bgra");
    }

    /** Area averaging when smaller, whole pixels when the size is the picture's own. */
    private String scale() {
        return ",scale=" + width + ":" + height + ":flags=area+accurate_rnd";
    }

    private String colourChain(Picture picture) {
        String start = "setparams=range=pc:colorspace=gbr";
        boolean same = picture.width() == width && picture.height() == height;
        if (!picture.hasAlpha()) {
            return start + ",format=" + (picture.bits() > 8 ? "gbrp16le" : "gbrp")
                    + (same ? ""
                            : ",zscale=w=" + width + ":h=" + height + ":filter=bilinear:matrixin=gbr:matrix=gbr:rangein=full:range=full")
                    + ",zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full,format=gbrp,format=bgra";
        }
        return start + ":alpha_mode=straight,premultiply=inplace=1,setparams=alpha_mode=premultiplied"
                + ",zscale=w=" + width + ":h=" + height + ":filter=bilinear:matrixin=gbr:matrix=gbr:rangein=full:range=full"
                + ",format=gbrap,format=bgra";
    }

    /**
     * @param ground shown through transparent places; null to leave them transparent
     * @param target receives {@code width * height * 4} bytes, rows from the top without anything between
     */
    public void paint(Picture working, Show show, Rgb ground, MemorySegment target) {
        try (Picture shown = shown(working, show, ground)) {
            MemorySegment plane = shown.plane(0);
            long row = 4L * width;
            for (int y = 0; y < height; y++) {
                MemorySegment.copy(plane, ValueLayout.JAVA_BYTE, (long) y * shown.stride(0), target,
                        ValueLayout.JAVA_BYTE, y * row, row);
            }
        }
    }

    private Picture shown(Picture working, Show show, Rgb ground) {
        if (show == Show.ALPHA && working.hasAlpha()) {
            return alpha.apply(working);
        }
        if (ground != null && working.hasAlpha()) {
            try (Picture flat = Flattening.over(working, ground)) {
                return colour.apply(flat);
            }
        }
        return colour.apply(working);
    }

    @Override
    public void close() {
        colour.close();
        alpha.close();
    }
}
