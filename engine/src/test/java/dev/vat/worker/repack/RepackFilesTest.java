package dev.vat.worker.repack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Effort;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.project.Edit;
import dev.vat.core.run.RunPlan;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Framing;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Receipt;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.worker.proof.Reproof;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.proof.MovieProof;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.RepackOrder;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Finished files split, joined, wrapped anew and recovered for real; what frames they hold is read by decoding them. */
@Tag("slow")
class RepackFilesTest {

    private static final int FRAMES = 60;

    @TempDir
    static Path home;

    private static final Map<String, Path> FILMS = new HashMap<>();

    @TempDir
    Path folder;

    private Path out;

    @BeforeAll
    static void makeFilms() throws Exception {
        Path frames = KiteFrames.png(home.resolve("frames"), "kite", 1, FRAMES, false);
        List<String> targets = List.of("edit-prores-hq", "web-h264", "web-vp9");
        Edit groups = new Edit("short groups", p -> p.withDeliverables(p.deliverables().stream()
                .map(d -> d.target().equals("edit-prores-hq") ? d : d.withGroup(Rational.of(2, 5)).withEffort(Effort.QUICK)).toList()));
        RunPlan plan = KiteFrames.plan(frames, home.resolve("out"), targets, groups);
        try (Run run = Run.start(plan, TestPlaces.in(home), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        for (int i = 0; i < targets.size(); i++) {
            FILMS.put(targets.get(i), home.resolve("out").resolve(plan.files().get(i).fileName()));
        }
    }

    @BeforeEach
    void where() {
        out = folder.resolve("out");
    }

    private static int[] frames(Path film) throws IOException {
        return MovieProof.prove(film, _ -> true).crcs();
    }

    private Path film(String target) {
        return FILMS.get(target);
    }

    private static String ending(Path file) {
        return file.toString().substring(file.toString().lastIndexOf('.'));
    }

    /** What is copied has a receipt, by which it can be proven again. */
    private static Repack.Result done(RepackOrder order) throws IOException {
        Repack.Result result = Repack.of(order, _ -> {});
        for (Path file : order instanceof RepackOrder.Recover ? List.<Path>of() : result.files()) {
            Receipt receipt = ReceiptFile.read(ReceiptFile.of(file));
            assertThat(receipt.reasons()).isEmpty();
            assertThat(receipt.proven()).isTrue();
            assertThat(receipt.comparison().lines()).extracting(Comparison.Line::name).contains("frames", "size", "codec", "container",
                    "rate", "sound tracks");
            assertThat(Reproof.of(file).reasons()).isEmpty();
        }
        return result;
    }

    private Repack.Result split(Path film, String seconds) throws IOException {
        return done(new RepackOrder.Split(film.toString(), out.toString(), Rational.parse(seconds), List.of()));
    }

    private Repack.Result join(List<Path> parts, String name) throws IOException {
        return done(new RepackOrder.Join(parts.stream().map(Path::toString).toList(), out.resolve(name).toString()));
    }

    @ParameterizedTest
    @CsvSource({"edit-prores-hq, 0.56", "web-h264, 0.8", "web-vp9, 0.8"})
    void whatIsSplitAndJoinedAgainHasTheSameFrames(String target, String seconds) throws Exception {
        Path film = film(target);
        List<Path> parts = split(film, seconds).files();
        assertThat(parts).hasSizeGreaterThan(2);
        assertThat(parts.stream().mapToInt(p -> {
            try {
                return frames(p).length;
            } catch (IOException e) {
                throw new AssertionError(e);
            }
        }).sum()).isEqualTo(FRAMES);
        Repack.Result joined = join(parts, "joined" + ending(film));
        assertThat(frames(joined.files().getFirst())).isEqualTo(frames(film));
        assertThat(MovieProof.prove(joined.files().getFirst(), _ -> true).facts().rate()).isEqualTo(Rate.FPS_25);
    }

    @Test
    void whatPartsShareOrLackIsToldToTheFrameAndTakenOnce() throws Exception {
        Path film = film("edit-prores-hq");
        Path first = out.resolve("first.mov");
        Path second = out.resolve("second.mov");
        Path third = out.resolve("third.mov");
        done(new RepackOrder.Rewrap(film.toString(), first.toString(), null, 17L, null, false, null, null));
        done(new RepackOrder.Rewrap(film.toString(), second.toString(), 11L, 29L, null, false, null, null));
        done(new RepackOrder.Rewrap(film.toString(), third.toString(), 33L, null, null, false, null, null));
        Repack.Result joined = join(List.of(first, second, third), "joined.mov");
        assertThat(joined.said()).anySatisfy(s -> assertThat(s).contains("first.mov and second.mov").contains("share 7 frames"))
                .anySatisfy(s -> assertThat(s).contains("second.mov and third.mov").contains("3 frames were missing"));
        int[] all = frames(film);
        int[] expected = IntStream.range(0, FRAMES).filter(i -> i < 30 || i >= 33).map(i -> all[i]).toArray();
        assertThat(frames(joined.files().getFirst())).isEqualTo(expected);
    }

    @Test
    void partsThatWerePackedAnewAreToldApartThoughTheyCantBeJoinedAsTheyAre() throws Exception {
        Path first = out.resolve("first.mov");
        Path other = out.resolve("other.mp4");
        done(new RepackOrder.Rewrap(film("edit-prores-hq").toString(), first.toString(), null, 24L, null, false, null, null));
        done(new RepackOrder.Rewrap(film("web-h264").toString(), other.toString(), 20L, null, null, false, null, null));
        assertThatThrownBy(() -> join(List.of(first, other), "no.mov")).isInstanceOf(IOException.class)
                .hasMessageContaining("H.264 where the first is ProRes").hasMessageContaining("share 5 frames");
    }

    @Test
    void aBrokenLastPartIsNamedAndCutAtItsLastWholeFrame() throws Exception {
        List<Path> parts = split(film("edit-prores-hq"), "0.8").files();
        Path last = parts.getLast();
        KiteFrames.cut(last, .7);
        Repack.Result joined = join(parts, "joined.mov");
        assertThat(joined.said()).anySatisfy(s -> assertThat(s).contains(last.getFileName().toString()).contains("is broken"));
        int[] all = frames(film("edit-prores-hq"));
        int[] found = frames(joined.files().getFirst());
        assertThat(found.length).isBetween(FRAMES - 19, FRAMES - 1);
        assertThat(found).isEqualTo(Arrays.copyOf(all, found.length));
    }

    @Test
    void partsOfOtherSettingsAreRefusedInWords() {
        assertThatThrownBy(() -> join(List.of(film("web-h264"), film("edit-prores-hq")), "no.mov")).isInstanceOf(IOException.class)
                .hasMessageContaining("ProRes").hasMessageContaining("H.264");
        assertThat(out.resolve("no.mov")).doesNotExist();
    }

    @ParameterizedTest
    @CsvSource({"web-h264, mkv", "web-h264, mov", "web-vp9, mkv", "edit-prores-hq, mkv", "web-vp9, mp4"})
    void whatIsWrappedAnewHasTheSamePacketsAndFrames(String target, String container) throws Exception {
        Path film = film(target);
        // That packets are the same to the byte is looked at by the copying itself, which fails otherwise.
        Path made = done(
                new RepackOrder.Rewrap(film.toString(), out.resolve("new." + container).toString(), null, null, null, false, null, null))
                .files().getFirst();
        assertThat(frames(made)).isEqualTo(frames(film));
    }

    @ParameterizedTest
    @CsvSource({"web-h264, webm, WebM", "web-h264, avi, AVI", "edit-prores-hq, mp4, MP4", "web-h264, gif, GIF", "web-h264, xyz, xyz"})
    void whatAContainerCantHoldIsRefusedWithTheReason(String target, String container, String word) {
        Path made = out.resolve("new." + container);
        assertThatThrownBy(
                () -> done(new RepackOrder.Rewrap(film(target).toString(), made.toString(), null, null, null, false, null, null)))
                .isInstanceOf(IOException.class).hasMessageContaining(word);
        assertThat(made).doesNotExist();
    }

    @Test
    void trimmingKeepsToFramesThatStandAlone() throws Exception {
        Path film = film("web-h264");
        Repack.Result made = done(
                new RepackOrder.Rewrap(film.toString(), out.resolve("trimmed.mp4").toString(), 13L, 30L, null, false, null, null));
        int[] all = frames(film);
        int[] found = frames(made.files().getFirst());
        assertThat(made.said()).anySatisfy(s -> assertThat(s).contains("instead of 13"));
        assertThat(found.length).isBetween(21, 40);
        assertThat(found).isEqualTo(Arrays.copyOfRange(all, 10, 10 + found.length));
    }

    @Test
    void shapeAndColoursAreStatedWithoutTouchingAPicture() throws Exception {
        Path film = film("web-h264");
        Path made = done(new RepackOrder.Rewrap(film.toString(), out.resolve("tagged.mp4").toString(), null, null, null, false,
                PixelAspect.parse("16:11"), "rec601-625")).files().getFirst();
        MovieProof.Result proof = MovieProof.prove(made, _ -> true);
        assertThat(proof.crcs()).isEqualTo(frames(film));
        assertThat(proof.facts().pixelAspect()).isEqualTo(PixelAspect.parse("16:11"));
        assertThat(proof.facts().codedPixelAspect()).isEqualTo(PixelAspect.parse("16:11"));
        assertThat(proof.facts().primaries()).isEqualTo("bt470bg");
    }

    @Test
    void anotherSoundGoesAlongAsItIsPackedAndEndsWithThePictures() throws Exception {
        Path wav = folder.resolve("wind.wav");
        AudioFormat format = new AudioFormat(48_000, 16, 2, true, false);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(new byte[5 * 48_000 * 4]), format, 5 * 48_000),
                AudioFileFormat.Type.WAVE, wav.toFile());
        Path film = film("edit-prores-hq");
        Repack.Result made = done(new RepackOrder.Rewrap(film.toString(), out.resolve("heard.mov").toString(), null, null, wav.toString(),
                false, null, null));
        MovieProof.Result proof = MovieProof.prove(made.files().getFirst(), _ -> true);
        assertThat(proof.crcs()).isEqualTo(frames(film));
        assertThat(proof.facts().sound().codec()).isEqualTo("pcm_s16le");
        assertThat(proof.facts().sound().seconds().toDouble()).isCloseTo(FRAMES / 25., within(.1));
        assertThat(made.said()).anySatisfy(s -> assertThat(s).contains("was cut there"));
        Path trimmed = done(new RepackOrder.Rewrap(made.files().getFirst().toString(), out.resolve("part.mkv").toString(), 10L, 34L, null,
                false, null, null)).files().getFirst();
        assertThat(MovieProof.prove(trimmed, _ -> true).facts().sound().seconds().toDouble()).isCloseTo(1, within(.1));
        Path silent = done(new RepackOrder.Rewrap(made.files().getFirst().toString(), out.resolve("silent.mov").toString(), null, null,
                null, true, null, null)).files().getFirst();
        assertThat(MovieProof.prove(silent, _ -> true).facts().soundTracks()).isZero();
        assertThatThrownBy(() -> done(new RepackOrder.Rewrap(film("web-vp9").toString(), out.resolve("no.webm").toString(), null, null,
                wav.toString(), false, null, null))).hasMessageContaining("wind.wav").hasMessageContaining("WebM");
    }

