package dev.vat.protocol.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.document.Documents;
import dev.vat.core.project.Project;
import dev.vat.core.project.ProjectText;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The folder {@code DATA/runs/RUNID} of one run: its plan, its journal, and a lock that is held while it goes on. Work
 * folders stand on the destination's own file system and name their run in {@code run.json}.
 */
public final class RunHome {

    private static final Words WORDS = Words.of(RunHome.class);

    /** What {@code run.json} in a work folder says. */
    record WorkFolder(String run, String target) {}

    /** A run that was cut off so often waits for somebody to look at it. */
    private static final int MOST_STARTS = 5;
    private static final String PROJECT = "project.vat";
    /** Where the closed parts of a file lie in its work folder. */
    public static final String PARTS = "parts";

    private final Path folder;

    private RunHome(Path folder) {
        this.folder = folder;
    }

    public static RunHome create(Places places, RunPlan plan) throws IOException {
        RunHome home = new RunHome(places.runs().resolve(plan.run()));
        try {
            Durable.createFolders(home.folder);
            Durable.write(home.folder.resolve("plan.json"), Json.page(plan));
            return home;
        } catch (IOException e) {
            Durable.deleteTree(home.folder);
            throw new IOException(WORDS.say("theRunCantBeginNothingCanBeWritten", places.runs(), e.getMessage()), e);
        }
    }

    /** Runs that left something unmade and don't go on, the oldest first. */
    public static List<RunHome> unfinished(Places places) throws IOException {
        List<RunHome> found = new ArrayList<>();
        for (RunHome home : all(places)) {
            if (!home.isRunning() && !home.unfinished().isEmpty()) {
                found.add(home);
            }
        }
        return found;
    }

    /** Those of them whose files go to a folder. */
    public static List<RunHome> unfinishedIn(Places places, Path folder) throws IOException {
        List<RunHome> found = new ArrayList<>();
        Path wanted = folder.toAbsolutePath().normalize();
        for (RunHome home : unfinished(places)) {
            if (Path.of(home.plan().folder()).equals(wanted)) {
                found.add(home);
            }
        }
        return found;
    }

    public static RunHome at(Path folder) {
        return new RunHome(folder);
    }

    /** All runs there are, the oldest first. */
    public static List<RunHome> all(Places places) throws IOException {
        try (Stream<Path> folders = Files.list(places.runs())) {
            return folders.filter(f -> Files.isRegularFile(f.resolve("plan.json"))).sorted().map(RunHome::new).toList();
        } catch (NoSuchFileException _) {
            return List.of();
        }
    }

    public Path folder() {
        return folder;
    }

    public String id() {
        return folder.getFileName().toString();
    }

    /** Keeps the project that the run is made of. */
    public void keep(Project project) throws IOException {
        Durable.write(folder.resolve(PROJECT), ProjectText.write(project));
    }

    /** The project as it was when the run was planned, as text. */
    public Optional<String> project() throws IOException {
        Path kept = folder.resolve(PROJECT);
        return Files.exists(kept) ? Optional.of(Files.readString(kept)) : Optional.empty();
    }

    public RunPlan plan() throws IOException {
        try {
            RunPlan plan = Json.MAPPER.readValue(Files.readString(folder.resolve("plan.json")), RunPlan.class);
            if (plan.version() != RunPlan.VERSION) {
                throw new IOException(WORDS.say("theRunWasPlannedByAnother", folder.getFileName()));
            }
            return plan;
        } catch (JsonProcessingException e) {
            throw new IOException(WORDS.say("thePlanOfRunCantBeRead", folder.getFileName(), Documents.words(e)), e);
        }
    }

    public List<JournalEntry> journal() throws IOException {
        return Journal.read(folder.resolve("journal.jsonl"));
    }

    public Journal openJournal() throws IOException {
        return Journal.append(folder.resolve("journal.jsonl"));
    }

    /** The lock of a run that goes on, or empty if another process holds it. The channel is the lock's owner. */
    public Optional<FileChannel> lock() throws IOException {
        FileChannel channel = FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return Optional.of(channel);
            }
        } catch (OverlappingFileLockException _) {
            // held by this very process
        }
        channel.close();
        return Optional.empty();
    }

    public boolean isRunning() throws IOException {
        Optional<FileChannel> lock = lock();
        if (lock.isPresent()) {
            lock.get().close();
            return false;
        }
        return true;
    }

    /** Whether the run neither ended by itself nor goes on: something put an end to it. */
    public boolean isInterrupted() throws IOException {
        return !hasEnded() && !isRunning();
    }

    /** Whether it was cut off in the middle, and not so often that something must be wrong with it: then it goes on without being asked. */
    public boolean goesOnByItself() throws IOException {
        RunState state = RunState.of(journal());
        return state.wasCutOff() && state.starts() < MOST_STARTS && Files.isDirectory(Path.of(plan().folder())) && !isRunning();
    }

    /** Whether the run came to its end by itself, stopped or not. */
    public boolean hasEnded() throws IOException {
        return !journal().isEmpty() && !RunState.of(journal()).wasCutOff();
    }

    /** Where a deliverable is worked on: {@code .vat-RUNID-COLUMN} in the destination. */
    public static Path workFolder(RunPlan plan, RunFile file) {
        return Path.of(plan.folder()).resolve(".vat-" + plan.run() + "-" + file.target());
    }

    /** Where a deliverable lies when it is whole and has not got its name yet. */
    public static Path finished(RunPlan plan, RunFile file) {
        return workFolder(plan, file).resolve("final").resolve(file.fileName());
    }

    /** Where what was encoded of a deliverable lies: its closed parts, or its stills. */
    public static Path made(RunPlan plan, RunFile file) {
        return file.isFolder() ? finished(plan, file) : workFolder(plan, file).resolve(PARTS);
    }

    public static void createWorkFolder(RunPlan plan, RunFile file) throws IOException {
        Path work = workFolder(plan, file);
        Durable.createFolders(work.resolve(PARTS));
        Durable.createFolders(file.isFolder() ? finished(plan, file) : work.resolve("final"));
        Durable.write(work.resolve("run.json"), Json.page(new WorkFolder(plan.run(), file.target())));
    }

    /** Deletes a deliverable's work folder, if it says that it belongs to this run. */
    public static void deleteWorkFolder(RunPlan plan, RunFile file) throws IOException {
        Path work = workFolder(plan, file);
        Path label = work.resolve("run.json");
        if (Files.exists(label)
                && Json.MAPPER.readValue(Files.readString(label), WorkFolder.class).run().equals(plan.run())) {
            Durable.deleteTree(work);
        }
    }

    /** Deletes the work folders of an interrupted or stopped run, and its home; what it delivered stays. */
    public void discard() throws IOException {
        RunPlan plan = plan();
        for (RunFile file : plan.files()) {
            deleteWorkFolder(plan, file);
        }
        Durable.deleteTree(folder);
    }

    /** The deliverables that an ended or interrupted run did not bring to an end. */
    public List<RunFile> unfinished() throws IOException {
        return RunState.of(journal()).undelivered(plan());
    }
}
