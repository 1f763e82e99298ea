package dev.vat.core.project;

import dev.vat.core.picture.FieldReading;
import dev.vat.core.reel.Hold;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Playing;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Frame numbers of a movie where each field becomes a frame, or no longer is one, as {@link FieldReading#EACH} counts them: frame {@code n}
 * has the fields {@code 2n} and {@code 2n + 1}.
 *
 * @param each whether fields are counted from now on
 */
record FieldNumbers(boolean each) {

    static FieldNumbers of(boolean each) {
        return new FieldNumbers(each);
    }

    /** A project in which every number that tells a frame of a source goes on to mean the same picture. */
    Project renumbered(Project project, String source) {
        return project.withSource(source, s -> s.withReading(reading(s.reading())))
                .withReels(project.reels().stream().map(r -> r.withItems(r.items().stream().map(i -> item(i, source)).toList())).toList(),
                        project.reel());
    }

    private Reading reading(Reading reading) {
        Map<Long, String> remarks = new TreeMap<>();
        reading.remarks().forEach((frame, words) -> remarks.put(first(frame), words));
        FrameSet marked = reading.marked().ranges().stream().map(r -> new FrameSet(List.of(range(r)))).reduce(FrameSet.EMPTY,
                FrameSet::plus);
        Rational factor = each ? Rational.of(2) : Rational.of(1, 2);
        return new Reading(reading.rate() == null ? null : new Rate(reading.rate().perSecond().times(factor)), range(reading.range()),
                reading.gap(),
                reading.cadence().withLeadIn(each ? reading.cadence().leadIn() * 2 : reading.cadence().leadIn() / 2),
                reading.picture(), reading.timecode(), range(reading.expected()), reading.note(), marked, remarks, reading.approved(),
                reading.extra());
    }

    private Item item(Item item, String source) {
        if (item.layout() != null) {
            return item.withLayout(item.layout().withViews(
                    item.layout().views().stream().map(v -> v.withItem(item(v.item(), source))).toList()));
        }
        if (!source.equals(item.source())) {
            return item;
        }
        Playing playing = item.playingInUse();
        List<Hold> holds = playing.holds().stream().map(h -> new Hold(first(h.number()), h.places())).toList();
        return item.withRange(range(item.range())).withPlaying(
                new Playing(playing.reversed(), playing.speed(), playing.conform(), playing.head(), playing.tail(), holds));
    }

    private FrameRange range(FrameRange range) {
        return range == null ? null : FrameRange.of(first(range.first()), each ? range.last() * 2 + 1 : first(range.last()));
    }

    private long first(long number) {
        return each ? number * 2 : Math.floorDiv(number, 2);
    }
}
