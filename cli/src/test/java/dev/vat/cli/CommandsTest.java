package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.media.encode.StillWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The command line from words to exit code, with real frames and real worker processes. */
class CommandsTest extends CommandFrames {

    @Test
    void theFramesToRenderAgainAreAllThatIsPrinted() throws IOException {
        Path frames = png("kite", 101, 8);
        Files.delete(frames.resolve("kite.0103.png"));
        cut(frames.resolve("kite.0106.png"));
        Shell ranges = Shell.run("wanted", frames, "--expect", "101-112");
        assertThat(ranges.code()).isEqualTo(3);
        assertThat(ranges.out().strip()).isEqualTo("0103, 0106, 0109-0112");
        assertThat(Shell.run("wanted", frames, "--list").out().strip()).isEqualTo("0103,0106");
        Shell whole = Shell.run("wanted", png("dune", 1, 3));
        assertThat(whole.code()).isZero();
        assertThat(whole.out()).isEmpty();
        assertThat(Shell.run("wanted", frames, "--expect", "many").code()).isEqualTo(2);
    }

    /** What is expected decides the same for every command: numbers in steps are no whole shot unless steps are expected. */
    @Test
    void whatIsExpectedDecidesEverywhere() throws IOException {
        Path frames = png("kite", 1, 13);
        for (int number = 1; number <= 13; number++) {
            if (number % 4 != 1) {
                Files.delete(frames.resolve("kite.%04d.png".formatted(number)));
            }
        }
        Shell wanted = Shell.run("wanted", frames, "--expect", "1-13");
        assertThat(wanted.code()).isEqualTo(3);
        assertThat(wanted.out().strip()).isEqualTo("0002-0004, 0006-0008, 0010-0012");
        assertThat(Shell.run("wanted", frames, "--expect", "1-13", "--step", "4").code()).isZero();
        assertThat(Shell.run("wanted", frames).err()).contains("its numbers go in steps of 4");
        JsonNode looked = Shell.run("look", frames, "--expect", "1-13", "--json").last().path("sources").get(0);
        assertThat(looked.path("wanted").asText()).isEqualTo("2-4, 6-8, 10-12");
        String[] make = {"make", frames.toString(), "--target", "alpha-png", "--rate", "25", "--out", folder.resolve("to").toString(),
            "--json"};
        Shell refused = Shell.run(with(make, "--expect", "1-13"));
        assertThat(refused.code()).isEqualTo(3);
        assertThat(refused.events("finding").stream().map(f -> f.path("id").asText())).contains("frames-wanted");
        Shell held = Shell.run(with(make, "--expect", "1-13", "--step", "4", "--keep-length"));
        assertThat(held.code()).isZero();
        assertThat(held.events("planned").getFirst().path("frames").asInt()).isEqualTo(13);
        Shell never = Shell.run(with(make, "--when-complete"));
        assertThat(never.code()).as("nobody said what is complete").isEqualTo(2);
        assertThat(never.err()).contains("--expect");
    }

    private static Object[] with(String[] command, String... more) {
        return Stream.concat(Stream.of(command), Stream.of(more)).toArray();
    }

    @Test
    void shapesAreSizesAndSizesAreShapes() {
        assertThat(Shell.run("shape", "2.39", "--width", "1920").out().lines()).containsExactly("2.39 to 1 in 1920 columns, pixels 1:1:",
                "  1920x804  0.08 % narrower", "  1920x802  0.17 % wider", "  1920x800  0.42 % wider");
        assertThat(Shell.run("shape", "16:9").out()).contains("1920x1080  exact");
        assertThat(Shell.run("shape", "720x576", "--pixel", "16:15").out().strip())
                .isEqualTo("stored 720x576, pixels 16:15: seen 768x576, 1.333 to 1");
        assertThat(Shell.run("shape", "720x576").out().lines()).hasSize(7).anyMatch(l -> l.contains("64:45: seen 1024x576, 1.778 to 1"));
        assertThat(Shell.run("shape", "720x576", "--pixel", "64:45", "--width", "1280").out()).contains("1280x720  exact");
        assertThat(Shell.run("shape", "round").code()).isEqualTo(2);
    }

    @Test
    void aForecastShowsItsSum() {
        assertThat(Shell.run("forecast", "1-312", "--frame", "42", "--start", "240").out().strip())
                .isEqualTo("312 frames x 42 s + 4 min = 3 h 42 min");
        assertThat(Shell.run("forecast", "1-312", "--frame", "0").code()).isEqualTo(2);
    }

