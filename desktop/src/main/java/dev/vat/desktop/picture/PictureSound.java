package dev.vat.desktop.picture;

import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.sound.SoundInStep;
import dev.vat.desktop.sound.Waveform;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The sound of what is shown: fetched once from the viewer process, heard while pictures play at their rate. */
final class PictureSound implements AutoCloseable {

    private static final Words WORDS = Words.of(PictureSound.class);

    private static final Logger LOG = LoggerFactory.getLogger(PictureSound.class);

    private final Viewer viewer;
    private final Path cache;
    private final SoundInStep sound = new SoundInStep();
    private final Consumer<float[]> onWave;
    /** The file or the reel's sound that is heard. */
    private Object heard;
    private Path copy;
    private boolean there;
    /** What is heard is being fetched or drawn. */
    private boolean pending;
    private boolean on = true;

    /**
     * @param cache where copies lie while they are listened to
     * @param onWave told of the highest sample at each place once it is known, or of null when there is nothing to be heard
     */
    PictureSound(Viewer viewer, Path cache, Consumer<float[]> onWave) {
        this.onWave = onWave;
        this.cache = cache;
        this.viewer = viewer;
    }

    /** Another strip may be looked at. */
    void show(FrameTrack strip) {
        Object other = strip == null ? null : strip.mix().map(Object.class::cast).or(strip::sound).orElse(null);
        if (!Objects.equals(other, heard)) {
            forget();
            heard = other;
            pending = false;
            if (other != null) {
                fetch(other, strip.rate().orElse(null));
            }
        }
    }

    private void fetch(Object from, Rate rate) {
        try {
            Files.createDirectories(cache);
            Path into = Files.createTempFile(cache, "sound-", ".pcm");
            into.toFile().deleteOnExit();
            pending = true;
            (from instanceof ReelSound mix ? viewer.listen(mix, into) : viewer.listen((Path) from, into))
                    .whenComplete((_, failure) -> Platform.runLater(() -> {
                        if (failure == null && from.equals(heard)) {
                            copy = into;
                            there = true;
                            sound.setSamples(into);
                            wave(from, into, rate);
                        } else {
                            // Most often it simply has no sound.
                            LOG.debug("Nothing to be heard of {}", from, failure);
                            delete(into);
                            drawn(from);
                        }
                    }));
        } catch (IOException e) {
            LOG.warn("There is no room for sound: {}", e.getMessage());
        }
    }

    private void wave(Object from, Path samples, Rate rate) {
        if (rate == null) {
            drawn(from);
            return;
        }
        Thread.ofVirtual().start(() -> {
            try {
                float[] peaks = Waveform.peaks(samples, rate);
                Platform.runLater(() -> {
                    if (from.equals(heard)) {
                        onWave.accept(peaks);
                    }
                    drawn(from);
                });
            } catch (IOException e) {
                LOG.debug("No waveform", e);
                Platform.runLater(() -> drawn(from));
            }
        });
    }

    private void drawn(Object from) {
        pending &= !from.equals(heard);
    }

    /** Whether nothing that is to be heard is still fetched or drawn. */
    boolean isDrawn() {
        return !pending;
    }

    private void forget() {
        onWave.accept(null);
        sound.setSamples(null);
        there = false;
        if (copy != null) {
            delete(copy);
            copy = null;
        }
    }

    private static void delete(Path copy) {
        try {
            Files.deleteIfExists(copy);
        } catch (IOException e) {
            LOG.debug("A copy of sound stays until the end", e);
        }
    }

    /** What the sound button says, or empty where there is no sound. */
    Optional<String> words() {
        return !there ? Optional.empty()
                : Optional.of(sound.hasNoDevice() ? WORDS.say("noSoundDevice") : on ? WORDS.say("soundOn") : WORDS.say("soundOff"));
    }

    void toggle() {
        on = !on;
    }

    /** Told once a pulse. */
    void follow(Player player, boolean realTime, boolean filling) {
        Rate rate = there ? player.strip().rate().orElse(null) : null;
        boolean plays = rate != null && on && player.isPlaying() && realTime && !filling && !player.isBackwards()
                && player.speed().equals(Rational.ONE);
        sound.follow(plays, rate == null ? Rational.ZERO : rate.seconds(player.place()));
    }

    @Override
    public void close() {
        sound.close();
        forget();
    }
}
