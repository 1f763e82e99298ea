package dev.vat.core.reel;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.Rgb;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

class JointTest {

    private static ReelPart part(int place, long frames, Joint joint) {
        return new ReelPart(place, Item.of("s" + place).withJoint(joint), Frames.good("a" + place, 1, (int) frames).table(),
                Reading.PLAIN, Rational.ONE);
    }

    private static ReelFrame frame(int item, long number) {
        return new ReelFrame(item, number, new ReelFrame.SourceFrame(number));
    }

    @Test
    void aDissolveLaysTwoItemsOverEachOtherAndShortensTheReel() {
        ReelPlan plan = ReelPlan.of(List.of(part(0, 10, null), part(1, 8, Joint.dissolve(3))));
        assertThat(plan.count()).isEqualTo(15);
        assertThat(plan.spans()).extracting(ReelSpan::start).containsExactly(0L, 7L);
        assertThat(plan.at(6)).isEqualTo(frame(0, 7));
        assertThat(plan.at(7).content()).isEqualTo(new ReelFrame.Cross(frame(0, 8), frame(1, 1), Rational.of(1, 4)));
        assertThat(plan.at(9).content()).isEqualTo(new ReelFrame.Cross(frame(0, 10), frame(1, 3), Rational.of(3, 4)));
        assertThat(plan.at(10)).isEqualTo(frame(1, 4));
        assertThat(plan.at(7).seen()).extracting(ReelFrame::item).containsExactly(0, 1);
    }

    @Test
    void aDipGoesIntoAColourAndComesOutOfIt() {
        ReelPlan plan = ReelPlan.of(List.of(part(0, 4, null), part(1, 4, Joint.dip(4, Rgb.WHITE))));
        assertThat(plan.count()).isEqualTo(8);
        assertThat(plan.at(1)).isEqualTo(frame(0, 2));
        assertThat(plan.at(2).content())
                .isEqualTo(new ReelFrame.Cross(frame(0, 3), new ReelFrame(0, 3, new ReelFrame.Plain(Rgb.WHITE), false), Rational.of(1, 2)));
        assertThat(plan.at(3).content()).as("all colour once").isEqualTo(new ReelFrame.Plain(Rgb.WHITE));
        assertThat(plan.at(4).content())
                .isEqualTo(new ReelFrame.Cross(new ReelFrame(1, 1, new ReelFrame.Plain(Rgb.WHITE), false), frame(1, 1), Rational.of(1, 3)));
        assertThat(plan.at(6)).isEqualTo(frame(1, 3));
    }

    @Test
    void theFirstItemComesOutOfTheColour() {
        ReelPlan plan = ReelPlan.of(List.of(part(0, 4, Joint.dip(3, null))));
        assertThat(plan.at(0).content())
                .isEqualTo(new ReelFrame.Cross(new ReelFrame(0, 1, new ReelFrame.Plain(Rgb.BLACK), false), frame(0, 1), Rational.of(1, 4)));
        assertThat(plan.at(3)).isEqualTo(frame(0, 4));
    }

    @Test
    void whereThereIsNoRoomAJointTakesWhatThereIsAndSaysSo() {
        ReelPlan plan = ReelPlan.of(List.of(part(0, 4, null), part(1, 6, Joint.dissolve(12)), part(2, 6, Joint.dissolve(4))));
        assertThat(plan.spans()).extracting(ReelSpan::overlap).containsExactly(0L, 4L, 2L);
        assertThat(plan.shortened(1)).contains(Joint.dissolve(12));
        assertThat(plan.shortened(2)).contains(Joint.dissolve(4));
        assertThat(plan.count()).isEqualTo(10);
        for (long i = 0; i < plan.count(); i++) {
            assertThat(plan.at(i)).isNotNull();
        }
        assertThat(ReelPlan.of(List.of(part(0, 5, Joint.dissolve(2)))).shortened(0)).as("nothing before it").isPresent();
    }

    @Test
    void blackIsDrawnAndDissolvedInto() {
        ReelPlan plan = ReelPlan
                .of(List.of(part(0, 5, null), ReelPart.of(1, Item.of(GeneratedItem.Plain.black(4)).withJoint(Joint.dissolve(2)))));
        assertThat(plan.count()).isEqualTo(7);
        assertThat(plan.spans().getLast().isDrawn()).isTrue();
        assertThat(plan.at(3).content())
                .isEqualTo(new ReelFrame.Cross(frame(0, 4), new ReelFrame(1, 0, new ReelFrame.Plain(Rgb.BLACK), false), Rational.of(1, 3)));
        assertThat(plan.at(6).content()).isEqualTo(new ReelFrame.Plain(Rgb.BLACK));
        assertThat(plan.at(6).isFill()).isFalse();
    }

    @Test
    void aFillUnderADissolveIsStillSaid() {
        FrameTable holed = Frames.good("a", 1, 6).without(6).table();
        ReelPlan plan = ReelPlan.of(List.of(
                new ReelPart(0, Item.of("s0"), holed, Reading.PLAIN.withGap(GapPolicy.HOLD).withRange(FrameRange.of(1, 6)),
                        Rational.ONE),
                part(1, 4, Joint.dissolve(2))));
        assertThat(plan.fills()).extracting(ReelFill::reelFrame).containsExactly(5L);
    }

    @Test
    void anItemTrimsWhatItsSourceTakes() {
        ReelPlan plan = ReelPlan
                .of(List.of(new ReelPart(0, Item.of("s0").withRange(FrameRange.of(3, 5)), Frames.good("a", 1, 9).table(),
                        Reading.PLAIN.withRange(FrameRange.of(2, 9)), Rational.ONE)));
        assertThat(plan.count()).isEqualTo(3);
        assertThat(plan.at(0).wanted()).isEqualTo(3);
    }
}
