package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rate;
import dev.vat.media.read.ClipProbe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Finished films cut, joined, wrapped, repaired, shown and handed over by commands; what comes out is opened again. */
@Tag("slow")
class HandingOverCommandsTest {

    @TempDir
    static Path made;
    private static Path edit;
    private static Path web;

    @TempDir
    Path folder;

    @BeforeAll
    static void makeFilms() throws IOException {
        edit = TestMaterial.film(made, "kite", 50, "edit-prores-422");
        web = TestMaterial.film(made, "tower", 12, "web-h264");
    }

    private static List<Path> paths(Shell shell) {
        JsonNode paths = shell.events("made").getFirst().path("paths");
        return StreamSupport.stream(paths.spliterator(), false).map(p -> Path.of(p.asText())).toList();
    }

    @Test
    void aFilmIsSplitAndJoinedAndIsWhatItWas() throws IOException {
        Path film = edit;
        Shell split = Shell.run("split", film, "--at", "10,30", "--out", folder.resolve("pieces"), "--json");
        assertThat(split.code()).as(split.err()).isZero();
        List<Path> pieces = paths(split);
        assertThat(pieces).hasSize(3).allSatisfy(p -> assertThat(p).hasParent(folder.resolve("pieces")));
        assertThat(pieces).extracting(p -> ClipProbe.probe(p).frames()).containsExactly(10, 20, 20);
        Path whole = folder.resolve("whole.mov");
        Shell joined = Shell.run("join", pieces.get(0), pieces.get(1), pieces.get(2), "--to", whole, "--json");
        assertThat(joined.code()).as(joined.err()).isZero();
        ClipFacts clip = ClipProbe.probe(whole);
        assertThat(clip.frames()).isEqualTo(50);
        assertThat(clip.rate()).isEqualTo(Rate.FPS_25);
        assertThat(Shell.run("join", pieces.get(0), pieces.get(1), "--to", whole).code()).as("nothing is written over").isNotZero();
        assertThat(ClipProbe.probe(whole).frames()).isEqualTo(50);
    }

