package dev.vat.engine.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
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

    @Test
    void moviesStillsAndSoundsAreFoundBesideSequences() throws IOException {
        touch("a.1.png", "a.2.png", "logo.tga", "take.MOV", "take2.mov", "wind.wav", "notes.txt", "deep/bells.flac");
        SourceFinder.Found found = SourceFinder.find(folder);
        assertThat(found.sequences()).extracting(Sequence::name).containsExactly("a.#.png");
        assertThat(found.files()).extracting(Location::name).containsExactlyInAnyOrder("logo.tga", "take.MOV", "take2.mov", "wind.wav",
                "bells.flac");
        assertThat(found.files().stream().filter(Location::isMovie)).hasSize(2);
        assertThat(found.files().stream().filter(Location::isSound)).hasSize(2);
        assertThat(found.files().stream().filter(Location::isStill)).extracting(Location::name).containsExactly("logo.tga");
        assertThat(SourceFinder.find(folder.resolve("wind.wav")).locations()).extracting(Location::name).containsExactly("wind.wav");
        assertThat(SourceFinder.find(folder.resolve("logo.tga")).locations()).singleElement()
                .satisfies(l -> assertThat(l.isStill()).isTrue());
    }

    @Test
    void aLinkBesideItsFolderHidesNeitherAndNoRoundIsEndless() throws IOException {
        touch("real/a.1.png", "real/a.2.png", "other/b.1.png");
        Files.createSymbolicLink(folder.resolve("real/up"), folder);
        Files.createSymbolicLink(folder.resolve("again"), folder.resolve("real"));
        Files.createSymbolicLink(folder.resolve("other/round"), folder.resolve("real"));
        List<Sequence> found = SourceFinder.find(folder).sequences();
        assertThat(found).extracting(Sequence::name).as("by its own name, and by one of two links")
                .containsExactlyInAnyOrder("a.#.png", "a.#.png", "b.#.png");
        assertThat(found).extracting(Sequence::folder).contains(folder.resolve("real"), folder.resolve("other"));
    }

    @Test
    void upperAndLowerCaseOfTheEndingAreOneSequence() throws IOException {
        touch("a.0001.PNG", "a.0002.png", "a.0003.PNG", "b.0001.TIF", "b.0002.TIF", "c.0001.png", "c.0001.PNG");
        List<Sequence> found = SourceFinder.find(folder).sequences();
        assertThat(found).extracting(Sequence::name).as("what holds a frame twice is two").containsExactlyInAnyOrder("a.####.png",
                "b.####.TIF", "c.####.png", "c.####.PNG");
        Sequence mixed = found.getFirst();
        assertThat(mixed.missing().isEmpty()).isTrue();
        assertThat(List.of(1L, 2L, 3L)).allSatisfy(n -> assertThat(mixed.file(n)).exists());
        Sequence asKnown = SourceFinder.again(folder, new SequencePattern("a.", 4, ".PNG")).orElseThrow();
        assertThat(asKnown.pattern().after()).as("a project that knew it by the other ending finds it").isEqualTo(".PNG");
        assertThat(List.of(1L, 2L, 3L)).allSatisfy(n -> assertThat(asKnown.file(n)).exists());
        assertThat(SourceFinder.find(folder.resolve("a.0003.PNG")).sequences()).singleElement()
                .satisfies(s -> assertThat(s.count()).isEqualTo(3));
    }

    @Test
    void aFolderFullOfWhatIsntReadIsNoEmptyOne() throws IOException {
        touch("a.0001.qoi", "a.0002.qoi", "b.dds", "notes.txt", "plan.pdf");
        SourceFinder.Found found = SourceFinder.find(folder);
        assertThat(found.isEmpty()).isTrue();
        assertThat(found.foreign()).containsOnly(Map.entry("QOI", 2L), Map.entry("DDS", 1L));
        assertThat(found.nothing("No frames")).isEqualTo("No frames. Vat doesn't read DDS (1 file) or QOI (2 files)");
        assertThat(SourceFinder.find(folder.resolve("b.dds")).foreign()).containsOnlyKeys("DDS");
    }

    @Test
    void whatIsStillBeingWrittenIsNoSourceOfItsOwn() throws IOException {
        touch("a.0001.exr", "a.0002.exr", "a.0003.exr.tmp", "a.0004.tmp.exr", "a.0005.exr~", "~a.0006.exr", "a.0007_tmp.exr",
                ".a.0008.exr", "a.0009.exr.part", "wind.tmp.wav", "departing.0001.exr", "warm_temp.0001.exr", "last_part.png");
        assertThat(SourceFinder.find(folder).locations()).extracting(Location::name).containsExactlyInAnyOrder("a.####.exr",
                "departing.####.exr", "warm_temp.####.exr", "last_part.png");
    }

    @Test
    void manyRootsAreOneSearch() throws IOException {
        touch("one/a.1.png", "one/a.2.png", "two/b.1.png", "two/c.mov");
        SourceFinder.Found found = SourceFinder.find(
                List.of(folder.resolve("one"), folder.resolve("two"), folder.resolve("one/a.2.png"), folder.resolve("two/c.mov")), _ -> {});
        assertThat(found.locations()).extracting(Location::name).containsExactly("a.#.png", "b.#.png", "c.mov");
    }

}
