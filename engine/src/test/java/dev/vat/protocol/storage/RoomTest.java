package dev.vat.protocol.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RoomTest {

    @TempDir
    Path folder;

    @Test
    void itIsThatOfTheDiskThatThePlaceLiesOn() throws IOException {
        Room room = Room.at(folder);
        assertThat(room.total()).isEqualTo(Files.getFileStore(folder).getTotalSpace());
        assertThat(room.free()).isPositive().isLessThanOrEqualTo(room.total());
    }

    @Test
    void aPlaceThatIsGoneHasNone() {
        assertThatThrownBy(() -> Room.at(folder.resolve("gone"))).isInstanceOf(NoSuchFileException.class).hasMessageContaining("gone");
    }
}
