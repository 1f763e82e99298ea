package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Preset;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.time.Rate;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The command line from words to exit code, with real frames and real worker processes. */
class CommandsTest {

    @TempDir
    Path folder;

    private static Samples picture(int width, int height, int frame) {
        float[] r = new float[width * height];
        float[] g = r.clone();
        float[] b = r.clone();
        for (int i = 0; i < r.length; i++) {
            r[i] = (i % width) / (float) width;
            g[i] = (i / width) / (float) height;
            b[i] = (i * 7 + frame * 3) % 50 / 50f;
        }
        return new Samples(width, height, r, g, b, null);
    }

    private Path png(String name, int first, int count) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int i = 0; i < count; i++) {
            Files.write(place.resolve("%s.%04d.png".formatted(name, first + i)), StillWriter.PNG16.write(picture(64, 48, i)));
        }
        return place;
    }

    private Path exr(String name, int count) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int i = 0; i < count; i++) {
            Samples s = picture(64, 48, i);
            Files.write(place.resolve("%s.%04d.exr".formatted(name, i + 1)),
                    ExrWriter.write(64, 48, Map.of("R", s.red(), "G", s.green(), "B", s.blue())));
        }
        return place;
    }

    private static void cut(Path file) throws IOException {
        byte[] data = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(data, data.length * 2 / 3));
    }

    private static String[] names(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toArray(String[]::new);
        }
    }

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

    @Test
    void shapesAreSizesAndSizesAreShapes() {
        assertThat(Shell.run("shape", "2.39", "--width", "1920").out().lines()).first().asString().startsWith("1920x804");
        assertThat(Shell.run("shape", "720x576", "--pixel", "16:15").out().strip()).isEqualTo("stored 720x576, seen 768x576, 1.333 to 1");
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
        assertThat(Shell.run("look", place).err()).contains("2 that belong together");
    }

    @Test
    void codecContainerQualityAndPresetsTakeTheTargetsPlace() throws IOException {
        Path frames = png("kite", 1, 6);
        Path preset = Files.writeString(folder.resolve("rushes.json"),
                Preset.of("rushes", Deliverable.of(Catalogue.target("edit-prores-lt"))
                        .withContainer(Container.MXF)).toText());
        Shell made = Shell.run("make", frames, "--target", "web-h264", "--quality", "30", "--container", "mov", "--rate", "25", "--out",
                folder.resolve("out"), "--json");
        assertThat(made.code()).isZero();
        assertThat(names(folder.resolve("out"))).contains("kite_web.mov");
        Shell kept = Shell.run("make", frames, "--preset", preset, "--rate", "25", "--out", folder.resolve("out"), "--json");
        assertThat(kept.code()).isZero();
        assertThat(names(folder.resolve("out"))).contains("kite_lt.mxf");
        Shell illegal = Shell.run("make", frames, "--target", "web-vp9", "--container", "avi", "--rate", "25", "--out",
                folder.resolve("none"));
        assertThat(illegal.code()).isEqualTo(2);
        assertThat(illegal.err()).contains("VP9 can't stand in AVI").contains("MP4, Matroska or WebM");
        assertThat(
                Shell.run("make", frames, "--target", "web-h264", "--quality", "99", "--rate", "25", "--out", folder.resolve("none")).err())
                .contains("not 99");
        assertThat(Shell.run("make", frames, "--preset", "nobody's", "--rate", "25", "--out", folder.resolve("none")).err())
                .contains("There is no preset");
        assertThat(folder.resolve("none")).doesNotExist();
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
        assertThat(Shell.run("targets").out()).as("words go to standard error").isEmpty();
    }

    /** A hole, an empty file, a cut-short PNG and a frame of another size: each is named, refused, and filled on demand. */
    @Test
    void everyFaultIsNamedRefusedAndFilledOnDemand() throws IOException {
        Path frames = png("kite", 101, 20);
        Files.delete(frames.resolve("kite.0105.png"));
        Files.write(frames.resolve("kite.0108.png"), new byte[0]);
        cut(frames.resolve("kite.0111.png"));
        Files.write(frames.resolve("kite.0114.png"), StillWriter.PNG16.write(picture(32, 24, 0)));

        Shell look = Shell.run("look", frames, "--json");
        assertThat(look.code()).isZero();
        JsonNode source = look.last().path("sources").get(0);
        assertThat(source.path("name").asText()).isEqualTo("kite.####.png");
        assertThat(source.path("pattern").toString()).isEqualTo("{\"before\":\"kite.\",\"digits\":4,\"after\":\".png\"}");
        assertThat(source.path("count").asInt()).isEqualTo(19);
        assertThat(source.path("good").asInt()).isEqualTo(16);
        assertThat(source.path("missing").asText()).isEqualTo("105");
        assertThat(source.path("wanted").asText()).isEqualTo("105, 108, 111, 114");
        assertThat(source.path("next").asInt()).isEqualTo(121);
        assertThat(source.path("width").asText()).isEqualTo("mixed");
        assertThat(source.path("depth").asInt()).isEqualTo(16);
        assertThat(source.path("alpha").asText()).isEqualTo("none");
        assertThat(source.path("faults")).extracting(f -> f.path("frame").asInt() + " " + f.path("state").asText())
                .containsExactly("108 empty", "111 cut short", "114 mismatch");

        Shell refused = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--out", folder.resolve("out"), "--json");
        assertThat(refused.code()).isEqualTo(3);
        assertThat(refused.events("finding"))
                .anyMatch(f -> f.path("id").asText().equals("frames-wanted") && f.path("severity").asText().equals("blocker"));
        assertThat(refused.last().path("event").asText()).isEqualTo("error");
        assertThat(refused.last().path("code").asInt()).isEqualTo(3);
        assertThat(folder.resolve("out")).doesNotExist();

        Shell made = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--gap", "hold", "--out", folder.resolve("out"),
                "--json");
        assertThat(made.code()).isZero();
        assertThat(made.last().path("event").asText()).isEqualTo("done");
        JsonNode file = made.last().path("files").get(0);
        assertThat(file.path("proven").asBoolean()).isTrue();
        assertThat(Path.of(file.path("path").asText())).isAbsolute().exists();
        String receipt = Files.readString(Path.of(file.path("receipt").asText()));
        assertThat(receipt).contains("\"wanted\" : 105").contains("frame 104 held").contains("\"wanted\" : 114").contains("frame 113 held");
        assertThat(made.events("planned")).hasSize(1);
        assertThat(made.events("progress")).isNotEmpty();
        assertThat(made.events("proof")).hasSize(1);
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
    void lookExitsZeroWhateverItFindsAndOneIfItCantRead() throws IOException {
        Path none = Files.createDirectory(folder.resolve("none"));
        assertThat(Shell.run("look", none, "--json").last().path("sources")).isEmpty();
        Shell gone = Shell.run("look", folder.resolve("gone"), "--json");
        assertThat(gone.code()).isEqualTo(1);
        assertThat(gone.last().path("code").asInt()).isEqualTo(1);
        assertThat(gone.err()).startsWith("vat: ").hasLineCount(1);
        Path frames = png("kite", 1, 3);
        assertThat(Shell.run("look", frames.resolve("kite.0002.png"), "--json").last().path("sources").get(0).path("count").asInt())
                .isEqualTo(3);
        assertThat(Shell.run("look", frames, "--headers").err()).contains("3 files, 3 good, 64x48, 16-bit");
    }

    @Test
    void aRateThatNothingStatesIsAFinding() throws IOException {
        Shell shell = Shell.run("make", png("kite", 1, 3), "--target", "web-h264", "--json");
        assertThat(shell.code()).isEqualTo(3);
        assertThat(shell.events("finding")).anyMatch(f -> f.path("id").asText().equals("rate-unknown"));
    }

    @Test
    void rangesAreSourceFrameNumbersBothIncluded() throws IOException {
        Path frames = png("kite", 101, 20);
        Shell shell = Shell.run("make", frames.resolve("kite.0101.png"), "--target", "edit-prores-hq", "--target", "alpha-prores-4444",
                "--rate", "24000/1001",
                "--range", "105..112", "--name", "{reel}_{range}_{rate}_{target}", "--json");
        assertThat(shell.code()).isZero();
        assertThat(shell.events("planned").getFirst().path("frames").asInt()).isEqualTo(8);
        assertThat(names(folder.resolve("delivered"))).as("beside the sequence's folder").contains("kite_105-112_23.976_edit.mov",
                "kite_105-112_23.976_alpha.mov");
        assertThat(Shell.run("prove", folder.resolve("delivered/kite_105-112_23.976_edit.mov")).code()).isZero();
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
    void aProjectIsMadeAsItIsSaved() throws IOException {
        Project project = Edits.bringIn(SourceFinder.find(png("kite", 1, 6)).locations(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = DeliverableEdits.addTarget(Catalogue.WEB_H264).apply(Edits.setRate(Rate.of(30)).apply(project));
        Path file = folder.resolve("kite.vat");
        ProjectFile.save(project, file);
        String before = Files.readString(file);
        Shell shell = Shell.run("make", file, "--out", folder.resolve("out"), "--json");
        assertThat(shell.code()).isZero();
        assertThat(shell.events("planned").getFirst().path("rate").asText()).isEqualTo("30");
        assertThat(Files.readString(file)).as("a project is only read").isEqualTo(before);
    }

    /** Written into, made, heard with another sound, its plan printed: all from the command line. */
    @Test
    void wordsAreWrittenInSoundIsLaidAnewAndThePlanIsPrinted() throws IOException {
        Path frames = png("kite", 1, 10);
        Path out = folder.resolve("out");
        Path bells = folder.resolve("bells.wav");
        ByteBuffer tone = ByteBuffer.allocate(48_000 * 2).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 48_000; i++) {
            tone.putShort((short) Math.round(3276 * Math.sin(2 * Math.PI * 1000 * i / 48_000)));
        }
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(tone.array()), new AudioFormat(48_000, 16, 1, true, false), 48_000),
                AudioFileFormat.Type.WAVE, bells.toFile());
        Shell made = Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--burn-in", "{source} {frame}@top-left",
                "--burn-in", "{timecode}", "--sound", bells, "--loudness", "-20", "--out", out, "--json");
        assertThat(made.code()).isZero();
        String receipt = Files.readString(Path.of(made.last().path("files").get(0).path("receipt").asText()));
        assertThat(receipt).contains("written into the pictures: {source} {frame} at the top left; {timecode} at the bottom left")
                .contains("\"planned\" : \"-20.0 LUFS\"");
        assertThat(Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--burn-in", "{kite}", "--out", out).code())
                .isEqualTo(2);
        assertThat(Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--burn-in", "x@outside", "--out", out).err())
                .contains("'outside' is no place; there are top-left");
        assertThat(Shell.run("make", frames, "--target", "web-h264", "--rate", "25", "--burn-in", "\u51e7", "--out", out).code())
                .as("a letter that the face lacks is a finding").isEqualTo(3);
        Shell silent = Shell.run("resound", out.resolve("kite_web.mp4"), "--json");
        assertThat(silent.code()).isZero();
        assertThat(Files.readString(Path.of(silent.last().path("files").get(0).path("receipt").asText()))).contains("sound laid anew: "
                + "the pictures are those of kite_web.mp4");
        assertThat(Shell.run("resound", out.resolve("kite_web.mp4"), "--with", bells, "--at", "9 s").code()).isEqualTo(2);
        Project project = Edits.setRate(Rate.FPS_25)
                .apply(Edits.bringIn(List.of(SourceFinder.find(frames).sequences().getFirst().location()), Edits.Layout.ONE_PROGRAMME)
                        .apply(Project.EMPTY));
        Path saved = folder.resolve("kite" + ProjectFile.EXTENSION);
        ProjectFile.save(ReelEdits.addInFront(GeneratedItem.Plain.black(2), Rate.FPS_25).apply(project), saved);
        Shell plan = Shell.run("plan", saved);
        assertThat(plan.out().lines()).hasSize(12).startsWith("0 00:00:00:00 -> colour #000000").contains("2 00:00:00:02 -> kite 0001");
        assertThat(Shell.run("plan", saved, "--item", "3").code()).isEqualTo(2);
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
        assertThat(Shell.run("prove", folder.resolve("gone.mp4")).code()).isEqualTo(1);
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
    void anOutputFolderThatCantBeWrittenIsAFinding() throws IOException {
        Path file = Files.writeString(folder.resolve("file"), "x");
        Shell shell = Shell.run("make", png("kite", 1, 2), "--target", "web-h264", "--rate", "25", "--out", file.resolve("in"), "--json");
        assertThat(shell.code()).isEqualTo(3);
        assertThat(shell.events("finding")).anyMatch(f -> f.path("id").asText().equals("folder-refused"));
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
                .run("make", frames.toString(), "--target", "web-h264", "--rate", "25", "--out", out.toString(), "--after", "q1", "--json")
                .code()).isZero();
        assertThat(Shell.run("make", frames.toString(), "--target", "web-h264", "--rate", "25", "--after", "q8").code()).isEqualTo(2);
        assertThat(Shell.run("queue", "--json").out()).contains("\"id\":\"q1\"").contains("ready").contains("after q1");
        assertThat(Shell.run("queue", "hold").code()).isEqualTo(2);
        assertThat(Shell.run("queue", "hold", "q9").code()).isEqualTo(2);
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

    @Test
    void oneFrameComesOutAsOneStill() throws IOException {
        Path out = folder.resolve("out");
        assertThat(Shell.run("make", png("kite", 101, 5).toString(), "--target", "frames-png", "--rate", "25", "--range", "103-103",
                "--out", out.toString(), "--json").code()).isZero();
        assertThat(names(out)).containsExactly("kite_frames.0103.png", "kite_frames.0103.png.receipt.json");
        assertThat(Shell.run("prove", out.resolve("kite_frames.0103.png").toString()).code()).isZero();
    }
}
