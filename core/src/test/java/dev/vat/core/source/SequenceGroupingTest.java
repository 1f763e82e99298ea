package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

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
    @CsvSource({"sh010.%04d.png, 1001, 1096, sh010.####.png", "sh020.%d.tga, 1, 120, sh020.#.tga", "f%03d.exr, 95, 1003, f###.exr",
        "f%03d.exr, 998, 1003, f#.exr",
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
    void onTwosTheFramesBetweenArentMissing() {
        Sequence s = group("a.1.png", "a.3.png", "a.5.png", "a.11.png").getFirst();
        assertThat(s.missing()).hasToString("7, 9");
        assertThat(s.missing().contains(8)).isFalse();
        assertThat(s.missing(FrameRange.of(1, 14)).count()).isEqualTo(3);
    }

    @Test
    void missingInsideARangeThatReachesBeyondTheFiles() {
        Sequence s = group("a.3.png", "a.4.png", "a.6.png").getFirst();
        assertThat(s.missing(FrameRange.of(1, 8))).hasToString("1-2, 5, 7-8");
        assertThat(s.missing(FrameRange.of(20, 21))).hasToString("20-21");
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

    /** What folders really hold: names at the left, sequences as {@code name first-last/count} at the right. */
    static Stream<Arguments> zoo() {
        return Stream.of(
                Arguments.of("below zero, minus beside the padding", List.of("a.-0002.png", "a.-0001.png", "a.0000.png", "a.0001.png"),
                        List.of("a.####.png -2-1/4")),
                Arguments.of("below zero, minus inside the padding", List.of("a.-002.png", "a.-001.png", "a.0000.png", "a.0001.png"),
                        List.of("a.####.png -2-1/4")),
                Arguments.of("below zero, no padding", List.of("a.-10.png", "a.-9.png", "a.0.png", "a.12.png"),
                        List.of("a.#.png -10-12/4")),
                Arguments.of("all below zero", List.of("a.-03.png", "a.-02.png"), List.of("a.##.png -3--2/2")),
                Arguments.of("a hyphen that joins is no minus", List.of("kite-001.png", "kite-002.png"), List.of("kite-###.png 1-2/2")),
                Arguments.of("minus at the start of the name", List.of("-1.png", "0.png", "1.png"), List.of("#.png -1-1/3")),
                Arguments.of("two zeros are one frame", List.of("a.-0.png", "a.0.png", "a.1.png"), List.of("a.#.png 0-1/2")),
                Arguments.of("number first", List.of("0001_kite.tga", "0002_kite.tga"), List.of("####_kite.tga 1-2/2")),
                Arguments.of("number in the middle", List.of("sh_01_kite.bmp", "sh_02_kite.bmp"), List.of("sh_##_kite.bmp 1-2/2")),
                Arguments.of("shot, version and frame", List.of("sh010_v2_0101.dpx", "sh010_v2_0102.dpx", "sh010_v2_0103.dpx"),
                        List.of("sh010_v2_####.dpx 101-103/3")),
                Arguments.of("two versions of the same frames",
                        List.of("a_v1_001.png", "a_v1_002.png", "a_v1_003.png", "a_v2_001.png", "a_v2_002.png", "a_v2_003.png"),
                        List.of("a_v1_###.png 1-3/3", "a_v2_###.png 1-3/3")),
                Arguments.of("one frame of three versions", List.of("a_v1_0100.png", "a_v2_0100.png", "a_v3_0100.png"),
                        List.of("a_v1_####.png 100-100/1", "a_v2_####.png 100-100/1", "a_v3_####.png 100-100/1")),
                Arguments.of("takes of the same frame", List.of("kite_take_01_0012.exr", "kite_take_02_0012.exr"),
                        List.of("kite_take_01_####.exr 12-12/1", "kite_take_02_####.exr 12-12/1")),
                Arguments.of("only a version", List.of("a_v1.png", "a_v2.png"), List.of("a_v#.png 1-2/2")),
                Arguments.of("frame before version", List.of("a_001_v2.png", "a_002_v2.png", "a_003_v2.png"),
                        List.of("a_###_v2.png 1-3/3")),
                Arguments.of("a date in the name", List.of("dune_2031-05-04_01.jpg", "dune_2031-05-04_02.jpg", "dune_2031-05-04_03.jpg"),
                        List.of("dune_2031-05-04_##.jpg 1-3/3")),
                Arguments.of("padding grows past its digits", List.of("f098.exr", "f099.exr", "f100.exr", "f1000.exr", "f1001.exr"),
                        List.of("f###.exr 98-1001/5")),
                Arguments.of("padded and plain mixed", List.of("a.1.png", "a.2.png", "a.01.png", "a.02.png"),
                        List.of("a.##.png 1-2/2", "a.#.png 1-2/2")),
                Arguments.of("extension in capitals", List.of("a.1.PNG", "a.2.PNG"), List.of("a.#.PNG 1-2/2")),
                Arguments.of("extensions in both cases", List.of("a.1.png", "a.2.png", "a.3.PNG"),
                        List.of("a.#.png 1-3/3")),
                Arguments.of("two kinds with the same numbers", List.of("a.1.exr", "a.2.exr", "a.1.webp", "a.2.webp"),
                        List.of("a.#.exr 1-2/2", "a.#.webp 1-2/2")),
                Arguments.of("spaces and brackets", List.of("kite (1).png", "kite (2).png"), List.of("kite (#).png 1-2/2")),
                Arguments.of("percent signs", List.of("100%_01.png", "100%_02.png", "100%_03.png"), List.of("100%_##.png 1-3/3")),
                Arguments.of("other scripts", List.of("Дюны_1.png", "Дюны_2.png", "風.1.png"),
                        List.of("Дюны_#.png 1-2/2", "風.#.png 1-1/1")),
                Arguments.of("digits of other scripts are letters", List.of("a\u0661.png"), List.of()),
                Arguments.of("a dot less", List.of("frame1", "frame2"), List.of()),
                Arguments.of("movies and sounds are no frames", List.of("take1.mov", "take2.mov", "wind1.wav"), List.of()),
                Arguments.of("every tenth", List.of("a.0.png", "a.10.png", "a.20.png", "a.30.png"), List.of("a.#.png 0-30/4")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void namesAreUnderstood(String what, List<String> names, List<String> expected) {
        List<Sequence> found = group(names.toArray(String[]::new));
        assertThat(found).extracting(s -> s.name() + " " + s.first() + "-" + s.last() + "/" + s.count())
                .containsExactlyElementsOf(expected);
        for (Sequence s : found) {
            for (int i = 0; i < s.count(); i++) {
                String file = s.fileName(s.number(i));
                long number = s.number(i);
                assertThat(names).as("the name is put together as it lies there").anyMatch(n -> n.equals(file) || number == 0);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"3,1,1206,'3 digits, last frame 1206: use 4'", "1,1,12,'numbers without padding from 1 to 12: use 2 digits'",
        "4,1001,1206,", "1,1,9,"})
    void digitsAreAdvised(int digits, long first, long last, String advice) {
        Sequence s = group(range("a.%0" + digits + "d.png", (int) first, (int) first + 1)).getFirst();
        assertThat(ResumeAdvice.digits(s, FrameRange.of(first, last))).isEqualTo(Optional.ofNullable(advice));
    }
}
