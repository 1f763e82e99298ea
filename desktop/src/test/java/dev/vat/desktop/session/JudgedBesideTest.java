package dev.vat.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Observed;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.source.Location;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import org.junit.jupiter.api.Test;

/** Findings judged beside the interface's thread; both threads are lists here, gone through when the test says so. */
class JudgedBesideTest {

    private static final List<String> NOTHING_IN = List.of("nothing-in");
    private static final Project KITES = Edits
            .bringIn(List.of(Location.ofFile(Path.of("/kite-week/kites.mov"))), Edits.Layout.ONE_PROGRAMME)
            .apply(Project.EMPTY);

    private final Queue<Runnable> beside = new ArrayDeque<>();
    private final Queue<Runnable> ui = new ArrayDeque<>();
    private Project project = Project.EMPTY;
    private int told;
    private final Judging judging = new Judging(() -> project, () -> new Observed(Map.of(), Observed.Destination.UNKNOWN), beside::add,
            ui::add, () -> told++);

    private static void all(Queue<Runnable> waiting) {
        while (!waiting.isEmpty()) {
            waiting.remove().run();
        }
    }

    private List<String> ids() {
        return judging.findings().all().stream().map(Finding::id).toList();
    }

    @Test
    void whatIsFoundBesideIsToldOnTheInterfacesThread() {
        project = KITES;
        judging.soon();
        all(beside);
        assertThat(ids()).as("nothing changes under the interface").isEqualTo(NOTHING_IN);
        all(ui);
        assertThat(ids()).isNotEmpty().doesNotContainAnyElementsOf(NOTHING_IN);
        assertThat(told).isOne();
        assertThat(judging.changes()).isOne();
    }

    @Test
    void nothingIsToldWhereNothingElseIsFound() {
        project = KITES;
        judging.now();
        long before = judging.changes();
        judging.soon();
        all(beside);
        all(ui);
        assertThat(told).isZero();
        assertThat(judging.changes()).isEqualTo(before);
    }

    @Test
    void whatComesMeanwhileIsJudgedTogetherAfterwards() {
        judging.soon();
        project = KITES;
        judging.soon();
        judging.soon();
        judging.soon();
        assertThat(beside).hasSize(1);
        all(beside);
        all(ui);
        assertThat(ids()).as("the first judged the project as it was").isEqualTo(NOTHING_IN);
        assertThat(beside).as("one for the three").hasSize(1);
        all(beside);
        all(ui);
        assertThat(ids()).isNotEmpty().doesNotContainAnyElementsOf(NOTHING_IN);
        assertThat(beside).isEmpty();
        assertThat(told).isOne();
    }

    @Test
    void aFaultBesideIsToldAndTheNextChangeIsJudged() {
        Judging faulty = new Judging(() -> project, () -> project == Project.EMPTY ? null
                : new Observed(Map.of(), Observed.Destination.UNKNOWN), beside::add, ui::add, () -> told++);
        faulty.soon();
        all(beside);
        assertThatThrownBy(() -> all(ui)).as("where every fault of the window is told").isInstanceOf(NullPointerException.class);
        project = KITES;
        faulty.soon();
        all(beside);
        all(ui);
        assertThat(faulty.findings().all()).extracting(Finding::id).isNotEmpty().doesNotContainAnyElementsOf(NOTHING_IN);
        assertThat(told).isOne();
    }

    @Test
    void whatWasBegunBeforeItWasJudgedAtOnceIsOld() {
        judging.soon();
        project = KITES;
        judging.now();
        List<String> now = ids();
        assertThat(now).isNotEmpty().doesNotContainAnyElementsOf(NOTHING_IN);
        all(beside);
        all(ui);
        assertThat(ids()).as("an old outcome takes no newer one's place").isEqualTo(now);
        assertThat(told).isZero();
        judging.soon();
        assertThat(beside).as("and the next is begun as ever").hasSize(1);
    }

    @Test
    void judgingAgainCountsOnlyWhatChanged() {
        judging.again();
        assertThat(judging.changes()).isZero();
        project = KITES;
        judging.again();
        judging.again();
        assertThat(judging.changes()).isOne();
        assertThat(ids()).isNotEmpty().doesNotContainAnyElementsOf(NOTHING_IN);
    }
}
