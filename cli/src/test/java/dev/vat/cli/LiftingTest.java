package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;

/** What stands in the way names the option that takes it away, and that option does. */
class LiftingTest extends CommandFrames {

    @Test
    void everyOptionThatIsNamedIsOneOfMake() {
        CommandLine make = Vat.line(new Output(false)).getSubcommands().get("make");
        assertThat(Lifting.OWN.values().stream().flatMap(List::stream).map(o -> o.split(" ")[0])).isNotEmpty()
                .allSatisfy(name -> assertThat(make.getCommandSpec().findOption(name)).as(name).isNotNull());
    }

    /** @param without words of a command that is held up @param with what is said to lift it */
    @ParameterizedTest
    @CsvSource({"--target web-h264, --rate 25", "--rate 25 --target web-h264 --range 1-9, --gap hold",
        "--rate 25 --target frames-png --size 1280x960, --accept far-enlarged"})
    void itIsNamedAndDoesIt(String without, String with) throws Exception {
        Path frames = png("kite", 1, 9);
        if (with.startsWith("--gap")) {
            Files.delete(frames.resolve("kite.0004.png"));
        }
        List<Object> words = new ArrayList<>(List.of("make", frames, "--out", folder.resolve("out")));
        words.addAll(List.of(without.split(" ")));
        Shell held = Shell.run(words.toArray());
        assertThat(held.code()).isEqualTo(3);
        assertThat(held.err()).contains("lifted by: ").contains(with);
        words.addAll(List.of(with.split(" ")));
        Shell made = Shell.run(words.toArray());
        assertThat(made.code()).as(made.err()).isZero();
    }
}
