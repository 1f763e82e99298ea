package dev.vat.core.finding;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Findings on what Vat writes and draws. */
final class BurnInRules {

    private static final Words WORDS = Words.of(BurnInRules.class);

    /** Letters that are less tall, in pixels, can hardly be read. */
    static final double LEGIBLE = 9;

    private static final String CHOOSE = WORDS.say("chooseAFontFile");

    private BurnInRules() {}

    /** Of the reel and its items. */
    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        BurnIn ofReel = programme.reel().burnIn();
        if (ofReel != null) {
            check(WORDS.say("theReelsBurnIn"), null, ofReel, ReelEdits::burnIn, observed, project, found);
        }
        List<BurnIn> wholes = WrittenWords.wholes(project, programme.reel());
        List<Item> items = programme.reel().items();
        for (int i = 0; i < items.size(); i++) {
            int place = i;
            BurnIn own = items.get(i).burnIn();
            if (own != null) {
                ofItem(WORDS.say("theBurnInOfItem", (i + 1)), own, wholes, b -> ReelEdits.burnInItem(place, b), observed, project, found);
            }
            drawn(project, programme, place, items.get(i).drawn(), observed, found);
        }
    }

    /** Its words stand behind those of every file, in its own face or in theirs; its face is that of theirs too. */
    private static void ofItem(String whose, BurnIn own, List<BurnIn> wholes, Function<BurnIn, Edit> change, Observed observed,
            Project project, List<Finding> found) {
        if (!files(whose, null, own, change, observed, found)) {
            return;
        }
        wholes.stream().flatMap(whole -> {
            BurnIn both = whole.and(own);
            return letters(whose, null, both.face(), WrittenWords.of(Objects.equals(both.face(), whole.face()) ? own : both, project),
                    face -> change.apply(own.withFace(face)), observed).stream();
        }).findFirst().ifPresent(found::add);
    }

    static void check(Project project, ResolvedReel programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        if (deliverable.burnIn() != null) {
            check(WORDS.say("itsBurnIn", deliverable.title()), deliverable.id(), deliverable.burnIn(),
                    b -> DeliverableEdits.follow(deliverable.id(), d -> d.withBurnIn(b)), observed, project, found);
        }
        double smallest = deliverable.burnInWith(programme.reel().burnIn()).stream().flatMap(b -> b.lines().stream())
                .mapToDouble(Line::size).min().orElse(100);
        programme.frame(deliverable).filter(f -> f.size().height() * smallest / 100 < LEGIBLE).ifPresent(f -> found.add(Finding
                .of(Rule.BURN_IN_SMALL, Severity.WARNING,
                        WORDS.say("theSmallestLettersArePixels", deliverable.title(), Words.decimal(f.size().height() * smallest / 100, 0),
                                f.size()))
                .aboutTarget(deliverable.id())
                .withRemedies(
                        new Remedy.Apply(WORDS.say("nothingWrittenIntoIt"),
                                DeliverableEdits.follow(deliverable.id(), Deliverable::withCleanPictures)))));
    }

    private static void check(String whose, String target, BurnIn burnIn, Function<BurnIn, Edit> change, Observed observed, Project project,
            List<Finding> found) {
        if (files(whose, target, burnIn, change, observed, found)) {
            letters(whose, target, burnIn.face(), WrittenWords.of(burnIn, project), face -> change.apply(burnIn.withFace(face)), observed)
                    .ifPresent(found::add);
        }
    }

    /** Whether the face can be used, so that its letters can be looked at. */
    private static boolean files(String whose, String target, BurnIn burnIn, Function<BurnIn, Edit> change, Observed observed,
            List<Finding> found) {
        if (burnIn.watermark() != null && observed.unusable().containsKey(burnIn.watermark().path())) {
            found.add(Finding
                    .of(Rule.WATERMARK_UNUSABLE, Severity.BLOCKER,
                            WORDS.say("thePictureLaidOverCantBe", whose, observed.unusable().get(burnIn.watermark().path())))
                    .aboutTarget(target)
                    .withRemedies(new Remedy.Apply(WORDS.say("leaveItOut"), change.apply(burnIn.withWatermark(null)))));
        }
        String why = burnIn.face() == null ? null : observed.unusable().get(burnIn.face());
        if (why != null) {
            found.add(
                    Finding.of(Rule.FACE_UNUSABLE, Severity.BLOCKER, WORDS.say("theFontFileCantBeUsed", whose, why)).aboutTarget(target)
                            .withRemedies(new Remedy.ChooseFace(CHOOSE, face -> change.apply(burnIn.withFace(face))),
                                    new Remedy.Apply(WORDS.say("vatsOwnFace"), change.apply(burnIn.withFace(null)))));
        }
        return why == null;
    }

    /** @param face null for Vat's own @param other sets the words in another */
    private static Optional<Finding> letters(String whose, String target, String face, String words, Function<String, Edit> other,
            Observed observed) {
        String missing = missing(face, words, observed);
        return missing.isEmpty() ? Optional.empty()
                : Optional.of(Finding
                        .of(Rule.LETTERS_MISSING, Severity.BLOCKER,
                                WORDS.say("hasNoLetterChooseAFontFile", whose,
                                        (face == null ? WORDS.say("vatsOwnFace") : WORDS.say("theChosenFace")), missing))
                        .aboutTarget(target).withRemedies(new Remedy.ChooseFace(CHOOSE, other)));
    }

    /** Letters of some words that a face lacks. @param face null for Vat's own */
    static String missing(String face, String words, Observed observed) {
        return observed.lacking().getOrDefault(face == null ? "" : face, "").codePoints().filter(c -> words.indexOf(c) >= 0)
                .mapToObj(Character::toString).collect(Collectors.joining());
    }

    private static void drawn(Project project, ResolvedReel programme, int place, GeneratedItem drawn, Observed observed,
            List<Finding> found) {
        int perSecond = programme.rate().map(Rate::timecodeBase).orElse(0);
        if (drawn instanceof GeneratedItem.Leader leader && perSecond > 0 && leader.perSecond() != perSecond) {
            GeneratedItem.Leader right = new GeneratedItem.Leader(perSecond, leader.tone(),
                    Math.max(1, leader.frames() * perSecond / leader.perSecond()));
            found.add(Finding
                    .of(Rule.LEADER_RATE, Severity.WARNING,
                            WORDS.say("itemTheLeaderCountsFrames", (place + 1), leader.perSecond(), perSecond))
                    .withRemedies(new Remedy.Apply(WORDS.say("count", perSecond), ReelEdits.drawItem(place, right))));
        }
        if (drawn instanceof GeneratedItem.Slate slate) {
            String missing = missing(null, WrittenWords.of(slate, project), observed);
            if (!missing.isEmpty()) {
                found.add(Finding
                        .of(Rule.SLATE_LETTERS, Severity.BLOCKER,
                                WORDS.say("itemTheSlatesFaceHasNoLetter", (place + 1), missing))
                        .withRemedies(new Remedy.Apply(WORDS.say("takeTheSlateOut"), ReelEdits.removeItem(place))));
            }
        }
    }
}
