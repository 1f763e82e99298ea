package dev.vat.bench;

import dev.vat.bench.Measured.What;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.run.Run;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.torture.TortureMain;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicLong;

/**
 * The benchmarks: {@code one}, {@code fan}, {@code six}, {@code list}, {@code inputs}, {@code play}, {@code memory}, {@code resume},
 * {@code torture} (which isn't in {@code all}), {@code left}, {@code twelve}, {@code parts}, {@code proof}, {@code forecasts}, {@code
 * forecasts-short}, {@code compare}, {@code capture}, {@code smooth}, {@code start}, {@code crowd} (which isn't in {@code all}), or
 * {@code all}. Each measurement is a process of its own with a worker's environment; what is compared takes turns.
 */
public final class Bench {

    private static final List<String> ALL = List.of("web-h264", "edit-prores-hq", "alpha-prores-4444");
    private static final List<String> SIX = List.of("web-h264", "edit-prores-hq", "alpha-prores-4444", "edit-prores-422", "edit-prores-lt",
            "edit-h264-intra");

    private final Path home;
    private final int frames;
    private final int rounds;

    private Bench(Path home, int frames, int rounds) {
        this.home = home;
        this.frames = frames;
        this.rounds = rounds;
    }

    public static void main(String[] arguments) throws Exception {
        if (arguments.length > 0 && arguments[0].equals("--measure")) {
            Measured.main(What.valueOf(arguments[1]), Path.of(arguments[2]), Path.of(arguments[3]), List.of(arguments[4].split(",")));
            return;
        }
        Bench bench = new Bench(Path.of(System.getProperty("bench.home", "target/bench")).toAbsolutePath(),
                Integer.getInteger("bench.frames", 96), Integer.getInteger("bench.rounds", 5));
        String which = arguments.length == 0 ? System.getProperty("bench.only", "all") : arguments[0];
        System.out.printf(Locale.ROOT, "%d frames of %dx%d 16-bit PNG, medians of %d rounds in turns, %d cores%n", bench.frames,
                Material.WIDTH,
                Material.HEIGHT, bench.rounds, Runtime.getRuntime().availableProcessors());
        if (which.equals("all") || which.equals("one")) {
            for (String target : ALL) {
                bench.one(target);
            }
        }
        if (which.equals("all") || which.equals("fan")) {
            bench.fan("three", ALL);
        }
        if (which.equals("all") || which.equals("six")) {
            bench.fan("six", SIX);
        }
        if (which.equals("all") || which.equals("list")) {
            bench.list(100_000);
            bench.list(1_000_000);
        }
        if (which.equals("all") || which.equals("inputs")) {
            new Inputs(bench.home, bench.rounds).run();
        }
        if (which.equals("all") || which.equals("play")) {
            new Playing(bench.home).run();
        }
        if (which.equals("all") || which.equals("memory")) {
            bench.memory();
        }
        Whole whole = new Whole(bench.home, ALL);
        if (which.equals("all") || which.equals("resume")) {
            whole.resume();
        }
        if (which.equals("all") || which.equals("left")) {
            whole.left();
        }
        if (which.equals("all") || which.equals("twelve")) {
            whole.twelve();
        }
        if (which.equals("all") || which.equals("parts")) {
            whole.parts(List.of(System.getProperty("bench.targets", "edit-prores-hq,review-h264,web-h264,web-vp9").split(",")),
                    bench.rounds);
        }
        if (which.equals("all") || which.equals("proof")) {
            whole.proof();
        }
        if (which.equals("all") || which.equals("forecasts")) {
            new Forecasts(bench.home).run();
        }
        if (which.equals("all") || which.equals("forecasts-short")) {
            new Forecasts(bench.home).runShort();
        }
        if (which.equals("all") || which.equals("compare")) {
            new Comparing(bench.home).run();
        }
        if (which.equals("all") || which.equals("capture")) {
            new Capturing(bench.home, bench.rounds).run();
        }
        if (which.equals("all") || which.equals("views")) {
            new Views(bench.home, bench.rounds).run();
        }
        if (which.equals("torture")) {
            TortureMain.main(new String[] {Integer.toString(bench.rounds), System.getProperty("bench.seed", "1")});
        }
        if (which.equals("all") || which.equals("smooth")) {
            new Smoothness(bench.home, ALL).run();
        }
        if (which.equals("all") || which.equals("start")) {
            new Starts(bench.home, bench.rounds).run();
        }
        if (which.equals("crowd")) {
            new Crowded(bench.home).run();
        }
    }

    /** The engine against the bare loop, one target. */
    private void one(String target) throws Exception {
        Path material = Material.frames(home, frames);
        Map<What, Figures> figures = new EnumMap<>(What.class);
        for (int round = 0; round < rounds; round++) {
            for (What what : What.values()) {
                measure(what, material, List.of(target), figures.computeIfAbsent(what, _ -> new Figures()));
            }
        }
        Figures bare = figures.get(What.BARE);
        for (What what : What.values()) {
            print(target, what.name().toLowerCase(Locale.ROOT), figures.get(what), bare);
        }
    }

