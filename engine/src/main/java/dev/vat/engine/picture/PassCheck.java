package dev.vat.engine.picture;

import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.pass.PassReport;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.trial.PairLikeness;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;

/** Holds the sum of an item's passes against the full picture; where there is none, against each of the passes by itself. */
public final class PassCheck {

    /** Asked for together, so that there is something to tell meanwhile. */
    private static final int AT_ONCE = 12;

    /** One frame with what its sum is held against. */
    private record Place(long number, String name, List<ViewerMessage.Pair> pairs) {}

    private final boolean full;
    private final List<Place> places = new ArrayList<>();
    private long missing;

    private PassCheck(ResolvedReel programme, ReelSpan span, LongStream looked) {
        ReelEntry main = programme.entry(span.item()).orElseThrow();
        Optional<ReelEntry> whole = full(programme, span, main);
        full = whole.isPresent();
        Set<Long> seen = new HashSet<>();
        looked.forEach(place -> {
            ReelFrame frame = programme.plan().by(span, place);
            if (seen.add(frame.wanted())) {
                Recipe sum = frame.isFill() || !main.table().sequence().has(frame.wanted()) ? null : programme.recipe(frame).orElse(null);
                if (sum instanceof Recipe.Passes passes) {
                    add(main.table(), frame.wanted(), passes.unplaced(), whole);
                } else {
                    missing++;
                }
            }
        });
    }

    /** Every frame. @param span of an item that is made of passes */
    public static PassCheck of(ResolvedReel programme, ReelSpan span) {
        return new PassCheck(programme, span, LongStream.range(0, span.count()));
    }

    /** The first frame, the middle one and the last. @param span of an item that is made of passes */
    public static PassCheck sampled(ResolvedReel programme, ReelSpan span) {
        return new PassCheck(programme, span, LongStream.of(0, span.count() / 2, span.count() - 1));
    }

    /** Of every item of a reel that is made of passes, each once, by samples. */
    public static Map<MixedPicture, PassCheck> sampled(ResolvedReel programme) {
        return mixed(programme).entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> sampled(programme, e.getValue())));
    }

    /** What of a reel is made of passes, and where. */
    public static Map<MixedPicture, ReelSpan> mixed(ResolvedReel programme) {
        Map<MixedPicture, ReelSpan> mixed = new HashMap<>();
        for (ReelSpan span : programme.plan().spans()) {
            PassMix mix = programme.plan().part(span.item()).item().passes();
            if (mix != null && !mix.on().passes().isEmpty()) {
                programme.entry(span.item()).ifPresent(main -> mixed.putIfAbsent(new MixedPicture(main.source().id(), mix), span));
            }
        }
        return mixed;
    }

    /** What the sum should come to, by the name that the mix has it under. */
    private static Optional<ReelEntry> full(ResolvedReel programme, ReelSpan span, ReelEntry main) {
        Optional<Pass> pass = programme.plan().part(span.item()).item().passes().full();
        return pass.flatMap(p -> p.source() == null ? Optional.of(main)
                : programme.plan().cells(span.item()).mapToObj(programme::entry).flatMap(Optional::stream)
                        .filter(e -> e.source().id().equals(p.source())).findFirst());
    }

    private void add(FrameTable table, long number, Recipe.Passes sum, Optional<ReelEntry> whole) {
        Stream<Recipe> others = whole.isEmpty() ? IntStream.range(0, sum.frames().size()).mapToObj(sum::alone)
                : whole.filter(w -> w.table().sequence().has(number)).map(w -> ResolvedReel.alone(w.source(), w.table(), number)).stream()
                        .map(Recipe.class::cast);
        List<ViewerMessage.Pair> pairs = others
                .map(o -> new ViewerMessage.Pair(new ViewerMessage.Taken(o, null), new ViewerMessage.Taken(sum, null))).toList();
        if (pairs.isEmpty()) {
            missing++;
        } else {
            places.add(new Place(number, table.sequence().pattern().number(number), pairs));
        }
    }

    public int frames() {
        return places.size();
    }

    /** @param done told how many frames were compared */
    public CompletableFuture<PassReport> run(Viewer viewer, IntConsumer done) {
        return from(0, viewer, done, new ArrayList<>());
    }

    private CompletableFuture<PassReport> from(int first, Viewer viewer, IntConsumer done, List<PassReport.Frame> compared) {
        if (first >= places.size()) {
            return CompletableFuture.completedFuture(new PassReport(full, compared, missing + places.size() - compared.size()));
        }
        int end = Math.min(places.size(), first + AT_ONCE);
        List<Place> asked = places.subList(first, end);
        return viewer.measure(asked.stream().flatMap(p -> p.pairs.stream()).toList()).thenCompose(values -> {
            int at = 0;
            for (Place place : asked) {
                List<PairLikeness> own = values.subList(at, at + place.pairs.size());
                at += place.pairs.size();
                if (own.stream().noneMatch(v -> v == null)) {
                    compared.add(new PassReport.Frame(place.number, place.name, full ? own.getFirst().mostInEightBits()
                            : own.stream().mapToDouble(PairLikeness::whiter).min().orElseThrow()));
                }
            }
            done.accept(end);
            return from(end, viewer, done, compared);
        });
    }
}
