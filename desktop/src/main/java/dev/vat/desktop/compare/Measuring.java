package dev.vat.desktop.compare;

import dev.vat.core.trial.PairLikeness;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;

/** Measures how like two strips are, frame by frame, a few at a time and in their order. On the interface's thread. */
final class Measuring {

    private static final int AT_ONCE = 6;
    private static final int MOST_WORST = 10;
    /** Stands for no difference in R, G and B, above every PSNR. */
    private static final double SAME = 200;

    private final Viewer viewer;
    private final Side first;
    private final Side second;
    private final Runnable more;
    private final Map<Long, PairLikeness> found = new HashMap<>();
    /** Sorted as measures come in: it is asked for with every frame that is shown. */
    private List<Long> worst = List.of();
    private CompletableFuture<List<PairLikeness>> asked;
    private long next;
    private boolean ended;
    private String trouble = "";

    /** @param more told when there is more */
    Measuring(Viewer viewer, Side first, Side second, Runnable more) {
        this.viewer = viewer;
        this.first = first;
        this.second = second;
        this.more = more;
    }

    void start() {
        ask();
    }

    private void ask() {
        List<Long> places = new ArrayList<>();
        List<ViewerMessage.Pair> pairs = new ArrayList<>();
        for (; next < first.strip().count() && pairs.size() < AT_ONCE; next++) {
            Optional<ViewerMessage.Taken> a = first.taken(next);
            Optional<ViewerMessage.Taken> b = second.taken(next);
            if (a.isPresent() && b.isPresent()) {
                places.add(next);
                pairs.add(new ViewerMessage.Pair(a.get(), b.get()));
            }
        }
        if (pairs.isEmpty() || ended) {
            ended = true;
            more.run();
            return;
        }
        asked = viewer.measure(pairs);
        asked.whenComplete((values, failure) -> Platform.runLater(() -> took(places, values, failure)));
    }

    private void took(List<Long> places, List<PairLikeness> values, Throwable failure) {
        if (ended) {
            return;
        }
        if (failure != null) {
            trouble = String.valueOf(failure.getMessage());
            ended = true;
            more.run();
            return;
        }
        for (int i = 0; i < places.size(); i++) {
            if (values.get(i) != null) {
                found.put(places.get(i), values.get(i));
            }
        }
        worst = sorted();
        more.run();
        ask();
    }

    Map<Long, PairLikeness> found() {
        return found;
    }

    boolean isOver() {
        return ended;
    }

    String trouble() {
        return trouble;
    }

    /**
     * The places that differ most, the worst first: by PSNR, then by the strongest difference. Those that don't differ aren't among them.
     */
    List<Long> worst() {
        return worst;
    }

    private List<Long> sorted() {
        return found.entrySet().stream().filter(e -> !e.getValue().isSame())
                .sorted(Comparator
                        .comparingDouble((Map.Entry<Long, PairLikeness> e) -> e.getValue().psnr() == null ? SAME : e.getValue().psnr())
                        .thenComparingInt(e -> -e.getValue().most()))
                .limit(MOST_WORST).map(Map.Entry::getKey).toList();
    }

    void stop() {
        ended = true;
        if (asked != null) {
            asked.cancel(false);
        }
    }
}
