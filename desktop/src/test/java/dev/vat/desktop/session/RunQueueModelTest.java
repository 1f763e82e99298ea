package dev.vat.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is made later, made again, and who else has the project; without a window. */
class RunQueueModelTest {

    @TempDir
    Path folder;

    private final ExecutorService ui = Executors.newSingleThreadExecutor();
    private Places places;
    private Session session;

    @BeforeEach
    void open() throws Exception {
        places = TestFrames.places(folder);
        session = on(() -> new Session(places, ui));
    }

    @AfterEach
    void close() throws Exception {
        act(session::close);
        ui.shutdown();
    }

    private <T> T on(Callable<T> act) throws Exception {
        return ui.submit(act).get();
    }

    private void act(Runnable act) throws Exception {
        ui.submit(act).get();
    }

    private void await(Callable<Boolean> condition) throws Exception {
        long end = System.currentTimeMillis() + 300_000;
        while (!on(condition)) {
            assertThat(System.currentTimeMillis()).as("waited in vain; " + on(() -> session.notices().notice().words())).isLessThan(end);
            Thread.sleep(20);
        }
    }

    /** A reel of some frames for one target, ready to be made. */
    private Path ready(int frames, String target) throws Exception {
        Path sequence = TestFrames.png(folder, "kite", frames);
        act(() -> session.search().bringIn(List.of(sequence)));
        await(() -> !session.search().isGoing() && !session.project().isEmpty());
        act(() -> session.edit(DeliverableEdits.addTarget(Catalogue.target(target))));
        act(() -> session.chooseRate(Rate.FPS_25));
        await(() -> !session.watch().isChecking() && session.making().canMake());
        return sequence;
    }

    private List<DeliveryHistory.Line> past() throws Exception {
        CompletableFuture<List<DeliveryHistory.Line>> lines = new CompletableFuture<>();
        act(() -> session.deliveries().load(lines::complete));
        return lines.get(300, TimeUnit.SECONDS);
    }

    private void idle(int runs) throws Exception {
        await(() -> session.runs().isIdle() && session.runs().lines().size() == runs);
        assertThat(on(() -> session.runs().lines().stream().flatMap(l -> l.files().stream()).toList()))
                .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
    }

    @Test
    void whatIsHeldWaitsThroughAnEndUntilItIsLetGo() throws Exception {
        ready(4, "edit-prores-hq");
        act(() -> session.making().makeLater(""));
        await(() -> session.runs().later().entries().size() == 1);
        act(session::close);
        session = on(() -> new Session(places, ui));
        await(() -> session.runs().later().entries().size() == 1);
        assertThat(on(() -> session.runs().later().state(session.runs().later().entries().getFirst()))).isEqualTo("held");
        assertThat(on(() -> session.runs().lines())).isEmpty();
        act(() -> session.runs().later().hold("q1", false));
        await(() -> !session.runs().lines().isEmpty());
        idle(1);
        assertThat(folder.resolve("delivered/kite_edit.mov")).exists();
        assertThat(on(() -> session.notices().notice().words())).isEqualTo("Done: 1 file made and proven.");
    }

    @Test
    void whatCantBeMadeIsHeldWithTheReason() throws Exception {
        Path frames = ready(4, "edit-prores-hq");
        act(() -> session.making().makeLater("23:59"));
        await(() -> session.runs().later().entries().size() == 1);
        Files.delete(frames.resolve("kite.0002.png"));
        act(() -> session.runs().later().hold("q1", false));
        await(() -> session.notices().notice().words().contains("is held in the queue"));
        await(() -> session.runs().later().entries().getFirst().held());
        assertThat(on(() -> session.notices().notice().words())).contains("kite").contains("missing");
        act(() -> session.making().makeLater("soon"));
        assertThat(on(() -> session.notices().notice().words())).contains("'soon' is no time");
    }

