package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.SampleTable;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.proof.ReceiptSchema;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.lib.FileBytes;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.read.ClipProbe;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.worker.proof.Reproof;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Sound brought to a loudness, from the reel to the finished file. */
@Tag("slow")
class LoudnessRunTest {

    private static final int SECONDS = 4;

    @TempDir
    Path folder;

    /** A tone of 1 kHz on two channels. @param spike how high a single sample reaches, from 0 to 1 */
    private Path tone(double decibels, double spike) throws IOException {
        ByteBuffer samples = ByteBuffer.allocate(SECONDS * 48_000 * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < SECONDS * 48_000; i++) {
            double value = i == 96_000 && spike > 0 ? spike : Math.pow(10, decibels / 20) * Math.sin(2 * Math.PI * 1000 * i / 48_000);
            samples.putShort((short) Math.round(32_767 * value)).putShort((short) Math.round(32_767 * value));
        }
        Path file = folder.resolve("wind.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples.array()), new AudioFormat(48_000, 16, 2, true, false),
                SECONDS * 48_000L), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    private RunPlan plan(Path sound, List<String> targets, Edit... edits) throws IOException {
        Sequence frames = SourceFinder.find(KiteFrames.png(folder.resolve("frames"), "sh010", 1, SECONDS * 25, false)).sequences()
                .getFirst();
        Project project = Edits.bringIn(List.of(frames.location(), Location.ofFile(sound)), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = Edits.setFolder(Place.of(folder.resolve("out")))
                .apply(Edits.setRate(Rate.FPS_25).apply(ReelEdits.addSound("s2").apply(project)));
        for (String target : targets) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
        }
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        Map<String, ClipFacts> clips = Map.of("s2", ClipProbe.probe(sound));
        ResolvedReel programme = ResolvedReel.of(project, Map.of("s1", KiteFrames.check(frames))).orElseThrow();
        return RunPlanner.ofSystem().plan(project, programme, folder.resolve("out"), clips, "chosen by the user", MediaLibrary.version());
    }

    private Receipt made(RunPlan plan, String name) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
        }
        return ReceiptFile.read(ReceiptFile.of(folder.resolve("out").resolve(name)));
    }

    private static Edit loudness(String target, LoudnessTarget wanted) {
        return DeliverableEdits.follow(target, d -> d.withLoudness(wanted));
    }

    /** Bars and their tone stand in front, at their own level: only the programme is measured, and only it is made louder. */
    @Test
    void eachFileIsBroughtToItsOwnLoudnessAndTonesStayWhereTheyAre() throws Exception {
        RunPlan plan = plan(tone(-30, 0), List.of("edit-prores-hq", "web-h264", "archive-ffv1"),
                loudness("edit-prores-hq", LoudnessTarget.EBU_R128), loudness("web-h264", LoudnessTarget.WEB),
                ReelEdits.addDrawn(0, new GeneratedItem.Bars(BarPattern.BARS_75, -18, 50)));
        Receipt broadcast = made(plan, "sh010_edit.mov");
        assertThat(broadcast.loudness().integrated()).isCloseTo(-23, within(.1));
        assertThat(broadcast.comparison().lines()).anySatisfy(l -> {
            assertThat(l.name()).isEqualTo("loudness");
            assertThat(l.planned()).isEqualTo("-23.0 LUFS");
            assertThat(l.agrees()).isTrue();
        });
        assertThat(ReceiptFile.read(ReceiptFile.of(folder.resolve("out/sh010_web.mp4"))).loudness().integrated()).isCloseTo(-14,
                within(.3));
        Receipt untouched = ReceiptFile.read(ReceiptFile.of(folder.resolve("out/sh010_archive.mkv")));
        assertThat(untouched.planned().level()).isNull();
        assertThat(Reproof.of(folder.resolve("out/sh010_edit.mov")).reasons()).isEmpty();
        // All of it, bars included, is louder than the programme: two seconds of tone at -18.
        assertThat(MovieProof.prove(folder.resolve("out/sh010_edit.mov"), _ -> true).loudness().integrated()).isGreaterThan(-22);
    }

    /** Channels on tracks of their own are measured together; those that no track has don't count. */
    @Test
    void tracksOfOneChannelAreAsLoudTogetherAsTheyWereWanted() throws Exception {
        RunPlan plan = plan(tone(-30, 0), List.of("edit-prores-hq", "archive-ffv1"),
                loudness("edit-prores-hq", LoudnessTarget.EBU_R128), loudness("archive-ffv1", LoudnessTarget.EBU_R128),
                DeliverableEdits.follow("edit-prores-hq", d -> d.withTracks(SoundTracks.MONO)),
                DeliverableEdits.follow("archive-ffv1", d -> d.withTracks(SoundTracks.parse("2 | -"))));
        Receipt both = made(plan, "sh010_edit.mov");
        assertThat(both.found().soundTracks()).isEqualTo(2);
        assertThat(both.loudness().integrated()).isCloseTo(-23, within(.1));
        assertThat(both.comparison().lines())
                .anyMatch(l -> l.name().equals("sound packets") && l.found().matches("[0-9a-f]{8} [0-9a-f]{8}"));
        Receipt one = ReceiptFile.read(ReceiptFile.of(folder.resolve("out/sh010_archive.mkv")));
        assertThat(one.loudness().integrated()).as("half the power, 3 dB more of it").isCloseTo(-23, within(.1));
        assertThat(one.loudness().truePeak()).isCloseTo(both.loudness().truePeak() + 3, within(.2));
        assertThat(Reproof.of(folder.resolve("out/sh010_edit.mov")).reasons()).isEmpty();
    }

    /** The third of six is heard in front; the third of three would be low effects, which count for nothing. */
    @Test
    void channelsCountAsTheyDidBeforeTheyWereSharedOut() throws Exception {
        ByteBuffer samples = ByteBuffer.allocate(SECONDS * 48_000 * 12).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < SECONDS * 48_000; i++) {
            short value = (short) Math.round(32_767 * Math.pow(10, -30 / 20.) * Math.sin(2 * Math.PI * 1000 * i / 48_000));
            samples.putShort((short) 0).putShort((short) 0).putShort(value).putShort((short) 0).putShort((short) 0).putShort((short) 0);
        }
        Path file = folder.resolve("six.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples.array()), new AudioFormat(48_000, 16, 6, true, false),
                SECONDS * 48_000L), AudioFileFormat.Type.WAVE, file.toFile());
        Receipt three = made(plan(file, List.of("archive-ffv1"), loudness("archive-ffv1", LoudnessTarget.EBU_R128),
                DeliverableEdits.follow("archive-ffv1", d -> d.withTracks(SoundTracks.parse("1 | 2 | 3")))), "sh010_archive.mkv");
        assertThat(three.loudness().integrated()).isCloseTo(-23, within(.1));
        assertThat(three.planned().level().channels()).isEqualTo(6);
    }

    /** WAV files beside frames and beside a movie: brought to one loudness together, each with its own in its head, and the start. */
    @Test
    void soundFilesGoBesideThePictures() throws Exception {
        RunPlan plan = plan(tone(-30, 0), List.of("frames-dpx", "edit-prores-hq"), loudness("frames-dpx", LoudnessTarget.EBU_R128),
                loudness("edit-prores-hq", LoudnessTarget.EBU_R128),
                DeliverableEdits.follow("frames-dpx", d -> d.withSoundFiles(SoundTracks.MONO)),
                DeliverableEdits.follow("edit-prores-hq", d -> d.withSoundFiles(SoundTracks.TOGETHER)),
                ReelEdits.setStart("10:00:00:00"));
        assertThat(plan.files()).extracting(RunFile::fileName).containsExactly("sh010_dpx", "sh010_dpx_L.wav", "sh010_dpx_R.wav",
                "sh010_edit.mov", "sh010_edit.wav");
        Receipt left = made(plan, "sh010_dpx_L.wav");
        assertThat(left.loudness().integrated()).as("half the power").isCloseTo(-26, within(.1));
        assertThat(left.found().timecode()).isEqualTo("10:00:00:00");
        assertThat(left.sources()).isEmpty();
        Path both = folder.resolve("out/sh010_edit.wav");
        assertThat(ReceiptFile.read(ReceiptFile.of(both)).loudness().integrated()).isCloseTo(-23, within(.1));
        assertThat(ReceiptFile.read(ReceiptFile.of(both)).found().sound().seconds()).isEqualTo(Rational.of(SECONDS));
        assertThat(Reproof.of(both).reasons()).isEmpty();
        assertThat(ReceiptSchema.faults(ReceiptFile.of(both))).isEmpty();
        byte[] data = Files.readAllBytes(both);
        data[data.length - 5] ^= 1;
        Files.write(both, data);
        assertThat(Reproof.of(both).reasons()).last().isEqualTo("the sound isn't the one of the receipt from 3 s to 4 s");
        // Its head says another moment than the receipt.
        Path right = folder.resolve("out/sh010_dpx_R.wav");
        byte[] moved = Files.readAllBytes(right);
        moved[20 + 338] ^= 1;
        Files.write(right, moved);
        assertThat(Reproof.of(right).reasons()).anyMatch(r -> r.contains("samples since midnight"));
    }

    /** A changed sample of sound is told as sound, with its second; nothing is said against the pictures. */
    @Test
    void aChangedSampleIsNamedAsSound() throws Exception {
        Receipt receipt = made(plan(tone(-30, 0), List.of("edit-prores-hq")), "sh010_edit.mov");
        assertThat(receipt.soundSeconds()).hasSize(SECONDS);
        Path file = folder.resolve("out/sh010_edit.mov");
        assertThat(Reproof.of(file).reasons()).isEmpty();
        SampleTable.Place place;
        try (FileBytes bytes = FileBytes.of(file)) {
            SampleTable samples = IsoMovie.of(bytes).first("soun").orElseThrow().samples();
            place = samples.place(samples.count() * 5 / 8);
        }
        byte[] data = Files.readAllBytes(file);
        data[(int) place.at()] ^= 1;
        Files.write(file, data);
        assertThat(Reproof.of(file).reasons()).hasSize(2).last()
                .isEqualTo("the sound isn't the one of the receipt from 2 s to 3 s");
    }

    /** A single sample at full height leaves no room: the file stays as loud as its peak allows, and says so. */
    @Test
    void whatPeaksDontAllowIsSaid() throws Exception {
        RunPlan plan = plan(tone(-30, .99), List.of("edit-prores-hq"), loudness("edit-prores-hq", LoudnessTarget.EBU_R128));
        Receipt receipt = made(plan, "sh010_edit.mov");
        assertThat(receipt.loudness().integrated()).isLessThan(-29);
        assertThat(receipt.loudness().truePeak()).isLessThanOrEqualTo(-.9);
        assertThat(receipt.notes()).anyMatch(n -> n.startsWith("loudness: -23.0 LUFS were wanted; true peaks of at most -1.0 dBTP allow"));
    }

    @Test
    void silenceStaysSilence() throws Exception {
        Receipt receipt = made(
                plan(tone(Double.NEGATIVE_INFINITY, 0), List.of("edit-prores-hq"), loudness("edit-prores-hq", LoudnessTarget.EBU_R128)),
                "sh010_edit.mov");
        assertThat(receipt.loudness().integrated()).isNull();
        assertThat(receipt.planned().level()).isNull();
    }

    @Test
    void discreteChannelsAreCarriedWithoutPlaces() throws Exception {
        Receipt receipt = made(plan(tone(-20, 0), List.of("edit-prores-hq"), ReelEdits.setLayout(new SoundLayout(4, false))),
                "sh010_edit.mov");
        assertThat(receipt.found().sound().channels()).isEqualTo(4);
        assertThat(receipt.notes()).anyMatch(n -> n.contains("4 discrete"));
    }
}
