package dev.vat.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Severity;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FrameState;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.storage.Places;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the window does, without a window: its own thread takes the place of the interface's. */
class SessionTest {

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
        on(() -> {
            session.close();
            return null;
        });
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

    private void bringIn(Path... paths) throws Exception {
        act(() -> session.search().bringIn(List.of(paths)));
        await(() -> !session.search().isGoing());
        await(() -> !session.watch().isChecking());
    }

    private void target(String id) throws Exception {
        act(() -> session.edit(DeliverableEdits.addTarget(Catalogue.target(id))));
    }

    private void madeAndProven() throws Exception {
        await(() -> session.runs().isIdle() && !session.runs().lines().isEmpty());
        assertThat(on(() -> session.runs().lines().stream().flatMap(l -> l.files().stream()).toList()))
                .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(FileProgress.Stage.DELIVERED));
    }

    @Test
    void threeActionsFromFolderToProvenFile() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 12);
        bringIn(frames);
        target("web-h264");
        assertThat(on(session.making()::label)).isEqualTo("Make at 25");
        act(session.making()::make);
        madeAndProven();
        assertThat(folder.resolve("delivered/kite_web.mp4")).exists();
        assertThat(Files.readString(folder.resolve("delivered/kite_web.mp4.receipt.json"))).contains("chosen by the user");
        assertThat(on(session.making()::detail)).isEqualTo("whole reel, 12 frames, 0.480 s");
    }

    @Test
    @Tag("torture")
    void theRateUsedLastIsOfferedFirstNextTime() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 3));
        target("web-h264");
        act(() -> session.chooseRate(Rate.of(24000, 1001)));
        act(session.making()::make);
        madeAndProven();
        act(session.files()::startAnew);
        bringIn(TestFrames.png(folder, "dune", 3));
        target("web-h264");
        assertThat(on(session.making()::label)).isEqualTo("Make at 23.976");
    }

    @Test
    void pressingMakeWhileFramesAreCheckedMakesWhenTheyAre() throws Exception {
        act(() -> session.edit(DeliverableEdits.addTarget(Catalogue.WEB_H264)));
        act(() -> session.search().bringIn(List.of(folder.resolve("kite"))));
        TestFrames.png(folder, "kite", 40);
        act(() -> session.search().bringIn(List.of(folder.resolve("kite"))));
        await(() -> session.making().canMake());
        act(session.making()::make);
        madeAndProven();
    }

    @Test
    void severalSequencesAreAskedAboutOnce() throws Exception {
        TestFrames.png(folder.resolve("all"), "a", 3);
        TestFrames.png(folder.resolve("all"), "b", 4);
        bringIn(folder.resolve("all"));
        assertThat(on(session.search()::question)).hasSize(2);
        act(() -> session.search().answer(Edits.Layout.ONE_REEL_EACH));
        await(() -> !session.watch().isChecking());
        target("web-h264");
        target("edit-prores-hq");
        assertThat(on(session.making()::label)).isEqualTo("Make at 25");
        act(() -> session.chooseRate(Rate.FPS_25));
        assertThat(on(session.making()::label)).as("the reel that is shown").isEqualTo("Make 2 files");
        act(session.making()::makeEveryReel);
        madeAndProven();
        assertThat(folder.resolve("all/delivered")).isDirectoryContaining("glob:**/a_web.mp4").isDirectoryContaining("glob:**/b_edit.mov");
    }

    @Test
    void aHoleBlocksUntilItIsFilledAndUndoBringsItBack() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 8);
        Files.delete(frames.resolve("kite.0004.png"));
        bringIn(frames);
        target("web-h264");
        act(() -> session.chooseRate(Rate.FPS_25));
        assertThat(on(session.making()::canMake)).isFalse();
        assertThat(on(() -> session.findings().count(Severity.BLOCKER))).isEqualTo(1);
        Finding finding = on(() -> session.findings().blockers().getFirst());
        act(() -> session.edit(((dev.vat.core.finding.Remedy.Apply) finding.remedies().get(1)).edit()));
        assertThat(on(session.making()::canMake)).isTrue();
        act(session::undo);
        assertThat(on(session.making()::canMake)).isFalse();
        act(session::redo);
        assertThat(on(session.making()::canMake)).isTrue();
    }

    @Test
    void projectsAreSavedByThemselvesAndReopenWhole() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 5));
        target("alpha-prores-4444");
        act(() -> session.edit(SourceEdits.setRange("s1", FrameRange.of(2, 4))));
        assertThat(on(session.files()::isUntitled)).isTrue();
        act(() -> session.files().saveAs(folder.resolve("kite.vat")));
        act(() -> session.edit(Edits.setFolder(Place.of(folder.resolve("elsewhere")))));
        var before = on(session::project);
        await(() -> Files.exists(folder.resolve("kite.vat")) && Files.readString(folder.resolve("kite.vat")).contains("elsewhere"));
        act(session.files()::startAnew);
        assertThat(on(() -> session.project().isEmpty())).isTrue();
        act(() -> session.search().bringIn(List.of(folder.resolve("kite.vat"))));
        await(() -> !session.project().isEmpty() && !session.watch().isChecking());
        assertThat(on(session::project)).isEqualTo(before);
        assertThat(on(() -> session.settings().recent())).first().asString().endsWith("kite.vat");
    }

    @Test
    void whatCantBeReadIsSaidInWords() throws Exception {
        act(() -> session.search().bringIn(List.of(folder.resolve("gone"))));
        // The words at its beginning name the folder too: it is what it ends with that counts, and the next may not overtake it.
        await(() -> session.notices().notice().words().startsWith("There is nothing at ")
                && session.notices().notice().words().contains("gone"));
        Path empty = Files.createDirectory(folder.resolve("empty"));
        act(() -> session.search().bringIn(List.of(empty)));
        await(() -> session.notices().notice().words().contains("No frames, movies or sounds in empty"));
        Files.writeString(folder.resolve("bad.vat"), "nonsense");
        act(() -> session.search().bringIn(List.of(folder.resolve("bad.vat"))));
        await(() -> session.notices().notice().words().contains("bad.vat"));
    }

    @Test
    void checkingAgainSeesWhatIsOnDiskNow() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 6);
        bringIn(frames);
        TestFrames.old(Files.write(frames.resolve("kite.0002.png"), new byte[0]));
        act(() -> session.watch().again(session.project().sources().getFirst()));
        await(() -> !session.watch().isChecking());
        assertThat(on(() -> session.watch().table("s1").state(2))).isEqualTo(FrameState.EMPTY);
    }

    @Test
    void framesThatHaveComeSinceAreListedWithoutLookingIntoTheOthersAgain() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 6);
        bringIn(frames);
        Files.copy(frames.resolve("kite.0001.png"), frames.resolve("kite.0007.png"));
        act(() -> session.watch().listAgain(session.project().sources().getFirst()));
        await(() -> session.watch().table("s1").sequence().count() == 7 && !session.watch().isChecking());
        assertThat(on(() -> session.watch().table("s1").good())).isEqualTo(7);
    }

    @Test
    @Tag("torture")
    @Tag("process")
    void aRunWhoseProcessWasKilledGoesOnWithAnother() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 300));
        target("edit-prores-hq");
        act(session.making()::make);
        await(() -> session.runs().going().isPresent() && session.runs().going().get().framesRead() > 5);
        long pid = on(() -> session.runs().going().get().run().pid());
        ProcessHandle.of(pid).orElseThrow().destroyForcibly();
        await(() -> session.runs().going().isEmpty());
        assertThat(on(() -> session.runs().lines().getFirst().files()))
                .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(FileProgress.Stage.DELIVERED));
    }

    @Test
    void aRunThatWasCutOffGoesOnByItselfAtTheNextStart() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 900));
        target("edit-prores-hq");
        act(session.making()::make);
        await(() -> session.runs().going().isPresent() && session.runs().going().get().framesRead() > 5);
        act(session::close);
        Session next = on(() -> new Session(places, ui));
        try {
            await(() -> next.runs().going().isPresent() || !next.runs().lines().isEmpty());
            await(() -> next.runs().isIdle());
            assertThat(on(() -> next.runs().lines().getFirst().files()))
                    .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(FileProgress.Stage.DELIVERED));
            assertThat(folder.resolve("delivered")).isDirectoryNotContaining("glob:**/.vat-*")
                    .isDirectoryContaining("glob:**/kite_edit.mov");
        } finally {
            act(next::close);
        }
    }

    @Test
    @Tag("torture")
    void aStoppedRunIsClearedAwayOrMadeAgain() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 1500));
        target("edit-prores-hq");
        act(session.making()::make);
        await(() -> session.runs().going().isPresent() && session.runs().going().get().framesRead() > 5);
        act(() -> session.runs().going().get().run().stop());
        await(() -> session.runs().going().isEmpty());
        RunLine line = on(() -> session.runs().lines().getFirst());
        assertThat(line.isUnfinished()).isTrue();
        act(() -> session.runs().discard(line.run().home()));
        await(() -> session.notices().notice().words().contains("cleared away"));
        assertThat(folder.resolve("delivered")).isEmptyDirectory();
        assertThat(on(() -> session.runs().lines())).isEmpty();
    }

    @Test
    void aFolderThatCantBeWrittenIsABlockerWithAChooser() throws Exception {
        Path file = Files.writeString(folder.resolve("file"), "x");
        bringIn(TestFrames.png(folder, "kite", 2));
        target("web-h264");
        act(() -> session.chooseRate(Rate.FPS_25));
        act(() -> session.edit(Edits.setFolder(Place.of(file.resolve("below")))));
        await(() -> session.findings().blockers().stream().anyMatch(f -> f.id().equals("folder-refused")));
        act(() -> session.edit(Edits.setFolder(Place.of(folder.resolve("fine")))));
        await(() -> session.findings().mayRun());
    }

    @Test
    void removingASourceAndUndoingFindsItsFramesAgain() throws Exception {
        bringIn(TestFrames.png(folder, "kite", 4));
        act(() -> session.edit(Edits.removeSource("s1")));
        assertThat(on(() -> session.watch().table("s1"))).isNull();
        act(session::undo);
        await(() -> session.watch().table("s1") != null && !session.watch().isChecking());
        assertThat(on(() -> session.watch().table("s1").good())).isEqualTo(4);
    }
}
