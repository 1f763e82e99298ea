package dev.vat.engine.viewer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.ViewerMessage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The real viewer process: what it finds, shows, and how its death is borne. */
class ViewerTest {

    private static final Size SIZE = Size.of(KiteFrames.WIDTH, KiteFrames.HEIGHT);

    @TempDir
    Path folder;

    private Viewer viewer;

    @BeforeEach
    void open() {
        viewer = new Viewer(TestPlaces.in(folder));
    }

    @AfterEach
    void close() {
        viewer.close();
    }

    private Sequence frames(int count, boolean alpha) throws IOException {
        return SourceFinder.find(KiteFrames.png(folder.resolve("frames"), "kite", 1, count, alpha)).sequences().getFirst();
    }

    private static byte[] pixels(ShownPicture picture) {
        try (picture) {
            ByteBuffer buffer = ByteBuffer.allocate(4 * picture.width() * picture.height());
            picture.copyTo(buffer);
            return buffer.array();
        }
    }

    private byte[] show(Recipe subject, int width, int height, Rgb ground, boolean alpha, ViewerMessage.OutputView as) throws Exception {
        return pixels(viewer.picture(subject,
                new ViewerMessage.Shape(width, height, ground, alpha ? ViewerMessage.Showing.ALPHA : ViewerMessage.Showing.COLOUR, as))
                .get(300, TimeUnit.SECONDS));
    }

    private static Recipe.Frame still(Sequence s, long frame, AlphaKind alpha) {
        return Recipe.Frame.of(s.file(frame).toString(), s.kind(), frame, PictureReading.of(alpha, false));
    }

    @Test
    void everyFileIsLookedIntoAndProgressIsTold() throws Exception {
        Sequence listed = frames(40, false);
        Files.write(listed.file(7), new byte[0]);
        KiteFrames.cut(listed.file(20), .5);
        Files.delete(listed.file(30));
        Sequence s = SourceFinder.find(listed.folder()).sequences().getFirst();
        List<Integer> progress = new CopyOnWriteArrayList<>();
        FrameTable table = viewer.check(s, false, PictureChoice.MAIN, p -> progress.add(p.checked())).get(300, TimeUnit.SECONDS);
        assertThat(table.good()).isEqualTo(37);
        assertThat(table.faults()).extracting(FrameTable.Fault::state).containsExactly(FrameState.EMPTY, FrameState.CUT_SHORT);
        assertThat(table.state(30)).isEqualTo(FrameState.MISSING);
        assertThat(progress).isSorted().endsWith(39);
    }

    @Test
    void headersAloneDontProveTheData() throws Exception {
        Sequence s = frames(5, false);
        byte[] data = Files.readAllBytes(s.file(3));
        data[data.length / 2] ^= 0x40;
        Files.write(s.file(3), data);
        assertThat(viewer.check(s, true, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).good()).isEqualTo(5);
        assertThat(viewer.check(s, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).state(3))
                .isEqualTo(FrameState.UNREADABLE);
    }

    @Test
    void aCheckCanBeCancelled() throws Exception {
        Sequence s = frames(60, false);
        CompletableFuture<FrameTable> check = viewer.check(s, false, PictureChoice.MAIN, _ -> {});
        check.cancel(false);
        assertThat(viewer.check(s, true, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).good()).isEqualTo(60);
        assertThat(check).isCancelled();
    }

    @Test
    void whatIsKnownIsntDecodedAgainUntilItChangesOrIsForgotten() throws Exception {
        Sequence s = frames(6, false);
        viewer.check(s, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS);
        // Damage that neither size nor time shows: only a fresh look can find it.
        byte[] data = Files.readAllBytes(s.file(2));
        FileTime time = Files.getLastModifiedTime(s.file(2));
        data[data.length / 2] ^= 0x40;
        Files.write(s.file(2), data);
        Files.setLastModifiedTime(s.file(2), time);
        assertThat(viewer.check(s, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).good()).as("known, so not looked into")
                .isEqualTo(6);
        viewer.forget(s);
        assertThat(viewer.check(s, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).good()).as("looked into anew")
                .isEqualTo(5);
        Files.write(s.file(3), new byte[10]);
        Sequence now = SourceFinder.find(s.folder()).sequences().getFirst();
        assertThat(viewer.check(now, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS).good())
                .as("another size is another file")
                .isEqualTo(4);
    }

    @Test
    void picturesHaveTheSourcesOwnValues() throws Exception {
        Sequence s = frames(1, false);
        byte[] p = show(still(s, 1, AlphaKind.NONE), KiteFrames.WIDTH, KiteFrames.HEIGHT, null, false, null);
        int at = 4 * (20 * KiteFrames.WIDTH + 8);
        assertThat(List.of(p[at + 2] & 0xff, p[at + 1] & 0xff, p[at] & 0xff, p[at + 3] & 0xff)).as("the kite's red").containsExactly(204,
                51, 26, 255);
        assertThat(show(still(s, 1, AlphaKind.NONE), 32, 24, null, false, null)).hasSize(32 * 24 * 4);
    }

