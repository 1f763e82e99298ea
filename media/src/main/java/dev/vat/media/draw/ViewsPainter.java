package dev.vat.media.draw;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.reel.Assembly;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Grounds;
import dev.vat.media.compose.Placing;
import dev.vat.media.lib.Kept;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Lays several working pictures of 16 bits into one, each in its place, with borders and captions. Belongs to one thread. */
public final class ViewsPainter implements AutoCloseable {

    private static final int MOST_PLACINGS = 64;
    private static final int FULL = 65535;
    private static final int ALPHA = 3;

    /**
     * What stands in a place.
     *
     * @param boxed whether the picture was drawn for it, as large as its box
     */
    public record Shown(Picture picture, Lettering caption, boolean boxed) {}

    private record Place(Placement placement, Placement.Box box) {}

    private final Composer composer;
    private final boolean alpha;
    private final LetterPainter letters;
    private final Map<Rgb, short[]> codes = new HashMap<>();
    private final Kept<Place, Placing> placings = new Kept<>(MOST_PLACINGS, p -> new Placing(p.placement, p.box.size()), Placing::close);

    /**
     * @param composer that makes the working pictures
     * @param alpha whether they have that channel
     * @param pixel shape of the whole picture's pixels
     */
    public ViewsPainter(Composer composer, boolean alpha, PixelAspect pixel) {
        this.composer = composer;
        this.alpha = alpha;
        this.letters = new LetterPainter(pixel);
    }

    /**
     * A picture of its own, opaque all over.
     *
     * @param views one for each place
     * @throws MediaException if the face lacks a letter
     */
    public Picture paint(Assembly.Views how, List<Shown> views) {
        return Picture.filled(alpha ? "gbrap16le" : "gbrp16le", how.size().width(), how.size().height(), whole -> paint(how, views, whole));
    }

    private void paint(Assembly.Views how, List<Shown> views, Picture whole) {
        ColourTags.like(views.getFirst().picture, whole);
        fill(whole, how.ground(), 0, 0, whole.width(), whole.height());
        for (int i = 0; i < views.size(); i++) {
            Assembly.Views.Laid laid = how.laid().get(i);
            Shown view = views.get(i);
            try (Picture placed = placed(view, laid)) {
                if (view.caption.isNothing()) {
                    lay(placed, laid.box(), whole);
                } else {
                    try (Picture written = letters.on(placed, view.caption)) {
                        lay(written, laid.box(), whole);
                    }
                }
            }
            border(laid, whole);
        }
    }

    private Picture placed(Shown view, Assembly.Views.Laid laid) {
        if (view.boxed) {
            return view.picture.share();
        }
        return placings.get(new Place(laid.placement(), laid.box())).place(view.picture);
    }

    private static void lay(Picture view, Placement.Box box, Picture whole) {
        int bytes = 2 * box.width();
        for (int p = 0; p < 3; p++) {
            MemorySegment from = view.plane(p);
            MemorySegment to = whole.plane(p);
            for (int y = 0; y < box.height(); y++) {
                long at = (long) (box.y() + y) * whole.stride(p) + 2L * box.x();
                if (view.hasAlpha()) {
                    over(from.asSlice((long) y * view.stride(p), bytes), view.plane(ALPHA).asSlice((long) y * view.stride(ALPHA), bytes),
                            to.asSlice(at, bytes), box.width());
                } else {
                    MemorySegment.copy(from, (long) y * view.stride(p), to, at, bytes);
                }
            }
        }
    }

    private static void over(MemorySegment view, MemorySegment alpha, MemorySegment ground, int width) {
        for (int x = 0; x < width; x++) {
            long a = alpha.getAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x) & FULL;
            if (a == 0) {
                continue;
            }
            long sum = (view.getAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x) & FULL) * a
                    + (ground.getAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x) & FULL) * (FULL - a) + FULL / 2;
            ground.setAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, x, (short) (sum / FULL));
        }
    }

    private void border(Assembly.Views.Laid laid, Picture whole) {
        Placement.Box box = laid.box();
        int wide = Math.min(laid.border(), Math.min(box.width(), box.height()) / 2);
        if (wide == 0) {
            return;
        }
        fill(whole, laid.borderColour(), box.x(), box.y(), box.width(), wide);
        fill(whole, laid.borderColour(), box.x(), box.y() + box.height() - wide, box.width(), wide);
        fill(whole, laid.borderColour(), box.x(), box.y() + wide, wide, box.height() - 2 * wide);
        fill(whole, laid.borderColour(), box.x() + box.width() - wide, box.y() + wide, wide, box.height() - 2 * wide);
    }

    private void fill(Picture whole, Rgb colour, int x, int y, int width, int height) {
        short[] code = codes.computeIfAbsent(colour, this::code);
        short[] row = new short[width];
        for (int p = 0; p < whole.planes(); p++) {
            Arrays.fill(row, p == ALPHA ? (short) FULL : code[p]);
            for (int down = 0; down < height; down++) {
                MemorySegment.copy(row, 0, whole.plane(p), ValueLayout.JAVA_SHORT_UNALIGNED, (long) (y + down) * whole.stride(p) + 2L * x,
                        width);
            }
        }
    }

    /** A colour as displays show it, in the samples of working pictures. */
    private short[] code(Rgb colour) {
        try (Picture drawn = Grounds.plain(colour, alpha, 16, 2);
                Picture working = composer.compose(drawn, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false))) {
            short[] code = new short[3];
            for (int p = 0; p < code.length; p++) {
                code[p] = working.plane(p).get(ValueLayout.JAVA_SHORT_UNALIGNED, 0);
            }
            return code;
        }
    }

    @Override
    public void close() {
        placings.close();
    }
}
