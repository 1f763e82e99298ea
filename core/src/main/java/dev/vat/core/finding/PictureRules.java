package dev.vat.core.finding;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Settings;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import java.util.Comparator;
import java.util.List;

/** Findings on what becomes of alpha, depth and colour in a file. */
final class PictureRules {

    private static final Words WORDS = Words.of(PictureRules.class);

    private static final List<String> ORDINALS = List.of("first", "second", "third", "fourth", WORDS.say("fifthOrLater"));

    private PictureRules() {}

    static void check(ResolvedReel programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        alpha(programme, deliverable, found);
        depth(programme, deliverable, found);
        colour(programme, deliverable, found);
        generations(programme, deliverable, observed, found);
        if (deliverable.look() != null) {
            look(programme, deliverable, deliverable.look(), observed, found);
        }
        if (deliverable.flatten() instanceof Ground.Still(String path) && observed.unusable().containsKey(path)) {
            found.add(DeliveryRules
                    .blocker(Rule.GROUND_UNUSABLE, deliverable, WORDS.say("thePictureBehindCantBeUsed", observed.unusable().get(path)))
                    .withRemedies(new Remedy.Apply(WORDS.say("useBlack"), DeliverableEdits.setFlatten(deliverable.id(), Ground.BLACK))));
        }
    }

    /** Each packing with loss takes from what the one before left. */
    private static void generations(ResolvedReel programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        ReelEntry worst = programme.entries().stream().max(Comparator.comparingInt(e -> e.lossyPasses(observed.clips())))
                .orElse(null);
        int before = worst == null ? 0 : worst.lossyPasses(observed.clips());
        if (before > 0 && deliverable.settings().codec().isLossy()) {
            found.add(Finding.of(Rule.LOSSY_AGAIN, before > 1 ? Severity.WARNING : Severity.NOTE,
                    WORDS.say("lossyPassInTheSource1Here", deliverable.title(), ORDINALS.get(Math.min(before, ORDINALS.size() - 1)), before,
                            worst.table().sequence().name()))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static void colour(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Settings settings = deliverable.settings();
        ColourCoding colour = settings.colour();
        if (colour != null) {
            Legality.against(settings.codec(), settings.container(), colour)
                    .ifPresent(why -> found.add(DeliveryRules.blocker(Rule.COLOUR_ILLEGAL, deliverable, why)
                            .withRemedies(new Remedy.Apply(WORDS.say("useTheUsualColours"),
                                    DeliverableEdits.setColour(deliverable.id(), null)))));
        }
        if (isHighRange(programme, deliverable) && programme.entries().stream().noneMatch(e -> e.picture().colour().reachesAboveWhite())
                && programme.shape().isPresent()) {
            found.add(Finding.of(Rule.NOTHING_ABOVE_WHITE, Severity.NOTE, WORDS.say("noSourceHasAnythingAbove", deliverable.title()))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static boolean isHighRange(ResolvedReel programme, Deliverable deliverable) {
        return programme.frame(deliverable).map(f -> deliverable.settings().colourFor(f.size()).isHighRange()).orElse(false);
    }

    private static void look(ResolvedReel programme, Deliverable deliverable, Look look, Observed observed, List<Finding> found) {
        Remedy without = new Remedy.Apply(WORDS.say("leaveTheLookOut"), DeliverableEdits.setLook(deliverable.id(), null));
        if (observed.unusable().containsKey(look.path())) {
            found.add(DeliveryRules
                    .blocker(Rule.LOOK_UNUSABLE, deliverable, WORDS.say("theLookCantBeUsed", observed.unusable().get(look.path())))
                    .withRemedies(without));
        }
        if (isHighRange(programme, deliverable)) {
            found.add(DeliveryRules.blocker(Rule.LOOK_ABOVE_WHITE, deliverable, WORDS.say("aLookIsATableOfDisplayCodes"))
                    .withRemedies(without));
        }
    }

    private static void alpha(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        boolean carries = deliverable.settings().codec().hasAlpha();
        if (programme.transparent() && !carries && deliverable.matte()) {
            found.add(Finding
                    .of(Rule.MATTE_BESIDE, Severity.NOTE,
                            WORDS.say("alphaGoesIntoASecondFile", deliverable.title(), deliverable.flatten().words()))
                    .aboutTarget(deliverable.id()));
        } else if (programme.transparent() && !carries) {
            found.add(Finding
                    .of(Rule.ALPHA_FLATTENED, Severity.WARNING,
                            WORDS.say("carriesNoAlphaTransparent", deliverable.title(), deliverable.flatten().words()))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.ChooseColour(WORDS.say("chooseColour"), deliverable.id()),
                            new Remedy.Apply(WORDS.say("checker"), DeliverableEdits.setFlatten(deliverable.id(), Ground.CHECKER)),
                            new Remedy.Apply(WORDS.say("matteAsASecondFile"), DeliverableEdits.setMatte(deliverable.id(), true))));
        }
        if (!programme.transparent() && carries && programme.shape().isPresent()) {
            found.add(Finding.of(Rule.ALPHA_EMPTY, Severity.NOTE, WORDS.say("theFramesHaveNoTransparency", deliverable.title()))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static void depth(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Codec codec = deliverable.settings().codec();
        if (programme.deepest() > codec.codedBits()) {
            found.add(Finding
                    .of(Rule.DEPTH_REDUCED, Severity.NOTE,
                            WORDS.say("bitFramesBecomeDithered", deliverable.title(), programme.deepest(), codec.depthText()))
                    .aboutTarget(deliverable.id()));
        }
    }
}
