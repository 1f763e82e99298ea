package dev.vat.engine.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SourceFinderTest {

    @TempDir
    Path folder;

    private void touch(String... names) throws IOException {
        for (String name : names) {
            Path file = folder.resolve(name);
            Files.createDirectories(file.getParent());
            Files.writeString(file, "x");
        }
    }

    @Test
    void aFolderGivesItsOwnSequencesAndThoseBelow() throws IOException {
        touch("a.1.png", "a.2.png", "b_001.exr", "b_002.exr", "readme.txt", "deeper/c.1.png");
        assertThat(SourceFinder.find(folder).sequences()).extracting(Sequence::name).containsExactly("a.#.png", "b_###.exr", "c.#.png");
    }

    @Test
    void aFolderOfFoldersGivesThoseBelow() throws IOException {
        touch("sh010/a.1.png", "sh020/b.1.png", "sh020/deep/c.1.png", ".hidden/d.1.png", ".vat-run/e.1.png");
        assertThat(SourceFinder.find(folder).sequences()).extracting(Sequence::name).containsExactly("a.#.png", "b.#.png", "c.#.png");
    }

    @Test
    void oneFrameGivesItsWholeSequenceAndNoOther() throws IOException {
        touch("a.0007.png", "a.0008.png", "b.0007.png");
        assertThat(SourceFinder.find(folder.resolve("a.0008.png")).sequences()).singleElement().satisfies(s -> {
            assertThat(s.name()).isEqualTo("a.####.png");
            assertThat(s.count()).isEqualTo(2);
        });
    }

    @Test
    void hiddenFilesFoldersAndDeadLinksAreNoFrames() throws IOException {
        touch("a.1.png", ".a.2.png", "a.4.png/inside.txt");
        Files.createSymbolicLink(folder.resolve("a.3.png"), folder.resolve("nowhere.png"));
        Files.createSymbolicLink(folder.resolve("a.5.png"), folder.resolve("a.1.png"));
        Sequence s = SourceFinder.find(folder).sequences().getFirst();
        assertThat(s.count()).isEqualTo(2);
        assertThat(s.has(5)).as("a link to a file is one").isTrue();
    }

    @Test
    void sizesComeFromTheListing() throws IOException {
        touch("a.1.png");
        Files.write(folder.resolve("a.2.png"), new byte[0]);
        Sequence s = SourceFinder.find(folder).sequences().getFirst();
        assertThat(s.size(0)).isEqualTo(1);
        assertThat(s.size(1)).isZero();
        assertThat(s.modified(0)).isPositive();
    }

    @Test
    void aKnownPatternIsFoundAgainAsTheFolderShowsItNow() throws IOException {
        touch("a.0001.png", "a.0002.png");
        SequencePattern pattern = new SequencePattern("a.", 4, ".png");
        assertThat(SourceFinder.again(folder, pattern)).map(Sequence::count).contains(2);
        touch("a.0003.png");
        assertThat(SourceFinder.again(folder, pattern)).map(Sequence::last).contains(3L);
        assertThat(SourceFinder.again(folder, new SequencePattern("z.", 4, ".png"))).isEmpty();
        assertThat(SourceFinder.again(folder.resolve("gone"), pattern)).isEmpty();
    }

    @Test
    void nothingThereIsAnError() {
        assertThatThrownBy(() -> SourceFinder.find(folder.resolve("gone")).sequences()).isInstanceOf(NoSuchFileException.class);
    }

    @Test
    void anEmptyFolderHasNoSequences() throws IOException {
        assertThat(SourceFinder.find(folder).sequences()).isEmpty();
    }
}
