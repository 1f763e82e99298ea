package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import java.util.List;
import org.junit.jupiter.api.Test;

class FrameTableTest {

    @Test
    void whatMostFramesHoldIsTheRuleAndTheOthersAreMismatches() {
        FrameTable table = Frames.good("a", 1, 10).changed(4, c -> FrameCheck.sound(4,
                Frames.format("PNG", Size.of(480, 270), Depth.integer(16), AlphaKind.NONE), null, null)).table();
        assertThat(table.state(4)).isEqualTo(FrameState.MISMATCH);
        assertThat(table.reason(4)).hasValueSatisfying(why -> assertThat(why).contains("480x270").contains("960x540"));
        assertThat(table.good()).isEqualTo(9);
        assertThat(table.format()).contains(Frames.PNG16);
        assertThat(table.formats()).hasSize(2);
    }

    @Test
    void anotherDepthOrAlphaIsAMismatchToo() {
        FrameTable table = Frames.good("a", 1, 6)
                .changed(2, c -> FrameCheck.sound(2, Frames.format("PNG", Size.of(960, 540), Depth.integer(8), AlphaKind.NONE), null, null))
                .changed(5, c -> FrameCheck.sound(5, Frames.format("PNG", Size.of(960, 540), Depth.integer(16), AlphaKind.STRAIGHT), null,
                        null))
                .table();
        assertThat(table.faults()).extracting(FrameTable.Fault::frame).containsExactly(2L, 5L);
    }

    @Test
    void alphaThatIsOpaqueEverywhereCarriesNothing() {
        var format = Frames.format("PNG", Size.of(8, 8), Depth.integer(16), AlphaKind.STRAIGHT);
        assertThat(Frames.good("a", 1, 3, format).table().alpha()).isEqualTo(AlphaKind.STRAIGHT);
        Frames opaque = Frames.good("a", 1, 3, format);
        for (long f = 1; f <= 3; f++) {
            long number = f;
            opaque.changed(f, _ -> FrameCheck.sound(number, format, Frames.look(true), null));
        }
        assertThat(opaque.table().alpha()).isEqualTo(AlphaKind.OPAQUE);
        assertThat(Frames.good("a", 1, 3).table().alpha()).isEqualTo(AlphaKind.NONE);
    }

    @Test
    void aListingAloneKnowsEmptyFilesAndNothingElse() {
        FrameTable table = Frames.good("a", 1, 3).faulty(2, FrameState.EMPTY, "x").unchecked();
        assertThat(table.state(1)).isEqualTo(FrameState.UNCHECKED);
        assertThat(table.state(2)).isEqualTo(FrameState.EMPTY);
        assertThat(table.state(9)).isEqualTo(FrameState.MISSING);
        assertThat(table.isChecked()).isFalse();
        assertThat(table.format()).isEmpty();
    }

    @Test
    void notesKeepTheirFrames() {
        FrameTable table = Frames.good("a", 1, 9).changed(3, c -> FrameCheck.sound(3, Frames.PNG16, null, "no footer"))
                .changed(4, c -> FrameCheck.sound(4, Frames.PNG16, null, "no footer")).table();
        assertThat(table.notes()).containsOnlyKeys("no footer");
        assertThat(table.notes().get("no footer")).hasToString("3-4");
    }

    @Test
    void aCheckOfAFrameThatIsntThereIsAnError() {
        assertThatIllegalArgumentException().isThrownBy(
                () -> FrameTable.collect(Frames.good("a", 1, 3).sequence())
                        .add(FrameCheck.sound(7, Frames.PNG16, Frames.look(true), null)));
    }

    @Test
    void resumeAdviceSaysWhatToRenderInTheSequencesOwnDigits() {
        FrameTable table = Frames.good("a", 405, 460).without(412, 413, 414, 415, 416)
                .faulty(440, FrameState.CUT_SHORT, "ends early").faulty(460, FrameState.EMPTY, "no bytes").table();
        ResumeAdvice advice = ResumeAdvice.of(table, Reading.PLAIN);
        assertThat(advice.missing()).hasToString("412-416");
        assertThat(advice.wanted()).hasToString("412-416, 440, 460");
        assertThat(advice.toText(table.sequence().pattern())).isEqualTo("0412-0416, 0440, 0460");
        assertThat(advice.lastGood()).hasValue(459);
        assertThat(advice.next()).hasValue(460);
    }

    @Test
    void resumeAdviceStaysInsideItsRange() {
        FrameTable table = Frames.good("a", 1, 20).without(5, 15).table();
        ResumeAdvice advice = ResumeAdvice.of(table, Reading.PLAIN.withRange(FrameRange.of(10, 22)));
        assertThat(advice.wanted()).hasToString("15, 21-22");
        assertThat(advice.next()).hasValue(21);
    }

    @Test
    void withNothingGoodThereIsNoNextFrame() {
        ResumeAdvice advice = ResumeAdvice.of(Frames.good("a", 1, 1).faulty(1, FrameState.UNREADABLE, "x").table(), Reading.PLAIN);
        assertThat(advice.next()).isEmpty();
        assertThat(advice.lastGood()).isEmpty();
    }

    @Test
    void markedFramesAreRenderedAgainThoughTheirFilesAreSound() {
        FrameTable table = Frames.good("a", 1, 20).without(5).table();
        Reading reading = Reading.PLAIN.withMarked(
                FrameSet.EMPTY.plus(new FrameSet(List.of(FrameRange.of(6, 7)))).plus(new FrameSet(List.of(FrameRange.of(18, 30)))));
        assertThat(ResumeAdvice.of(table, reading).wanted()).hasToString("5-7, 18-20");
        assertThat(ResumeAdvice.of(table, reading.withRange(FrameRange.of(1, 10))).wanted()).hasToString("5-7");
        assertThat(ResumeAdvice.marked(table.sequence(), reading)).hasToString("6-7, 18-20");
        assertThat(reading.marked().minus(FrameRange.of(7, 19))).hasToString("6, 20-30");
    }
}