    @ParameterizedTest
    @ValueSource(strings = {"edit-prores-hq", "web-h264", "web-vp9"})
    void ofAMovieCutAtFortyFivePercentEveryWholeFrameIsThere(String target) throws Exception {
        Path film = film(target);
        Path broken = folder.resolve("broken" + ending(film));
        Files.copy(film, broken);
        KiteFrames.cut(broken, .45);
        int[] all = frames(film);
        Path made = done(new RepackOrder.Recover(broken.toString(), out.resolve("recovered" + ending(film)).toString(), null)).files()
                .getFirst();
        int[] found = frames(made);
        assertThat(found.length).isBetween(5, FRAMES - 10);
        assertThat(found).isEqualTo(Arrays.copyOf(all, found.length));
    }

    @Test
    void withoutItsIndexFramesAreFoundByTheirMarksOrItIsSaidWhyNot() throws Exception {
        byte[] bytes = Files.readAllBytes(film("edit-prores-hq"));
        int data = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("mdat");
        Path broken = Files.write(folder.resolve("no-index.mov"), Arrays.copyOfRange(bytes, data - 4, data + (bytes.length - data) / 2));
        Repack.Result recovered = done(new RepackOrder.Recover(broken.toString(), out.resolve("recovered.mov").toString(), Rate.FPS_25));
        int[] all = frames(film("edit-prores-hq"));
        int[] found = frames(recovered.files().getFirst());
        assertThat(found.length).isBetween(20, 35);
        assertThat(found).isEqualTo(Arrays.copyOf(all, found.length));
        assertThat(recovered.said()).anySatisfy(s -> assertThat(s).contains("index is gone"));

        byte[] h264 = Files.readAllBytes(film("web-h264"));
        int packed = new String(h264, StandardCharsets.ISO_8859_1).indexOf("mdat");
        Path lost = Files.write(folder.resolve("lost.mp4"), Arrays.copyOfRange(h264, packed - 4, h264.length));
        assertThatThrownBy(() -> done(new RepackOrder.Recover(lost.toString(), out.resolve("no.mp4").toString(), null)))
                .isInstanceOf(IOException.class).hasMessageContaining("index").hasMessageContaining("H.264");
        assertThat(out.resolve("no.mp4")).doesNotExist();
    }

