package dev.vat.core.content;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What looks wrong in the pictures of a sequence: a pure function of what was measured when they were decoded. Cuts, fades,
 * flashes and held drawings are no faults; docs/formats.md tells how often each check was wrong.
 */
public final class ContentReview {

    private static final Words WORDS = Words.of(ContentReview.class);

    public static final ContentReview NOTHING = new ContentReview(List.of(), Optional.empty());

    private final List<ContentFault> faults;
    private final Optional<AlphaFit> alphaFit;
    private final Map<Long, ContentFault> marks = new TreeMap<>();

    private ContentReview(List<ContentFault> faults, Optional<AlphaFit> alphaFit) {
        this.alphaFit = alphaFit;
        this.faults = List.copyOf(faults);
        for (ContentFault fault : faults) {
            if (fault.kind().marksFrames()) {
                fault.frames().forEach(frame -> marks.putIfAbsent(frame, fault));
            }
        }
    }

    public static ContentReview of(FrameTable table) {
        List<ContentFault> found = new ArrayList<>();
        List<Series> all = Series.of(table);
        for (Series series : all) {
            found.addAll(Blanks.in(series));
            found.addAll(Repeats.in(series));
            if (!table.sequence().kind().isMovie()) {
                // A codec leaves out what hardly changes: parts that equal those of a frame before are its daily work.
                found.addAll(Tears.in(series));
            }
            Set<Long> explained = new HashSet<>();
            found.forEach(f -> explained.addAll(f.frames()));
            Pops.in(series).stream().filter(f -> f.frames().stream().noneMatch(explained::contains)).forEach(found::add);
            Noise.in(series).stream().filter(f -> f.frames().stream().noneMatch(explained::contains)).forEach(found::add);
            edges(series, table, all.size() == 1, found);
        }
        found.addAll(Sessions.in(table));
        samples(table, found);
        return new ContentReview(found, AlphaFit.of(table));
    }

    /** Edges are judged where the picture has settled; only of a whole sequence the ends are known. */
    private static void edges(Series series, FrameTable table, boolean whole, List<ContentFault> found) {
        List<ContentFault> ends = whole ? Ends.in(series) : List.of();
        found.addAll(ends);
        // A frame that is odd by itself changes the edges of its own and of the next one.
        Set<Long> explained = new HashSet<>();
        long step = table.sequence().step();
        found.stream().filter(f -> f.kind().marksFrames() || f.kind() == ContentFault.Kind.UNSETTLED).flatMap(f -> f.frames().stream())
                .forEach(f -> explained.addAll(List.of(f, f + step)));
        Edges.in(series, table.alpha()).stream().filter(f -> !explained.containsAll(f.frames())).forEach(found::add);
    }

    /** What is said of the samples themselves: depth that isn't used, and values that are no colour. */
    private static void samples(FrameTable table, List<ContentFault> found) {
        List<Long> odd = new ArrayList<>();
        FrameLook.Odd sum = new FrameLook.Odd(0, 0, 0);
        List<Long> looked = new ArrayList<>();
        boolean eight = true;
        for (int i = 0; i < table.sequence().count(); i++) {
            Optional<FrameLook> look = table.lookAt(i);
            if (look.isEmpty() || table.stateAt(i) != FrameState.GOOD) {
                continue;
            }
            looked.add(table.sequence().number(i));
            eight &= look.get().eightBit();
            if (look.get().odd() != null) {
                odd.add(table.sequence().number(i));
                sum = sum.plus(look.get().odd());
            }
        }
        if (eight && !looked.isEmpty()) {
            found.add(new ContentFault(ContentFault.Kind.EIGHT_BIT, looked, null, WORDS.say("everySampleIsAn8BitValue")));
        }
        if (!odd.isEmpty()) {
            found.add(new ContentFault(ContentFault.Kind.ODD_VALUES, odd, null,
                    WORDS.say("samplesAreNoNumberInfinite", sum.notANumber(), sum.infinite(), sum.negative())));
        }
    }

    public List<ContentFault> faults() {
        return faults;
    }

    public List<ContentFault> of(ContentFault.Kind kind) {
        return faults.stream().filter(f -> f.kind() == kind).toList();
    }

    /** Which alpha kind soft edges speak for, where they tell. */
    public Optional<AlphaFit> alphaFit() {
        return alphaFit;
    }

    /** What is suspicious about one frame. */
    public Optional<ContentFault> at(long frame) {
        return Optional.ofNullable(marks.get(frame));
    }

    /** Frames that are suspicious by themselves, ascending. */
    public Set<Long> marked() {
        return marks.keySet();
    }
}
