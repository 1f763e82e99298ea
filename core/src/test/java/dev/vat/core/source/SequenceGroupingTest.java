package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SequenceGroupingTest {

    private static List<Sequence> group(String... names) {
        SequenceGrouping grouping = SequenceGrouping.in(Path.of("frames"));
        Arrays.stream(names).forEach(name -> grouping.add(name, 100, 0));
        return grouping.sequences();
    }

    private static String[] range(String format, int first, int last) {
        return IntStream.rangeClosed(first, last).mapToObj(format::formatted).toArray(String[]::new);
    }

    private static String[] together(String[]... lists) {
        return Arrays.stream(lists).flatMap(Arrays::stream).toArray(String[]::new);
    }

    @ParameterizedTest
    @CsvSource({"sh010.%04d.png, 1001, 1096, sh010.####.png", "sh020.%d.tga, 1, 120, sh020.#.tga", "f%03d.exr, 95, 1003, f###.exr", "f%03d.exr, 998, 1003, f#.exr",
            "%05d.jpg, 0, 9, #####.jpg", "kite 2 %d final.tif, 7, 12, kite 2 # final.tif", "dune_v3_%04d.png, 1, 5, dune_v3_####.png",
            "Dünen_%02d.PNG, 1, 30, Dünen_##.PNG", "凧.%04d.exr, 1, 3, 凧.####.exr"})
    void theNumberThatRunsIsTheFrame(String format, int first, int last, String name) {
        List<Sequence> found = group(range(format, first, last));
        assertThat(found).singleElement().satisfies(s -> {
            assertThat(s.name()).isEqualTo(name);
            assertThat(s.first()).isEqualTo(first);
            assertThat(s.last()).isEqualTo(last);
            assertThat(s.count()).isEqualTo(last - first + 1);
            assertThat(s.missing().isEmpty()).isTrue();
            assertThat(s.file(last)).isEqualTo(Path.of("frames", format.formatted(last)));
        });
    }

    @Test
    void numbersAreInOrderOfValueNotOfLetters() {
        Sequence s = group("a.10.png", "a.9.png", "a.100.png", "a.1.png").getFirst();
        assertThat(IntStream.range(0, s.count()).mapToLong(s::number).toArray()).containsExactly(1, 9, 10, 100);
    }

    @Test
    void paddedAndUnpaddedNumbersAreTwoSequences() {
        assertThat(group(together(range("a.%d.png", 1, 12), range("a.%04d.png", 1, 12))))
                .extracting(Sequence::name).containsExactly("a.####.png", "a.#.png");
    }

    @Test
    void sameNumbersOfTwoKindsStayApart() {
        assertThat(group(together(range("a.%03d.png", 1, 5), range("a.%03d.exr", 1, 5)))).extracting(Sequence::kind)
                .containsExactlyInAnyOrder(FileKind.PNG, FileKind.EXR);
    }

    @Test
    void layersWithNamesOfTheirOwnStayApart() {
        assertThat(group(together(range("sh_%03d_light.png", 1, 4), range("sh_%03d_matte.png", 1, 4))))
                .extracting(Sequence::name).containsExactly("sh_###_light.png", "sh_###_matte.png");
    }

    @Test
    void whatIsNoPictureOrHasNoNumberIsLeftOut() {
        assertThat(group("notes.txt", "logo.png", "take7", "sound.0001.wav")).isEmpty();
    }

    @Test
    void oneFileIsASequenceOfOne() {
        assertThat(group("still_0001.png")).singleElement().satisfies(s -> assertThat(s.count()).isEqualTo(1));
    }

    @Test
    void holesAreRanges() {
        Sequence s = group("a.1.png", "a.2.png", "a.6.png", "a.7.png", "a.9.png").getFirst();
        assertThat(s.missing()).hasToString("3-5, 8");
        assertThat(s.step()).isEqualTo(1);
    }

    @Test
    void everyFifthFrameIsAStepNotAHole() {
        Sequence s = group("a.0010.png", "a.0015.png", "a.0020.png", "a.0030.png").getFirst();
        assertThat(s.step()).isEqualTo(5);
        assertThat(s.missing()).hasToString("25");
        assertThat(s.firstOnGrid(12)).isEqualTo(15);
    }

    @Test
    void missingInsideARangeThatReachesBeyondTheFiles() {
        Sequence s = group("a.3.png", "a.4.png", "a.6.png").getFirst();
        assertThat(s.missing(dev.vat.core.time.FrameRange.of(1, 8))).hasToString("1-2, 5, 7-8");
        assertThat(s.missing(dev.vat.core.time.FrameRange.of(20, 21))).hasToString("20-21");
    }

    @Test
    void aNumberOfTooManyDigitsIsNoFrameNumber() {
        assertThat(group("hash12345678901234567890.png")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"sh010., 4, .png, sh010", "title_, 3, .png, title", "'', 5, .jpg, ''", "'', 4, _beach.exr, beach"})
    void baseNameIsWhatStandsBeforeTheNumber(String before, int digits, String after, String base) {
        assertThat(new SequencePattern(before, digits, after).baseName()).isEqualTo(base);
    }
}
