package dev.vat.engine.storage;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Preset;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PresetStoreTest {

    @TempDir
    Path folder;

    @Test
    void presetsAreKeptByNameAndASecondOneOfTheNameGetsANumber() throws IOException {
        PresetStore store = PresetStore.in(Places.in(folder));
        assertThat(store.list()).isEmpty();
        Preset plain = Preset.of("Drachen: Woche / \u51e7", Deliverable.of(Catalogue.WEB_H264));
        assertThat(store.keep(plain)).isEqualTo(plain);
        assertThat(store.keep(plain)).as("the very same again").isEqualTo(plain);
        Preset other = store.keep(Preset.of(plain.name(), Deliverable.of(Catalogue.WEB_H264).withContainer(Container.MOV)));
        assertThat(other.name()).isEqualTo("Drachen: Woche / \u51e7 2");
        assertThat(PresetStore.in(Places.in(folder)).list()).containsExactly(plain, other);
        assertThat(store.find(" drachen: woche / \u51e7 ")).contains(plain);
        store.forget(plain.name());
        assertThat(store.list()).containsExactly(other);
    }

    @Test
    void aDamagedFileHidesNoOther() throws IOException {
        PresetStore store = PresetStore.in(Places.in(folder));
        store.keep(Preset.of("good", Deliverable.of(Catalogue.WEB_H264)));
        Files.writeString(folder.resolve("config/presets/bad.preset.json"), "{");
        assertThat(store.list()).extracting(Preset::name).containsExactly("good");
        assertThat(folder.resolve("config/presets/bad.preset.json")).exists();
    }
}
