package dev.vat.protocol.storage;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.engine.storage.UserSettings;
import java.io.IOException;
import java.nio.file.Files;
import dev.vat.core.product.OperatingSystem;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PlacesTest {

    @TempDir
    Path folder;

    @Test
    void oneVariablePutsEverythingIntoOneFolder() {
        Places places = Places.of(Map.of("VAT_HOME", folder.toString(), "XDG_DATA_HOME", "/elsewhere"), OperatingSystem.LINUX,
                Path.of("/home/k"));
        assertThat(places).isEqualTo(Places.in(folder));
    }

    @Test
    void eachSystemHasItsCustom() {
        assertThat(Places.of(Map.of("XDG_CACHE_HOME", "/fast"), OperatingSystem.LINUX, Path.of("/home/k"))).satisfies(p -> {
            assertThat(p.cache()).isEqualTo(Path.of("/fast/vat"));
            assertThat(p.data()).isEqualTo(Path.of("/home/k/.local/share/vat"));
        });
        assertThat(Places.of(Map.of(), OperatingSystem.MACOS, Path.of("/Users/k")).cache())
                .isEqualTo(Path.of("/Users/k/Library/Caches/Vat"));
        assertThat(Places.of(Map.of("LOCALAPPDATA", "/l"), OperatingSystem.WINDOWS, Path.of("/u")).data())
                .isEqualTo(Path.of("/l/Vat/data"));
    }

    @Test
    void settingsComeBackAndKeepWhatANewerVatWrote() throws IOException {
        Path file = folder.resolve("config/settings.json");
        assertThat(UserSettings.load(file)).isEqualTo(UserSettings.FIRST);
        UserSettings.FIRST.withLastRate(Rate.of(24)).withScheme(UserSettings.Scheme.DARK).withRecent(Path.of("/a.vat")).save(file);
        Files.writeString(file, Files.readString(file).replaceFirst("\\{", "{\"mood\":\"calm\","));
        UserSettings read = UserSettings.load(file);
        assertThat(read.lastRate()).isEqualTo(Rate.of(24));
        assertThat(read.recent()).containsExactly("/a.vat");
        read.save(file);
        assertThat(Files.readString(file)).contains("calm");
    }

    @Test
    void damagedSettingsAreSetAsideNotLost() throws IOException {
        Path file = folder.resolve("settings.json");
        Files.writeString(file, "{ torn");
        assertThat(UserSettings.load(file)).isEqualTo(UserSettings.FIRST);
        assertThat(folder.resolve("settings.damaged.json")).hasContent("{ torn");
    }

    @Test
    void recentProjectsAreFewAndTheNewestFirst() {
        UserSettings settings = UserSettings.FIRST;
        for (int i = 0; i < 12; i++) {
            settings = settings.withRecent(Path.of("/p" + i + ".vat"));
        }
        assertThat(settings.withRecent(Path.of("/p9.vat")).recent()).hasSize(8).startsWith("/p9.vat", "/p11.vat").doesNotHaveDuplicates();
    }

    @Test
    void filesAreReplacedAsOneAct() throws IOException {
        Path file = folder.resolve("deep/er/file.txt");
        Durable.write(file, "one");
        Durable.write(file, "two");
        assertThat(file).hasContent("two");
        try (var files = Files.list(file.getParent())) {
            assertThat(files).containsExactly(file);
        }
        assertThat(Durable.sha256(file)).isEqualTo(Durable.sha256("two"))
                .isEqualTo("3fc4ccfe745870e2c0d99f71f30ff0656c8dedd41cc1d7d3d376b0dbe685e2f3");
    }

    @Test
    void fingerprintsFollowTheirStandards() throws IOException {
        Path file = Files.writeString(folder.resolve("f"), "123456789");
        assertThat(Durable.crc32c(file)).as("the check value of CRC-32C").isEqualTo("e3069283");
        assertThat(Durable.sha256(file)).isEqualTo("15e2b0d3c33891ebb0f1ef609ec419420c20e320ce94c65fbc8c3312448eb225");
    }

    @Test
    void deletingATreeFollowsNoLinks() throws IOException {
        Path outside = Files.writeString(Files.createDirectory(folder.resolve("outside")).resolve("keep"), "x");
        Path tree = Files.createDirectories(folder.resolve("tree/a/b")).getParent().getParent();
        Files.createSymbolicLink(tree.resolve("link"), outside.getParent());
        Durable.deleteTree(tree);
        assertThat(tree).doesNotExist();
        assertThat(outside).exists();
        Durable.deleteTree(tree);
    }
}
