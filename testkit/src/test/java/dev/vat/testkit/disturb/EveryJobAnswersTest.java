package dev.vat.testkit.disturb;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.process.Task;
import dev.vat.engine.run.Run;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.trial.Trials;
import dev.vat.engine.viewer.ContactSheetFile;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.Message;
import dev.vat.protocol.RenderOrder;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** An error that nobody foresaw, in each kind of job that workers do: it ends in words, and what follows is done. */
@Tag("process")
@Tag("slow")
class EveryJobAnswersTest {

    private static final long SECONDS = 300;

    @TempDir
    Path folder;

    private Places places;
    private Path frames;

    @BeforeEach
    void layOut() throws Exception {
        places = TestPlaces.in(folder);
        frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 6, false);
    }

    private Sequence sequence() throws Exception {
        return SourceFinder.find(frames).sequences().getFirst();
    }

    private static ViewerMessage.Taken picture(Sequence s) {
        return new ViewerMessage.Taken(Recipe.Frame.of(s.file(1).toString(), FileKind.PNG, 1, PictureReading.of(AlphaKind.NONE, false)),
                null);
    }

    private interface Asking {
        CompletableFuture<?> of(Viewer viewer, Sequence sequence, Path folder);
    }

    private static Arguments viewer(String job, Asking asking) {
        return Arguments.of(job, asking);
    }

    private static Stream<Arguments> viewerJobs() {
        return Stream.of(
                viewer("Show",
                        (v, s, _) -> v
                                .picture(picture(s).picture(), new ViewerMessage.Shape(16, 12, null, ViewerMessage.Showing.COLOUR, null))
                                .thenAccept(shown -> shown.close())),
                viewer("Sample", (v, s, _) -> v.sample(picture(s), .5, .5)),
                viewer("Levels", (v, s, _) -> v.levels(picture(s))),
                viewer("Measure", (v, s, _) -> v.measure(List.of(new ViewerMessage.Pair(picture(s), picture(s)))).thenApply(values -> {
                    if (values.isEmpty()) {
                        throw new IllegalStateException("planted: nothing was measured");
                    }
                    return values;
                })),
                viewer("Probe", (v, s, _) -> v.probe(s.file(1))),
                viewer("Listen", (v, s, f) -> v.listen(s.file(1), f.resolve("copy.pcm"))),
                viewer("DrawSheet", (v, s, f) -> CompletableFuture.supplyAsync(() -> {
                    try {
                        ContactSheetFile.write(v,
                                new ContactSheet("kite", List.of(new ContactSheet.Cell("1", picture(s).picture())), Size.of(4, 3), 1, 400),
                                f.resolve("sheet.png"));
                        return null;
                    } catch (Exception e) {
                        throw new IllegalStateException(e.getMessage(), e);
                    }
                })));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("viewerJobs")
    void aViewersJobSaysWhatWentWrongAndTheNextPictureComes(String job, Asking asking) throws Exception {
        Sequence sequence = sequence();
        FaultScript script = FaultScript.plant(places, "throw " + job);
        try (script; Viewer viewer = new Viewer(places)) {
            assertThatThrownBy(() -> asking.of(viewer, sequence, folder).get(SECONDS, TimeUnit.SECONDS)).as(job).rootCause().message()
                    .contains("planted");
            script.close();
            viewer.picture(picture(sequence).picture(), new ViewerMessage.Shape(16, 12, null, ViewerMessage.Showing.COLOUR, null))
                    .get(SECONDS, TimeUnit.SECONDS).close();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ofAFrame")
    void aCheckGoesOnBehindTheFrameThatItCantLookInto(String how, String words) throws Exception {
        try (FaultScript _ = FaultScript.plant(places, how + " check 3"); Viewer viewer = new Viewer(places)) {
            FrameTable table = viewer.check(sequence(), false, PictureChoice.MAIN, _ -> {}).get(SECONDS, TimeUnit.SECONDS);
            assertThat(table.good()).isEqualTo(5);
            assertThat(table.faults()).singleElement().satisfies(fault -> {
                assertThat(fault.frame()).isEqualTo(3);
                assertThat(fault.state()).isEqualTo(FrameState.UNREADABLE);
            });
            assertThat(table.reason(3)).hasValueSatisfying(why -> assertThat(why).contains(words));
        }
    }

    private static Stream<Arguments> ofAFrame() {
        return Stream.of(Arguments.of("throw", "planted at check 3"), Arguments.of("overflow", "enough memory"),
                Arguments.of("crash", "crash"));
    }

    private static Stream<Arguments> tasks() {
        return Stream.of(
                Arguments.of("Prove", WorkerRole.RUN,
                        (Function<Path, Message>) f -> new TaskMessage.Prove(1, f.resolve("kite.mov").toString())),
                Arguments.of("WriteSheet", WorkerRole.RUN,
                        (Function<Path, Message>) f -> new TaskMessage.WriteSheet(1, f.resolve("kite.mov").toString())),
                Arguments.of("Repack", WorkerRole.RUN,
                        (Function<Path, Message>) f -> new TaskMessage.Repack(1,
                                new RepackOrder.Join(List.of("a.mov"), f.resolve("b.mov").toString()))),
                Arguments.of("JoinDone", WorkerRole.RUN,
                        (Function<Path, Message>) f -> new TaskMessage.JoinDone(1, f.toString(), "web-h264", f.toString())),
                Arguments.of("DrawDemo", WorkerRole.RUN, (Function<Path, Message>) f -> new TaskMessage.DrawDemo(1, f.toString())),
                Arguments.of("Render", WorkerRole.RUN, (Function<Path, Message>) f -> new TaskMessage.Render(1,
                        new RenderOrder(f.toString(), "flats", "pier", FrameRange.of(1, 2), Size.of(32, 18), false, 1, 0, 0, false, null,
                                List.of()))),
                Arguments.of("Rehearse", WorkerRole.CAPTURE, (Function<Path, Message>) _ -> new CaptureMessage.Rehearse(1)),
                Arguments.of("RecoverCaptures", WorkerRole.CAPTURE,
                        (Function<Path, Message>) f -> new CaptureMessage.RecoverCaptures(1, f.toString())));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("tasks")
    void aTaskSaysWhatWentWrong(String job, WorkerRole role, Function<Path, Message> question) throws Exception {
        try (FaultScript _ = FaultScript.plant(places, "throw " + job)) {
            CompletableFuture<Void> asked = CompletableFuture.runAsync(() -> {
                try {
                    Task.ask(places, role, question.apply(folder), _ -> {}, _ -> true);
                } catch (Exception e) {
                    throw new IllegalStateException(e.getMessage(), e);
                }
            });
            assertThatThrownBy(() -> asked.get(SECONDS, TimeUnit.SECONDS)).rootCause().message().contains("planted at " + job);
        }
    }

    @Test
    void aTrialSaysWhatWentWrong() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq"));
        try (FaultScript _ = FaultScript.plant(places, "throw Try")) {
            Trials.Going going = new Trials(places).start(plan, _ -> {});
            assertThatThrownBy(going::await).message().contains("planted at Try");
        }
    }

    @Test
    void aFileThatMeetsAnErrorFailsAndTheOthersAreMade() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq", "proxy-prores"));
        try (FaultScript _ = FaultScript.plant(places, "throw encode edit-prores-hq 2"); Run run = Run.start(plan, places, _ -> {})) {
            Run.Outcome outcome = run.outcome().get(6 * SECONDS, TimeUnit.SECONDS);
            assertThat(outcome.files()).filteredOn(f -> f.target().equals("edit-prores-hq")).singleElement()
                    .satisfies(f -> assertThat(f.why()).contains("planted at encode"));
            assertThat(outcome.files()).filteredOn(f -> f.target().equals("proxy-prores")).singleElement()
                    .satisfies(f -> assertThat(f.stage()).isEqualTo(Stage.DELIVERED));
        }
    }

    @Test
    void aRunThatMeetsAnErrorSaysSo() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq"));
        try (FaultScript _ = FaultScript.plant(places, "throw Make"); Run run = Run.start(plan, places, _ -> {})) {
            CompletableFuture<Run.Outcome> outcome = run.outcome();
            Object ended = outcome.handle((made, failure) -> failure != null ? failure.getMessage() : made.toString()).get(6 * SECONDS,
                    TimeUnit.SECONDS);
            assertThat(String.valueOf(ended)).contains("planted at Make");
        }
    }
}