    /** Holes closed up and mixed over, from the frames to the proven file. */
    @Test
    @Tag("torture")
    void holesAreClosedUpOrMixedOver() throws IOException {
        Path frames = png("kite", 1, 12);
        Files.delete(frames.resolve("kite.0005.png"));
        Files.delete(frames.resolve("kite.0006.png"));
        Shell closed = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--gap", "close", "--out",
                folder.resolve("closed"), "--json");
        assertThat(closed.code()).isZero();
        assertThat(closed.events("planned").getFirst().path("frames").asInt()).isEqualTo(10);
        Shell mixed = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--gap", "blend", "--out", folder.resolve("mixed"),
                "--json");
        assertThat(mixed.code()).isZero();
        assertThat(mixed.events("planned").getFirst().path("frames").asInt()).isEqualTo(12);
        String receipt = Files.readString(Path.of(mixed.last().path("files").get(0).path("receipt").asText()));
        assertThat(receipt).contains("frames 4 and 7 mixed, 1/3 of the later one").contains("frames 4 and 7 mixed, 2/3 of the later one");
    }

    @Test
    void kinAreLookedAtTogetherAndWhatFilesStateIsSaid() throws IOException {
        Path place = png("kite_haze", 1, 2);
        try (Stream<Path> files = Files.list(png("kite_sand", 1, 2))) {
            for (Path file : files.toList()) {
                Files.move(file, place.resolve(file.getFileName()));
            }
        }
        Shell look = Shell.run("look", place, "--json");
        assertThat(look.last().path("sources")).hasSize(2).allSatisfy(s -> assertThat(s.path("kin").asText()).isEqualTo("kite"));
        assertThat(Shell.run("look", place).out()).contains("2 that belong together");
    }

    @Test
    void targetsAreOneDocument() {
        Shell shell = Shell.run("targets", "--json");
        assertThat(shell.code()).isZero();
        assertThat(shell.lines()).hasSize(1);
        JsonNode targets = shell.last().path("targets");
        assertThat(targets).hasSizeGreaterThanOrEqualTo(24);
        assertThat(targets.get(2).fieldNames()).toIterable().contains("id", "for", "title", "container", "codec", "quality", "depth",
                "alpha");
        assertThat(targets.get(2).path("id").asText()).isEqualTo("alpha-prores-4444");
        assertThat(targets.get(2).path("alpha").asBoolean()).isTrue();
        assertThat(Shell.run("targets").out()).as("in words").contains("alpha-prores-4444");
        assertThat(Shell.run("targets").err()).isEmpty();
    }

    @Test
    @Tag("torture")
    void aCutShortExrIsFound() throws IOException {
        Path frames = exr("glow", 6);
        cut(frames.resolve("glow.0004.exr"));
        JsonNode source = Shell.run("look", frames, "--json").last().path("sources").get(0);
        assertThat(source.path("faults")).hasSize(1);
        assertThat(source.path("faults").get(0).path("state").asText()).isEqualTo("cut short");
        assertThat(source.path("float").asBoolean()).isTrue();
        assertThat(Shell.run("make", frames, "--target", "web-h264", "--rate", "25").code()).isEqualTo(3);
        assertThat(
                Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--gap", "card", "--out", folder.resolve("out")).code())
                .isZero();
    }

    @Test
    void lookExitsZeroWhateverItFindsAndTwoIfNothingIsThere() throws IOException {
        Path none = Files.createDirectory(folder.resolve("none"));
        assertThat(Shell.run("look", none, "--json").last().path("sources")).isEmpty();
        Shell gone = Shell.run("look", folder.resolve("gone"), "--json");
        assertThat(gone.code()).isEqualTo(2);
        assertThat(gone.last().path("code").asInt()).isEqualTo(2);
        assertThat(gone.err()).startsWith("vat: ").hasLineCount(1);
        Path frames = png("kite", 1, 3);
        assertThat(Shell.run("look", frames.resolve("kite.0002.png"), "--json").last().path("sources").get(0).path("count").asInt())
                .isEqualTo(3);
        assertThat(Shell.run("look", frames, "--headers").out()).contains("3 files, 3 good, 64x48, 16-bit");
    }

    @Test
    void aRateThatNothingStatesIsAFinding() throws IOException {
        Shell shell = Shell.run("make", png("kite", 1, 3), "--target", "web-h264", "--json");
        assertThat(shell.code()).isEqualTo(3);
        assertThat(shell.events("finding")).anyMatch(f -> f.path("id").asText().equals("rate-unknown"));
    }

    @Test
    void aFolderWithSeveralSequencesWantsOneNamed() throws IOException {
        Path frames = png("kite", 1, 3);
        Files.write(frames.resolve("matte_1.png"), StillWriter.PNG8.write(picture(64, 48, 0)));
        Files.write(frames.resolve("matte_2.png"), StillWriter.PNG8.write(picture(64, 48, 1)));
        Shell which = Shell.run("make", frames, "--target", "web-h264", "--rate", "25");
        assertThat(which.code()).isEqualTo(2);
        assertThat(which.err()).contains("kite.####.png").contains("matte_#.png");
        assertThat(Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--source", "nobody").code()).isEqualTo(2);
        Shell made = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--source", "matte", "--out", folder.resolve("out"),
                "--json");
        assertThat(made.code()).isZero();
        assertThat(names(folder.resolve("out"))).contains("matte_web.mp4");
    }

    @Test
    void aChangedFileIsNotWhatItsReceiptSays() throws IOException {
        assertThat(Shell.run("make", png("kite", 1, 3), "--target", "web-h264", "--rate", "25", "--out", folder.resolve("out")).code())
                .isZero();
        Path file = folder.resolve("out/kite_web.mp4");
        byte[] data = Files.readAllBytes(file);
        data[data.length - 20] ^= 3;
        Files.write(file, data);
        Shell shell = Shell.run("prove", file, "--json");
        assertThat(shell.code()).isEqualTo(4);
        assertThat(shell.last().path("proven").asBoolean()).isFalse();
        assertThat(Shell.run("prove", folder.resolve("kite/kite.0001.png")).err()).contains("no receipt");
        assertThat(Shell.run("prove", folder.resolve("gone.mp4")).code()).isEqualTo(2);
        assertThat(Shell.run("split", folder.resolve("gone.mov"), "--every", "2").code()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';',
            value = {"make;Missing required parameter", "make PATH;--target", "make PATH --target tape;no target 'tape'",
                "make PATH --target web-h264 --rate fast;'fast' is not a rate", "make PATH --target web-h264 --range 9-3;9-3",
                "make PATH --target web-h264 --gap stretch;'stretch'",
                "make PATH --target web-h264 --flatten red;'red'", "make PATH --target web-h264 --name {x};{x}", "sing;sing",
                "look;Missing required", "make PATH --nope;--nope"})
    void wrongUseIsExitTwoAndOneClearLine(String words, String said) throws IOException {
        String path = png("kite", 1, 2).toString();
        Shell shell = Shell.run((Object[]) words.replace("PATH", path).split(" "));
        assertThat(shell.code()).isEqualTo(2);
        assertThat(shell.err()).startsWith("vat: ").contains(said).hasLineCount(1);
        assertThat(shell.out()).isEmpty();
    }

    @Test
    void helpAndVersionAreThere() {
        assertThat(Shell.run("--help").out()).contains("Exit codes").contains("look").contains("make").contains("prove").contains("demo");
        assertThat(Shell.run("--version").out()).startsWith("Vat ");
        assertThat(Vat.meansWindow()).isTrue();
        assertThat(Vat.meansWindow("look")).isFalse();
        assertThat(Vat.meansWindow(folder.toString())).isTrue();
    }

    @Test
    void theQueueIsFilledListedAndWorkedThrough() throws IOException {
        Path frames = png("kite", 1, 3);
        Path out = folder.resolve("out");
        Shell put = Shell.run("make", frames.toString(), "--target", "edit-prores-hq", "--rate", "25", "--out", out.toString(), "--later",
                "--json");
        assertThat(put.code()).isZero();
        assertThat(put.out()).contains("\"event\":\"queued\"").contains("\"id\":\"q1\"");
        assertThat(Shell
                .run("make", frames.toString(), "--target", "web-h264", "--rate", "25", "--out", out.toString(), "--after", "1", "--json")
                .code()).isZero();
        assertThat(Shell.run("make", frames.toString(), "--target", "web-h264", "--rate", "25", "--after", "q8").code()).isEqualTo(2);
        assertThat(Shell.run("queue", "--json").out()).contains("\"id\":\"q1\"").contains("ready").contains("after q1");
        assertThat(Shell.run("queue").out().lines().findFirst().orElseThrow()).startsWith("q1  ").contains("ready")
                .endsWith(out.toString());
        assertThat(Shell.run("queue", "hold").code()).isEqualTo(2);
        assertThat(Shell.run("queue", "hold", "q9").code()).isEqualTo(2);
        assertThat(Shell.run("queue", "hold", "2").out()).contains("(held)");
        assertThat(Shell.run("queue", "release", "2").out()).doesNotContain("(held)");
        Shell worked = Shell.run("queue", "work", "--json");
        assertThat(worked.code()).as(worked.err()).isZero();
        assertThat(names(out)).containsExactly("kite_edit.mov", "kite_edit.mov.receipt.json", "kite_web.mp4", "kite_web.mp4.receipt.json");
        assertThat(Shell.run("queue").err()).contains("Nothing is to be made later");
        assertThat(Shell.run("history", "edit", "--json").out()).contains("kite_edit.mov").doesNotContain("kite_web.mp4")
                .contains("\"there\":true");
        assertThat(Shell.run("remake", out.resolve("kite_edit.mov").toString(), "--json").out()).contains("\"event\":\"unchanged\"");
        assertThat(Shell.run("remake", out.resolve("kite_edit.mov").toString(), "--frames", "2-2", "--json").code()).isZero();
        assertThat(out.resolve("kite_edit_v02.mov")).hasSameBinaryContentAs(out.resolve("kite_edit.mov"));
    }
}
