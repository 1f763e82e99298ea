package dev.vat.engine.viewer;

import dev.vat.core.words.Words;
import dev.vat.protocol.PictureSlots;
import dev.vat.protocol.ViewerMessage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;

/** Pictures that were asked for, those on their way, and the memory that they come through. Its owner's lock is held for all of it. */
final class PictureQueue {

    private static final Words WORDS = Words.of(PictureQueue.class);

    /** A picture that was asked for. @param patient whether others go before it */
    private record Wanted(ViewerMessage.Subject subject, ViewerMessage.Shape shape, CompletableFuture<ShownPicture> answer,
            boolean patient) {

        void failed(String why) {
            answer.completeExceptionally(new IllegalStateException(why));
        }
    }

    private final Path cache;
    private final Map<Long, Wanted> shown = new HashMap<>();
    private final Deque<Wanted> waiting = new ArrayDeque<>();
    /** Those that others go before. */
    private final Deque<Wanted> later = new ArrayDeque<>();
    private final Deque<Integer> freeSlots = new ArrayDeque<>();
    private final Set<ViewerMessage.Subject> deadly = new HashSet<>();
    private PictureSlots slots;
    private Path slotFile;

    /** @param cache where the file of the memory is made */
    PictureQueue(Path cache) {
        this.cache = cache;
    }

    CompletableFuture<ShownPicture> ask(ViewerMessage.Subject subject, ViewerMessage.Shape shape, boolean patient) {
        Wanted wanted = new Wanted(subject, shape, new CompletableFuture<>(), patient);
        if (!PictureSlots.fits(shape.width(), shape.height())) {
            wanted.answer.completeExceptionally(new IllegalArgumentException(
                    WORDS.say("noPictureOfX", shape.width(), shape.height())));
        } else if (deadly.contains(subject)) {
            wanted.failed(WORDS.say("crashes"));
        } else {
            (patient ? later : waiting).add(wanted);
        }
        return wanted.answer;
    }

    /** What a process is told first: where pictures go. */
    ViewerMessage.Slots slots(long id) throws IOException {
        if (slots == null) {
            Files.createDirectories(cache);
            slotFile = Files.createTempFile(cache, "pictures-", ".slots");
            slots = PictureSlots.map(slotFile, PictureSlots.COUNT, PictureSlots.BYTES);
            for (int i = 0; i < slots.count(); i++) {
                freeSlots.add(i);
            }
        }
        return new ViewerMessage.Slots(id, slotFile.toString(), PictureSlots.COUNT, PictureSlots.BYTES);
    }

    /** Whether anything waits. Only one patient picture is on its way at a time. */
    boolean isWaiting() {
        waiting.removeIf(wanted -> wanted.answer.isDone());
        later.removeIf(wanted -> wanted.answer.isDone());
        return nextIsPatient() || !waiting.isEmpty();
    }

    private boolean nextIsPatient() {
        return !later.isEmpty() && shown.values().stream().noneMatch(Wanted::patient);
    }

    /** The next picture to be made, where something waits and there is room for it. */
    Optional<ViewerMessage.Show> next(long id) {
        if (!isWaiting() || freeSlots.isEmpty()) {
            return Optional.empty();
        }
        Wanted wanted = (nextIsPatient() ? later : waiting).remove();
        shown.put(id, wanted);
        return Optional.of(new ViewerMessage.Show(id, freeSlots.poll(), wanted.subject, wanted.shape));
    }

    /** @param released told of the picture's memory and slot when it is closed */
    void came(ViewerMessage.Shown picture, Runnable released) {
        Wanted wanted = shown.remove(picture.id());
        ShownPicture result = new ShownPicture(picture.width(), picture.height(),
                slots.pixels(picture.slot(), picture.width(), picture.height()), released);
        if (wanted == null || !wanted.answer.complete(result)) {
            freeSlots.add(picture.slot());
        }
    }

    void refused(ViewerMessage.NotShown refused) {
        freeSlots.add(refused.slot());
        Wanted wanted = shown.remove(refused.id());
        if (wanted != null) {
            wanted.failed(refused.why());
        }
    }

    /** The memory that pictures come through now. */
    PictureSlots room() {
        return slots;
    }

    /** @return whether it is memory of the process that runs: a slot of one that died meanwhile is nobody's any more */
    boolean release(PictureSlots room, int slot) {
        return room == slots && freeSlots.add(slot);
    }

    /**
     * The process is gone, and what it was asked with it.
     *
     * @param alone whether it did nothing else: then the one picture in the works is what killed it, and isn't tried again
     */
    void lost(boolean alone) {
        boolean culprit = alone && shown.size() == 1;
        for (Wanted wanted : shown.values()) {
            if (culprit) {
                deadly.add(wanted.subject);
            }
            wanted.failed(culprit ? WORDS.say("crashes") : WORDS.say("startedAgain"));
        }
        shown.clear();
        deleteFile();
        freeSlots.clear();
        slots = null;
    }

    /** What crashed is tried once more. */
    void forgive() {
        deadly.clear();
    }

    void failWaiting(String why) {
        for (Deque<Wanted> queue : List.of(waiting, later)) {
            queue.forEach(w -> w.failed(why));
            queue.clear();
        }
    }

    void deleteFile() {
        if (slotFile != null) {
            slotFile.toFile().delete();
        }
    }
}
