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
import dev.vat.media.encode.StillWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;

/** {@code vat make} from words to proven files, with real frames and real worker processes. */
class MakeCommandTest extends CommandFrames {

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

    /** Each file as it was said of it alone, and one whose codec isn't its target's is called so. */
    @Test
    void whatIsSaidOfOneTargetHoldsForItAlone() throws IOException {
        Path frames = png("kite", 1, 6);
        Path out = folder.resolve("out");
        Shell made = Shell.run("make", frames, "--target", "web-h264,size=64x36,fit=fill", "--target", "web-h264,codec=h265-main-420",
                "--target", "alpha-prores-4444,codec=prores-422-hq", "--rate", "25", "--out", out, "--json");
        assertThat(made.code()).as(made.err()).isZero();
        assertThat(names(out)).contains("kite_web.mp4", "kite_h265-main-420-2.mp4", "kite_prores-422-hq.mov");
        assertThat(Files.readString(out.resolve("kite_web.mp4.receipt.json"))).contains("64x36");
        assertThat(Files.readString(out.resolve("kite_prores-422-hq.mov.receipt.json"))).contains("with alpha, as ProRes 422 HQ");
        assertThat(made.events("finding")).filteredOn(f -> f.path("id").asText().equals("target-changed")).hasSize(1)
                .allMatch(f -> f.path("text").asText().contains("means no alpha, 4:2:2 in place of 4:4:4"));

        Shell same = Shell.run("make", frames, "--target", "web-h264", "--target", "edit-prores-hq", "--codec", "dnxhr-hq", "--rate", "25",
                "--out", folder.resolve("none"));
        assertThat(same.code()).isEqualTo(2);
        assertThat(same.err()).contains("--target web-h264,codec=");
        assertThat(folder.resolve("none")).doesNotExist();
    }

    /** A file that can't be made keeps no other back; the exit code tells of it. */
    @Test
    void oneFileThatCantBeFailsAlone() throws IOException {
        Path frames = png("kite", 1, 6);
        Path out = folder.resolve("out");
        Shell made = Shell.run("make", frames, "--target", "web-h264,quality=30", "--target",
                "alpha-prores-4444,size=20000x14000,accept=far-enlarged", "--rate", "25", "--out", out, "--json");
        assertThat(made.code()).isEqualTo(3);
        assertThat(names(out)).containsExactlyInAnyOrder("kite_web.mp4", "kite_web.mp4.receipt.json");
        assertThat(made.last().path("message").asText()).contains("size-illegal").contains("takes no picture of 20000x14000");
        assertThat(made.events("done")).hasSize(1);

        Shell none = Shell.run("make", frames, "--target", "alpha-prores-4444,size=20000x14000", "--rate", "25", "--out",
                folder.resolve("none"));
        assertThat(none.code()).isEqualTo(3);
        assertThat(folder.resolve("none")).doesNotExist();
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
    void anOutputFolderThatCantBeWrittenIsAFinding() throws IOException {
        Path file = Files.writeString(folder.resolve("file"), "x");
        Shell shell = Shell.run("make", png("kite", 1, 2), "--target", "web-h264", "--rate", "25", "--out", file.resolve("in"), "--json");
        assertThat(shell.code()).isEqualTo(3);
        assertThat(shell.events("finding")).anyMatch(f -> f.path("id").asText().equals("folder-refused"));
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
