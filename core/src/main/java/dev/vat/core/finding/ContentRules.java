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
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Findings on what the pictures show: none of them stands in the way, all of them are worth a look. */
final class ContentRules {

    private static final Words WORDS = Words.of(ContentRules.class);

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
                .of(Rule.ALPHA_KIND, straight ? Severity.WARNING : Severity.NOTE,
                        WORDS.say("alphaIsReadAsButTheSoft", source.name(), taken.label(),
                                (straight ? WORDS.say("cantBeTheyWouldGetABright")
                                        : WORDS.say("lookIfSoTheyGetADarkFringe", fit.fits().label()))))
                .withEvidence(fit.evidence()).aboutSource(source.id())
                .withRemedies(new Remedy.Apply(WORDS.say("readAs", fit.fits().label()),
                        SourceEdits.setPicture(source.id(), source.reading().picture().withAlpha(fit.fits())))));
    }

    private static Rule rule(ContentFault.Kind kind) {
        return switch (kind) {
            case BLANK -> Rule.CONTENT_BLANK;
            case REPEATED -> Rule.CONTENT_REPEATED;
            case CADENCE -> Rule.CONTENT_CADENCE;
            case TORN -> Rule.CONTENT_TORN;
            case POP -> Rule.CONTENT_POP;
            case NOISE -> Rule.CONTENT_NOISE;
            case OVERWRITTEN -> Rule.CONTENT_OVERWRITTEN;
            case SESSIONS -> Rule.CONTENT_SESSIONS;
            case STILL_HEAD -> Rule.CONTENT_STILL_HEAD;
            case STILL_TAIL -> Rule.CONTENT_STILL_TAIL;
            case UNSETTLED -> Rule.CONTENT_UNSETTLED;
            case EDGE -> Rule.CONTENT_EDGE;
            case EIGHT_BIT -> Rule.CONTENT_EIGHT_BIT;
            case ODD_VALUES -> Rule.CONTENT_ODD_VALUES;
        };
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
            case POP -> WORDS.say("somethingChangesForOneFrame", numbers);
            case NOISE -> WORDS.say("hasMoreGrainThanTheFrames", numbers);
            case OVERWRITTEN -> WORDS.say("aLaterRenderSeemsToHave", numbers);
            case CADENCE -> faults.getFirst().evidence();
            case SESSIONS -> WORDS.say("wasRenderedInALaterSession", numbers);
            case STILL_HEAD -> WORDS.say("nothingMovesInTheFirstFrames", faults.getFirst().frames().size());
            case STILL_TAIL -> faults.getFirst().evidence();
            case UNSETTLED -> WORDS.say("theMotionSeemsToSettleOnly", faults.getFirst().frames().size());
            case EDGE -> WORDS.say("at", faults.getFirst().evidence(), numbers);
            case EIGHT_BIT -> WORDS.say("the16BitFilesCarry8BitValues");
            case ODD_VALUES -> WORDS.say("theyAreShownAndWrittenAs", faults.getFirst().evidence());
        };
        String evidence = String.join("; ", faults.stream().limit(EVIDENCE)
                .map(f -> sequence.pattern().number(f.frames().getFirst()) + ": " + f.evidence()).toList());
        Finding finding = Finding.of(rule(kind), severity,
                sequence.name() + ": " + text + ".").withEvidence(evidence).aboutSource(source.id());
        ContentFault first = faults.getFirst();
        if (first.beside() != null) {
            finding = finding.withPair(first.frames().getFirst(), first.beside());
        }
        return switch (kind) {
            case OVERWRITTEN, SESSIONS -> finding.withRemedies(sessions(source, sequence, first));
            case BLANK, REPEATED, TORN, POP, NOISE -> finding.withRemedies(new Remedy.CopyText(WORDS.say("copyRanges"), numbers),
                    new Remedy.GoTo(WORDS.say("show"), source.id(), faults.getFirst().frames().getFirst()));
            case STILL_HEAD -> finding.withRemedies(trim(source, sequence, faults.getFirst().frames().getLast(), range.last()));
            case STILL_TAIL -> finding.withRemedies(trim(source, sequence, range.first(), faults.getFirst().frames().getFirst()));
            case UNSETTLED -> finding.withRemedies(new Remedy.Apply(WORDS.say("dropFrames", faults.getFirst().frames().size()),
                    SourceEdits.setCadence(source.id(), source.reading().cadence().withLeadIn(faults.getFirst().frames().size()))));
            default -> finding.withRemedies(new Remedy.GoTo(WORDS.say("show"), source.id(), faults.getFirst().frames().getFirst()));
        };
    }

    /** Which of two sessions' frames count is for people to say. */
    private static Remedy[] sessions(Source source, Sequence sequence, ContentFault fault) {
        List<Remedy> ways = new ArrayList<>();
        FrameRange late = fault.range();
        boolean runs = late.count() == (fault.frames().size() - 1) * sequence.step() + 1;
        if (runs && late.first() == sequence.first() && late.last() < sequence.last()) {
            ways.addAll(oneOf(source, sequence, late, FrameRange.of(late.last() + sequence.step(), sequence.last())));
        } else if (runs && late.last() == sequence.last() && late.first() > sequence.first()) {
            ways.addAll(oneOf(source, sequence, late, FrameRange.of(sequence.first(), late.first() - sequence.step())));
        }
        ways.add(new Remedy.GoTo(WORDS.say("show"), source.id(), fault.beside() == null ? late.first() : fault.beside()));
        return ways.toArray(Remedy[]::new);
    }

    private static List<Remedy> oneOf(Source source, Sequence sequence, FrameRange late, FrameRange early) {
        SequencePattern names = sequence.pattern();
        return List.of(
                new Remedy.Apply(WORDS.say("useTheLaterOnes", names.number(late.first()), names.number(late.last())),
                        SourceEdits.setRange(source.id(), late)),
                new Remedy.Apply(WORDS.say("useTheEarlierOnes", names.number(early.first()), names.number(early.last())),
                        SourceEdits.setRange(source.id(), early)));
    }

    private static Remedy trim(Source source, Sequence sequence, long first, long last) {
        FrameRange range = FrameRange.of(Math.min(first, last), last);
        return new Remedy.Apply(WORDS.say("use", sequence.pattern().number(range.first()), sequence.pattern().number(range.last())),
                SourceEdits.setRange(source.id(), range));
    }

    /** What is odd about a movie file as a whole. */
    static void clip(ResolvedReel programme, ReelEntry entry, ClipFacts clip, List<Finding> found) {
        (entry.cell() ? Optional.of(WORDS.say("viewsAndPassesGoWithout"))
                : ReelSound.whyNot(programme, programme.plan().taken(entry.item()))).filter(_ -> !clip.sounds().isEmpty())
                .ifPresent(why -> found.add(
                        Finding.of(Rule.SOUND_LEFT_OUT, Severity.WARNING,
                                WORDS.say("itsSoundIsLeftOutSince", entry.source().name(), clip.sounds().getFirst().describe(), why))
                                .aboutSource(entry.source().id())));
        clip.sounds().stream().limit(1).flatMap(s -> s.fault().stream()).forEach(fault -> found.add(Finding
                .of(Rule.SOUND_DAMAGED, Severity.WARNING, WORDS.say("sound", entry.source().name(), fault))
                .aboutSource(entry.source().id())));
        if (clip.sounds().size() > 1) {
            found.add(Finding
                    .of(Rule.SOUND_TRACKS, Severity.NOTE,
                            WORDS.say("hasSoundTracksTheFirstOne", entry.source().name(), clip.sounds().size()))
                    .aboutSource(entry.source().id()));
        }
        Interpretation picture = entry.source().reading().picture();
        if (clip.fields() != null && picture.fields() == null) {
            found.add(Finding
                    .of(Rule.INTERLACED, Severity.WARNING,
                            WORDS.say("isInterlacedEachFrameIs", entry.source().name(), clip.fields().title()))
                    .aboutSource(entry.source().id())
                    .withRemedies(new Remedy.Apply(WORDS.say("deinterlace"),
                            SourceEdits.setFields(entry.source().id(), FieldReading.DEINTERLACED)),
                            new Remedy.Apply(WORDS.say("eachFieldAFrame"), SourceEdits.setFields(entry.source().id(), FieldReading.EACH)),
                            new Remedy.Apply(WORDS.say("keepBothFields"), SourceEdits.setFields(entry.source().id(), FieldReading.KEPT))));
        }
        if (clip.uneven() != null) {
            long unseen = clip.uneven().unseen();
            found.add(Finding
                    .of(Rule.RATE_UNEVEN, Severity.WARNING,
                            WORDS.say("hasAVariableRateFramesEach", entry.source().name(), clip.uneven().describe(),
                                    (clip.rate() == null ? WORDS.say("anEvenRate") : clip.rate().label()),
                                    (unseen == 0 ? "."
                                            : unseen == 1 ? WORDS.say("1IsTooShortToBeSeen") : WORDS.say("areTooShortToBeSeen", unseen))))
                    .aboutSource(entry.source().id()));
        }
    }
}
