package dev.vat.core.finding;

import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Stated;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.Relatives;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Findings on what goes in: rate, holes, faulty frames, and items that don't go together. */
final class SourceRules {

    private static final Words WORDS = Words.of(SourceRules.class);

    private SourceRules() {}

    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        if (programme.unknownItems() > 0) {
            found.add(sourceGone(project, programme));
        }
        if (programme.rate().isEmpty() && !programme.entries().isEmpty()) {
            found.add(Finding.of(Rule.RATE_UNKNOWN, Severity.REQUEST, WORDS.say("chooseAFrameRateNoFileStates"))
                    .aboutSource(programme.entries().getFirst().source().id()));
        }
        Relatives relatives = new Relatives(project.sources(), observed.tables());
        for (ReelEntry entry : programme.entries()) {
            range(entry, found);
            found.addAll(ExpectedFrames.byNumbers(entry.source(), entry.reading(), entry.table().sequence()));
            ExpectedFrames.fewer(entry.source(), entry.reading(), entry.table().sequence(), relatives, observed.previews())
                    .ifPresent(found::add);
            frames(programme, entry, observed, found);
            marked(entry, found);
            ApprovedRules.check(entry, found);
            layers(entry, found);
            ReelRules.check(programme, entry, found);
            stated(entry, found);
            ContentRules.check(entry, observed.review(entry.source().id()), found);
            ClipFacts clip = observed.clips().get(entry.source().id());
            if (clip != null) {
                ContentRules.clip(programme, entry, clip, found);
            }
        }
        ViewRules.check(project, programme, observed, found);
        PassRules.check(programme, observed.passes(), found);
        ReelRules.start(programme, found);
        ReelRules.sounds(programme, observed, found);
        programme.entries().stream().filter(e -> e.format().isPresent() && e.picture().colour().isLinear())
                .map(e -> e.picture().colour()).distinct().forEach(colour -> found.add(Finding.of(Rule.LINEAR_LIGHT, Severity.NOTE,
                        WORDS.say("framesAreTakenAsRec709Primaries", colour.describe()))));
    }

    /** What the files say against how they are read. */
    private static void stated(ReelEntry entry, List<Finding> found) {
        PictureFormat format = entry.table().format().orElse(null);
        if (format == null) {
            return;
        }
        Rate rate = entry.source().reading().rate();
        Rate own = format.stated().rate();
        if (rate != null && own != null && !rate.equals(own)) {
            found.add(Finding
                    .of(Rule.RATE_AGAINST_FILE, Severity.WARNING,
                            WORDS.say("theFilesStateTheyAreRead", entry.source().name(), own.label(), rate.label()))
                    .aboutSource(entry.source().id())
                    .withRemedies(new Remedy.Apply(WORDS.say("readAt", own.label()), SourceEdits.setSourceRate(entry.source().id(), own))));
        }
        otherColour(entry, format.stated(), found);
        boolean tagless = format.stated().primaries() == null && format.stated().transfer() == null && format.stated().own() == null;
        if (entry.picture().colour().kind() == ColourReading.Kind.TAGGED && tagless) {
            found.add(Finding.of(Rule.TAGS_MISSING, Severity.WARNING, WORDS.say("theFilesStateNoPrimaries", entry.source().name()))
                    .aboutSource(entry.source().id()));
        }
    }

    /** Nobody chose how colours are taken, and the files state others than those that they are taken as. */
    private static void otherColour(ReelEntry entry, Stated stated, List<Finding> found) {
        Interpretation picture = entry.source().reading().picture();
        boolean converted = entry.picture().colour().kind() == ColourReading.Kind.TAGGED;
        boolean linear = entry.picture().colour().isLinear();
        boolean other = linear ? stated.foreign() != null || stated.own() != null || stated.primaries() != null && stated.primaries() != 1
                : stated.isOfOtherColour();
        if (!other || picture.colour() != null && !(converted && stated.foreign() != null)) {
            return;
        }
        Finding finding = Finding
                .of(Rule.COLOUR_STATED, Severity.WARNING,
                        WORDS.say("theFilesState", entry.source().name(), stated.colour(), (stated.foreign() != null
                                ? WORDS.say("thereIsNoConversionFrom", stated.foreign())
                                : linear ? WORDS.say("theyAreTakenAsLightOfRec") : WORDS.say("valuesAreKeptAndShownAs"))))
                .aboutSource(entry.source().id());
        Remedy keep = new Remedy.Apply(WORDS.say("keepTheValues"),
                SourceEdits.setPicture(entry.source().id(), picture.withColour(linear ? ColourReading.LINEAR : ColourReading.DISPLAY)));
        found.add(converted ? finding
                : stated.foreign() != null ? finding.withRemedies(keep)
                        : finding.withRemedies(new Remedy.Apply(WORDS.say("convertToRec709"),
                                SourceEdits.setPicture(entry.source().id(), picture.withColour(ColourReading.TAGGED))), keep));
    }

    private static Finding sourceGone(Project project, ResolvedReel programme) {
        String names = programme.reel().items().stream().flatMap(i -> i.sources().stream()).flatMap(i -> project.source(i).stream())
                .filter(s -> programme.entries().stream().noneMatch(e -> e.source().id().equals(s.id())))
                .map(s -> WORDS.say("in", s.name(), s.folder().absolute())).distinct().collect(Collectors.joining("; "));
        return Finding.of(Rule.SOURCE_GONE, Severity.BLOCKER,
                WORDS.say("theFilesOfOfThisReelCant",
                        (programme.unknownItems() == 1 ? WORDS.say("oneItem") : WORDS.say("items", programme.unknownItems()))))
                .withEvidence(names);
    }

    private static void range(ReelEntry entry, List<Finding> found) {
        FrameRange range = entry.reading().range();
        Sequence sequence = entry.table().sequence();
        if (range == null) {
            return;
        }
        if (range.last() < sequence.first() || range.first() > sequence.last()) {
            found.add(Finding.of(Rule.RANGE_OUTSIDE, Severity.BLOCKER,
                    WORDS.say("theRangeLiesOutsideTheFrames", sequence.name(), range, sequence.range()))
                    .aboutSource(entry.source().id())
                    .withRemedies(entry.use().range() != null
                            ? new Remedy.Apply(WORDS.say("takeWhatTheSourceTakes"), ReelEdits.trimItem(entry.place(), null))
                            : new Remedy.Apply(WORDS.say("useAll", sequence.range()), SourceEdits.setRange(entry.source().id(), null))));
        }
    }

    private static void frames(ResolvedReel programme, ReelEntry entry, Observed observed, List<Finding> found) {
        FrameTable table = entry.table();
        Source source = entry.source();
        Sequence sequence = table.sequence();
        FrameRange range = entry.reading().rangeIn(sequence);
        if (!table.isChecked()) {
            int unchecked = table.counts().getOrDefault(FrameState.UNCHECKED, 0);
            // Without a single frame looked into, and none to come, not even size and depth are known.
            Severity severity = table.format().isPresent() || observed.checking().contains(source.id())
                    ? Severity.NOTE : Severity.BLOCKER;
            found.add(Finding
                    .of(Rule.UNCHECKED, severity, WORDS.say("ofFramesAreNotCheckedYet", sequence.name(), unchecked, sequence.count()))
                    .aboutSource(source.id()));
        }
        ResumeAdvice advice = entry.advice();
        if (table.isChecked() && advice.lastGood().isEmpty()) {
            String why = table.faults().stream().map(FrameTable.Fault::why).distinct().limit(3)
                    .collect(Collectors.joining("; "));
            found.add(Finding.of(Rule.NOTHING_GOOD, Severity.BLOCKER, WORDS.say("noFrameOfCanBeUsed", sequence.name(), range))
                    .withEvidence(why).aboutSource(source.id()));
            return;
        }
        if (advice.wanted().isEmpty()) {
            return;
        }
        String wanted = advice.toText(sequence.pattern());
        GapPolicy gap = source.reading().gap();
        if (gap == GapPolicy.REFUSE) {
            // What a renderer that goes on hasn't written yet is nobody's fault.
            boolean onlyToCome = advice.isOnlyToCome(table);
            found.add(Finding.of(Rule.FRAMES_WANTED, onlyToCome ? Severity.REQUEST : Severity.BLOCKER, sequence.name() + ": "
                    + (onlyToCome ? WORDS.say("areStillToComeWaitOrChoose", wanted)
                            : WORDS.say("renderAgainOrChooseWhat", faultsInWords(table, range, advice), wanted)))
                    .withEvidence(evidence(table, range)).aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText(WORDS.say("copyRanges"), wanted),
                            new Remedy.Apply(GapPolicy.HOLD.title(), SourceEdits.setGap(source.id(), GapPolicy.HOLD)),
                            new Remedy.Apply(GapPolicy.BLEND.title(), SourceEdits.setGap(source.id(), GapPolicy.BLEND)),
                            new Remedy.Apply(GapPolicy.CARD.title(), SourceEdits.setGap(source.id(), GapPolicy.CARD))));
        } else if (programme.plan().holdHasNoStart(entry.item())) {
            long firstGood = firstGood(table, range);
            found.add(Finding.of(Rule.HOLD_NO_START, Severity.BLOCKER, WORDS.say("theRangeStartsWithAFrame", sequence.name()))
                    .withEvidence(wanted).aboutSource(source.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("startAt", sequence.pattern().number(firstGood)),
                            SourceEdits.setRange(source.id(), FrameRange.of(firstGood, range.last()))),
                            new Remedy.Apply(GapPolicy.CARD.title(), SourceEdits.setGap(source.id(), GapPolicy.CARD))));
        } else {
            found.add(Finding.of(Rule.FRAMES_FILLED, Severity.WARNING, WORDS.say("at", sequence.name(), inWords(gap), wanted))
                    .withEvidence(evidence(table, range)).aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText(WORDS.say("copyRanges"), wanted)));
        }
    }

    private static void marked(ReelEntry entry, List<Finding> found) {
        Source source = entry.source();
        Sequence sequence = entry.table().sequence();
        String marks = ResumeAdvice.marked(sequence, source.reading()).toText(sequence.pattern()::number);
        if (!marks.isEmpty()) {
            found.add(Finding.of(Rule.FRAMES_MARKED, Severity.WARNING, WORDS.say("markedToBeRenderedAgain", sequence.name(), marks))
                    .aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText(WORDS.say("copyRanges"), marks),
                            new Remedy.Apply(WORDS.say("takeTheMarksAway"), SourceEdits.mark(source.id(), sequence.range(), false))));
        }
    }

    private static String inWords(GapPolicy gap) {
        return switch (gap) {
            case HOLD -> WORDS.say("thePreviousFrameIsHeld");
            case NEAREST -> WORDS.say("theNearestGoodFrameIsHeld");
            case BLEND -> WORDS.say("theGoodFramesAroundAreMixed");
            case CLOSE -> WORDS.say("theHoleIsLeftOutAndWhat");
            case CARD, REFUSE -> WORDS.say("aLabelledCardStands");
        };
    }

    private static long firstGood(FrameTable table, FrameRange range) {
        Sequence sequence = table.sequence();
        for (int i = 0; i < sequence.count(); i++) {
            if (range.contains(sequence.number(i)) && !table.stateAt(i).isFault()) {
                return sequence.number(i);
            }
        }
        return range.last();
    }

    private static String faultsInWords(FrameTable table, FrameRange range, ResumeAdvice advice) {
        long missing = advice.missing().count();
        Map<FrameState, Long> faults = table.faults().stream().filter(f -> range.contains(f.frame()))
                .collect(Collectors.groupingBy(FrameTable.Fault::state, TreeMap::new, Collectors.counting()));
        String others = faults.entrySet().stream().map(e -> e.getValue() + " " + e.getKey().label())
                .collect(Collectors.joining(", "));
        return (missing == 0 ? "" : WORDS.say("missing", missing, (others.isEmpty() ? "" : ", "))) + others;
    }

    private static String evidence(FrameTable table, FrameRange range) {
        List<FrameTable.Fault> faults = table.faults().stream().filter(f -> range.contains(f.frame())).toList();
        String shown = faults.stream().limit(4)
                .map(f -> table.sequence().pattern().number(f.frame()) + " " + f.state().label() + ": " + f.why())
                .collect(Collectors.joining("; "));
        return faults.size() > 4 ? WORDS.say("andMore", shown, (faults.size() - 4)) : shown;
    }

    private static void layers(ReelEntry entry, List<Finding> found) {
        Interpretation picture = entry.source().reading().picture();
        entry.format().filter(f -> !f.hasMain() && picture.layer() == null).ifPresent(f -> found.add(Finding.of(Rule.LAYER_UNKNOWN,
                Severity.BLOCKER, WORDS.say("theseEXRFilesHaveNoUnnamed", entry.source().name(), String.join(", ", f.layers())))
                .aboutSource(entry.source().id())
                .withRemedies(new Remedy.Apply(WORDS.say("take", f.layers().getFirst()),
                        SourceEdits.setPicture(entry.source().id(), picture.withLayer(f.layers().getFirst()))))));
    }
}
