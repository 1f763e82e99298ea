package dev.vat.engine.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.picture.Size;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.viewer.ContactSheetFile;
import dev.vat.engine.viewer.Viewer;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Contact sheets as somebody opens them: what stands where is read back out of the files. */
class ContactSheetTest {

    private static final ContactSheet.Grid THREE = new ContactSheet.Grid(3, 2, 640);

    @TempDir
    Path folder;

    /** Frames of one grey each, its number in tens of codes. */
    private Path grey(int count) throws IOException {
        Path frames = Files.createDirectories(folder.resolve("frames"));
        for (int n = 1; n <= count; n++) {
            float[] grey = new float[64 * 36];
            Arrays.fill(grey, n * 10 / 255f);
            Files.write(frames.resolve("grey.%04d.png".formatted(n)), StillWriter.PNG8.write(new Samples(64, 36, grey, grey, grey, null)));
        }
        return frames;
    }

    private ContactSheet sheet(Path frames, ContactSheet.Grid grid) throws IOException {
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of());
        return ContactSheet.ofSource(job.project().sources().getFirst(), job.tables().get("s1"), grid);
    }

    private Path write(ContactSheet sheet, String name) throws Exception {
        Path file = folder.resolve(name);
        try (Viewer viewer = new Viewer(TestPlaces.in(folder))) {
            ContactSheetFile.write(viewer, sheet, file);
        }
        return file;
    }

    private BufferedImage written(ContactSheet sheet, String name) throws Exception {
        return ImageIO.read(write(sheet, name).toFile());
    }

    /** The middle of a picture of the sheet. */
    private static int code(BufferedImage sheet, int column, int row) {
        int gap = 5;
        int wide = (640 - 4 * gap) / 3;
        int tall = Math.round(wide * 36f / 64);
        return sheet.getRGB(gap + column * (wide + gap) + wide / 2, 33 + row * (tall + 22) + tall / 2) & 255;
    }

    @Test
    void theFirstAndTheLastFrameAndSomeBetweenStandInTheirOrder() throws Exception {
        ContactSheet sheet = sheet(grey(21), THREE);
        assertThat(sheet.cells()).extracting(ContactSheet.Cell::label).containsExactly("0001", "0005", "0009", "0013", "0017", "0021");
        BufferedImage image = written(sheet, "grey.png");
        assertThat(image.getWidth()).isEqualTo(640);
        assertThat(
                List.of(code(image, 0, 0), code(image, 1, 0), code(image, 2, 0), code(image, 0, 1), code(image, 1, 1), code(image, 2, 1)))
                .containsExactly(10, 50, 90, 130, 170, 210);
        assertThat(image.getRGB(1, 1) & 0xffffff).as("white paper").isEqualTo(0xffffff);
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left.map(f -> f.getFileName().toString()).filter(n -> n.endsWith(".new"))).isEmpty();
        }
    }

    @Test
    void whatIsMissingStaysGreyAndIsNamed() throws Exception {
        Path frames = grey(5);
        Files.delete(frames.resolve("grey.0003.png"));
        ContactSheet sheet = sheet(frames, new ContactSheet.Grid(3, 2, 640));
        assertThat(sheet.cells()).extracting(ContactSheet.Cell::label).containsExactly("0001", "0002", "0003", "0004", "0005");
        assertThat(sheet.cells().get(2).recipe()).isNull();
        assertThat(code(written(sheet, "holes.png"), 2, 0)).isEqualTo(0xd8);
    }

    @Test
    void aFileOfThatNameGivesWayToTheWholeSheetOnly() throws Exception {
        ContactSheet sheet = sheet(grey(6), THREE);
        Files.writeString(folder.resolve("grey.jpg"), "x".repeat(500_000));
        BufferedImage jpeg = written(sheet, "grey.jpg");
        assertThat(code(jpeg, 1, 1)).isCloseTo(50, within(2));
        assertThat(Files.size(folder.resolve("grey.jpg"))).as("nothing of the old file is left").isLessThan(100_000);
        Files.writeString(folder.resolve("broken.png"), "what was there");
        Files.delete(folder.resolve("frames/grey.0004.png"));
        assertThatThrownBy(() -> written(sheet, "broken.png")).isInstanceOf(IOException.class).hasMessageContaining("can't be made");
        assertThat(folder.resolve("broken.png")).hasContent("what was there");
    }

    @ParameterizedTest
    @CsvSource({"6, 1", "400, 3"})
    void aPdfHasAsManyPagesAsItIsLongAndCutsNoPicture(int frames, int pages) throws Exception {
        ContactSheet some = sheet(grey(6), THREE);
        ContactSheet sheet = ContactSheet.of("many", frames, Size.of(64, 36), new ContactSheet.Grid(10, 40, 640),
                i -> new ContactSheet.Cell("frame " + i, some.cells().get((int) (i % 6)).recipe()));
        try (PDDocument document = Loader.loadPDF(write(sheet, "many.pdf").toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(pages);
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("many");
            assertThat(document.getPage(0).getMediaBox().getWidth()).as("A4, in points").isCloseTo(595, within(1f));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"sheet.gif", "sheet", "sheet.png.txt"})
    void anotherEndingIsRefusedBeforeAnyPictureIsMade(String name) {
        ContactSheet sheet = new ContactSheet("none", List.of(), Size.of(16, 9), 3, 640);
        assertThatThrownBy(() -> write(sheet, name)).isInstanceOf(IOException.class).hasMessageContaining("[png, jpg, pdf]")
                .hasMessageContaining(name);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "5x6     | 1600  | ",
        "1 x 40  | 320   | ",
        "0x6     | 1600  | from 1 to 40 frames across and down, not 0 by 6",
        "5x41    | 1600  | not 5 by 41",
        "five    | 1600  | 'five' is no grid",
        "5x      | 1600  | '5x' is no grid",
        "5x6     | 319   | from 320 to 16000 pixels wide, not 319",
        "5x6     | 16001 | not 16001",
    })
    void gridsAreReadOrRefusedInWords(String text, int width, String words) {
        if (words == null) {
            assertThat(ContactSheet.Grid.parse(text, width).width()).isEqualTo(width);
        } else {
            assertThatThrownBy(() -> ContactSheet.Grid.parse(text, width)).isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining(words);
        }
    }
}