    @Test
    void alphaIsMultipliedInFlattenedOrShownAsGrey() throws Exception {
        Sequence s = frames(1, true);
        int row = 4 * (40 * KiteFrames.WIDTH);
        byte[] through = show(still(s, 1, AlphaKind.STRAIGHT), KiteFrames.WIDTH, KiteFrames.HEIGHT, null, false, null);
        assertThat(through[row + 3] & 0xff).isZero();
        assertThat(through[row + 2] & 0xff).isZero();
        byte[] flat = show(still(s, 1, AlphaKind.STRAIGHT), KiteFrames.WIDTH, KiteFrames.HEIGHT, new Rgb(10, 200, 30), false, null);
        assertThat(List.of(flat[row + 2] & 0xff, flat[row + 1] & 0xff, flat[row] & 0xff, flat[row + 3] & 0xff)).containsExactly(10, 200, 30,
                255);
        byte[] grey = show(still(s, 1, AlphaKind.STRAIGHT), KiteFrames.WIDTH, KiteFrames.HEIGHT, null, true, null);
        int half = row + 4 * 32;
        assertThat(grey[half] & 0xff).isBetween(126, 129).isEqualTo(grey[half + 1] & 0xff);
    }

    /** What a file of high range holds looks on an ordinary screen as an ordinary file does, up to white. */
    @Test
    void aPictureOfHighRangeIsShownAsItsReaderWillShowIt() throws Exception {
        Sequence s = frames(1, false);
        byte[] plain = show(still(s, 1, AlphaKind.NONE), KiteFrames.WIDTH, KiteFrames.HEIGHT, Rgb.BLACK, false, null);
        for (ColourCoding colour : new ColourCoding[] {ColourCoding.PQ, ColourCoding.HLG}) {
            ViewerMessage.OutputView high = new ViewerMessage.OutputView(new PictureKind(WorkingFormat.HIGH, false, null),
                    "h265-main10-420", SIZE, PixelAspect.SQUARE,
                    Treatment.plain(Catalogue.codec("h265-main10-420"), SIZE).withColour(colour));
            byte[] shown = show(still(s, 1, AlphaKind.NONE), KiteFrames.WIDTH, KiteFrames.HEIGHT, Rgb.BLACK, false, high);
            int flat = 4 * (20 * KiteFrames.WIDTH + 8);
            for (int c = 0; c < 3; c++) {
                assertThat(Math.abs((shown[flat + c] & 0xff) - (plain[flat + c] & 0xff))).as(colour.id()).isLessThanOrEqualTo(14);
            }
        }
    }

    /** As a file will hold it: eight bits and 4:2:0 for the web, so nearly but not exactly the source. */
    @Test
    void aPictureIsShownThroughItsFilesOwnConversion() throws Exception {
        Sequence s = frames(1, true);
        ViewerMessage.OutputView web = new ViewerMessage.OutputView(new PictureKind(WorkingFormat.W16, true, null), "h264-high-420", SIZE,
                PixelAspect.SQUARE, Treatment.plain(Catalogue.codec("h264-high-420"), SIZE));
        byte[] plain = show(still(s, 1, AlphaKind.STRAIGHT), KiteFrames.WIDTH, KiteFrames.HEIGHT, Rgb.BLACK, false, null);
        byte[] asWeb = show(still(s, 1, AlphaKind.STRAIGHT), KiteFrames.WIDTH, KiteFrames.HEIGHT, Rgb.BLACK, false, web);
        assertThat(asWeb).isNotEqualTo(plain);
        int flat = 4 * (20 * KiteFrames.WIDTH + 8);
        for (int c = 0; c < 3; c++) {
            assertThat(Math.abs((asWeb[flat + c] & 0xff) - (plain[flat + c] & 0xff))).isLessThanOrEqualTo(3);
        }
    }

    @Test
    void cardsAndBrokenFilesAreToldApart() throws Exception {
        byte[] card = show(new Recipe.Card(Size.of(320, 180), List.of("0412", "missing", "kite.####.png")), 320, 180, null, false, null);
        assertThat(card[0] & 0xff).isEqualTo(0x30);
        Path bad = Files.writeString(folder.resolve("bad.png"), "no picture");
        assertThatThrownBy(() -> show(Recipe.Frame.of(bad.toString(), FileKind.PNG, 0, PictureReading.of(AlphaKind.NONE, false)), 10, 10,
                null, false, null))
                .rootCause().hasMessageContaining("unreadable");
        assertThatThrownBy(() -> show(new Recipe.Card(Size.of(1, 1), List.of("x")), 9000, 9000, null, false, null)).rootCause()
                .hasMessageContaining("9000x9000");
    }

    @Test
    @Tag("process")
    void aDeadProcessIsStartedAgainAndTheCheckGoesOn() throws Exception {
        Sequence s = frames(120, false);
        CompletableFuture<Void> some = new CompletableFuture<>();
        CompletableFuture<FrameTable> check = viewer.check(s, false, PictureChoice.MAIN, p -> some.complete(null));
        some.get(300, TimeUnit.SECONDS);
        long pid = viewer.pid();
        ProcessHandle.of(pid).orElseThrow().destroyForcibly();
        FrameTable table = check.get(300, TimeUnit.SECONDS);
        assertThat(table.good()).isEqualTo(120);
        assertThat(viewer.pid()).isNotEqualTo(pid);
    }
}
