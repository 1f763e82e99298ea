package dev.vat.media.convert;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.repack.Seam;
import dev.vat.core.time.Rational;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Placing;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Small pictures of a movie's first and last frames, by which parts of a film are held against each other. */
public final class MovieLooks {

    private static final Size SMALL = Size.of(64, 36);
    private static final PictureReading AS_SHOWN = PictureReading.of(AlphaKind.NONE, false);

    private MovieLooks() {}

    /** Of the first frames, in order. */
    public static List<Seam.Look> first(Path file, int most) {
        try (MovieFrames frames = new MovieFrames(file, 2)) {
            return of(frames, 0, Math.min(most, frames.count()));
        }
    }

    /** Of the last frames, in order. @param count how many frames of it count at all */
    public static List<Seam.Look> last(Path file, long count, int most) {
        try (MovieFrames frames = new MovieFrames(file, 2)) {
            return of(frames, Math.max(0, count - most), Math.min(count, frames.count()));
        }
    }

    private static List<Seam.Look> of(MovieFrames frames, long from, long to) {
        List<Seam.Look> looks = new ArrayList<>();
        Placing small = null;
        try (Composer composer = new Composer(WorkingFormat.W8, false)) {
            for (long i = from; i < to; i++) {
                try (Picture decoded = frames.frame(i); Picture working = composer.compose(decoded, AS_SHOWN)) {
                    if (small == null) {
                        small = new Placing(Placement.of(Size.of(working.width(), working.height()), PixelAspect.SQUARE, SMALL,
                                PixelAspect.SQUARE, Fit.STRETCH, Rational.ZERO, Rational.ZERO, Chroma.RGB), SMALL);
                    }
                    try (Picture scaled = small.place(working)) {
                        looks.add(new Seam.Look(samples(scaled), decoded.crc32c()));
                    }
                }
            }
        } finally {
            if (small != null) {
                small.close();
            }
        }
        return looks;
    }

    /** Of all three colours: what moves may differ in nothing but its hue. */
    private static float[] samples(Picture picture) {
        int pixels = SMALL.width() * SMALL.height();
        int planes = Math.min(3, picture.planes());
        float[] samples = new float[planes * pixels];
        for (int p = 0; p < planes; p++) {
            MemorySegment plane = picture.plane(p);
            for (int y = 0; y < SMALL.height(); y++) {
                for (int x = 0; x < SMALL.width(); x++) {
                    samples[p * pixels + y * SMALL.width() + x] = plane.get(ValueLayout.JAVA_BYTE, (long) y * picture.stride(p) + x) & 0xff;
                }
            }
        }
        return samples;
    }
}
