package dev.vat.bench;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.MemoryBound;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;

/** Runs as a whole, with their own processes: what a stop costs, what is said of time left, what they keep in memory, what proof takes. */
final class Whole {

    /** Twelve files of one 4K read, as different as they come. */
    private static final List<String> TWELVE = List.of("web-h264", "web-vp9", "edit-prores-hq", "edit-prores-422", "edit-prores-lt",
            "alpha-prores-4444", "edit-h264-intra",
            "edit-cineform", "archive-ffv1", "alpha-png", "frames-png", "frames-exr");

    private final Path home;
    private final List<String> targets;

    Whole(Path home, List<String> targets) {
        this.home = home;
        this.targets = targets;
    }

    private Places fresh(Path out) throws IOException {
        Path own = home.resolve("whole-home");
        Durable.deleteTree(own);
        Durable.deleteTree(out);
        return Places.in(own);
    }

    private static void requireMade(Run.Outcome outcome) {
        outcome.files().stream().filter(f -> f.stage() != Stage.DELIVERED).findFirst().ifPresent(f -> {
            throw new IllegalStateException(f.target() + ": " + f.stage() + ", " + f.why());
        });
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    /** Killed half way and gone on with, against a run that nobody disturbed. */
    void resume() throws Exception {
        Path material = Material.repeated(home, Material.frames(home, 96, 960, 540), 400);
        Path out = home.resolve("resumed");
        RunPlan plan = Plans.of(material, out, targets);
        long start = System.nanoTime();
        try (Run run = Run.start(plan, fresh(out), _ -> {})) {
            requireMade(run.outcome().join());
        }
        double undisturbed = seconds(start);
        Places places = fresh(out);
        CompletableFuture<Void> half = new CompletableFuture<>();
        start = System.nanoTime();
        RunHome runHome;
        try (Run run = Run.start(plan, places, p -> {
            if (p.framesRead() > 210) {
                half.complete(null);
            }
        })) {
            runHome = run.home();
            half.join();
        }
        double first = seconds(start);
        start = System.nanoTime();
        try (Run run = Run.resume(runHome, places, _ -> {})) {
            requireMade(run.outcome().join());
        }
        double second = seconds(start);
        System.out.printf(Locale.ROOT, "stopped half way and gone on with: %.1f s and %.1f s, %.3f of the %.1f s of an undisturbed run%n",
                first, second,
                (first + second) / undisturbed, undisturbed);
        Durable.deleteTree(out);
    }

    private record Said(double at, double left) {}

    /**
     * The time left that is said from a tenth on, against what it took; the frames are easy first and hard then, or the other way round.
     */
    void left() throws Exception {
        Path dunes = Material.frames(home, 96, 960, 540);
        for (boolean hardFirst : new boolean[] {false, true}) {
            Path material = uneven(dunes, hardFirst);
            Path out = home.resolve("left");
            List<Said> said = new ArrayList<>();
            long start = System.nanoTime();
            try (Run run = Run.start(Plans.of(material, out, targets), fresh(out), p -> {
                if (p.secondsLeft() > 0) {
                    said.add(new Said(seconds(start), p.secondsLeft()));
                }
            })) {
                requireMade(run.outcome().join());
            }
            double whole = seconds(start);
            double[] errors = said.stream().filter(s -> s.at >= whole / 10 && s.at <= whole * .95)
                    .mapToDouble(s -> Math.abs(s.left - (whole - s.at)) / (whole - s.at)).sorted().toArray();
            double[] shares = said.stream().filter(s -> s.at >= whole / 10).mapToDouble(s -> Math.abs(s.left - (whole - s.at)) / whole)
                    .sorted().toArray();
            System.out.printf(Locale.ROOT, "time left, %s frames first, %.1f s: off by %.1f %% of what was left (median of %d), %.1f "
                    + "%% (nine of ten); by %.1f %% of the whole (median)%n",
                    hardFirst ? "hard" : "easy", whole, 100 * errors[errors.length / 2], errors.length,
                    100 * errors[errors.length * 9 / 10], 100 * shares[shares.length / 2]);
            Durable.deleteTree(out);
        }
    }

    /** 600 names: a third stands still, two thirds move. */
    private Path uneven(Path dunes, boolean hardFirst) throws IOException {
        Path folder = home.resolve("uneven-" + hardFirst);
        Files.createDirectories(folder);
        try (Stream<Path> files = Files.list(dunes)) {
            Path[] real = files.sorted().toArray(Path[]::new);
            for (int i = 0; i < 600; i++) {
                Path name = folder.resolve("u.%04d.png".formatted(i + 1));
                boolean hard = hardFirst ? i < 400 : i >= 200;
                if (!Files.exists(name)) {
                    Files.createSymbolicLink(name, real[hard ? i % real.length : 0].toAbsolutePath());
                }
            }
        }
        return folder;
    }

    /** The most that the run process ever held: twelve files from 4K frames of 16 bits. */
    void twelve() throws Exception {
        Path material = Material.repeated(home.resolve("4k"), Material.frames(home.resolve("4k"), 8, 3840, 2160), 24);
        Path out = home.resolve("twelve");
        long[] most = {0};
        Run[] holder = new Run[1];
        long start = System.nanoTime();
        RunPlan plan = Plans.of(material, out, TWELVE);
        try (Run run = Run.start(plan, fresh(out), _ -> {
            if (holder[0] != null) {
                most[0] = Math.max(most[0], peakMegabytes(holder[0].pid()));
            }
        })) {
            holder[0] = run;
            requireMade(run.outcome().join());
        }
        System.out.printf(Locale.ROOT, "twelve files from 24 frames of 3840x2160 in 16 bits: %.0f s, at most %,d MB in the run's "
                + "process, %,d MB stated%n", seconds(start), most[0],
                MemoryBound.of(plan, plan.files()) / 1_000_000);
        Durable.deleteTree(out);
    }

    private static long peakMegabytes(long pid) {
        try {
            return Files.readAllLines(Path.of("/proc/" + pid + "/status")).stream().filter(l -> l.startsWith("VmHWM:"))
                    .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1000).findFirst().orElse(0);
        } catch (IOException _) {
            return 0;
        }
    }

