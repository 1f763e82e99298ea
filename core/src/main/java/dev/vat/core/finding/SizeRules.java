package dev.vat.core.finding;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Framing;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.words.Words;
import java.util.List;

/** Findings on the size of pictures and on what becomes of their shape. */
final class SizeRules {

    private static final Words WORDS = Words.of(SizeRules.class);

    /** From here on it takes an explicit yes. */
    private static final double FAR_ENLARGED = 1.9;

    private SizeRules() {}

    static void size(Deliverable deliverable, PictureFormat shape, List<Finding> found) {
        Codec codec = deliverable.settings().codec();
        Size reel = shape.size();
        Frame frame = deliverable.frameFor(reel, shape.pixelAspect());
        if (!deliverable.fitsGrid(frame.size())) {
            Size even = frame.size().downTo(codec.chroma().widthStep(), codec.chroma().heightStep());
            Framing framing = deliverable.settings().framing();
            found.add(Finding
                    .of(Rule.SIZE_ODD, Severity.BLOCKER,
                            WORDS.say("doesntFallOnTheGridWhich", deliverable.title(), frame.size(), codec.chroma().label(), grid(codec)))
                    .aboutTarget(deliverable.id())
                    .withRemedies(framing.size() == null
                            ? new Remedy.Apply(WORDS.say("cropTo", even), DeliverableEdits.cropToGrid(deliverable.id(), true))
                            : new Remedy.Apply(WORDS.say("use", even),
                                    DeliverableEdits.setFraming(deliverable.id(), framing.withSize(even)))));
            return;
        }
        shape(deliverable, shape, frame, found);
    }

    /** What becomes of the picture's shape. */
    private static void shape(Deliverable deliverable, PictureFormat shape, Frame frame, List<Finding> found) {
        List<String> changes = frame.describe(shape.size(), shape.pixelAspect());
        if (!changes.isEmpty()) {
            found.add(Finding
                    .of(Rule.RESHAPED, Severity.NOTE,
                            WORDS.say("goesInto", deliverable.title(), shape.size(), frame.size(), String.join(", ", changes)))
                    .aboutTarget(deliverable.id()));
        }
        if (!frame.isRound(shape.pixelAspect())) {
            found.add(Finding
                    .of(Rule.SQUASHED, Severity.WARNING,
                            deliverable.title() + WORDS.say("circlesComeOutToo",
                                    Words.decimal(Math.abs(frame.roundness(shape.pixelAspect()) - 1) * 100, 1),
                                    frame.roundness(shape.pixelAspect()) > 1 ? WORDS.say("wide") : WORDS.say("narrow")))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("keepTheShapeWithBars"), DeliverableEdits.setFraming(deliverable.id(),
                            deliverable.settings().framing().withFit(Fit.BARS)))));
        }
        double times = frame.placement().enlargement();
        if (times >= FAR_ENLARGED && !deliverable.accepted().contains(Rule.FAR_ENLARGED.id())) {
            found.add(DeliveryRules.blocker(Rule.FAR_ENLARGED, deliverable,
                    WORDS.say("thePictureWouldBeEnlarged", Words.decimal(times, 2), shape.size(), frame.size()))
                    .withRemedies(
                            new Remedy.Apply(WORDS.say("makeItAllTheSame"),
                                    DeliverableEdits.accept(deliverable.id(), Rule.FAR_ENLARGED.id())),
                            new Remedy.Apply(WORDS.say("asTheReelIs"), DeliverableEdits.setFraming(deliverable.id(), Framing.FOLLOWS))));
        } else if (times > 1) {
            found.add(Finding.of(Rule.ENLARGED, Severity.WARNING,
                    deliverable.title() + WORDS.say("thePictureIsEnlargedTimes", Words.decimal(times, 2)))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static String grid(Codec codec) {
        return codec.chroma().widthStep() == 4 ? WORDS.say("aWidthThatFourDivides")
                : codec.chroma().heightStep() == 1 ? WORDS.say("anEvenWidth") : WORDS.say("anEvenWidthAndHeight");
    }
}
