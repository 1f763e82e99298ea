package dev.vat.core.finding;

import dev.vat.core.content.AlphaFit;
import dev.vat.core.content.ContentFault;
import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Findings on what the pictures show: none of them stands in the way, all of them are worth a look. */
final class ContentRules {

    private static final int EVIDENCE = 3;

    private ContentRules() {}

    static void check(ReelEntry entry, ContentReview review, List<Finding> found) {
        Source source = entry.source();
        Sequence sequence = entry.table().sequence();
        FrameRange range = entry.reading().rangeIn(sequence);
        for (ContentFault.Kind kind : ContentFault.Kind.values()) {
            List<ContentFault> faults = review.of(kind).stream()
                    .filter(f -> f.frames().stream().anyMatch(range::contains)).toList();
            if (!faults.isEmpty()) {
                found.add(finding(source, sequence, range, kind, faults));
            }
        }
        review.alphaFit().ifPresent(fit -> alpha(entry, fit, found));
    }

    /** Soft edges that don't go with the alpha kind that was taken would get a fringe. */
    private static void alpha(ReelEntry entry, AlphaFit fit, List<Finding> found) {
        AlphaKind taken = entry.picture().alpha();
        if (!taken.carriesTransparency() || taken == fit.fits()) {
            return;
        }
        Source source = entry.source();
        boolean straight = fit.fits() == AlphaKind.STRAIGHT;
        found.add(Finding
                .of("alpha-kind", straight ? Severity.WARNING : Severity.NOTE, source.name() + ": alpha is read as " + taken.label()
                        + ", but the soft edges " + (straight ? "can't be: they would get a bright fringe." : "look " + fit.fits().label()
                                + ": if so, they get a dark fringe. Look at them over black and over white (B)."))
                .withEvidence(fit.evidence()).aboutSource(source.id())
                .withRemedies(new Remedy.Apply("Read as " + fit.fits().label(),
                        SourceEdits.setPicture(source.id(), source.reading().picture().withAlpha(fit.fits())))));
    }

    private static Finding finding(Source source, Sequence sequence, FrameRange range, ContentFault.Kind kind, List<ContentFault> faults) {
        FrameSet.Builder frames = FrameSet.builder();
        faults.stream().flatMap(f -> f.frames().stream()).filter(range::contains).sorted().distinct().forEach(frames::add);
        String numbers = frames.build().toText(sequence.pattern()::number);
        Severity severity = switch (kind) {
            case BLANK, REPEATED, TORN, POP, NOISE, OVERWRITTEN -> Severity.WARNING;
            default -> Severity.NOTE;
        };
        String text = switch (kind) {
            case BLANK, REPEATED, TORN -> numbers + " " + (numbers.matches("[-\\d]+") ? "looks " : "look ") + kind.label();
            case POP -> numbers + ": something changes for one frame and goes back";
            case NOISE -> numbers + " has more grain than the frames beside it";
            case OVERWRITTEN -> "a later render seems to have been written over an earlier one, at " + numbers;
            case SESSIONS -> numbers + " was rendered in a later session than the frames after it";
            case STILL_HEAD -> "nothing moves in the first " + faults.getFirst().frames().size() + " frames";
            case STILL_TAIL -> faults.getFirst().evidence();
            case UNSETTLED -> "the motion seems to settle only after " + faults.getFirst().frames().size() + " frames";
            case EDGE -> faults.getFirst().evidence() + " at " + numbers;
            case EIGHT_BIT -> "the 16-bit files carry 8-bit values only";
            case ODD_VALUES -> faults.getFirst().evidence() + "; they are shown and written as black, or as the brightest value";
        };
        String evidence = String.join("; ", faults.stream().limit(EVIDENCE)
                .map(f -> sequence.pattern().number(f.frames().getFirst()) + ": " + f.evidence()).toList());
        Finding finding = Finding.of("content-" + kind.name().toLowerCase(Locale.ROOT).replace('_', '-'), severity,
                sequence.name() + ": " + text + ".").withEvidence(evidence).aboutSource(source.id());
        ContentFault first = faults.getFirst();
        if (first.beside() != null) {
            finding = finding.withPair(first.frames().getFirst(), first.beside());
        }
        return switch (kind) {
            case OVERWRITTEN, SESSIONS -> finding.withRemedies(sessions(source, sequence, first));
            case BLANK, REPEATED, TORN, POP, NOISE -> finding.withRemedies(new Remedy.CopyText("Copy ranges", numbers),
                    new Remedy.GoTo("Show", source.id(), faults.getFirst().frames().getFirst()));
            case STILL_HEAD -> finding.withRemedies(trim(source, sequence, faults.getFirst().frames().getLast(), range.last()));
            case STILL_TAIL -> finding.withRemedies(trim(source, sequence, range.first(), faults.getFirst().frames().getFirst()));
            case UNSETTLED -> finding.withRemedies(new Remedy.Apply("Drop " + faults.getFirst().frames().size() + " frames",
                    SourceEdits.setCadence(source.id(), source.reading().cadence().withLeadIn(faults.getFirst().frames().size()))));
            default -> finding.withRemedies(new Remedy.GoTo("Show", source.id(), faults.getFirst().frames().getFirst()));
        };
    }

