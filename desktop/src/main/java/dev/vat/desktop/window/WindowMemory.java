package dev.vat.desktop.window;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** How windows were left, by their projects; a convenience, so that what can't be read or written is only written down. */
final class WindowMemory {

    private static final Logger LOG = LoggerFactory.getLogger(WindowMemory.class);
    private static final int MOST = 60;
    /** Whatever project it was. */
    private static final String LAST = "";

    private final Path file;
    private final Map<String, WindowState> states = new LinkedHashMap<>();

    /** @param folder of the settings */
    WindowMemory(Path folder) {
        this.file = folder.resolve("windows.json");
        try {
            Map<String, WindowState> read = Json.MAPPER.readValue(Files.readString(file), new TypeReference<>() {});
            states.putAll(read == null ? Map.of() : read);
        } catch (NoSuchFileException _) {
            LOG.debug("No window was left yet");
        } catch (JsonProcessingException e) {
            LOG.warn("{} can't be understood and is begun anew", file, e);
        } catch (IOException e) {
            LOG.warn("{} can't be read", file, e);
        }
    }

    /** @param project its file, or null */
    Optional<WindowState> of(Path project) {
        return Optional.ofNullable(states.get(key(project)));
    }

    /** How any window was left last. */
    Optional<WindowState> last() {
        return Optional.ofNullable(states.get(LAST));
    }

    void keep(Path project, WindowState state) {
        for (String key : new String[] {LAST, key(project)}) {
            states.remove(key);
            states.put(key, state);
        }
        while (states.size() > MOST) {
            states.remove(states.keySet().iterator().next());
        }
        try {
            Files.createDirectories(file.getParent());
            Durable.write(file, Json.page(states));
        } catch (IOException e) {
            LOG.warn("{} can't be written", file, e);
        }
    }

    private static String key(Path project) {
        return project == null ? LAST : project.toAbsolutePath().toString();
    }
}
