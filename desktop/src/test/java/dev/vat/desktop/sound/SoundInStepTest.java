package dev.vat.desktop.sound;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rational;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** The device is the one thing that this machine has not: it is stood in for by one that tells what it was given. */
@Timeout(20)
class SoundInStepTest {

    private static final int SECOND = SoundInStep.RATE;

    @TempDir
    Path folder;

    /** What the device was told: {@code open}, {@code hush}, {@code close}, or the number of the first sample of a chunk. */
    private final BlockingQueue<String> told = new ArrayBlockingQueue<>(4);
    private final AtomicLong heard = new AtomicLong();
    private boolean there = true;
    private SoundInStep sound;
    private Path copy;

    private final class Device implements Speaker {
        @Override
        public boolean open() {
            heard.set(0);
            return there && tell("open");
        }

        @Override
        public void play(byte[] samples, int length) {
            tell(Integer.toString(ByteBuffer.wrap(samples).order(ByteOrder.LITTLE_ENDIAN).getInt()));
        }

        @Override
        public long heard() {
            return heard.get();
        }

        @Override
        public void hush() {
            heard.set(0);
            tell("hush");
        }

        @Override
        public void close() {
            tell("close");
        }

        private boolean tell(String what) {
            try {
                return told.offer(what, 300, TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    @BeforeEach
    void write() throws IOException {
        // Each sample frame is its own number, so that it can be seen which one is played.
        ByteBuffer samples = ByteBuffer.allocate(4 * SECOND * SoundInStep.FRAME_BYTES).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 4 * SECOND; i++) {
            samples.putInt(i);
        }
        copy = Files.write(folder.resolve("bells.pcm"), samples.array());
        sound = new SoundInStep(new Device());
        sound.setSamples(copy);
    }

    @AfterEach
    void close() {
        told.clear();
        sound.close();
    }

    /** Reads on until the device is told something that is or isn't a number. */
    private String next(boolean number) throws InterruptedException {
        while (true) {
            String what = told.poll(300, TimeUnit.SECONDS);
            assertThat(what).as("the device is told something").isNotNull();
            if (number == Character.isDigit(what.charAt(0))) {
                return what;
            }
        }
    }

    private void at(double seconds) {
        sound.follow(true, Rational.of(Math.round(seconds * 1000), 1000));
    }

    @Test
    void playingBeginsAtThePlaceOfThePictureAndPausingFallsSilent() throws InterruptedException {
        at(1.5);
        assertThat(told.poll(300, TimeUnit.SECONDS)).isEqualTo("open");
        assertThat(next(true)).isEqualTo(Integer.toString(SECOND * 3 / 2));
        assertThat(next(true)).as("20 ms later").isEqualTo(Integer.toString(SECOND * 3 / 2 + SECOND / 50));
        sound.follow(false, Rational.ONE);
        assertThat(next(false)).isEqualTo("close");
    }

    @Test
    void soundThatKeepsUpIsLeftAlone() throws InterruptedException {
        at(0);
        next(true);
        heard.set(SECOND);
        at(1.05);
        assertThat(next(true)).isNotEqualTo("0");
        assertThat(told).noneMatch(what -> what.equals("hush"));
    }

    @Test
    void soundThatFellBehindBeginsAnewThatMuchFurtherOn() throws InterruptedException {
        at(0);
        next(true);
        heard.set(SECOND / 2);
        at(.6);
        assertThat(next(false)).isEqualTo("hush");
        assertThat(next(true)).as("0.6 s, and 0.1 s that the device is late").isEqualTo(Integer.toString(SECOND * 7 / 10));
    }

    @Test
    void aJumpOfThePictureIsFollowedAtOnce() throws InterruptedException {
        at(0);
        next(true);
        at(3);
        assertThat(next(false)).isEqualTo("hush");
        assertThat(next(true)).isEqualTo(Integer.toString(3 * SECOND));
    }

    @Test
    void aDeviceThatHasJustBegunIsNotJudged() throws InterruptedException {
        at(0);
        next(true);
        heard.set(SECOND / 10);
        at(.25);
        next(true);
        assertThat(told).noneMatch(what -> what.equals("hush"));
    }

    @Test
    void theSoundMayEndBeforeThePicture() throws InterruptedException {
        at(3.98);
        next(true);
        Thread.sleep(100);
        heard.set(SECOND / 50);
        at(6);
        assertThat(told.poll(200, TimeUnit.MILLISECONDS)).as("nothing begins anew").isNull();
    }

    @Test
    void withoutADeviceNothingIsHeardAndItIsSaid() throws InterruptedException {
        there = false;
        at(0);
        while (!sound.hasNoDevice()) {
            Thread.sleep(5);
        }
        at(1);
        assertThat(told).isEmpty();
    }
}
