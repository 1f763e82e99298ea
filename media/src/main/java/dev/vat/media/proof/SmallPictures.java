package dev.vat.media.proof;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.ScreenPainter;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.awt.image.BufferedImage;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;

/** Small pictures of a finished file's frames, as a display shows them. Belongs to one thread. */
public final class SmallPictures implements AutoCloseable {

    private static final Words WORDS = Words.of(SmallPictures.class);

    private static final PictureReading DELIVERED = PictureReading.of(AlphaKind.STRAIGHT, false);
    private static final Rgb GROUND = new Rgb(92, 92, 92);

    private final Path file;
    private final Expectation what;
    private final Size size;
    private final Composer composer = new Composer(WorkingFormat.W16, true);
    private final ScreenPainter painter;
    private final FrameReader stills = new FrameReader();
    private MovieFrames movie;

    /** @param width of each, in pixels */
    public SmallPictures(Path file, Expectation what, int width) {
        this.file = file;
        this.what = what;
        Size seen = what.pixelAspect().seen(what.size());
        this.size = Size.of(width, Math.max(1, Math.round((float) width * seen.height() / seen.width())));
        this.painter = new ScreenPainter(size.width(), size.height());
    }

    public Size size() {
        return size;
    }

    /** @throws MediaException if the frame can't be read */
    public BufferedImage of(long frame) {
        try (Arena arena = Arena.ofConfined(); Picture stored = stored(frame); Picture working = composer.compose(stored, reading())) {
            MemorySegment pixels = arena.allocate(4L * size.width() * size.height());
            painter.paint(working, ScreenPainter.Show.COLOUR, GROUND, pixels);
            BufferedImage image = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_RGB);
            image.setRGB(0, 0, size.width(), size.height(), pixels.toArray(ValueLayout.JAVA_INT_UNALIGNED), 0, size.width());
            return image;
        }
    }

    private PictureReading reading() {
        return "linear".equals(what.transfer()) || what.codec().equals("exr") ? PictureReading.of(AlphaKind.PREMULTIPLIED, true)
                : DELIVERED;
    }

    private Picture stored(long frame) {
        if (what.stills() == null) {
            if (movie == null) {
                movie = new MovieFrames(file);
            }
            return movie.frame(frame);
        }
        Path still = StillsWriter.file(file, what.stills(), frame);
        FileKind kind = FileKind.ofName(still.getFileName().toString())
                .orElseThrow(() -> new MediaException(WORDS.say("isntAPictureThatVatReads", still.getFileName()), 0));
        return switch (stills.read(still, kind, null, frame)) {
            case FrameRead.Sound sound -> sound.picture();
            case FrameRead.Unsound unsound -> throw new MediaException(still.getFileName() + ": " + unsound.why(), 0);
        };
    }

    @Override
    public void close() {
        if (movie != null) {
            movie.close();
        }
        stills.close();
        composer.close();
        painter.close();
    }
}