    /** Which of two sessions' frames count is for people to say. */
    private static Remedy[] sessions(Source source, Sequence sequence, ContentFault fault) {
        List<Remedy> ways = new ArrayList<>();
        FrameRange late = fault.range();
        boolean runs = late.count() == (fault.frames().size() - 1) * sequence.step() + 1;
        if (runs && late.first() == sequence.first() && late.last() < sequence.last()) {
            ways.add(new Remedy.Apply(
                    "Use the later ones, " + sequence.pattern().number(late.first()) + "-" + sequence.pattern().number(late.last()),
                    SourceEdits.setRange(source.id(), late)));
            FrameRange early = FrameRange.of(late.last() + sequence.step(), sequence.last());
            ways.add(new Remedy.Apply(
                    "Use the earlier ones, " + sequence.pattern().number(early.first()) + "-" + sequence.pattern().number(early.last()),
                    SourceEdits.setRange(source.id(), early)));
        }
        ways.add(new Remedy.GoTo("Show", source.id(), fault.beside() == null ? late.first() : fault.beside()));
        return ways.toArray(Remedy[]::new);
    }

    private static Remedy trim(Source source, Sequence sequence, long first, long last) {
        FrameRange range = FrameRange.of(Math.min(first, last), last);
        return new Remedy.Apply("Use " + sequence.pattern().number(range.first()) + "-" + sequence.pattern().number(range.last()),
                SourceEdits.setRange(source.id(), range));
    }

    /** What is odd about a movie file as a whole. */
    static void clip(ResolvedReel programme, ReelEntry entry, ClipFacts clip, List<Finding> found) {
        (entry.cell() ? Optional.of("views and passes go without theirs")
                : ReelSound.whyNot(programme, programme.plan().taken(entry.item()))).filter(_ -> !clip.sounds().isEmpty())
                .ifPresent(why -> found.add(
                        Finding.of("sound-left-out", Severity.WARNING,
                                entry.source().name() + ": its sound (" + clip.sounds().getFirst().describe()
                                        + ") is left out, since " + why + ".")
                                .aboutSource(entry.source().id())));
        clip.sounds().stream().limit(1).flatMap(s -> s.fault().stream()).forEach(fault -> found.add(Finding
                .of("sound-damaged", Severity.WARNING, entry.source().name() + ", sound: " + fault + ".")
                .aboutSource(entry.source().id())));
        if (clip.sounds().size() > 1) {
            found.add(Finding.of("sound-tracks", Severity.NOTE, entry.source().name() + " has " + clip.sounds().size()
                    + " sound tracks: the first one is written.").aboutSource(entry.source().id()));
        }
        Interpretation picture = entry.source().reading().picture();
        if (clip.fields() != null && picture.fields() == null) {
            found.add(Finding.of("interlaced", Severity.WARNING, entry.source().name() + " is interlaced, " + clip.fields().title()
                    + ". Each frame is taken with both of its fields: what moves has combed edges in files that aren't "
                    + "interlaced, and at other heights.").aboutSource(entry.source().id())
                    .withRemedies(new Remedy.Apply("Deinterlace",
                            SourceEdits.setFields(entry.source().id(), FieldReading.DEINTERLACED)),
                            new Remedy.Apply("Each field a frame", SourceEdits.setFields(entry.source().id(), FieldReading.EACH)),
                            new Remedy.Apply("Keep both fields", SourceEdits.setFields(entry.source().id(), FieldReading.KEPT))));
        }
        if (clip.uneven() != null) {
            long unseen = clip.uneven().unseen();
            found.add(Finding.of("rate-uneven", Severity.WARNING, entry.source().name() + " has a variable rate (frames "
                    + clip.uneven().describe() + "). Each frame is shown from its own time on, counted at "
                    + (clip.rate() == null ? "an even rate" : clip.rate().label())
                    + (unseen == 0 ? "." : unseen == 1 ? "; 1 is too short to be seen." : "; " + unseen + " are too short to be seen."))
                    .aboutSource(entry.source().id()));
        }
    }
}
