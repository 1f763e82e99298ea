package dev.vat.testkit.torture;

import dev.vat.core.delivery.FileNaming;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Runs that are killed, cut and robbed at random moments, round after round; each must end with the bytes of a run that nobody disturbed,
 * and never leave a broken file under a final name. A seed repeats a round's choices, though not the machine's own timing.
 */
public final class Torture {

    private static final String STILLS = "frames-png";

    /** Codecs that may be cut, stills, and one that runs whole in two passes. */
    private static final List<String> TARGETS = List.of("web-h264", "edit-prores-hq", "alpha-prores-4444", "edit-prores-lt",
            "edit-h264-intra", "edit-cineform",
            "archive-ffv1", "alpha-png", "alpha-rle", STILLS, "web-vp9", Material.IN_TWO_PASSES);

    private static final String USUAL = FileNaming.DEFAULT;
    /** Longer than most systems take: it is cut to that. */
    private static final String LONG = "{target}-" + "kite-week-".repeat(25);

    static final String NATIVE_CACHE = "org.bytedeco.javacpp.cachedir";

    private final Path folder;
    private final Consumer<String> say;
    private final Map<String, Receipt> undisturbed = new HashMap<>();
    private final Map<String, Long> millis = new HashMap<>();

    /**
     * @param folder where frames are drawn and files made; it is emptied round by round
     * @param say told of each round in a line
     */
    public Torture(Path folder, Consumer<String> say) {
        this.folder = folder;
        this.say = say;
    }

    /** How often each thing was done. @param rounds played @param evils by what was done */
    public record Tally(int rounds, Map<String, Integer> evils) {}

    /**
     * @param seed of the first round; the next have the next
     * @throws TortureFailure at the first promise that is found broken
     */
    public Tally play(int rounds, long seed) throws IOException, InterruptedException {
        return play(rounds, seed, Duration.ofDays(1));
    }

    /** @param room after which no round is begun any more */
    public Tally play(int rounds, long seed, Duration room) throws IOException, InterruptedException {
        // Every process would unpack the library anew, which takes longer than its work.
        if (System.getProperty(NATIVE_CACHE) == null) {
            System.setProperty(NATIVE_CACHE, folder.resolve("native").toString());
        }
        try (SmallDisk disk = smallDisk()) {
            return play(rounds, seed, System.nanoTime() + room.toNanos(), disk);
        }
    }

    private SmallDisk smallDisk() throws IOException, InterruptedException {
        Optional<SmallDisk> disk = SmallDisk.mount(folder.resolve("small"));
        if (disk.isEmpty()) {
            say.accept("no disk is filled up: this user may not mount a small one");
        }
        return disk.orElse(null);
    }

    private Tally play(int rounds, long seed, long until, SmallDisk disk) throws IOException, InterruptedException {
        Material material = Material.draw(folder.resolve("frames"));
        Map<String, Integer> evils = new LinkedHashMap<>();
        int played = 0;
        while (played < rounds && System.nanoTime() < until) {
            long now = seed + played++;
            Random random = new Random(now);
            List<String> targets = choose(random);
            Circumstance how = under(random, targets);
            List<String> others = how == Circumstance.BESIDE_ANOTHER_RUN
                    ? choose(random).stream().filter(t -> !targets.contains(t)).toList() : List.of();
            for (String target : Stream.concat(targets.stream(), others.stream()).toList()) {
                learn(material, target);
            }
            Path home = folder.resolve("round");
            Durable.deleteTree(home);
            Path place = disk == null ? home : disk.root().resolve("round");
            Durable.deleteTree(place);
            boolean beside = how == Circumstance.IN_THE_SOURCES_FOLDER;
            Material own = beside ? material.in(place.resolve("out")) : material;
            String naming = how == Circumstance.LONG_NAMES ? LONG : USUAL;
            RunPlan plan = own.plan(targets, place.resolve("out"), naming);
            RunPlan other = others.isEmpty() ? null : own.plan(others, place.resolve("out"), naming);
            long typical = targets.stream().mapToLong(millis::get).sum();
            List<String> told = new Round(now, home, plan, other, undisturbed, disk, how).play(typical);
            told.forEach(t -> evils.merge(t.replaceFirst(" after \\d+ ms", ""), 1, Integer::sum));
            say.accept("round %d, seed %d: %s: %s: same bytes".formatted(played, now, String.join(" and ", targets),
                    String.join("; ", told)));
        }
        return new Tally(played, evils);
    }

    /** Stills are named as their folder is, and a folder with other names isn't the same. */
    private static Circumstance under(Random random, List<String> targets) {
        Circumstance how = Circumstance.values()[random.nextInt(Circumstance.values().length)];
        return how == Circumstance.LONG_NAMES && targets.contains(STILLS) ? Circumstance.USUAL : how;
    }

    private static List<String> choose(Random random) {
        int first = random.nextInt(TARGETS.size());
        int second = random.nextInt(TARGETS.size());
        return first == second ? List.of(TARGETS.get(first)) : List.of(TARGETS.get(first), TARGETS.get(second));
    }

    /** Makes a file once without disturbing it. */
    private void learn(Material material, String target) throws IOException {
        if (undisturbed.containsKey(target)) {
            return;
        }
        Path home = folder.resolve("undisturbed-" + target);
        Durable.deleteTree(home);
        RunPlan plan = material.plan(List.of(target), home.resolve("out"), USUAL);
        long start = System.nanoTime();
        try (Run run = Run.start(plan, Places.in(home), _ -> {})) {
            List<FileProgress> files = run.outcome().join().files();
            if (files.stream().anyMatch(f -> f.stage() != FileProgress.Stage.DELIVERED)) {
                throw new TortureFailure("an undisturbed run failed", files.stream().map(FileProgress::why).collect(Collectors.toList()));
            }
            millis.put(target, (System.nanoTime() - start) / 1_000_000);
            undisturbed.put(target, ReceiptFile.read(ReceiptFile.of(Path.of(files.getFirst().path()))));
        }
    }
}
