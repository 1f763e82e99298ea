package dev.vat.testkit.torture;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.run.Run;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.disturb.DisturbedWorker;
import dev.vat.testkit.disturb.SyncLog;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** One run that is interrupted again and again, then gone on with to its end, and held against one that nobody disturbed. */
final class Round {

    private static final int MOST_EVILS = 3;
    /** What a run takes until its first frame: that much of it is no use. */
    private static final long START_MILLIS = 3000;
    private static final long FULL_MILLIS = 2000;
    private static final long LOOK_MILLIS = 20;
    private static final int MOST_LOOKS = 1500;
    private static final String WORK = ".vat-";
    private static final String SYNCS = "syncs";

    private final Random random;
    private final Path home;
    private final Path out;
    private final RunPlan plan;
    private final RunPlan other;
    private final Map<String, Receipt> undisturbed;
    private final SmallDisk disk;
    private final List<Fault> evils;
    private final List<String> told = new ArrayList<>();

    /**
     * @param home Vat's own folder for this round
     * @param other what goes into the same folder at the same time and is left in peace, or null
     * @param undisturbed receipts of the same files by target
     * @param disk that the files go to, or null if it can't be filled up
     */
    Round(long seed, Path home, RunPlan plan, RunPlan other, Map<String, Receipt> undisturbed, SmallDisk disk, Circumstance how) {
        this.disk = disk;
        this.other = other;
        this.evils = Arrays.stream(Fault.values()).filter(e -> (disk != null || e != Fault.FILL_DISK) && !how.spares(e)).toList();
        if (!how.words().isEmpty()) {
            told.add(how.words());
        }
        this.random = new Random(seed);
        this.home = home;
        this.out = Path.of(plan.folder());
        this.plan = plan;
        this.undisturbed = undisturbed;
    }

    /**
     * @param typical how long an undisturbed run takes, in milliseconds
     * @return what was done
     * @throws TortureFailure saying what is wrong
     */
    List<String> play(long typical) throws IOException, InterruptedException {
        Path planFile = home.resolve("plan.json");
        Files.createDirectories(home);
        Durable.write(planFile, Json.page(plan));
        Path runHome = Places.in(home).runs().resolve(plan.run());
        Process beside = other == null ? null : beside();
        Process owner = owner("start", planFile);
        awaitBegin(owner, runHome);
        int times = 1 + random.nextInt(MOST_EVILS);
        for (int i = 0; i < times; i++) {
            long wait = random.nextLong(Math.max(400, (typical - START_MILLIS) * 6 / 10));
            boolean ended = owner.waitFor(wait, TimeUnit.MILLISECONDS);
            nothingBrokenUnderAFinalName();
            if (ended && isMade(runHome)) {
                told.add("it was made before its moment");
                break;
            }
            if (ended || !Files.exists(runHome.resolve("journal.jsonl"))) {
                told.add("nothing to disturb after " + wait + " ms");
                end(owner, true);
                if (!Files.exists(runHome.resolve("plan.json"))) {
                    owner = owner("start", planFile);
                    continue;
                }
            } else {
                Fault evil = evils.get(random.nextInt(evils.size()));
                told.add(evil.words() + " after " + wait + " ms");
                act(evil, owner, runHome);
                if (evil == Fault.KILL_WORKER || evil == Fault.FILL_DISK) {
                    continue;
                }
            }
            nothingBrokenUnderAFinalName();
            owner = Files.exists(runHome.resolve("plan.json")) ? owner("resume", runHome) : owner("start", planFile);
        }
        if (!owner.waitFor(300, TimeUnit.SECONDS)) {
            end(owner, true);
            throw new TortureFailure("the run stood still", told);
        }
        if (!isMade(runHome)) {
            // Its last process was killed twice without getting further: somebody presses the button.
            try (Run run = Run.resume(RunHome.at(runHome), Places.in(home), _ -> {})) {
                run.outcome().join();
            }
            told.add("gone on with by hand");
        }
        if (beside != null && !beside.waitFor(300, TimeUnit.SECONDS)) {
            end(beside, true);
            throw new TortureFailure("the other run stood still", told);
        }
        sameAsUndisturbed();
        return told;
    }

    private Process beside() throws IOException {
        Path file = home.resolve("other.json");
        Durable.write(file, Json.page(other));
        return owner("start", file);
    }

    /** Processes take a while to start: there is nothing to disturb before the journal is there. */
    private static void awaitBegin(Process owner, Path runHome) throws InterruptedException {
        for (int i = 0; i < MOST_LOOKS && owner.isAlive() && !Files.exists(runHome.resolve("journal.jsonl")); i++) {
            Thread.sleep(LOOK_MILLIS);
        }
    }

    private static boolean isMade(Path runHome) throws IOException {
        return RunHome.at(runHome).unfinished().isEmpty();
    }

