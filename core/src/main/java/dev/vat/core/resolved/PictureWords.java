package dev.vat.core.resolved;

import com.fasterxml.jackson.annotation.JsonInclude;
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
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import java.util.List;
import java.util.Optional;

/**
 * What is written into the pictures of a reel, or of a file of it, fixed once for all frames: the window shows by it and a run writes by
 * it.
 *
 * @param burnIn besides what an item has of its own
 * @param whole what its fields stand for at every frame alike
 * @param scan whether two frames of the reel are one that is counted
 * @param start label of the first frame, or null while no rate is known
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PictureWords(BurnIn burnIn, FrameFacts whole, Scan scan, Timecode start) {

    /**
     * Empty where pictures are to be clean.
     *
     * @param deliverable whose file it is, or null for the reel itself
     * @param date ISO 8601, on which it is made
     */
    public static Optional<PictureWords> of(ResolvedReel programme, Deliverable deliverable, String date) {
        BurnIn ofReel = programme.reel().burnIn();
        if (deliverable == null) {
            return Optional.of(
                    of(programme, ofReel == null ? BurnIn.NOTHING : ofReel, Scan.PROGRESSIVE, null, programme.size().orElse(null), date));
        }
        return deliverable.burnInWith(ofReel).map(b -> of(programme, b, deliverable.settings().framing().scanInUse(), deliverable.title(),
                programme.frame(deliverable).map(Frame::size).orElse(null), date));
    }

    private static PictureWords of(ResolvedReel programme, BurnIn burnIn, Scan scan, String target, Size size, String date) {
        Rate rate = programme.rate().map(scan::rate).orElse(null);
        ReelPlan plan = programme.plan();
        return new PictureWords(burnIn,
                whole(programme.reel(), scan.frames(plan.programmeEnd() - plan.programmeStart()), rate, size).with(Field.TARGET, target)
                        .with(Field.DATE, date),
                scan, programme.start(rate).orElse(rate == null ? null : Timecode.of(0, rate)));
    }

    /** What a slate tells of the programme behind it. @param start of the reel, or null */
    static FrameFacts ofSlate(Reel reel, Rate rate, Timecode start, ReelPlan plan, List<ReelPart> parts) {
        Size size = parts.stream().filter(p -> p.table() != null).findFirst().flatMap(p -> p.table().format()).map(PictureFormat::size)
                .orElse(null);
        Timecode first = start != null ? start : rate == null ? null : Timecode.of(0, rate);
        return whole(reel, plan.programmeEnd() - plan.programmeStart(), rate, size).with(Field.TIMECODE,
                first == null ? null : first.plusFrames(plan.programmeStart()).toString());
    }

    /** @param length in frames of the rate @param rate or null @param size or null */
    private static FrameFacts whole(Reel reel, long length, Rate rate, Size size) {
        return FrameFacts.none().with(Field.REEL, reel.name())
                .with(Field.LENGTH, rate == null ? null : Timecode.of(length, rate).toString())
                .with(Field.RATE, rate == null ? null : rate.label()).with(Field.SIZE, size == null ? null : size.toString());
    }

    /** Whether nothing is written, whatever is shown. @param ofItem what the item there has of its own, or null */
    boolean isNothing(BurnIn ofItem) {
        return burnIn.isNothing() && (ofItem == null || ofItem.isNothing());
    }

    /**
     * What is written at a reel frame: nothing over what Vat draws itself, but over plain colours.
     *
     * @param ofItem what the item there has of its own, or null
     * @param shown what stands there
     * @param source that this is of, or null
     */
    public Lettering at(long reelFrame, BurnIn ofItem, ReelFrame shown, Location source) {
        if (isNothing(ofItem) || shown.content() instanceof ReelFrame.Drawing) {
            return Lettering.NOTHING;
        }
        FrameFacts facts = whole.with(Field.REEL_FRAME, Long.toString(reelFrame))
                .with(Field.TIMECODE, start == null ? null : start.plusFrames(scan.isInterlaced() ? reelFrame / 2 : reelFrame).toString());
        return burnIn.and(ofItem).at(source == null ? facts : shown.facts(facts, source));
    }
}