    @Test
    void pictureForPictureIntoATransportStreamAndBack() throws Exception {
        Path sent = done(
                new RepackOrder.Rewrap(film("web-h264").toString(), out.resolve("sent.ts").toString(), null, null, null, false, null,
                        null))
                .files().getFirst();
        assertThat(frames(sent)).isEqualTo(frames(film("web-h264")));
        Path back = done(new RepackOrder.Rewrap(sent.toString(), out.resolve("back.mp4").toString(), null, null, null, false, null, null))
                .files().getFirst();
        assertThat(frames(back)).isEqualTo(frames(film("web-h264")));
        assertThatThrownBy(() -> done(new RepackOrder.Rewrap(film("edit-prores-hq").toString(), out.resolve("no.ts").toString(), null, null,
                null, false, null, null))).hasMessageContaining("Transport stream").hasMessageNotContaining(".vat-new");
    }

    @Test
    void aCopyThatWasChangedIsFoundByItsReceipt() throws Exception {
        Path made = done(
                new RepackOrder.Rewrap(film("edit-prores-hq").toString(), out.resolve("copy.mkv").toString(), null, null, null, false,
                        null, null))
                .files().getFirst();
        byte[] bytes = Files.readAllBytes(made);
        bytes[bytes.length / 2] ^= 0x10;
        Files.write(made, bytes);
        assertThat(Reproof.of(made).reasons()).anyMatch(r -> r.contains("bytes are not those"))
                .anyMatch(r -> r.matches(".*(picture of frame \\d+|can't be read whole).*"));
    }

