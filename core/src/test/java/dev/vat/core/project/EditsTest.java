package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Ground;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.List;
import org.junit.jupiter.api.Test;

class EditsTest {

    private static final Sequence A = Frames.good("sh010", 1001, 1010).sequence();
    private static final Sequence B = Frames.good("sh020", 1, 5).sequence();

    private static Project with(Edit... edits) {
        Project project = Project.EMPTY;
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        return project;
    }

    @Test
    void oneSequenceBecomesAReelNamedAfterIt() {
        Project project = with(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME));
        assertThat(project.name()).isEqualTo("sh010");
        assertThat(project.currentReel()).hasValueSatisfying(r -> {
            assertThat(r.name()).isEqualTo("sh010");
            assertThat(r.items()).singleElement().satisfies(i -> assertThat(project.source(i.source())).isPresent());
        });
    }

    @Test
    void severalBecomeOneProgrammeOrAReelEach() {
        Project one = with(Edits.bringIn(List.of(A.location(), B.location()), Edits.Layout.ONE_PROGRAMME));
        assertThat(one.reels()).singleElement().satisfies(r -> assertThat(r.items()).hasSize(2));
        Project each = with(Edits.bringIn(List.of(A.location(), B.location()), Edits.Layout.ONE_REEL_EACH));
        assertThat(each.reels()).extracting(Reel::name).containsExactly("sh010", "sh020");
        assertThat(each.currentReel()).map(Reel::name).contains("sh010");
    }

    @Test
    void whatIsThereAlreadyIsntAddedTwice() {
        Project project = with(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME),
                Edits.bringIn(List.of(A.location(), B.location()), Edits.Layout.ONE_PROGRAMME));
        assertThat(project.sources()).hasSize(2);
        assertThat(project.currentReel().orElseThrow().items()).hasSize(2);
    }

    @Test
    void laterSourcesTakeTheRateThatWasChosen() {
        Project project = with(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME), Edits.setRate(Rate.of(24)),
                Edits.bringIn(List.of(B.location()), Edits.Layout.ONE_PROGRAMME));
        assertThat(project.sources()).allSatisfy(s -> assertThat(s.reading().rate()).isEqualTo(Rate.of(24)));
    }

    @Test
    void removingASourceTakesItsItemsAlong() {
        Project project = with(Edits.bringIn(List.of(A.location(), B.location()), Edits.Layout.ONE_REEL_EACH));
        Project without = Edits.removeSource(project.sources().get(1).id()).apply(project);
        assertThat(without.sources()).hasSize(1);
        assertThat(without.reels()).extracting(Reel::name).containsExactly("sh010");
    }

    @Test
    void idsAreNeverUsedTwiceAtOnce() {
        Project project = with(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME), Edits.removeSource("s1"),
                Edits.bringIn(List.of(B.location()), Edits.Layout.ONE_PROGRAMME),
                Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME));
        assertThat(project.sources()).extracting(Source::id).doesNotHaveDuplicates();
    }

    @Test
    void targetsAreAddedOnceAndKeepTheirSettings() {
        Project project = with(DeliverableEdits.addTarget(Catalogue.WEB_H264),
                DeliverableEdits.setFlatten("web-h264", Ground.parse("336699")),
                DeliverableEdits.addTarget(Catalogue.WEB_H264), DeliverableEdits.cropToGrid("web-h264", true),
                DeliverableEdits.addTarget(Catalogue.EDIT_PRORES_HQ));
        assertThat(project.deliverables()).hasSize(2);
        assertThat(project.deliverables().getFirst().flatten()).isEqualTo(Ground.parse("336699"));
        assertThat(project.deliverables().getFirst().cropToGrid()).isTrue();
        assertThat(DeliverableEdits.removeDeliverable("web-h264").apply(project).deliverables()).hasSize(1);
    }

    @Test
    void undoAndRedoGoThroughNamedSteps() {
        EditHistory history = new EditHistory(Project.EMPTY);
        history.apply(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME));
        history.apply(Edits.setRate(Rate.of(24)));
        assertThat(history.undoName()).contains("change of rate to 24");
        assertThat(history.undo()).isTrue();
        assertThat(history.present().sources().getFirst().reading().rate()).isNull();
        assertThat(history.redoName()).contains("change of rate to 24");
        history.redo();
        assertThat(history.present().sources().getFirst().reading().rate()).isEqualTo(Rate.of(24));
        history.undo();
        history.apply(SourceEdits.setGap("s1", GapPolicy.HOLD));
        assertThat(history.redoName()).as("another edit ends what could be redone").isEmpty();
        assertThat(history.undo()).isTrue();
        assertThat(history.undo()).isTrue();
        assertThat(history.undo()).isFalse();
        assertThat(history.present()).isEqualTo(Project.EMPTY);
    }

    @Test
    void anEditThatChangesNothingLeavesNoStep() {
        EditHistory history = new EditHistory(with(Edits.bringIn(List.of(A.location()), Edits.Layout.ONE_PROGRAMME)));
        assertThat(history.apply(SourceEdits.setRange("s1", null))).isFalse();
        assertThat(history.undoName()).isEmpty();
        assertThat(history.isSaved()).isTrue();
        history.apply(SourceEdits.setRange("s1", FrameRange.of(1001, 1002)));
        assertThat(history.isSaved()).isFalse();
        history.markSaved();
        assertThat(history.isSaved()).isTrue();
    }

    @Test
    void itemsMoveAndLeave() {
        Project project = with(Edits.bringIn(List.of(A.location(), B.location()), Edits.Layout.ONE_PROGRAMME), ReelEdits.addItem("s1"),
                ReelEdits.moveItem(2, 0), ReelEdits.removeItem(1));
        assertThat(project.currentReel().orElseThrow().items()).extracting(i -> i.source()).containsExactly("s1", "s2");
    }
}
