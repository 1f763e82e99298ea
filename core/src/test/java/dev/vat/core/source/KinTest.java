package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class KinTest {

    /** Paths as {@code folder/before####after}; families as {@code name: word, word}. */
    static Stream<Arguments> cases() {
        return Stream.of(
                Arguments.of("layers in one folder", List.of("k/kite_shadow.####.exr", "k/kite_haze.####.exr", "k/kite_sand.####.exr"),
                        List.of("kite: haze, sand, shadow")),
                Arguments.of("the main one lacks the word", List.of("k/kite.####.exr", "k/kite_shadow.####.exr"),
                        List.of("kite: , shadow")),
                Arguments.of("layers in folders of their own", List.of("sh010/shadow/sh010.####.exr", "sh010/haze/sh010.####.exr"),
                        List.of("sh010: haze, shadow")),
                Arguments.of("the word in folder and name alike",
                        List.of("sh010/shadow/sh010_shadow.####.exr", "sh010/haze/sh010_haze.####.exr"),
                        List.of("sh010: haze, shadow")),
                Arguments.of("a folder named by one of them", List.of("kite_haze/kite_haze.####.png", "kite_haze/kite_sand.####.png"),
                        List.of("kite: haze, sand")),
                Arguments.of("versions", List.of("v/kite_v01.####.png", "v/kite_v02.####.png"), List.of("kite: v01, v02")),
                Arguments.of("shots are no kin", List.of("s/sh010.####.png", "s/sh020.####.png"),
                        List.of("sh010.####.png: ", "sh020.####.png: ")),
                Arguments.of("nothing would be left", List.of("a/kites.####.png", "b/dunes.####.png"),
                        List.of("kites.####.png: ", "dunes.####.png: ")),
                Arguments.of("a version alone is nothing shared", List.of("pier/pier_v001.####.png", "tower/tower_v001.####.png"),
                        List.of("pier_v001.####.png: ", "tower_v001.####.png: ")),
                Arguments.of("layers of one version", List.of("v01/haze_v01.####.png", "v01/sand_v01.####.png"),
                        List.of("v01: haze, sand")),
                Arguments.of("two words differ", List.of("s/kite_left_lit.####.png", "s/kite_right_raw.####.png"),
                        List.of("kite_left_lit.####.png: ", "kite_right_raw.####.png: ")),
                Arguments.of("views and the rest apart", List.of("s/pier.left.####.png", "s/pier.right.####.png", "s/tower.####.png"),
                        List.of("pier: left, right", "tower.####.png: ")),
                Arguments.of("the word that finds the most kin",
                        List.of("s/kite_left_sun.####.png", "s/kite_left_haze.####.png", "s/kite_left_sand.####.png",
                                "s/kite_right_sun.####.png"),
                        List.of("kite left: haze, sand, sun", "kite_right_sun.####.png: ")),
                Arguments.of("sounds that share nothing", List.of("sound/wind.wav", "sound/bells.wav", "sound/kite_v01.wav",
                        "sound/kite_v02.wav"), List.of("wind.wav: ", "bells.wav: ", "kite: v01, v02")),
                Arguments.of("any script",
                        List.of("s/Drachen_Schatten.####.png", "s/Drachen_Dunst.####.png", "s/凧_影.####.png", "s/凧_霞.####.png"),
                        List.of("Drachen: Dunst, Schatten", "凧: 影, 霞")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void namesThatDifferByAWordBelongTogether(String what, List<String> paths, List<String> families) {
        List<Location> sources = paths.stream().map(KinTest::location).toList();
        assertThat(Kin.group(sources))
                .extracting(k -> k.name() + ": " + String.join(", ", k.members().stream().map(Kin.Member::word).toList()))
                .containsExactlyElementsOf(families);
        assertThat(Kin.group(sources).stream().mapToInt(k -> k.members().size()).sum()).as("nobody is lost").isEqualTo(paths.size());
    }

    private static Location location(String path) {
        Path file = Path.of("/work").resolve(path);
        String name = file.getFileName().toString();
        int start = name.indexOf('#');
        if (start < 0) {
            return Location.ofFile(file);
        }
        int end = name.lastIndexOf('#') + 1;
        return new Location(file.getParent(), new SequencePattern(name.substring(0, start), end - start, name.substring(end)));
    }
}
