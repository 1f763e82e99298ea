package dev.vat.engine.queue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RunQueueTest {

    private static final Instant NOON = Instant.parse("2031-05-04T12:00:00Z");

    @TempDir
    Path folder;

    private Places places;
    private RunQueue queue;
    private Project project;

    @BeforeEach
    void layOut() throws IOException {
        places = TestPlaces.in(folder);
        queue = RunQueue.of(places);
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 2, false);
        project = Edits.bringIn(List.of(SourceFinder.find(frames).sequences().getFirst().location()), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = DeliverableEdits.addTarget(Catalogue.target("web-h264")).apply(project);
    }

    private List<String> ids() throws IOException {
        return RunQueue.of(places).entries().stream().map(Waiting::id).toList();
    }

    private String next(Instant now) throws IOException {
        return queue.next(now, Set.of()).map(Waiting::id).orElse("none");
    }

    @Test
    void whatIsPutInIsThereAtTheNextStartAsItWas() throws IOException {
        queue.add(project, RunQueue.Terms.NONE);
        Waiting kept = RunQueue.of(places).entries().getFirst();
        assertThat(RunQueue.project(kept)).isEqualTo(project);
        assertThat(kept.title()).isEqualTo("kite: H.264 for the web");
    }

    @Test
    void theOrderIsThatOfPuttingInUntilSomebodyChangesIt() throws IOException {
        for (int i = 0; i < 4; i++) {
            queue.add(project, RunQueue.Terms.NONE);
        }
        queue.move("q4", Integer.MIN_VALUE / 2);
        queue.move("q1", 1);
        assertThat(ids()).containsExactly("q4", "q2", "q1", "q3");
        queue.remove("q2");
        queue.move("q3", 100);
        assertThat(ids()).containsExactly("q4", "q1", "q3");
        assertThat(queue.add(project, RunQueue.Terms.NONE).id()).isEqualTo("q2");
        assertThatThrownBy(() -> queue.remove("q9")).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("q9");
    }

    @Test
    void whatIsHeldOrLaterOrAfterAnotherIsPassedOver() throws IOException {
        queue.add(project, new RunQueue.Terms(true, null, null, false));
        queue.add(project, new RunQueue.Terms(false, NOON, null, false));
        queue.add(project, new RunQueue.Terms(false, null, "q2", false));
        assertThat(next(NOON.minusSeconds(1))).isEqualTo("none");
        assertThat(next(NOON)).isEqualTo("q2");
        assertThat(queue.next(NOON, Set.of("q2"))).as("q2 waits for its frames, and q3 for q2").isEmpty();
        queue.remove("q2");
        assertThat(next(NOON)).isEqualTo("q3");
        queue.change("q1", w -> w.withHeld(false));
        assertThat(next(NOON)).isEqualTo("q1");
        assertThatThrownBy(() -> queue.add(project, new RunQueue.Terms(false, null, "q7", false)))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("q7");
    }

    /** Three jobs put in at 6 in the evening: the second for after midnight, the third after it, a fourth that somebody held. */
    @Test
    void aNightOfThreeGoesInOrderAndEndsWithWhatIsHeld() throws IOException {
        Instant midnight = NOON.plus(Duration.ofHours(12));
        queue.add(project, RunQueue.Terms.NONE);
        queue.add(project, new RunQueue.Terms(false, midnight, null, false));
        queue.add(project, new RunQueue.Terms(false, null, "q2", false));
        queue.add(project, new RunQueue.Terms(true, null, null, false));
        queue.add(project, new RunQueue.Terms(false, null, "q4", false));
        List<String> made = new ArrayList<>();
        for (Instant now = NOON.plus(Duration.ofHours(6)); queue.goesOn(); now = now.plus(Duration.ofHours(1))) {
            Instant hour = now;
            queue.next(now, Set.of()).ifPresent(w -> made.add(w.id() + " at " + hour.toString().substring(11, 16)));
            if (!next(now).equals("none")) {
                queue.remove(next(now));
            }
        }
        assertThat(made).containsExactly("q1 at 18:00", "q2 at 00:00", "q3 at 01:00");
        assertThat(ids()).as("what is held, and what comes after it").containsExactly("q4", "q5");
        assertThat(queue.entries().getLast().whyNot(midnight, Set.copyOf(ids()))).hasValue("after q4");
    }

    /** An id is given again; what came after the first one of it doesn't come after the second. */
    @Test
    void whatCameAfterAnEntryThatIsGoneWaitsForNothing() throws IOException {
        queue.add(project, RunQueue.Terms.NONE);
        queue.add(project, new RunQueue.Terms(false, null, "q1", false));
        queue.remove("q1");
        assertThat(queue.add(project, new RunQueue.Terms(true, null, null, false)).id()).isEqualTo("q1");
        assertThat(next(NOON)).isEqualTo("q2");
    }

    @Test
    void onlyOneWorksThroughIt() throws IOException {
        try (FileChannel right = queue.work().orElseThrow()) {
            assertThat(right.isOpen()).isTrue();
            assertThat(RunQueue.of(places).work()).isEmpty();
        }
        RunQueue.of(places).work().orElseThrow().close();
    }

    @ParameterizedTest
    @CsvSource({"18:30, 2031-05-04T18:30", "9:05, 2031-05-05T09:05", "12:00, 2031-05-05T12:00", "2031-06-01T08:00, 2031-06-01T08:00"})
    void aTimeIsTheNextOfItsKind(String text, String wanted) {
        ZonedDateTime now = ZonedDateTime.parse("2031-05-04T12:00+02:00");
        assertThat(StartTime.parse(text, now)).isEqualTo(ZonedDateTime.parse(wanted + "+02:00").toInstant());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "25:00", "soon", "2031-13-01T00:00"})
    void whatIsNoTimeIsNamed(String text) {
        assertThatThrownBy(() -> StartTime.parse(text, ZonedDateTime.parse("2031-05-04T12:00Z")))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("'" + text + "'");
    }
}