    @Test
    void aDeliveredFileIsMadeAgainAndMadeAnewWhereItChanged() throws Exception {
        Path frames = ready(130, "edit-prores-hq");
        act(session.making()::make);
        idle(1);
        DeliveryHistory.Line first = past().getFirst();
        assertThat(first.there()).isTrue();
        assertThat(first.matches("edit kite prores")).isTrue();
        assertThat(first.matches("edit dune")).isFalse();
        act(() -> session.deliveries().makeWhatChanged(first));
        await(() -> session.notices().notice().words().contains("No frame of kite_edit.mov was rendered again"));
        Files.copy(frames.resolve("kite.0003.png"), frames.resolve("kite.0120.png"), StandardCopyOption.REPLACE_EXISTING);
        act(() -> session.deliveries().makeWhatChanged(first));
        await(() -> session.runs().lines().size() == 2);
        assertThat(on(() -> session.notices().notice().words())).contains("Frames 119 of kite_edit.mov changed: 1 of 2 parts");
        idle(2);
        assertThat(ReceiptFile.read(ReceiptFile.of(folder.resolve("delivered/kite_edit_v02.mov"))).notes())
                .anyMatch(n -> n.contains("frames 119 changed"));
        act(() -> session.deliveries().makeAgain(first));
        await(() -> session.runs().lines().size() == 3);
        idle(3);
        assertThat(folder.resolve("delivered/kite_edit_v03.mov")).hasSameBinaryContentAs(folder.resolve("delivered/kite_edit_v02.mov"));
        act(() -> {
            session.files().startAnew();
            session.deliveries().openProject(first);
        });
        assertThat(on(() -> session.project().deliverables().getFirst().target())).isEqualTo("edit-prores-hq");
    }

    @Test
    void aStillOfOneFrameIsAFileOfItsOwn() throws Exception {
        ready(5, "web-h264");
        act(() -> session.making().keepStill(session.project().sources().getFirst(), 3));
        await(() -> session.runs().isIdle() && session.runs().lines().size() == 1);
        assertThat(folder.resolve("delivered/kite_frames.0003.png")).isRegularFile();
        assertThat(ReceiptFile.read(folder.resolve("delivered/kite_frames.0003.png.receipt.json")).proven()).isTrue();
        act(() -> session.making().keepStill(session.project().sources().getFirst(), 9));
        assertThat(on(() -> session.notices().notice().words())).contains("isn't there whole");
    }

    @Test
    void twoWindowsDontWriteOverEachOther() throws Exception {
        ready(2, "web-h264");
        Path file = folder.resolve("kite.vat");
        act(() -> session.files().saveAs(file));
        await(() -> Files.exists(file) && session.files().isSaved());
        String before = Files.readString(file);
        Session second = on(() -> new Session(places, ui));
        try {
            act(() -> second.files().open(file));
            await(() -> !second.project().isEmpty());
            assertThat(on(second.files()::isOnlyRead)).isTrue();
            assertThat(on(() -> second.notices().notice().words())).contains("kite.vat is open in another window (process ");
            act(() -> second.edit(DeliverableEdits.addTarget(Catalogue.target("edit-prores-hq"))));
            act(() -> second.files().saveAs(folder.resolve("mine.vat")));
            await(() -> Files.exists(folder.resolve("mine.vat")) && second.isSaved());
            assertThat(file).hasContent(before);
        } finally {
            act(second::close);
        }
    }

    @Test
    void aStrangersProjectIsOpenedAfterAWordOnly() throws Exception {
        ready(2, "web-h264");
        act(() -> session.edit(Edits.setFolder(Place.of(folder.resolve("elsewhere")))));
        Path file = folder.resolve("jobs/kite.vat");
        act(() -> session.files().saveAs(file));
        await(() -> Files.exists(file) && session.files().isSaved());
        Path strangers = Files.createDirectories(folder.resolve("post")).resolve("from-outside.vat");
        Files.copy(file, strangers);
        act(session.files()::startAnew);
        act(() -> session.files().open(strangers));
        await(() -> session.files().stranger().isPresent());
        assertThat(on(() -> session.files().stranger().orElseThrow().outside())).containsExactly(folder.resolve("elsewhere").toString(),
                folder.resolve("kite").toString());
        assertThat(on(session::project)).as("nothing of it is looked at yet").satisfies(p -> assertThat(p.isEmpty()).isTrue());
        act(() -> session.files().answerStranger(true));
        await(() -> !session.project().isEmpty());
        act(session.files()::startAnew);
        act(() -> session.files().open(strangers));
        await(() -> !session.project().isEmpty());
        assertThat(on(session.files()::stranger)).as("it is known now").isEmpty();
    }
}
