package dev.vat.core.finding;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.source.Approved;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.stream.IntStream;

/** Final frames against the preview that was approved. */
final class ApprovedRules {

    private static final Words WORDS = Words.of(ApprovedRules.class);

    /** Half a pixel of a preview of some hundred rows. */
    private static final Rational SAME_SHAPE = Rational.of(1, 100);

    private ApprovedRules() {}

    static void check(ReelEntry entry, List<Finding> found) {
        Source source = entry.source();
        Approved approved = source.reading().approved();
        if (approved == null) {
            return;
        }
        FrameTable table = entry.table();
        FrameRange range = approved.range();
        Sequence sequence = table.sequence();
        String what = WORDS.say("camera", approved.preview(), approved.camera(), sequence.pattern().number(range.first()),
                sequence.pattern().number(range.last()));
        found.add(frames(source, table, range).aboutSource(source.id()).withEvidence(what));
        Rate rate = source.reading().rate();
        if (rate != null && !rate.equals(approved.rate())) {
            found.add(Finding
                    .of(Rule.APPROVED_RATE, Severity.WARNING,
                            WORDS.say("theApprovedPreviewRunsAt", source.name(), approved.rate().label(), rate.label()))
                    .aboutSource(source.id()).withEvidence(what).withRemedies(
                            new Remedy.Apply(WORDS.say("readAt", approved.rate().label()),
                                    SourceEdits.setSourceRate(source.id(), approved.rate()))));
        }
        table.format().ifPresent(format -> shape(source, approved, format, what, found));
        if (approved.leadIn() > 0) {
            found.add(Finding
                    .of(Rule.APPROVED_LEAD_IN, Severity.NOTE,
                            WORDS.say("inTheApprovedPreviewThe", source.name(), approved.leadIn(),
                                    sequence.pattern().number(range.first())))
                    .aboutSource(source.id()).withEvidence(what));
        }
    }

    private static Finding frames(Source source, FrameTable table, FrameRange range) {
        Sequence sequence = table.sequence();
        long there = IntStream.range(0, sequence.count()).filter(i -> !table.stateAt(i).isFault() && range.contains(sequence.number(i)))
                .count();
        // What isn't looked into yet may still turn out to be no frame.
        return there == range.count()
                ? Finding.of(Rule.APPROVED_FRAMES, Severity.NOTE,
                        source.name() + (table.isChecked() ? WORDS.say("theRenderHasAllOfTheApproved", range.count())
                                : WORDS.say("filesOfAllApprovedFrames", range.count())))
                : Finding.of(Rule.APPROVED_FRAMES, Severity.WARNING,
                        WORDS.say("theRenderHasOfTheApproved", source.name(), there, range.count()));
    }

    private static void shape(Source source, Approved approved, PictureFormat format, String what, List<Finding> found) {
        Size seen = source.reading().picture().pixelAspectOf(format).seen(format.size());
        Rational own = Rational.of(seen.width(), seen.height());
        Rational wanted = Rational.of(approved.size().width(), approved.size().height());
        if (own.dividedBy(wanted).minus(Rational.ONE).abs().compareTo(SAME_SHAPE) > 0) {
            found.add(Finding
                    .of(Rule.APPROVED_SHAPE, Severity.WARNING,
                            WORDS.say("theApprovedPreviewIsOfAnother", source.name(), approved.size(), seen))
                    .aboutSource(source.id()).withEvidence(what));
        }
    }
}
