package dev.vat.engine.trial;

import dev.vat.core.proof.Expectation;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.run.RunSpan;
import dev.vat.core.trial.FileTrial;
import dev.vat.protocol.run.ReelLook;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What earlier trials found, in the cache: costs by the reel's content, files by that and by all of their settings that can change a bit.
 * The oldest is cleared away when there is much.
 */
final class TrialStore {

    private static final Logger LOG = LoggerFactory.getLogger(TrialStore.class);
    private static final int MOST_KEPT = 60;
    private static final long MOST_BYTES = 4_000_000_000L;
    private static final String TRIAL = "trial.json";

    /** What a reel's look depends on. */
    private record ReelKey(List<RunSource> sources, List<RunSpan> spans, Object size, Object pixelAspect, Object rate,
            String library, int version) {}

    /** What a file's bytes depend on besides. */
    private record FileKey(String reel, String codec, Object treatment, Object words, int threads, Map<String, String> options,
            Expectation expected) {}

    /** Another one makes everything that was found before useless. */
    private static final int VERSION = 2;

    private final Path folder;

    TrialStore(Path folder) {
        this.folder = folder;
    }

    static String reelKey(RunPlan plan) {
        return Durable.sha256(Json
                .line(new ReelKey(plan.sources(), plan.spans(), plan.size(), plan.pixelAspect(), plan.rate(), plan.library(), VERSION)));
    }

    static String fileKey(String reel, RunFile file) {
        return Durable.sha256(Json.line(new FileKey(reel, file.codec(), file.treatment(), file.words(), file.threads(), file.options(),
                file.expected().withSound(null))));
    }

    private Path place(String key) {
        return folder.resolve(key.substring(0, 32));
    }

    Optional<ReelLook> looked(String reel) {
        try {
            return Optional.of(ReelLook.in(place(reel)));
        } catch (NoSuchFileException _) {
            return Optional.empty();
        } catch (IOException e) {
            LOG.warn("An earlier look at a reel can't be used: {}", e.getMessage());
            return Optional.empty();
        }
    }

    void keep(String reel, ReelLook looked) throws IOException {
        Files.createDirectories(place(reel));
        looked.into(place(reel));
    }

    /** What was found of those of some files that were tried before, by target. */
    Map<String, FileTrial> known(String reel, List<RunFile> files) {
        Map<String, FileTrial> known = new HashMap<>();
        for (RunFile file : files) {
            Path kept = place(fileKey(reel, file)).resolve(TRIAL);
            try {
                known.put(file.target(), Json.MAPPER.readValue(Files.readString(kept), FileTrial.class));
            } catch (NoSuchFileException _) {
                // It wasn't tried yet.
            } catch (IOException e) {
                LOG.warn("An earlier trial can't be used: {}", e.getMessage());
            }
        }
        return known;
    }

    /** Keeps a file's trial together with its excerpts, which are moved. @return the trial as it lies now */
    FileTrial keep(String reel, RunFile file, FileTrial trial) throws IOException {
        Path place = place(fileKey(reel, file));
        Durable.deleteTree(place);
        Files.createDirectories(place);
        Path parts = place.resolve("parts");
        Files.move(Path.of(trial.parts()), parts, StandardCopyOption.ATOMIC_MOVE);
        FileTrial kept = new FileTrial(trial.excerpts(), trial.proofSeconds(), parts.toString());
        Files.writeString(place.resolve(TRIAL), Json.line(kept));
        return kept;
    }

    /** Clears the oldest away; what was tried last stays, however large it is. */
    void tidy() throws IOException {
        List<Path> byAge;
        try (Stream<Path> all = Files.list(folder)) {
            byAge = all.filter(Files::isDirectory).filter(p -> !p.getFileName().toString().startsWith(Trials.GOING))
                    .sorted(Comparator.comparing((Path p) -> p.toFile().lastModified()).reversed()).toList();
        }
        long bytes = 0;
        for (int i = 0; i < byAge.size(); i++) {
            bytes += bytes(byAge.get(i));
            if (i > 0 && (i >= MOST_KEPT || bytes > MOST_BYTES)) {
                Durable.deleteTree(byAge.get(i));
            }
        }
    }

    private static long bytes(Path folder) throws IOException {
        try (Stream<Path> tree = Files.walk(folder)) {
            return tree.filter(Files::isRegularFile).mapToLong(f -> f.toFile().length()).sum();
        }
    }
}