    @Test
    void partsOfOtherSizesAreRefusedBeforeTheyAreJudged() throws Exception {
        Path other = home.resolve("other");
        RunPlan plan = KiteFrames.plan(KiteFrames.png(other.resolve("frames"), "kite", 1, 5, false), other.resolve("out"),
                List.of("edit-prores-hq"), new Edit("smaller", p -> p.withDeliverables(p.deliverables().stream()
                        .map(d -> d.withFraming(Framing.of(Size.of(32, 24), Fit.BARS))).toList())));
        try (Run run = Run.start(plan, TestPlaces.in(other), _ -> {})) {
            run.outcome().get(300, TimeUnit.SECONDS);
        }
        Path small = other.resolve("out").resolve(plan.files().getFirst().fileName());
        assertThatThrownBy(() -> join(List.of(film("edit-prores-hq"), small), "no.mov")).hasMessageContaining("32")
                .hasMessageNotContaining("missing").hasMessageNotContaining("another picture");
        assertThat(out.resolve("no.mov")).doesNotExist();
    }

    @Test
    void nothingIsWrittenOverAndNoHalfFileStays() throws Exception {
        Files.createDirectories(out);
        Path taken = Files.writeString(out.resolve("taken.mkv"), "mine");
        assertThatThrownBy(
                () -> done(new RepackOrder.Rewrap(film("web-h264").toString(), taken.toString(), null, null, null, false, null, null)))
                .isInstanceOf(FileAlreadyExistsException.class);
        assertThat(taken).hasContent("mine");
        assertThatThrownBy(() -> done(new RepackOrder.Rewrap(film("web-h264").toString(), out.resolve("new.webm").toString(), null, null,
                null, false, null, null)));
        try (Stream<Path> left = Files.list(out)) {
            assertThat(left.toList()).containsExactly(taken);
        }
    }
}
