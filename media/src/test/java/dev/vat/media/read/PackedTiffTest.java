package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.Encoded;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** TIFF whose packing ends in a checksum: a run of zeros in it, as a disk leaves one, decodes to a picture, and to the wrong one. */
class PackedTiffTest {

    private static final int SIZE = 96;

    @TempDir
    Path folder;

    private FrameCheck check(byte[] file) throws IOException {
        Path still = Files.write(folder.resolve("kite.tif"), file);
        try (FrameReader reader = new FrameReader()) {
            return reader.check(still, FileKind.TIFF, PictureChoice.MAIN, 1);
        }
    }

    private static byte[] packed(String format) {
        Random random = new Random(5);
        float[] grain = new float[SIZE * SIZE];
        for (int i = 0; i < grain.length; i++) {
            grain[i] = random.nextFloat();
        }
        return Encoded.file(new Samples(SIZE, SIZE, grain, grain, grain, null), "tiff", format, "compression_algo=deflate");
    }

    @Test
    void zerosInWhatWasPackedAreNoPicture() throws IOException {
        byte[] good = packed("rgb48le");
        assertThat(check(good).state()).isEqualTo(FrameState.GOOD);
        int wrong = 0;
        Random random = new Random(1);
        for (int round = 0; round < 40; round++) {
            byte[] spoilt = good.clone();
            // The directory is at the end.
            int at = 200 + random.nextInt(good.length * 3 / 4 - 200);
            Arrays.fill(spoilt, at, at + 24, (byte) 0);
            FrameCheck found = check(spoilt);
            wrong += found.state() == FrameState.GOOD ? 1 : 0;
        }
        assertThat(wrong).as("called good").isZero();
        byte[] changed = good.clone();
        changed[good.length / 2] ^= 8;
        assertThat(check(changed).why()).contains("strip ").contains("its checksum doesn't agree");
    }
}
