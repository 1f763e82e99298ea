package dev.vat.protocol.storage;

import dev.vat.core.product.OperatingSystem;
import java.nio.file.Path;
import java.util.Map;

/**
 * Where Vat keeps its own files.
 *
 * @param config settings and presets
 * @param data runs, history and untitled projects
 * @param cache may be deleted at any time
 * @param log what is written down for finding faults
 */
public record Places(Path config, Path data, Path cache, Path log) {

    /** {@code VAT_HOME} puts all four into one folder; else each system's own custom holds. */
    public static Places ofSystem() {
        return of(System.getenv(), OperatingSystem.here(), Path.of(System.getProperty("user.home")));
    }

    static Places of(Map<String, String> environment, OperatingSystem system, Path home) {
        String own = environment.get("VAT_HOME");
        if (own != null && !own.isBlank()) {
            return in(Path.of(own).toAbsolutePath());
        }
        if (system == OperatingSystem.WINDOWS) {
            Path roaming = path(environment, "APPDATA", home.resolve("AppData/Roaming")).resolve("Vat");
            Path local = path(environment, "LOCALAPPDATA", home.resolve("AppData/Local")).resolve("Vat");
            return new Places(roaming, local.resolve("data"), local.resolve("cache"), local.resolve("log"));
        }
        if (system == OperatingSystem.MACOS) {
            Path library = home.resolve("Library");
            return new Places(library.resolve("Preferences/Vat"), library.resolve("Application Support/Vat"),
                    library.resolve("Caches/Vat"), library.resolve("Logs/Vat"));
        }
        return new Places(path(environment, "XDG_CONFIG_HOME", home.resolve(".config")).resolve("vat"),
                path(environment, "XDG_DATA_HOME", home.resolve(".local/share")).resolve("vat"),
                path(environment, "XDG_CACHE_HOME", home.resolve(".cache")).resolve("vat"),
                path(environment, "XDG_STATE_HOME", home.resolve(".local/state")).resolve("vat"));
    }

    public static Places in(Path folder) {
        return new Places(folder.resolve("config"), folder.resolve("data"), folder.resolve("cache"), folder.resolve("log"));
    }

    private static Path path(Map<String, String> environment, String name, Path otherwise) {
        String value = environment.get(name);
        return value == null || value.isBlank() ? otherwise : Path.of(value);
    }

    /** Where scenes that run say how they are reached. */
    public Path scenes() {
        return data.resolve("scenes");
    }

    /** Where processes keep for a moment what nobody else has to see. */
    public Path scratch() {
        return cache.resolve("scratch");
    }

    public Path runs() {
        return data.resolve("runs");
    }

    public Path history() {
        return data.resolve("history.jsonl");
    }

    public Path untitled() {
        return data.resolve("untitled");
    }

    public Path settings() {
        return config.resolve("settings.json");
    }
}
