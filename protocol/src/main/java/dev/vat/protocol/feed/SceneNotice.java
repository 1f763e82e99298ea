package dev.vat.protocol.feed;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * How a scene that runs on this machine can be reached: one file in {@code DATA/scenes}, which only its owner can read.
 *
 * @param port on the loopback address
 * @param token another one for each start; whoever can't say it is sent away
 * @param pid of the scene's process
 */
public record SceneNotice(int feed, String scene, int port, String token, long pid) {

    private static final Words WORDS = Words.of(SceneNotice.class);

    private static final Logger LOG = LoggerFactory.getLogger(SceneNotice.class);
    private static final String END = ".scene.json";
    private static final int HIGHEST_PORT = 65_535;

    public SceneNotice {
        if (port < 1 || port > HIGHEST_PORT || token == null || token.isBlank()) {
            throw new IllegalArgumentException(WORDS.say("aNoticeNeedsAPortAndAToken"));
        }
        scene = scene == null || scene.isBlank() ? WORDS.say("sceneOnPort", port) : scene;
    }

    /** Tells everybody of this user's of the scene. @return the file, to be deleted when the scene ends */
    public Path post(Path folder) throws IOException {
        Files.createDirectories(folder);
        Path file = folder.resolve(pid + "-" + port + END);
        Path fresh = folder.resolve("." + pid + "-" + port + ".new");
        Files.deleteIfExists(fresh);
        if (folder.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.createFile(fresh, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        }
        Files.writeString(fresh, Json.line(this) + "\n");
        return Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }

    /** Scenes whose processes are there, by their names. */
    public static List<SceneNotice> in(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        List<SceneNotice> found = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.getFileName().toString().endsWith(END)).toList()) {
                try {
                    SceneNotice notice = Json.MAPPER.readValue(Files.readString(file), SceneNotice.class);
                    if (notice.isThere()) {
                        found.add(notice);
                    } else {
                        // Its scene was ended before it could take it away.
                        Files.deleteIfExists(file);
                    }
                } catch (IOException e) {
                    LOG.info("{} tells of no scene", file.getFileName(), e);
                }
            }
        } catch (IOException e) {
            LOG.info("Scenes can't be looked for", e);
        }
        found.sort(Comparator.comparing(SceneNotice::scene).thenComparing(SceneNotice::pid));
        return found;
    }

    @JsonIgnore
    public boolean isThere() {
        return ProcessHandle.of(pid).map(ProcessHandle::isAlive).orElse(false);
    }
}
