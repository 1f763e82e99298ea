package dev.vat.engine.viewer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.proof.Receipt;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.mux.Joining;
import dev.vat.media.sound.SoundMix;
import dev.vat.media.sound.WovenSound;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Movies, stills and sounds as sources. */
class ClipsTest {

    private static byte[] movie;

    @TempDir
    private Path folder;

    private Places places;
    private Viewer viewer;

    @BeforeEach
    void open() {
        places = TestPlaces.in(folder);
        viewer = new Viewer(places);
    }

    @AfterEach
    void close() {
        viewer.close();
    }

    private Path make(RunPlan plan, String name) throws Exception {
        try (Run run = Run.start(plan, places, _ -> {})) {
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.files()).allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(FileProgress.Stage.DELIVERED));
        }
        return Path.of(plan.folder()).resolve(name);
    }

    /** Forty frames of H.264 that were made once. */
    private Path movie() throws Exception {
        if (movie == null) {
            movie = Files.readAllBytes(make(KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 40, false),
                    folder.resolve("out"), List.of("web-h264")), "kite_web.mp4"));
        }
        return Files.write(folder.resolve("kite_web.mp4"), movie);
    }

    private FrameTable check(Sequence sequence) throws Exception {
        return viewer.check(sequence, false, PictureChoice.MAIN, _ -> {}).get(300, TimeUnit.SECONDS);
    }

    /** Makes a file from one source at its own rate, or at 25. */
    private RunPlan plan(Location location, FrameTable table, Map<String, ClipFacts> clips, String target) throws IOException {
        Project project = Edits.bringIn(List.of(location), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setFolder(Place.of(folder.resolve("again")))
                .apply(DeliverableEdits.addTarget(Catalogue.target(target)).apply(project));
        if (table.format().orElseThrow().stated().rate() == null) {
            project = Edits.setRate(Rate.FPS_25).apply(project);
        }
        Findings findings = Findings.of(project,
                new Observed(Map.of("s1", table), Map.of(), clips, Observed.Destination.UNKNOWN, Set.of()));
        assertThat(findings.blockers()).isEmpty();
        return RunPlanner.ofSystem().plan(project, ResolvedReel.of(project, Map.of("s1", table)).orElseThrow(), folder.resolve("again"),
                clips, "stated by the file", viewer.library());
    }

    @Test
    void aMovieIsLookedIntoFrameByFrameAndMadeAgainFrameForFrame() throws Exception {
        Path movie = movie();
        Location location = Location.ofFile(movie);
        assertThat(location.isMovie()).isTrue();
        Listing listing = Listing.of(viewer, location);
        ClipFacts clip = listing.clip().orElseThrow();
        assertThat(clip.frames()).isEqualTo(40);
        assertThat(clip.rate()).hasToString("25");
        assertThat(clip.seconds()).isEqualTo(Rational.of(8, 5));
        assertThat(clip.uneven()).isNull();
        assertThat(clip.sounds()).isEmpty();
        FrameTable table = check(listing.sequence().orElseThrow());
        assertThat(table.good()).isEqualTo(40);
        assertThat(table.format().orElseThrow().kind()).isEqualTo("h264");
        assertThat(table.format().orElseThrow().stated().rate()).hasToString("25");

        RunPlan plan = plan(location, table, Map.of("s1", clip), "edit-prores-hq");
        assertThat(plan.rate()).hasToString("25");
        Path again = make(plan, plan.files().getFirst().fileName());
        assertThat(ReceiptFile.read(again.resolveSibling(again.getFileName() + ".receipt.json")).found().frames()).isEqualTo(40);
    }

    @Test
    void theSoundOfAClipGoesAlongWithItsPicturesAndIsTrimmedWithThem() throws Exception {
        Path mix = folder.resolve("mix.f32");
        SoundMix.write(new ReelSound(2, "stereo", 76_800, List.of(new ReelSound.Piece(wav("wind.wav", 2, .5).toString(), 0, 0, 76_800))),
                mix);
        Path clip = folder.resolve("clip.mov");
        Joining.join(List.of(new Joining.Part(movie(), Container.MP4, 0, 40)), clip, Container.MOV, false, Rate.FPS_25, PixelAspect.SQUARE,
                new WovenSound(mix, 2, true, SoundCodec.PCM_24, Long.MAX_VALUE / 16));
        Location location = Location.ofFile(clip);
        Listing listing = Listing.of(viewer, location);
        assertThat(listing.clip().orElseThrow().sounds()).singleElement().satisfies(t -> assertThat(t.samples()).isEqualTo(76_800));
        RunPlan plan = plan(location, check(listing.sequence().orElseThrow()), Map.of("s1", listing.clip().orElseThrow()), "web-h264");
        assertThat(plan.sound().samples()).isEqualTo(76_800);
        Receipt receipt = ReceiptFile.read(Path.of(make(plan, plan.files().getFirst().fileName()) + ".receipt.json"));
        assertThat(receipt.found().sound().codec()).isEqualTo("aac");
        assertThat(receipt.found().soundTracks()).isEqualTo(1);
        assertThat(receipt.notes()).anyMatch(n -> n.startsWith("sound of clip.mov, stereo"));
    }

    @Test
    void aMovieThatEndsEarlyIsFoundOutFrameByFrameOrAsAWhole() throws Exception {
        Path movie = movie();
        byte[] data = Files.readAllBytes(movie);
        Path cut = Files.write(folder.resolve("cut.mp4"), Arrays.copyOf(data, data.length * 2 / 3));
        Listing listing = Listing.of(viewer, Location.ofFile(cut));
        FrameTable table = check(listing.sequence().orElseThrow());
        assertThat(table.good()).isBetween(1, 39);
        Path none = Files.write(folder.resolve("none.mov"), new byte[500]);
        assertThatThrownBy(() -> Listing.of(viewer, Location.ofFile(none))).isInstanceOf(IOException.class)
                .hasMessageContaining("can't be read");
        Path empty = Files.write(folder.resolve("empty.mov"), new byte[0]);
        assertThatThrownBy(() -> Listing.of(viewer, Location.ofFile(empty))).hasMessageContaining("no bytes");
        assertThat(Listing.of(viewer, Location.ofFile(folder.resolve("gone.mov")))).isEqualTo(Listing.NOTHING);
    }

    @Test
    @Tag("torture")
    void aStillIsShownForAsLongAsItIsSaid() throws Exception {
        Path file = KiteFrames.png(folder.resolve("frames"), "kite", 1, 1, false).resolve("kite.0001.png");
        Path still = Files.move(file, folder.resolve("logo.png"));
        Location location = Location.ofFile(still);
        FrameTable table = check(Listing.of(viewer, location).sequence().orElseThrow());
        RunPlan plan = plan(location, table, Map.of(), "web-h264");
        assertThat(plan.frames()).as("five seconds at 25").isEqualTo(125);
        assertThat(ReceiptFile.read(Path.of(make(plan, plan.files().getFirst().fileName()) + ".receipt.json")).found().frames())
                .isEqualTo(125);
    }

    /** Sixteen-bit PCM with a tone whose highest sample is half of full scale, on one channel or both. */
    private Path wav(String name, int channels, double level) throws IOException {
        int samples = 48_000;
        ByteBuffer wav = ByteBuffer.allocate(44 + samples * channels * 2).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + samples * channels * 2)
                .put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
        wav.putInt(16).putShort((short) 1).putShort((short) channels).putInt(48_000).putInt(48_000 * channels * 2)
                .putShort((short) (channels * 2)).putShort((short) 16).put("data".getBytes(StandardCharsets.US_ASCII))
                .putInt(samples * channels * 2);
        for (int i = 0; i < samples; i++) {
            for (int c = 0; c < channels; c++) {
                wav.putShort((short) Math.round(32767 * level * Math.sin(i * Math.PI / 24)));
            }
        }
        return Files.write(folder.resolve(name), wav.array());
    }

    @Test
    void aSoundHasItsLayoutLengthAndLevel() throws Exception {
        ClipFacts stereo = Listing.of(viewer, Location.ofFile(wav("wind.wav", 2, .5))).clip().orElseThrow();
        assertThat(stereo.isSoundOnly()).isTrue();
        assertThat(stereo.seconds()).isEqualTo(Rational.ONE);
        assertThat(stereo.sounds()).singleElement().satisfies(t -> {
            assertThat(t.layout()).isEqualTo("stereo");
            assertThat(t.rate()).isEqualTo(48_000);
            assertThat(t.peak()).isCloseTo(-6.02, within(.01));
        });
        ClipFacts silent = Listing.of(viewer, Location.ofFile(wav("calm.wav", 1, 0))).clip().orElseThrow();
        assertThat(silent.sounds().getFirst().silent()).isTrue();
        assertThat(silent.sounds().getFirst().describe()).isEqualTo("mono, 48000 Hz, PCM 16-bit, silent");
    }

    @Test
    void aSoundIsHandedOverForListeningAndAFileWithoutIsNamed() throws Exception {
        Path copy = folder.resolve("copy.pcm");
        viewer.listen(wav("wind.wav", 1, .5), copy).get(300, TimeUnit.SECONDS);
        assertThat(Files.size(copy)).as("a second of stereo").isEqualTo(48_000L * 4);
        Path silent = KiteFrames.png(folder.resolve("frames"), "kite", 1, 1, false).resolve("kite.0001.png");
        assertThatThrownBy(() -> viewer.listen(silent, folder.resolve("none.pcm")).get(300, TimeUnit.SECONDS))
                .hasMessageContaining("has no sound");
    }

    @Test
    void whatWasCheckedIsRememberedInTheNextSession() throws Exception {
        Sequence sequence = SourceFinder.find(KiteFrames.png(folder.resolve("frames"), "kite", 1, 12, false)).sequences().getFirst();
        KnownChecks first = new KnownChecks(folder.resolve("checks"));
        FrameTable table = check(sequence);
        List<FrameCheck> checks = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            checks.add(FrameCheck.sound(i + 1, table.format().orElseThrow(), table.lookAt(i).orElseThrow(), null));
        }
        first.put(sequence, PictureChoice.MAIN, checks);
        Path file;
        try (var files = Files.list(folder.resolve("checks"))) {
            file = files.findFirst().orElseThrow();
        }
        Files.writeString(file, "{\"size\":3,\"torn", StandardOpenOption.APPEND);
        KnownChecks next = new KnownChecks(folder.resolve("checks"));
        assertThat(next.get(sequence, PictureChoice.MAIN, 4)).as("nothing is read before it is wanted").isNull();
        next.load(sequence, PictureChoice.MAIN);
        for (int i = 0; i < 12; i++) {
            assertThat(next.get(sequence, PictureChoice.MAIN, i)).isEqualTo(checks.get(i));
            assertThat(next.get(sequence, PictureChoice.ofLayer("haze"), i)).as("another layer is another picture").isNull();
        }
        next.forget(sequence);
        assertThat(file).doesNotExist();
    }
}
