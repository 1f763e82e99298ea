package dev.vat.media.decode;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Uncompressed AVI whose rows run from the bottom up, built by hand. */
class BottomUpAviTest {

    @TempDir
    Path folder;

    /** Uncompressed AVI with its lowest row first: written here byte by byte. */
    @Test
    void anAviFromTheBottomUpStandsUpright() throws IOException {
        Path file = Files.write(folder.resolve("up.avi"), bottomUpAvi(10));
        try (FrameReader reader = new FrameReader()) {
            for (int i = 0; i < 10; i++) {
                assertThat(reader.check(file, FileKind.MOVIE, PictureChoice.MAIN, i).state()).isEqualTo(FrameState.GOOD);
            }
            try (Picture picture = ((FrameRead.Sound) reader.read(file, FileKind.MOVIE, PictureChoice.MAIN, 3)).picture()) {
                assertThat(picture.plane(0).get(ValueLayout.JAVA_BYTE, 0) & 0xff).as("the bright corner").isEqualTo(230);
                assertThat(OddMovie.shown(picture)).as("three bytes a pixel").isEqualTo(3);
            }
        }
    }

    private static byte[] bottomUpAvi(int count) {
        int rowBytes = OddMovie.WIDTH * 3;
        int size = rowBytes * OddMovie.HEIGHT;
        ByteBuffer header = little(56).putInt(40_000).putInt(size * 25).putInt(0).putInt(0x10).putInt(count).putInt(0).putInt(1)
                .putInt(size)
                .putInt(OddMovie.WIDTH).putInt(OddMovie.HEIGHT);
        ByteBuffer stream = little(56).put("vidsDIB ".getBytes(StandardCharsets.US_ASCII));
        stream.putInt(20, 1).putInt(24, 25).putInt(32, count).putInt(36, size);
        ByteBuffer format = little(40).putInt(40).putInt(OddMovie.WIDTH).putInt(OddMovie.HEIGHT).putShort((short) 1).putShort((short) 24)
                .putInt(0).putInt(size);
        byte[][] frames = new byte[count][];
        for (int n = 0; n < count; n++) {
            byte[] rows = new byte[size];
            Arrays.fill(rows, (byte) OddMovie.brightness(n));
            for (int y = 0; y < 8; y++) {
                Arrays.fill(rows, (OddMovie.HEIGHT - 1 - y) * rowBytes, (OddMovie.HEIGHT - 1 - y) * rowBytes + 24, (byte) 230);
            }
            frames[n] = chunk("00db", rows);
        }
        return chunk("RIFF", "AVI ".getBytes(StandardCharsets.US_ASCII),
                list("hdrl", chunk("avih", header.array()), list("strl", chunk("strh", stream.array()), chunk("strf", format.array()))),
                list("movi", frames));
    }

    private static ByteBuffer little(int bytes) {
        return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static byte[] list(String type, byte[]... chunks) {
        byte[][] all = new byte[chunks.length + 1][];
        all[0] = type.getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(chunks, 0, all, 1, chunks.length);
        return chunk("LIST", all);
    }

    private static byte[] chunk(String name, byte[]... parts) {
        int length = Arrays.stream(parts).mapToInt(p -> p.length).sum();
        ByteBuffer chunk = little(8 + length).put(name.getBytes(StandardCharsets.US_ASCII)).putInt(length);
        for (byte[] part : parts) {
            chunk.put(part);
        }
        return chunk.array();
    }
}