    /** Several targets in one read against the bare fan-out, and against as many runs one after the other. */
    private void fan(String count, List<String> targets) throws Exception {
        Path material = Material.frames(home, frames);
        Figures bare = new Figures();
        Figures engine = new Figures();
        Figures whole = new Figures();
        Figures separate = new Figures();
        for (int round = 0; round < rounds; round++) {
            measure(What.BARE, material, targets, bare);
            measure(What.MAKE, material, targets, engine);
            measure(What.WHOLE, material, targets, whole);
            double wall = 0;
            double cpu = 0;
            for (String target : targets) {
                double[] one = measure(What.MAKE, material, List.of(target));
                wall += one[0];
                cpu += one[1];
            }
            separate.add(wall, cpu);
        }
        print(count + " in one read", "bare", bare, bare);
        print(count + " in one read", "make", engine, bare);
        print(count + " in one read", "whole", whole, bare);
        print(count + " runs", "make", separate, bare);
        System.out.printf(Locale.ROOT, "%s in one read take %.2f of as many runs' wall, %.2f of their CPU%n", count,
                engine.wall() / separate.wall(),
                engine.cpu() / separate.cpu());
    }

    private static void print(String what, String how, Figures f, Figures bare) {
        System.out.printf(Locale.ROOT, "%-18s %-8s wall %7.2f s (x%.3f)   CPU %7.2f s (x%.3f)%n", what, how, f.wall(),
                f.wall() / bare.wall(), f.cpu(),
                f.cpu() / bare.cpu());
    }

    private void measure(What what, Path material, List<String> targets, Figures into) throws IOException, InterruptedException {
        double[] figures = measure(what, material, targets);
        into.add(figures[0], figures[1]);
    }

    private double[] measure(What what, Path material, List<String> targets) throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx1g",
                "-XX:+UseParallelGC",
                "--enable-native-access=ALL-UNNAMED", "-Djava.awt.headless=true",
                "-Dorg.bytedeco.javacpp.cachedir=" + home.resolve("native"),
                "-cp", System.getProperty("java.class.path"), Bench.class.getName(), "--measure", what.name(), material.toString(),
                home.resolve("work").toString(), String.join(",", targets));
        builder.environment().put("MALLOC_MMAP_THRESHOLD_", "65536");
        Process process = builder.redirectError(ProcessBuilder.Redirect.INHERIT).start();
        double[] result = null;
        try (BufferedReader out = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (line.startsWith("MEASURED ")) {
                    String[] words = line.split(" ");
                    result = new double[] {Double.parseDouble(words[1]), Double.parseDouble(words[2])};
                }
            }
        }
        if (process.waitFor() != 0 || result == null) {
            throw new IOException("A measurement of " + what + " ended with " + process.exitValue());
        }
        return result;
    }

    /** Listing many names against a plain walk that asks for attributes. */
    private void list(int names) throws IOException {
        Path folder = Files.createDirectories(home.resolve("names-" + names));
        for (int i = 0; i < names; i++) {
            Path file = folder.resolve("n.%07d.png".formatted(i));
            if (!Files.exists(file)) {
                Files.createFile(file);
            }
        }
        double[] plain = new double[rounds + 2];
        double[] vat = new double[rounds + 2];
        for (int round = 0; round < rounds + 2; round++) {
            long start = System.nanoTime();
            AtomicLong bytes = new AtomicLong();
            Files.walkFileTree(folder, new SimpleFileVisitor<>() {
                @Override
                public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                    bytes.addAndGet(attributes.size() + attributes.lastModifiedTime().toMillis());
                    return FileVisitResult.CONTINUE;
                }
            });
            plain[round] = (System.nanoTime() - start) / 1e9;
            start = System.nanoTime();
            int count = SourceFinder.find(folder).sequences().getFirst().count();
            vat[round] = (System.nanoTime() - start) / 1e9;
            if (count != names) {
                throw new IllegalStateException("found " + count);
            }
        }
        System.out.printf(Locale.ROOT, "%,d names: plain walk %.3f s, listed as a sequence %.3f s (x%.2f)%n", names, Figures.median(plain),
                Figures.median(vat),
                Figures.median(vat) / Figures.median(plain));
    }

    /** The run process's resident memory along a long run. */
    private void memory() throws Exception {
        Path material = Material.repeated(home, Material.frames(home, frames, Material.WIDTH / 2, Material.HEIGHT / 2), 2000);
        Path out = home.resolve("long");
        Durable.deleteTree(out);
        RunPlan plan = Plans.of(material, out, ALL);
        Map<Long, Long> samples = new TreeMap<>();
        List<Long> wanted = new ArrayList<>(List.of(100L, 250L, 500L, 1000L, 1500L, 1990L));
        Run[] holder = new Run[1];
        try (Run run = Run.start(plan, Places.in(home.resolve("long-home")), progress -> {
            if (holder[0] != null && !wanted.isEmpty() && progress.files().getFirst().done() >= wanted.getFirst()) {
                samples.put(wanted.removeFirst(), residentMegabytes(holder[0].pid()));
            }
        })) {
            holder[0] = run;
            run.outcome().join();
        }
        System.out.println("three targets from 2000 frames of 960x540: resident memory of the run process by frame, MB: " + samples);
        Durable.deleteTree(out);
    }

    private static long residentMegabytes(long pid) {
        try {
            return Files.readAllLines(Path.of("/proc/" + pid + "/status")).stream().filter(l -> l.startsWith("VmRSS:"))
                    .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1000).findFirst().orElse(-1);
        } catch (IOException _) {
            return -1;
        }
    }
}
