package dev.vat.core.run;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.NameWords;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import java.nio.file.Path;
import java.util.List;

/** What the fields of words in pictures stand for: first for a whole file, then for each of its frames. */
final class FrameWords {

    private final FrameFacts whole;
    private final Rate rate;
    private final Timecode start;

    /**
     * @param whole what holds for all frames alike
     * @param rate of the frames that are counted, or null while it isn't known
     * @param start label of the first one, or null to count from 00:00:00:00
     */
    private FrameWords(FrameFacts whole, Rate rate, Timecode start) {
        this.whole = whole;
        this.rate = rate;
        this.start = start;
    }

    /** What a run writes into a file's frame. @param ofItem what the item there has of its own, or null */
    static Lettering lettering(RunPlan plan, BurnIn ofItem, RunPlan.RunFile file, long frame) {
        BurnIn burnIn = file.treatment().burnIn() == null ? null : file.treatment().burnIn().and(ofItem);
        ReelFrame shown = plan.frameAt(file.reelFrame(frame));
        if (isBare(burnIn, shown)) {
            return Lettering.NOTHING;
        }
        Expectation expected = file.expected();
        Timecode start = expected.timecode() == null ? null : Timecode.parse(expected.timecode(), expected.rate());
        FrameFacts facts = new FrameWords(whole(plan.reel(), file.title(), file.treatment().scan().frames(plan.programmeFrames()), expected.rate(), expected.size(), null), expected.rate(), start)
                .at(frame, file.reelFrame(frame));
        return burnIn.at(RunPlan.isDrawn(shown) ? facts : of(facts, plan.sourceOf(shown).pattern(), Path.of(plan.sourceOf(shown).folder()), shown.wanted()));
    }

    /** The same before there is a run. @param deliverable whose file it is, or null for the reel itself */
    static Lettering lettering(Programme programme, long reelFrame, Deliverable deliverable, String date) {
        BurnIn ofReel = programme.reel().burnIn();
        BurnIn whole = deliverable != null ? deliverable.burnInWith(ofReel) : ofReel == null ? BurnIn.NOTHING : ofReel;
        ReelPlan plan = programme.plan();
        BurnIn burnIn = whole == null ? null : whole.and(plan.part(plan.spanAt(reelFrame).item()).item().burnIn());
        ReelFrame shown = plan.at(reelFrame);
        if (isBare(burnIn, shown)) {
            return Lettering.NOTHING;
        }
        Scan scan = deliverable == null ? Scan.PROGRESSIVE : deliverable.settings().framing().scanInUse();
        Rate own = programme.rate().map(scan::rate).orElse(null);
        Size size = deliverable == null ? programme.size().orElse(null) : programme.frame(deliverable).map(Frame::size).orElse(null);
        FrameFacts facts = new FrameWords(whole(programme.reel().name(), deliverable == null ? null : deliverable.title(), scan.frames(plan.programmeEnd() - plan.programmeStart()), own, size, date), own,
                programme.start(own).orElse(null)).at(scan.isInterlaced() ? reelFrame / 2 : reelFrame, reelFrame);
        return burnIn.at(programme.entry(shown.item()).map(e -> of(facts, e.table().sequence().pattern(), e.table().sequence().folder(), shown.wanted())).orElse(facts));
    }

    /** Nothing is written over what Vat draws itself, but over plain colours. */
    private static boolean isBare(BurnIn burnIn, ReelFrame shown) {
        return burnIn == null || burnIn.isNothing() || shown.content() instanceof ReelFrame.Drawing;
    }

    /** What a slate tells of the programme behind it. @param start of the reel, or null */
    static FrameFacts ofSlate(Reel reel, Rate rate, Timecode start, ReelPlan plan, List<ReelPlan.Part> parts) {
        Size size = parts.stream().filter(p -> p.table() != null).findFirst().flatMap(p -> p.table().format()).map(PictureFormat::size).orElse(null);
        return new FrameWords(whole(reel.name(), null, plan.programmeEnd() - plan.programmeStart(), rate, size, null), rate, start).at(plan.programmeStart(), plan.programmeStart());
    }

    /** @param length in frames of the rate @param rate or null @param size or null @param date ISO 8601, or null */
    private static FrameFacts whole(String reel, String target, long length, Rate rate, Size size, String date) {
        return FrameFacts.none().with(Field.REEL, reel).with(Field.TARGET, target).with(Field.LENGTH, rate == null ? null : Timecode.of(length, rate).toString())
                .with(Field.RATE, rate == null ? null : rate.label()).with(Field.SIZE, size == null ? null : size.toString()).with(Field.DATE, date);
    }

    /** @param frame that is counted @param reelFrame what of the reel it shows */
    private FrameFacts at(long frame, long reelFrame) {
        Timecode label = start != null ? new Timecode(start.frame() + frame, start.rate(), start.dropFrame()) : rate == null ? null : Timecode.of(frame, rate);
        return whole.with(Field.REEL_FRAME, Long.toString(reelFrame)).with(Field.TIMECODE, label == null ? null : label.toString());
    }

    /** The same of a source's frame. */
    private static FrameFacts of(FrameFacts facts, SequencePattern pattern, Path folder, long number) {
        String name = pattern.baseName();
        String around = folder.getFileName() == null ? "" : folder.getFileName().toString();
        return facts.with(Field.FRAME, pattern.number(number)).with(Field.SOURCE, name).with(Field.CAMERA, NameWords.camera(name, around).orElse(null))
                .with(Field.VERSION, NameWords.version(name, around).orElse(null));
    }
}
