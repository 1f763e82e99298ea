package dev.vat.engine.queue;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import dev.vat.core.document.Documents;
import dev.vat.core.project.Project;
import dev.vat.core.project.ProjectText;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * What is to be made later, in its order, on disk: it survives every end. Windows and commands may change it at the same time; one of
 * them at most works through it.
 */
public final class RunQueue {

    private static final Words WORDS = Words.of(RunQueue.class);

    private static final Object HERE = new Object();
    /** What ids begin with. */
    private static final String PREFIX = "q";

    private final Path file;
    private final Path lock;
    private final Path worker;

    private RunQueue(Path folder) {
        file = folder.resolve("queue.json");
        lock = folder.resolve("queue.lock");
        worker = folder.resolve("queue.worker");
    }

    public static RunQueue of(Places places) {
        return new RunQueue(places.data());
    }

    /** In the order in which they are made. @throws IOException in words, if the queue can't be understood */
    public List<Waiting> entries() throws IOException {
        try {
            return Json.MAPPER.readValue(Files.readString(file), new TypeReference<List<Waiting>>() {});
        } catch (NoSuchFileException _) {
            return List.of();
        } catch (JsonProcessingException e) {
            throw new IOException(WORDS.say("theQueueCantBeUnderstood", file, Documents.words(e)), e);
        }
    }

    /** How something is to wait. @param notBefore null for at once @param after id of another, or null */
    public record Terms(boolean held, Instant notBefore, String after, boolean whenComplete) {
        public static final Terms NONE = new Terms(false, null, null, false);
    }

    /** Puts the project's current reel at the end. @throws IllegalArgumentException if it is to come after what isn't there */
    public Waiting add(Project project, Terms terms) throws IOException {
        String title = project.currentReel().map(r -> r.name()).orElse(project.name()) + ": "
                + project.deliverablesOn().stream().map(d -> d.title()).collect(Collectors.joining(", "));
        Waiting[] added = new Waiting[1];
        change(entries -> {
            if (terms.after() != null && entries.stream().noneMatch(w -> w.id().equals(terms.after()))) {
                throw new IllegalArgumentException(WORDS.say("thereIsNoInTheQueueToCome", terms.after()));
            }
            added[0] = new Waiting(freeId(entries), title, ProjectText.write(project), terms.held(),
                    terms.notBefore() == null ? null : terms.notBefore().toString(), terms.after(), terms.whenComplete(), null);
            List<Waiting> longer = new ArrayList<>(entries);
            longer.add(added[0]);
            return longer;
        });
        return added[0];
    }

    /** The id that somebody means by {@code q4} or {@code 4}, or null for null. */
    public static String id(String said) {
        return said != null && said.matches("\\d+") ? PREFIX + said : said;
    }

    private static String freeId(List<Waiting> entries) {
        Set<String> taken = entries.stream().map(Waiting::id).collect(Collectors.toSet());
        int number = 1;
        while (taken.contains(PREFIX + number)) {
            number++;
        }
        return PREFIX + number;
    }

    /** Replaces one by what {@code how} makes of it. @throws IllegalArgumentException if there is none of that id */
    public void change(String id, UnaryOperator<Waiting> how) throws IOException {
        change(entries -> {
            require(id, entries);
            return entries.stream().map(w -> w.id().equals(id) ? how.apply(w) : w).toList();
        });
    }

    /** Takes one out. What was to come after it waits for nothing any more: its id may be another's tomorrow. */
    public void remove(String id) throws IOException {
        change(entries -> {
            require(id, entries);
            return entries.stream().filter(w -> !w.id().equals(id)).map(w -> id.equals(w.after()) ? w.withoutAfter() : w).toList();
        });
    }

    /** Moves one by some places, towards the front by negative ones; no farther than to either end. */
    public void move(String id, int places) throws IOException {
        change(entries -> {
            Waiting moved = require(id, entries);
            List<Waiting> others = new ArrayList<>(entries);
            int to = Math.clamp((long) others.indexOf(moved) + places, 0, others.size() - 1);
            others.remove(moved);
            others.add(to, moved);
            return others;
        });
    }

    private static Waiting require(String id, List<Waiting> entries) {
        return entries.stream().filter(w -> w.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(WORDS.say("thereIsNoInTheQueue", id)));
    }

    private void change(UnaryOperator<List<Waiting>> how) throws IOException {
        Durable.createFolders(file.getParent());
        // One thread of this process at a time: file locks are the whole process's.
        synchronized (HERE) {
            try (FileChannel channel = FileChannel.open(lock, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock _ = channel.lock()) {
                Durable.write(file, Json.page(how.apply(entries())));
            }
        }
    }

    /** The next that may start now. @param skip ids of those whose frames aren't all there */
    public Optional<Waiting> next(Instant now, Set<String> skip) throws IOException {
        List<Waiting> entries = entries();
        Set<String> there = entries.stream().map(Waiting::id).collect(Collectors.toSet());
        return entries.stream().filter(w -> !skip.contains(w.id()) && w.whyNot(now, there).isEmpty()).findFirst();
    }

    /** Whether any of it starts without somebody's doing, now or later: not what is held, and not what comes after that. */
    public boolean goesOn() throws IOException {
        List<Waiting> entries = entries();
        Map<String, Waiting> byId = entries.stream().collect(Collectors.toMap(Waiting::id, Function.identity(), (a, _) -> a));
        return entries.stream().anyMatch(w -> !isBehindHeld(w, byId));
    }

    private static boolean isBehindHeld(Waiting waiting, Map<String, Waiting> byId) {
        Set<String> passed = new HashSet<>();
        Waiting at = waiting;
        while (at != null && !at.held() && passed.add(at.id())) {
            at = at.after() == null ? null : byId.get(at.after());
        }
        // One that comes after itself waits for ever, too.
        return at != null;
    }

    /** The project as it was when it was put here. */
    public static Project project(Waiting waiting) throws IOException {
        try {
            return ProjectText.read(waiting.project());
        } catch (IllegalArgumentException e) {
            throw new IOException(waiting.title() + ": " + e.getMessage(), e);
        }
    }

    /** The right to work through the queue, until it is closed; empty while another has it. */
    public Optional<FileChannel> work() throws IOException {
        Durable.createFolders(file.getParent());
        FileChannel channel = FileChannel.open(worker, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                return Optional.of(channel);
            }
        } catch (OverlappingFileLockException _) {
            // another window of this process
        }
        channel.close();
        return Optional.empty();
    }
}