    private Process owner(String how, Path what) throws IOException {
        List<String> command = List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx256m", "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-D" + Torture.NATIVE_CACHE + "=" + System.getProperty(Torture.NATIVE_CACHE),
                "-Dlogback.configurationFile=logback-worker.xml", "-Dvat.worker.main=" + DisturbedWorker.class.getName(), "-cp",
                System.getProperty("java.class.path"), OwnerMain.class.getName(), how, what.toString(), home.toString());
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().put(SyncLog.VARIABLE, home.resolve(SYNCS).toString());
        return builder.redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(home.resolve("owner.log").toFile()))
                .start();
    }

    private static void end(Process owner, boolean both) throws InterruptedException {
        List<ProcessHandle> workers = owner.descendants().toList();
        owner.destroyForcibly();
        if (both) {
            workers.forEach(ProcessHandle::destroyForcibly);
        }
        owner.waitFor();
        for (ProcessHandle worker : workers) {
            worker.onExit().join();
        }
    }

    private void act(Fault evil, Process owner, Path runHome) throws IOException, InterruptedException {
        switch (evil) {
            case KILL_WORKER -> owner.descendants().forEach(ProcessHandle::destroyForcibly);
            case TERMINATE -> Signal.TERM.send(owner, false);
            case INTERRUPT -> Signal.INT.send(owner, true);
            case KILL_APPLICATION -> end(owner, false);
            case KILL_BOTH -> end(owner, true);
            case CUT_JOURNAL -> {
                end(owner, true);
                cut(runHome.resolve("journal.jsonl"));
            }
            case CUT_OPEN -> {
                end(owner, true);
                for (Path file : work(f -> f.getFileName().toString().equals("open.part"))) {
                    cut(file);
                }
            }
            case LOSE_POWER -> {
                end(owner, true);
                losePower();
            }
            case FILL_DISK -> {
                disk.fill();
                Thread.sleep(FULL_MILLIS);
                disk.clear();
            }
            case TAKE_FOLDER -> {
                end(owner, true);
                takeFolder(runHome);
            }
        }
    }

    private void cut(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            long size = channel.size();
            channel.truncate(size == 0 ? 0 : random.nextLong(size));
        } catch (NoSuchFileException _) {
            // It isn't there yet: nothing to cut.
        }
    }

    /** The power fails: of Vat's own folder and of that for files only what was synced is certain to be left. */
    private void losePower() throws IOException {
        SyncLog log = new SyncLog(home.resolve(SYNCS));
        log.failPower(Places.in(home).data(), random);
        log.failPower(out, random);
    }

    private List<Path> work(Predicate<Path> which) throws IOException {
        List<Path> found = new ArrayList<>();
        try (Stream<Path> folders = Files.list(out)) {
            for (Path folder : folders.filter(f -> f.getFileName().toString().startsWith(WORK + plan.run())).toList()) {
                try (Stream<Path> files = Files.walk(folder)) {
                    files.filter(Files::isRegularFile).filter(which).forEach(found::add);
                }
            }
        }
        return found;
    }

    private void takeFolder(Path runHome) throws IOException {
        Path away = out.resolveSibling(out.getFileName() + "-away");
        Files.move(out, away);
        try (Run run = Run.resume(RunHome.at(runHome), Places.in(home), _ -> {})) {
            run.outcome().join();
            throw new TortureFailure("a run went on without its folder", told);
        } catch (IOException e) {
            if (!String.valueOf(e.getMessage()).contains("isn't there")) {
                throw e;
            }
        } finally {
            Files.move(away, out);
        }
    }

    /** Whatever stands in the folder without the sign of work is whole, and is what its receipt says. */
    private void nothingBrokenUnderAFinalName() throws IOException {
        if (!Files.isDirectory(out)) {
            return;
        }
        List<Path> named;
        try (Stream<Path> files = Files.list(out)) {
            named = files.filter(f -> !f.getFileName().toString().startsWith(WORK) && !f.toString().endsWith(Receipt.SUFFIX)
                    && !f.getFileName().toString().startsWith(Material.BASE_NAME + ".")).toList();
        }
        for (Path file : named) {
            boolean same = undisturbed.values().stream().anyMatch(r -> r.sha256().equals(print(file)));
            if (!same) {
                throw new TortureFailure(file.getFileName() + " stands under its name and isn't what it should be", told);
            }
        }
    }

    private static String print(Path file) {
        try {
            return Durable.sha256(file);
        } catch (IOException e) {
            return "unreadable: " + e.getMessage();
        }
    }

    private void sameAsUndisturbed() throws IOException {
        nothingBrokenUnderAFinalName();
        List<RunFile> all = new ArrayList<>(plan.files());
        if (other != null) {
            all.addAll(other.files());
        }
        for (RunFile file : all) {
            Path made = out.resolve(file.fileName());
            if (!Files.exists(ReceiptFile.of(made))) {
                throw new TortureFailure(file.fileName() + " was never delivered", told);
            }
            Receipt receipt = ReceiptFile.read(ReceiptFile.of(made));
            Receipt wanted = undisturbed.get(file.target());
            if (!receipt.proven() || !receipt.frames().stream().map(Receipt.FrameLine::crc).toList()
                    .equals(wanted.frames().stream().map(Receipt.FrameLine::crc).toList())) {
                throw new TortureFailure(file.fileName() + " hasn't the frames of an undisturbed run", told);
            }
        }
        try (Stream<Path> left = Files.list(out)) {
            List<String> work = left.map(f -> f.getFileName().toString()).filter(n -> n.startsWith(WORK)).toList();
            if (!work.isEmpty()) {
                throw new TortureFailure("work folders are left: " + work, told);
            }
        }
    }
}
