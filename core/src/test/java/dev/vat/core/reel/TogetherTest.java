package dev.vat.core.reel;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.layout.Arrangement;
import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Items whose pictures are made of several frames. */
class TogetherTest {

    private static final Assembly SIDE_BY_SIDE = new Assembly.Views(Size.of(200, 100), Rgb.BLACK, List.of(), null, Rate.FPS_25);
    private static final Assembly SUM = new Assembly.Passes(List.of(Pass.of("base", null, null, Operation.ADD)), ColourReading.LINEAR);

    private static ReelPart cell(String source, FrameTable table) {
        return ReelPart.of(source, table, Reading.PLAIN);
    }

    private static Layout layout(boolean endsEmpty, Long frames) {
        return Layout.of("Two views", Size.of(200, 100), new Arrangement.Grid(2), List.of(View.of(Item.of("a")), View.of(Item.of("b"))))
                .withEndsEmpty(endsEmpty).withFrames(frames);
    }

    private static ReelPlan plan(Layout layout, ReelPart... cells) {
        return ReelPlan.of(List.of(new ReelPart(0, Item.of(layout), null, null, Rational.ONE, SIDE_BY_SIDE, List.of(cells), 0),
                ReelPart.of(1, Item.of(GeneratedItem.Plain.black(2)))));
    }

    private static List<ReelFrame> frames(ReelPlan plan, long at) {
        return ((ReelFrame.Together) plan.at(at).content()).frames();
    }

    @Test
    void viewsGoStepByStepAndTheShorterOneStays() {
        ReelPlan plan = plan(layout(false, null), cell("a", Frames.good("a", 1, 5).table()), cell("b", Frames.good("b", 101, 108).table()));
        assertThat(plan.count()).isEqualTo(10);
        assertThat(plan.spans()).hasSize(2);
        assertThat(plan.spans().getFirst().isDrawn()).isFalse();
        assertThat(plan.programmeEnd()).as("what is drawn behind it isn't the programme").isEqualTo(8);
        assertThat(frames(plan, 3)).containsExactly(new ReelFrame(2, 4, new ReelFrame.SourceFrame(4)),
                new ReelFrame(3, 104, new ReelFrame.SourceFrame(104)));
        assertThat(frames(plan, 7)).containsExactly(new ReelFrame(2, 5, new ReelFrame.SourceFrame(5)),
                new ReelFrame(3, 108, new ReelFrame.SourceFrame(108)));
        assertThat(plan.at(8).content()).isEqualTo(new ReelFrame.Plain(Rgb.BLACK));
    }

    @Test
    void aPlaceCanBeLeftEmptyAndALayoutCanEndSooner() {
        ReelPlan plan = plan(layout(true, 6L), cell("a", Frames.good("a", 1, 5).table()), cell("b", Frames.good("b", 101, 108).table()));
        assertThat(plan.count()).isEqualTo(8);
        assertThat(frames(plan, 5).getFirst().content()).isEqualTo(new ReelFrame.Plain(Rgb.BLACK));
    }

    @Test
    void aViewThatIsDelayedWaitsOnItsFirstFrame() {
        ReelPlan plan = plan(layout(false, null), cell("a", Frames.good("a", 1, 5).table()),
                cell("b", Frames.good("b", 101, 104).table()).waiting(3));
        assertThat(plan.spans().getFirst().count()).isEqualTo(7);
        assertThat(frames(plan, 2).getLast().wanted()).isEqualTo(101);
        assertThat(frames(plan, 4).getLast().wanted()).isEqualTo(102);
    }

    @Test
    void aHoleInOneViewIsFilledThereAlone() {
        FrameTable holed = Frames.good("b", 101, 108).without(103).table();
        ReelPlan plan = plan(layout(false, null), cell("a", Frames.good("a", 1, 8).table()),
                ReelPart.of("b", holed, Reading.PLAIN.withGap(GapPolicy.HOLD)));
        assertThat(plan.at(2).isFill()).isTrue();
        assertThat(frames(plan, 2)).containsExactly(new ReelFrame(2, 3, new ReelFrame.SourceFrame(3)),
                new ReelFrame(3, 103, new ReelFrame.SourceFrame(102)));
        assertThat(plan.fills()).extracting(ReelFill::reelFrame).containsExactly(2L);
    }

    @Test
    void passesTakeTheNumbersThatTheShotTakes() {
        FrameTable main = Frames.good("full", 1, 20).table();
        ReelPart shot = new ReelPart(0,
                Item.of("full").withRange(FrameRange.of(5, 8)).withPlaying(Playing.PLAIN.withReversed(true)), main, Reading.PLAIN,
                Rational.ONE,
                SUM, List.of(cell("base", Frames.good("base", 1, 20).table()), cell("light", Frames.good("light", 1, 20).table())), 0);
        ReelPlan plan = ReelPlan.of(List.of(shot));
        assertThat(plan.count()).isEqualTo(4);
        assertThat(plan.at(0).wanted()).isEqualTo(8);
        assertThat(frames(plan, 0)).extracting(ReelFrame::wanted).containsExactly(8L, 8L);
        assertThat(plan.at(0).seen()).extracting(ReelFrame::item).containsExactly(1, 2);
        assertThat(plan.at(0).isFill()).isFalse();
    }

    @Test
    void withoutOneOfItsPassesThereIsACardAndNoHalfPicture() {
        FrameTable holed = Frames.good("light", 1, 9).without(3).table();
        ReelPlan plan = ReelPlan
                .of(List.of(new ReelPart(0, Item.of("full"), Frames.good("full", 1, 9).table(), Reading.PLAIN, Rational.ONE, SUM,
                        List.of(cell("base", Frames.good("base", 1, 9).table()),
                                ReelPart.of("light", holed, Reading.PLAIN.withGap(GapPolicy.CARD))),
                        0)));
        assertThat(plan.at(2).content()).isInstanceOf(ReelFrame.Card.class);
        assertThat(plan.at(2).isFill()).isTrue();
        assertThat(plan.at(3).content()).isInstanceOf(ReelFrame.Together.class);
    }

    @Test
    void whatAnItemTakesIsKnownAndGoesWithoutASource() {
        Item item = Item.of(layout(false, null));
        assertThat(item.sources()).containsExactly("a", "b");
        assertThat(item.without("a").orElseThrow().sources()).containsExactly("b");
        assertThat(item.without("a").orElseThrow().without("b")).isEmpty();
        assertThat(item.withSources(s -> "x" + s).sources()).containsExactly("xa", "xb");
        assertThat(item.layout().withoutSources().withItems(List.of(Item.of("c"), Item.of("d"), Item.of("e"))).views())
                .extracting(v -> v.item().source()).containsExactly("c", "d", "e");
        assertThat(layout(false, null).withoutSources().toString()).doesNotContain("source=a");
    }
}
