package dev.vat.engine.viewer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FileKind;
import dev.vat.core.trial.PairLikeness;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.proof.ProofSheet;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures held against each other in the real viewer process, and the page that is handed over. */
class ComparedPicturesTest {

    @TempDir
    Path folder;

    private Places places;
    private Viewer viewer;

    @BeforeEach
    void open() {
        places = TestPlaces.in(folder);
        viewer = new Viewer(places);
    }

    @AfterEach
    void close() {
        viewer.close();
    }

    private static ViewerMessage.Taken still(Path file) {
        return new ViewerMessage.Taken(Recipe.Frame.of(file.toString(), FileKind.PNG, 0, PictureReading.of(AlphaKind.NONE, false)), null);
    }

    /** One code of eight bits more in one block of one frame out of 640. */
    @Test
    @Tag("slow")
    void aPlantedDifferenceOfOneCodeIsFoundAndShown() throws Exception {
        Path first = KiteFrames.png(folder.resolve("one"), "kite", 1, 640, false);
        Path second = KiteFrames.png(folder.resolve("two"), "kite", 1, 640, false);
        Samples planted = KiteFrames.draw(33, false);
        for (int y = 24; y < 40; y++) {
            for (int x = 16; x < 32; x++) {
                planted.green()[y * KiteFrames.WIDTH + x] += 1 / 255f;
            }
        }
        Path spoilt = second.resolve("kite.0434.png");
        Files.delete(spoilt);
        Files.write(spoilt, StillWriter.PNG16.write(planted));
        List<ViewerMessage.Pair> pairs = IntStream.rangeClosed(1, 640)
                .mapToObj(f -> new ViewerMessage.Pair(still(first.resolve("kite.%04d.png".formatted(f))),
                        still(second.resolve("kite.%04d.png".formatted(f)))))
                .toList();
        List<PairLikeness> found = new ArrayList<>();
        for (int i = 0; i < pairs.size(); i += 40) {
            found.addAll(viewer.measure(pairs.subList(i, i + 40)).get(300, TimeUnit.SECONDS));
        }
        assertThat(IntStream.range(0, 640).filter(i -> !found.get(i).isSame()).toArray()).containsExactly(433);
        assertThat(found.get(433).mostInEightBits()).isCloseTo(1, within(.02));
        ViewerMessage.Against against = new ViewerMessage.Against(pairs.get(433).first(), pairs.get(433).second(), 64, false);
        try (ShownPicture shown = viewer.picture(against, new ViewerMessage.Shape(32, 24, null, ViewerMessage.Showing.COLOUR, null)).get(30,
                TimeUnit.SECONDS)) {
            ByteBuffer pixels = ByteBuffer.allocate(4 * 32 * 24);
            shown.copyTo(pixels);
            for (int y = 0; y < 24; y++) {
                for (int x = 0; x < 32; x++) {
                    boolean inside = x >= 8 && x < 16 && y >= 12 && y < 20;
                    assertThat(pixels.get(4 * (y * 32 + x) + 1) & 0xff).as("green at %d, %d", x, y).isEqualTo(inside ? 64 : 0);
                }
            }
        }
    }

    @Test
    void aFileIsHeldAgainstWhatItsEncoderWasGivenAsItsReceiptHas() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 30, false);
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("archive-ffv1", "web-h264"));
        Run.Outcome outcome;
        try (Run run = Run.start(plan, places, _ -> {})) {
            outcome = run.outcome().join();
        }
        RunFile web = plan.files().stream().filter(f -> f.target().equals("web-h264")).findFirst().orElseThrow();
        Path movie = outcome.files().stream().filter(f -> f.target().equals("web-h264")).map(f -> Path.of(f.path())).findFirst()
                .orElseThrow();
        ViewerMessage.OutputView as = ViewerMessage.OutputView.of(plan, web);
        Recipe source = still(frames.resolve("kite.0005.png")).picture();
        String given = viewer.sample(new ViewerMessage.Taken(source, as), .5, .9).get(300, TimeUnit.SECONDS);
        String coded = viewer.sample(new ViewerMessage.Taken(new Recipe.Finished(movie.toString(), 4), null), .5, .9).get(30,
                TimeUnit.SECONDS);
        assertThat(given).startsWith("Y ").endsWith("8-bit");
        assertThat(Math.abs(luma(given) - luma(coded))).isLessThanOrEqualTo(6);
        assertThat(viewer.sample(new ViewerMessage.Taken(source, null), .5, .9).get(300, TimeUnit.SECONDS)).startsWith("R ")
                .endsWith("16-bit");
        PairLikeness like = viewer.measure(List.of(new ViewerMessage.Pair(new ViewerMessage.Taken(source, as),
                new ViewerMessage.Taken(new Recipe.Finished(movie.toString(), 4), null)))).get(300, TimeUnit.SECONDS).getFirst();
        assertThat(like.psnr()).isBetween(30.0, 70.0);
        Path lossless = outcome.files().stream().filter(f -> f.target().equals("archive-ffv1")).map(f -> Path.of(f.path())).findFirst()
                .orElseThrow();
        assertThat(viewer
                .measure(List.of(new ViewerMessage.Pair(new ViewerMessage.Taken(source, null),
                        new ViewerMessage.Taken(new Recipe.Finished(lossless.toString(), 4), null))))
                .get(300, TimeUnit.SECONDS)
                .getFirst().isSame()).as("an archive holds every sample").isTrue();
        assertThat(viewer.levels(new ViewerMessage.Taken(source, as)).get(300, TimeUnit.SECONDS)).startsWith("Y ").contains("% outside");
        assertThat(viewer
                .picture(new ViewerMessage.Scope(new ViewerMessage.Taken(source, as), ViewerMessage.Scope.Drawn.VECTORS),
                        new ViewerMessage.Shape(64, 64, null, ViewerMessage.Showing.COLOUR, null))
                .get(300, TimeUnit.SECONDS).width()).isEqualTo(64);
        sheetsSayWhatTheReceiptSays(movie);
    }

    private static int luma(String words) {
        return Integer.parseInt(words.split(" +")[1]);
    }

    private void sheetsSayWhatTheReceiptSays(Path movie) throws Exception {
        List<Path> written = ProofSheet.write(movie);
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(movie));
        String html = Files.readString(written.getFirst(), StandardCharsets.UTF_8);
        assertThat(html).contains(receipt.sha256(), "Proven:", "<polyline", "data:image/png;base64,").doesNotContain(folder.toString(),
                System.getProperty("user.name") + "@");
        assertThat(html.split("<figure>")).hasSize(1 + 12 + receipt.quality().worst().size());
        try (PDDocument pdf = Loader.loadPDF(written.getLast().toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(pdf)).contains(receipt.file(), "Proven:", receipt.sha256(),
                    Catalogue.target("web-h264").title());
        }
    }
}
