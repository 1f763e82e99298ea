package dev.vat.core.finding;

import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Stated;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.resolved.ReelEntry;
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
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Findings on what goes in: rate, holes, faulty frames, and items that don't go together. */
final class SourceRules {

    private SourceRules() {}

    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        if (programme.unknownItems() > 0) {
            found.add(sourceGone(project, programme));
        }
        if (programme.rate().isEmpty() && !programme.entries().isEmpty()) {
            found.add(Finding.of("rate-unknown", Severity.REQUEST, "Choose a frame rate: no file states one.")
                    .aboutSource(programme.entries().getFirst().source().id()));
        }
        for (ReelEntry entry : programme.entries()) {
            range(entry, found);
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
        PassRules.check(programme, found);
        ReelRules.start(programme, found);
        ReelRules.sounds(programme, observed, found);
        programme.entries().stream().filter(e -> e.format().isPresent() && e.picture().colour().isLinear())
                .map(e -> e.picture().colour()).distinct().forEach(colour -> found.add(Finding.of("linear-light", Severity.NOTE,
                        "Frames are taken as " + colour.describe() + "; Rec.709 primaries, clamped in RGB, tagged Rec.709.")));
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
            found.add(Finding.of("rate-against-file", Severity.WARNING, entry.source().name() + ": the files state "
                    + own.label() + ", they are read at " + rate.label() + ".").aboutSource(entry.source().id())
                    .withRemedies(new Remedy.Apply("Read at " + own.label(), SourceEdits.setSourceRate(entry.source().id(), own))));
        }
        otherColour(entry, format.stated(), found);
        boolean tagless = format.stated().primaries() == null && format.stated().transfer() == null && format.stated().own() == null;
        if (entry.picture().colour().kind() == ColourReading.Kind.TAGGED && tagless) {
            found.add(Finding.of("tags-missing", Severity.WARNING, entry.source().name()
                    + ": the files state no primaries and no curve, so that values are kept as they are.")
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
                .of("colour-stated", Severity.WARNING, entry.source().name() + ": the files state " + stated.colour() + ". "
                        + (stated.foreign() != null
                                ? "There is no conversion from " + stated.foreign() + ": values are kept and shown as Rec.709."
                                : linear ? "They are taken as light of Rec.709 primaries." : "Values are kept and shown as Rec.709."))
                .aboutSource(entry.source().id());
        Remedy keep = new Remedy.Apply("Keep the values",
                SourceEdits.setPicture(entry.source().id(), picture.withColour(linear ? ColourReading.LINEAR : ColourReading.DISPLAY)));
        found.add(converted ? finding
                : stated.foreign() != null ? finding.withRemedies(keep)
                        : finding.withRemedies(new Remedy.Apply("Convert to Rec.709",
                                SourceEdits.setPicture(entry.source().id(), picture.withColour(ColourReading.TAGGED))), keep));
    }

    private static Finding sourceGone(Project project, ResolvedReel programme) {
        String names = programme.reel().items().stream().flatMap(i -> i.sources().stream()).flatMap(i -> project.source(i).stream())
                .filter(s -> programme.entries().stream().noneMatch(e -> e.source().id().equals(s.id())))
                .map(s -> s.name() + " in " + s.folder().absolute()).distinct().collect(Collectors.joining("; "));
        return Finding.of("source-gone", Severity.BLOCKER,
                "The files of " + (programme.unknownItems() == 1 ? "one item" : programme.unknownItems() + " items")
                        + " of this reel can't be found. Bring the folder back, or take the item out.")
                .withEvidence(names);
    }

    private static void range(ReelEntry entry, List<Finding> found) {
        FrameRange range = entry.reading().range();
        Sequence sequence = entry.table().sequence();
        if (range == null) {
            return;
        }
        if (range.last() < sequence.first() || range.first() > sequence.last()) {
            found.add(Finding.of("range-outside", Severity.BLOCKER,
                    sequence.name() + ": the range " + range + " lies outside the frames " + sequence.range() + ".")
                    .aboutSource(entry.source().id())
                    .withRemedies(entry.use().range() != null
                            ? new Remedy.Apply("Take what the source takes", ReelEdits.trimItem(entry.place(), null))
                            : new Remedy.Apply("Use all " + sequence.range(), SourceEdits.setRange(entry.source().id(), null))));
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
            found.add(Finding.of("unchecked", severity, sequence.name() + ": " + unchecked + " of "
                    + sequence.count() + " frames are not checked yet.").aboutSource(source.id()));
        }
        ResumeAdvice advice = ResumeAdvice.of(table, range);
        if (table.isChecked() && advice.lastGood().isEmpty()) {
            String why = table.faults().stream().map(FrameTable.Fault::why).distinct().limit(3)
                    .collect(Collectors.joining("; "));
            found.add(Finding.of("nothing-good", Severity.BLOCKER, sequence.name() + ": no frame of " + range
                    + " can be used.").withEvidence(why).aboutSource(source.id()));
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
            found.add(Finding.of("frames-wanted", onlyToCome ? Severity.REQUEST : Severity.BLOCKER, sequence.name() + ": "
                    + (onlyToCome ? wanted + " are still to come: wait, or choose what stands in."
                            : faultsInWords(table, range, advice) + ". Render " + wanted + " again, or choose what stands in."))
                    .withEvidence(evidence(table, range)).aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText("Copy ranges", wanted),
                            new Remedy.Apply(GapPolicy.HOLD.title(), SourceEdits.setGap(source.id(), GapPolicy.HOLD)),
                            new Remedy.Apply(GapPolicy.BLEND.title(), SourceEdits.setGap(source.id(), GapPolicy.BLEND)),
                            new Remedy.Apply(GapPolicy.CARD.title(), SourceEdits.setGap(source.id(), GapPolicy.CARD))));
        } else if (programme.plan().holdHasNoStart(entry.item())) {
            long firstGood = firstGood(table, range);
            found.add(Finding.of("hold-no-start", Severity.BLOCKER, sequence.name()
                    + ": the range starts with a frame that can't be used, so there is nothing before it to hold.")
                    .withEvidence(wanted).aboutSource(source.id())
                    .withRemedies(new Remedy.Apply("Start at " + sequence.pattern().number(firstGood),
                            SourceEdits.setRange(source.id(), FrameRange.of(firstGood, range.last()))),
                            new Remedy.Apply(GapPolicy.CARD.title(), SourceEdits.setGap(source.id(), GapPolicy.CARD))));
        } else {
            found.add(Finding.of("frames-filled", Severity.WARNING, sequence.name() + ": "
                    + inWords(gap) + " at " + wanted + ".")
                    .withEvidence(evidence(table, range)).aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText("Copy ranges", wanted)));
        }
    }

    private static void marked(ReelEntry entry, List<Finding> found) {
        Source source = entry.source();
        Sequence sequence = entry.table().sequence();
        String marks = ResumeAdvice.marked(sequence, source.reading()).toText(sequence.pattern()::number);
        if (!marks.isEmpty()) {
            found.add(Finding.of("frames-marked", Severity.WARNING, sequence.name() + ": " + marks
                    + " marked to be rendered again; made as they are now.").aboutSource(source.id())
                    .withRemedies(new Remedy.CopyText("Copy ranges", marks),
                            new Remedy.Apply("Take the marks away", SourceEdits.mark(source.id(), sequence.range(), false))));
        }
    }

    private static String inWords(GapPolicy gap) {
        return switch (gap) {
            case HOLD -> "the previous frame is held";
            case NEAREST -> "the nearest good frame is held";
            case BLEND -> "the good frames around are mixed";
            case CLOSE -> "the hole is left out and what follows moves up,";
            case CARD, REFUSE -> "a labelled card stands";
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
        return (missing == 0 ? "" : missing + " missing" + (others.isEmpty() ? "" : ", ")) + others;
    }

    private static String evidence(FrameTable table, FrameRange range) {
        List<FrameTable.Fault> faults = table.faults().stream().filter(f -> range.contains(f.frame())).toList();
        String shown = faults.stream().limit(4)
                .map(f -> table.sequence().pattern().number(f.frame()) + " " + f.state().label() + ": " + f.why())
                .collect(Collectors.joining("; "));
        return faults.size() > 4 ? shown + "; and " + (faults.size() - 4) + " more" : shown;
    }

    private static void layers(ReelEntry entry, List<Finding> found) {
        Interpretation picture = entry.source().reading().picture();
        entry.format().filter(f -> !f.hasMain() && picture.layer() == null).ifPresent(f -> found.add(Finding.of("layer-unknown",
                Severity.BLOCKER, entry.source().name() + ": these EXR files have no unnamed R, G, B channels. Their layers are: "
                        + String.join(", ", f.layers()) + ".")
                .aboutSource(entry.source().id())
                .withRemedies(new Remedy.Apply("Take " + f.layers().getFirst(),
                        SourceEdits.setPicture(entry.source().id(), picture.withLayer(f.layers().getFirst()))))));
    }
}