    /** In parts against in one go, in turns: size, time and CPU until the last part is closed, likeness. */
    void parts(List<String> ofTargets, int rounds) throws Exception {
        Path material = Material.repeated(home, Material.frames(home, 96, 960, 540), 1500);
        for (String target : ofTargets) {
            Path out = home.resolve("parts");
            RunPlan cut = Plans.of(material, out, List.of(target));
            RunFile file = cut.files().getFirst();
            RunPlan whole = cut.withFiles(List.of(file.withParts(List.of(new RunPart(0, 0, file.expected().frames())))));
            Figures one = new Figures();
            Figures several = new Figures();
            double bytes = 0;
            double psnr = 0;
            for (int round = 0; round < rounds; round++) {
                Closed first = measure(round % 2 == 0 ? whole : cut, out, round % 2 == 0 ? one : several);
                Closed second = measure(round % 2 == 0 ? cut : whole, out, round % 2 == 0 ? several : one);
                Closed inOne = round % 2 == 0 ? first : second;
                Closed inParts = round % 2 == 0 ? second : first;
                bytes = inParts.bytes / inOne.bytes;
                psnr = inParts.psnr - inOne.psnr;
            }
            System.out.printf(Locale.ROOT, "%-16s %d parts against one: bytes x%.4f, time x%.3f (%.1f s), CPU x%.3f, PSNR %+.3f dB%n",
                    target, file.parts().size(), bytes,
                    several.wall() / one.wall(), one.wall(), several.cpu() / one.cpu(), psnr);
        }
    }

    private record Closed(double bytes, double psnr) {}

    private Closed measure(RunPlan plan, Path out, Figures times) throws Exception {
        long start = System.nanoTime();
        double[] closed = {0, 0};
        Run[] holder = new Run[1];
        Receipt receipt;
        try (Run run = Run.start(plan, fresh(out), p -> {
            if (closed[0] == 0 && holder[0] != null && p.files().getFirst().stage().ordinal() >= Stage.JOINING.ordinal()) {
                closed[1] = ProcessHandle.of(holder[0].pid()).flatMap(h -> h.info().totalCpuDuration()).map(d -> d.toMillis() / 1e3)
                        .orElse(0.0);
                closed[0] = seconds(start);
            }
        })) {
            holder[0] = run;
            Run.Outcome outcome = run.outcome().join();
            requireMade(outcome);
            receipt = ReceiptFile.read(ReceiptFile.of(Path.of(outcome.files().getFirst().path())));
        }
        times.add(closed[0], closed[1]);
        Durable.deleteTree(out);
        return new Closed(receipt.found().bytes(),
                receipt.quality() == null || receipt.quality().meanPsnr() == null ? 0 : receipt.quality().meanPsnr());
    }

    /** What joining and proving takes of the time that making with the inline check takes, for every target of one codec each. */
    void proof() throws Exception {
        Path material = Material.repeated(home, Material.frames(home, 96, 960, 540), 150);
        Map<String, String> byCodec = new HashMap<>();
        Catalogue.targets().forEach(t -> byCodec.putIfAbsent(t.settings().codec().id(), t.id()));
        for (String target : byCodec.values().stream().sorted().toList()) {
            Path out = home.resolve("proof");
            Map<Stage, Double> first = new HashMap<>();
            long start = System.nanoTime();
            try (Run run = Run.start(Plans.of(material, out, List.of(target)), fresh(out), p -> {
                FileProgress f = p.files().getFirst();
                first.putIfAbsent(f.stage(), seconds(start));
            })) {
                Run.Outcome outcome = run.outcome().join();
                if (outcome.files().stream().allMatch(f -> f.stage() == Stage.DELIVERED)) {
                    double begun = first.getOrDefault(Stage.FIRST_PASS, first.getOrDefault(Stage.ENCODING, 0.0));
                    double made = first.getOrDefault(Stage.JOINING, first.getOrDefault(Stage.PROVING, first.get(Stage.DELIVERED)));
                    System.out.printf(Locale.ROOT, "| %s | %.2f s | %.2f s | %.0f %% |%n", target, made - begun,
                            first.get(Stage.DELIVERED) - made,
                            100 * (first.get(Stage.DELIVERED) - made) / (made - begun));
                } else {
                    System.out.println("| " + target + " | can't be made of this material: " + outcome.files().getFirst().why() + " | | |");
                }
            }
            Durable.deleteTree(out);
        }
    }
}
