package dev.vat.engine.picture;

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
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.IntConsumer;

/** Holds the sum of an item's passes against the full picture, which is the item's source itself. */
public final class PassCheck {

    /** Asked for together, so that there is something to tell meanwhile. */
    private static final int AT_ONCE = 12;

    private final List<String> numbers = new ArrayList<>();
    private final List<ViewerMessage.Pair> pairs = new ArrayList<>();
    private long missing;

    /** @param span of an item that is made of passes */
    public PassCheck(ResolvedReel programme, ReelSpan span) {
        ReelEntry main = programme.entry(span.item()).orElseThrow();
        FrameTable table = main.table();
        Set<String> seen = new HashSet<>();
        for (long place = 0; place < span.count(); place++) {
            ReelFrame frame = programme.plan().by(span, place);
            String number = table.sequence().pattern().number(frame.wanted());
            if (!seen.add(number)) {
                continue;
            }
            Recipe sum = frame.isFill() || !table.sequence().has(frame.wanted()) ? null : programme.recipe(frame).orElse(null);
            if (sum instanceof Recipe.Passes passes) {
                numbers.add(number);
                pairs.add(new ViewerMessage.Pair(new ViewerMessage.Taken(ResolvedReel.alone(main.source(), table, frame.wanted()), null),
                        new ViewerMessage.Taken(passes.unplaced(), null)));
            } else {
                missing++;
            }
        }
    }

    public int frames() {
        return pairs.size();
    }

    /** @param done told how many frames were compared */
    public CompletableFuture<PassReport> run(Viewer viewer, IntConsumer done) {
        return from(0, viewer, done, new ArrayList<>());
    }

    private CompletableFuture<PassReport> from(int first, Viewer viewer, IntConsumer done, List<PassReport.Frame> compared) {
        if (first >= pairs.size()) {
            return CompletableFuture.completedFuture(new PassReport(compared, missing + pairs.size() - compared.size()));
        }
        int end = Math.min(pairs.size(), first + AT_ONCE);
        return viewer.measure(pairs.subList(first, end)).thenCompose(values -> {
            for (int i = 0; i < values.size(); i++) {
                PairLikeness value = values.get(i);
                if (value != null) {
                    compared.add(new PassReport.Frame(numbers.get(first + i), value.mostInEightBits()));
                }
            }
            done.accept(end);
            return from(end, viewer, done, compared);
        });
    }
}
