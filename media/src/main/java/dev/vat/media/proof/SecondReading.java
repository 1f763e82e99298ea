package dev.vat.media.proof;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.decode.still.Inspection;
import dev.vat.media.decode.still.Orientation;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.awt.image.BufferedImage;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Iterator;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A frame as a reader sees it that shares nothing with Vat's own: Java's Image I/O. What one decoder takes wrongly can't be proven by the
 * same decoder.
 *
 * @param most by how much two samples differ at most, full scale being 65535
 * @param mean by how much they differ on the whole
 */
public record SecondReading(FileKind kind, int most, double mean) {

    private static final Words WORDS = Words.of(SecondReading.class);

    private static final Set<FileKind> KINDS = EnumSet.of(FileKind.PNG, FileKind.JPEG, FileKind.BMP, FileKind.TIFF);
    /** Of these a value of 16 bits is exactly so many steps; between others two readers may round apart. */
    private static final Set<Integer> DEPTHS = Set.of(1, 2, 4, 8, 16);
    private static final int FULL = 65_535;
    private static final int BYTE = 257;
    /** Coarse colour is made fine in more ways than one: pictures packed with loss agree where they do on the whole. */
    private static final double LOSSY_MEAN = 3 * BYTE;

    /** Whether both readers see the same. */
    public boolean agrees() {
        return kind == FileKind.JPEG ? mean <= LOSSY_MEAN : most == 0;
    }

    /** In words: {@code the same samples}. */
    public String words() {
        return kind == FileKind.JPEG ? WORDS.say("theSamePictureCodesOf255", Words.decimal(mean / BYTE, 2))
                : most == 0 ? WORDS.say("theSameSamples")
                        : WORDS.say("otherSamplesUpToCodesOf", Words.decimal((double) most / BYTE, 1));
    }

    /** Empty where there is no second reader for such a file, or none that shows samples as they are stored. */
    public static Optional<SecondReading> of(Path file, FileKind named) throws IOException {
        if (!KINDS.contains(named)) {
            return Optional.empty();
        }
        byte[] data = Files.readAllBytes(file);
        Inspection inspection = Inspection.of(named, data, PictureChoice.MAIN);
        FileKind kind = inspection.kind();
        // What is laid out anew before it is decoded is what the other reader doesn't know either.
        boolean comparable = inspection.isWhole() && inspection.data() == data && inspection.orientation() == Orientation.UPRIGHT
                && !inspection.format().linear()
                && KINDS.contains(kind);
        BufferedImage theirs = comparable ? theirs(kind, data) : null;
        if (theirs == null) {
            return Optional.empty();
        }
        int bits = inspection.format().depth().bits();
        if (theirs.getColorModel() instanceof IndexColorModel && bits > 8) {
            // The other reader keeps eight bits of a palette's colours.
            return Optional.empty();
        }
        int rounding = DEPTHS.contains(bits) ? 0 : 1;
        boolean alpha = inspection.format().alpha() != AlphaKind.NONE && theirs.getRaster().getNumBands() % 2 == 0;
        PictureReading asStored = PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false);
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, alpha)) {
            return switch (reader.read(file, named, PictureChoice.MAIN, 0)) {
                case FrameRead.Unsound _ -> Optional.empty();
                case FrameRead.Sound sound -> {
                    try (Picture decoded = sound.picture(); Picture ours = composer.compose(decoded, asStored)) {
                        yield ours.width() != theirs.getWidth() || ours.height() != theirs.getHeight()
                                ? Optional.of(new SecondReading(kind, FULL, FULL))
                                : Optional.of(compared(kind, ours, theirs, alpha, rounding));
                    }
                }
            };
        } catch (MediaException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    /** The picture by the JDK's own reader; null if it doesn't read such a one. */
    private static BufferedImage theirs(FileKind kind, byte[] data) {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(kind.title());
        while (readers.hasNext()) {
            ImageReader reader = readers.next();
            if (!reader.getClass().getName().startsWith("com.sun.imageio.")) {
                continue;
            }
            try (ImageInputStream input = ImageIO.createImageInputStream(new ByteArrayInputStream(data))) {
                reader.setInput(input);
                BufferedImage image = reader.read(0);
                return Arrays.stream(image.getRaster().getSampleModel().getSampleSize()).allMatch(DEPTHS::contains) ? image : null;
            } catch (IOException | RuntimeException _) {
                // It reads fewer variants than Vat does; then there is no second opinion.
                return null;
            } finally {
                reader.dispose();
            }
        }
        return null;
    }

    /** @param rounding steps of 16 bits by which samples of other depths may come out apart */
    private static SecondReading compared(FileKind kind, Picture ours, BufferedImage theirs, boolean alpha, int rounding) {
        int[] planes = {2, 0, 1, 3};
        int channels = alpha ? 4 : 3;
        int width = ours.width();
        int[] row = new int[width];
        short[] own = new short[width];
        long sum = 0;
        int most = 0;
        for (int c = 0; c < channels; c++) {
            MemorySegment plane = ours.plane(planes[c]);
            for (int y = 0; y < ours.height(); y++) {
                theirRow(theirs, y, c, row);
                MemorySegment.copy(plane, ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * ours.stride(planes[c]), own, 0, width);
                for (int x = 0; x < width; x++) {
                    int off = Math.max(0, Math.abs((own[x] & 0xffff) - row[x]) - rounding);
                    sum += off;
                    most = Math.max(most, off);
                }
            }
        }
        return new SecondReading(kind, most, (double) sum / ((long) width * ours.height() * channels));
    }

    /** One channel of a row, red, green, blue or alpha, brought to 16 bits. */
    private static void theirRow(BufferedImage image, int y, int channel, int[] row) {
        Raster raster = image.getRaster();
        if (image.getColorModel() instanceof IndexColorModel colours) {
            raster.getSamples(0, y, row.length, 1, 0, row);
            for (int x = 0; x < row.length; x++) {
                row[x] = (colours.getRGB(row[x]) >> (channel == 3 ? 24 : 16 - 8 * channel) & 0xff) * BYTE;
            }
            return;
        }
        int bands = raster.getNumBands();
        int band = bands >= 3 ? channel : channel == 3 ? bands - 1 : 0;
        int highest = (1 << raster.getSampleModel().getSampleSize(band)) - 1;
        raster.getSamples(0, y, row.length, 1, band, row);
        for (int x = 0; x < row.length; x++) {
            row[x] = (int) ((long) row[x] * FULL / highest);
        }
    }
}