    @Test
    void howASplitIsMeantHasToBeSaid() {
        assertThat(Shell.run("split", folder.resolve("none.mov")).code()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(Shell.run("split", folder.resolve("none.mov"), "--every", "2", "--at", "5").err()).contains("either how long "
                + "pieces are (--every) or where they begin (--at)");
        assertThat(Shell.run("split", folder.resolve("none.mov"), "--every", "soon").code()).isEqualTo(ExitCode.WRONG_USE.code());
        Shell nothing = Shell.run("split", folder.resolve("none.mov"), "--every", "2");
        assertThat(nothing.code()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(nothing.err()).contains("none.mov");
        assertThat(Shell.run("join", folder.resolve("one.mov"), "--to", folder.resolve("two.mov")).code()).as("one part is nothing to join")
                .isEqualTo(ExitCode.WRONG_USE.code());
    }

    @Test
    void anotherContainerOtherEndsAndAnotherShapeNeedNoEncoding() throws IOException {
        Path film = edit;
        Path wrapped = folder.resolve("part.mkv");
        Shell rewrap = Shell.run("rewrap", film, wrapped, "--from", "5", "--to", "14", "--pixel-aspect", "16:11", "--json");
        assertThat(rewrap.code()).as(rewrap.err()).isZero();
        ClipFacts clip = ClipProbe.probe(wrapped);
        assertThat(clip.frames()).isEqualTo(10);
        assertThat(clip.format().pixelAspect()).hasToString("16:11");
        assertThat(Shell.run("rewrap", film, folder.resolve("odd.mkv"), "--pixel-aspect", "wide").code())
                .isEqualTo(ExitCode.WRONG_USE.code());
        Shell unknown = Shell.run("rewrap", film, folder.resolve("odd.mkv"), "--colours", "sepia");
        assertThat(unknown.code()).isNotZero();
        assertThat(unknown.err()).contains("sepia");
        assertThat(folder.resolve("odd.mkv")).doesNotExist();
    }

    @Test
    void whatStandsWholeInABrokenFileIsSaved() throws IOException {
        Path film = edit;
        byte[] bytes = Files.readAllBytes(film);
        Path broken = folder.resolve("broken.mov");
        Files.write(broken, Arrays.copyOf(bytes, bytes.length / 2));
        Path saved = folder.resolve("saved.mov");
        Shell recover = Shell.run("recover", broken, saved, "--rate", "25", "--json");
        assertThat(recover.code()).as(recover.err()).isZero();
        assertThat(ClipProbe.probe(saved).frames()).isBetween(10, 49);
        assertThat(Files.size(broken)).as("it stays as it is").isEqualTo(bytes.length / 2);
        Path rubbish = folder.resolve("rubbish.mov");
        Files.writeString(rubbish, "no film at all ".repeat(1000));
        Shell none = Shell.run("recover", rubbish, folder.resolve("none.mov"));
        assertThat(none.code()).isEqualTo(ExitCode.FAILED.code());
        assertThat(none.err()).contains("rubbish.mov");
        assertThat(folder.resolve("none.mov")).doesNotExist();
    }

    @Test
    void aSetIsHandedOverAndAnyChangeInItIsNamed() throws IOException {
        Path film = web;
        Shell handed = Shell.run("handover", film, "--out", folder.resolve("sets"), "--name", "Kite Week", "--comment", "for the harbour",
                "--no-sheets", "--json");
        assertThat(handed.code()).as(handed.err()).isZero();
        Path set = Path.of(handed.events("set").getFirst().path("path").asText());
        assertThat(set).isDirectory().hasParent(folder.resolve("sets"));
        try (Stream<Path> files = Files.list(set)) {
            assertThat(files.map(f -> f.getFileName().toString())).contains(film.getFileName().toString(), "contents.txt", "ascmhl")
                    .noneMatch(n -> n.endsWith(".pdf"));
        }
        assertThat(set.resolve("contents.txt")).content().contains("for the harbour").doesNotContain(folder.toString());
        Shell proven = Shell.run("prove", set, "--json");
        assertThat(proven.code()).isZero();
        assertThat(proven.last().path("proven").asBoolean()).isTrue();
        Path copy = set.resolve(film.getFileName());
        byte[] bytes = Files.readAllBytes(copy);
        bytes[bytes.length / 2] ^= 1;
        Files.write(copy, bytes);
        Shell flipped = Shell.run("prove", set, "--json");
        assertThat(flipped.code()).isEqualTo(ExitCode.UNPROVEN.code());
        assertThat(flipped.last().path("reasons").toString()).contains(film.getFileName().toString());
        Shell again = Shell.run("handover", film, "--out", folder.resolve("sets"), "--name", "Kite Week", "--no-sheets", "--json");
        assertThat(Path.of(again.events("set").getFirst().path("path").asText())).as("nothing is written over").isNotEqualTo(set)
                .isDirectory();
        assertThat(copy).hasBinaryContent(bytes);
    }

    @Test
    void aSetIsOneZipFileToo() throws IOException {
        Path film = web;
        Shell handed = Shell.run("handover", film, "--out", folder, "--name", "Kite Week", "--zip", "--no-sheets", "--json");
        assertThat(handed.code()).as(handed.err()).isZero();
        Path zip = Path.of(handed.events("set").getFirst().path("path").asText());
        assertThat(zip).isRegularFile();
        assertThat(zip.getFileName().toString()).endsWith(".zip");
        assertThat(Shell.run("prove", zip).code()).isZero();
        Files.write(zip, Arrays.copyOf(Files.readAllBytes(zip), (int) (Files.size(zip) / 2)));
        assertThat(Shell.run("prove", zip).code()).as("half of it").isNotZero();
    }

    @Test
    void sheetsAreWrittenForFilmsFoldersAndReels() throws IOException {
        Path film = web;
        Shell proof = Shell.run("sheet", film, "--json");
        assertThat(proof.code()).as(proof.err()).isZero();
        assertThat(StreamSupport.stream(proof.events("sheet").getFirst().path("paths").spliterator(), false).map(p -> Path.of(p.asText())))
                .hasSize(2).allSatisfy(p -> assertThat(p).isNotEmptyFile());
        Path png = folder.resolve("frames.png");
        Shell contacts = Shell.run("contacts", made.resolve("tower"), png, "--grid", "4x2", "--width", "800", "--json");
        assertThat(contacts.code()).as(contacts.err()).isZero();
        BufferedImage sheet = ImageIO.read(png.toFile());
        assertThat(sheet.getWidth()).isEqualTo(800);
        Shell there = Shell.run("contacts", made.resolve("tower"), png);
        assertThat(there.code()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(there.err()).contains("is there already; nothing is written over it");
        assertThat(Shell.run("contacts", film, folder.resolve("film.jpg"), "--grid", "0x2").code()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(Shell.run("contacts", film, folder.resolve("film.pdf")).code()).isZero();
        assertThat(folder.resolve("film.pdf")).content(StandardCharsets.ISO_8859_1).startsWith("%PDF-");
        assertThat(Shell.run("sheet", folder.resolve("none.mp4")).code()).isEqualTo(ExitCode.WRONG_USE.code());
    }
}
