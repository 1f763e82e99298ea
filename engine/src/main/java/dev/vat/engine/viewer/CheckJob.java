package dev.vat.engine.viewer;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;

/**
 * The checking of one sequence, in batches. When the viewer process dies, the files that it was looking into are tried
 * again one by one, so that the one which kills it is found and named.
 */
final class CheckJob {

    private static final Words WORDS = Words.of(CheckJob.class);

    private static final int BATCH = 8;
    private static final int IN_FLIGHT = 4;
    private static final int HEADER_BATCH = 64;

    private final Sequence sequence;
    private final boolean headersOnly;
    private final PictureChoice choice;
    private final FrameTable.Collector collector;
    private final Consumer<CheckProgress> listener;
    private final CompletableFuture<FrameTable> result = new CompletableFuture<>();
    private final Map<Long, List<ViewerMessage.Check.File>> inFlight = new HashMap<>();
    private final Deque<ViewerMessage.Check.File> suspects = new ArrayDeque<>();
    private boolean suspectAsked;
    private final KnownChecks known;
    private int next;

    /**
     * @param choice which picture of each file
     * @param known what earlier full checks found; taken over where a file is still the same
     */
    CheckJob(Sequence sequence, boolean headersOnly, PictureChoice choice, KnownChecks known, Consumer<CheckProgress> listener) {
        this.sequence = sequence;
        this.choice = choice;
        this.headersOnly = headersOnly;
        this.known = known;
        this.collector = FrameTable.collect(sequence);
        this.listener = listener;
    }

    CompletableFuture<FrameTable> result() {
        return result;
    }

    boolean isOver() {
        return result.isDone();
    }

    boolean isAsking() {
        return !inFlight.isEmpty();
    }

    boolean owns(long id) {
        return inFlight.containsKey(id);
    }

    /** The next question to ask, if it is time for one. */
    Optional<ViewerMessage.Check> nextQuestion(long id) {
        if (isOver()) {
            return Optional.empty();
        }
        if (suspectAsked || !suspects.isEmpty()) {
            // One suspect at a time, and nothing beside it.
            if (!inFlight.isEmpty()) {
                return Optional.empty();
            }
            suspectAsked = !suspects.isEmpty();
            if (suspectAsked) {
                return Optional.of(ask(id, List.of(suspects.poll())));
            }
        }
        if (inFlight.size() >= IN_FLIGHT || next >= sequence.count()) {
            return Optional.empty();
        }
        List<ViewerMessage.Check.File> files = new ArrayList<>();
        List<FrameCheck> found = new ArrayList<>();
        for (; next < sequence.count() && files.size() < (headersOnly ? HEADER_BATCH : BATCH); next++) {
            FrameCheck earlier = headersOnly ? null : known.get(sequence, choice, next);
            if (earlier != null) {
                found.add(earlier);
            } else {
                long number = sequence.number(next);
                files.add(new ViewerMessage.Check.File(number, sequence.file(number).toString()));
            }
        }
        if (!found.isEmpty()) {
            take(found);
        }
        return files.isEmpty() ? Optional.empty() : Optional.of(ask(id, files));
    }

    private ViewerMessage.Check ask(long id, List<ViewerMessage.Check.File> files) {
        inFlight.put(id, files);
        return new ViewerMessage.Check(id, sequence.kind(), headersOnly, choice, files);
    }

    void answered(ViewerMessage.Checked answer) {
        inFlight.remove(answer.id());
        if (!headersOnly) {
            known.put(sequence, choice, answer.checks());
        }
        take(answer.checks());
    }

    private void take(List<FrameCheck> checks) {
        checks.forEach(collector::add);
        boolean complete = collector.checked() == sequence.count();
        listener.accept(new CheckProgress(sequence, collector.checked(), checks));
        if (complete) {
            result.complete(collector.build());
        }
    }

    void workerLost() {
        List<List<ViewerMessage.Check.File>> lost = List.copyOf(inFlight.values());
        inFlight.clear();
        if (lost.size() == 1 && lost.getFirst().size() == 1) {
            take(List.of(FrameCheck.fault(lost.getFirst().getFirst().number(), FrameState.UNREADABLE,
                    WORDS.say("itMakesTheDecoderCrash"))));
        } else {
            lost.forEach(suspects::addAll);
        }
    }

    void fail(String why) {
        result.completeExceptionally(new IllegalStateException(why));
    }
}
