package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.proof.Receipt;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.run.RunPlan;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.media.read.ClipProbe;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.worker.proof.Reproof;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Finished files under whose pictures another sound is laid. */
@Tag("slow")
class ResoundTest {

    @TempDir
    Path folder;

    private Path made(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            FileProgress made = run.outcome().get(300, TimeUnit.SECONDS).files().getFirst();
            assertThat(made.stage()).as(made.why()).isEqualTo(Stage.DELIVERED);
            return Path.of(made.path());
        }
    }

    private Path tone(int seconds) throws IOException {
        ByteBuffer samples = ByteBuffer.allocate(seconds * 48_000 * 2).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < seconds * 48_000; i++) {
            samples.putShort((short) Math.round(3_276 * Math.sin(2 * Math.PI * 1000 * i / 48_000)));
        }
        Path file = folder.resolve("bells.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples.array()), new AudioFormat(48_000, 16, 1, true, false),
                seconds * 48_000L), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    private static ReelSound heard(Path file, Remake remake, Rational at) {
        return ReelSound.of(file, ClipProbe.probe(file).sounds().getFirst(), at, remake.seconds());
    }

    private static Receipt receipt(Path file) throws IOException {
        return ReceiptFile.read(ReceiptFile.of(file));
    }

    /** The frames are gone by then, so that none of them can have been encoded again. */
    @ParameterizedTest
    @CsvSource({"web-h264, aac", "edit-prores-hq, pcm_s24le", "archive-ffv1, flac", "broadcast-prores, pcm_s24le"})
    void picturesStayAndTheSoundIsAnother(String target, String codec) throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 75, false);
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of(target));
        Path silent = made(plan);
        Durable.deleteTree(frames);
        Remake remake = Remake.of(silent, plan);
        Path loud = made(remake.planWithSound(heard(tone(10), remake, Rational.of(-1, 2)), LoudnessTarget.EBU_R128));
        assertThat(loud).isNotEqualTo(silent).hasParent(silent.getParent());
        Receipt before = receipt(silent);
        Receipt after = receipt(loud);
        assertThat(before.found().soundTracks()).isZero();
        assertThat(after.found().sound().codec()).isEqualTo(codec);
        assertThat(after.found().sound().seconds().toDouble()).isCloseTo(3, within(.1));
        assertThat(after.loudness().integrated()).isCloseTo(-23, within(.3));
        assertThat(after.frames()).as("what was measured of each frame, its fingerprint included").isEqualTo(before.frames());
        assertThat(after.notes()).anyMatch(n -> n.startsWith("sound laid anew: the pictures are those of " + silent.getFileName()));
        assertThat(Reproof.of(loud).reasons()).isEmpty();
        assertThat(Reproof.of(silent).reasons()).as("the old file is what it was").isEmpty();
        Path without = made(Remake.of(loud, remake.planWithSound(heard(folder.resolve("bells.wav"), remake, Rational.ZERO), null))
                .planWithSound(null, null));
        assertThat(receipt(without).found().soundTracks()).isZero();
        assertThat(receipt(without).frames()).isEqualTo(before.frames());
    }

    @Test
    void whatCarriesNoSoundOrHearsNothingSaysSo() throws Exception {
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 8, false), folder.resolve("out"),
                List.of("web-gif"));
        Remake gif = Remake.of(made(plan), plan);
        assertThatThrownBy(() -> gif.planWithSound(heard(tone(1), gif, Rational.ZERO), null)).isInstanceOf(IOException.class)
                .hasMessageContaining("carries no sound");
        assertThatThrownBy(() -> heard(folder.resolve("bells.wav"), gif, Rational.of(5))).hasMessageContaining("Nothing of bells.wav "
                + "would be heard");
    }
}
