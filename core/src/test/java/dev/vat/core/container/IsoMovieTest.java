package dev.vat.core.container;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.time.Rational;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Movies put together box by box: three frames at 25, shown in another order than they are coded, with a label for the first one. */
class IsoMovieTest {

    private static final int TIMESCALE = 12_800;
    private static final int FRAME = 512;
    private static final int MOVIE = 25_000;

    private static byte[] box(String type, byte[]... contents) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] content : contents) {
            all.writeBytes(content);
        }
        return ByteBuffer.allocate(8 + all.size()).putInt(8 + all.size()).put(type.getBytes(StandardCharsets.ISO_8859_1))
                .put(all.toByteArray()).array();
    }

    private static byte[] numbers(int... values) {
        ByteBuffer all = ByteBuffer.allocate(4 * values.length);
        for (int value : values) {
            all.putInt(value);
        }
        return all.array();
    }

    private static byte[] letters(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }

    /** @param shown ticks of the movie @param length ticks of the media */
    private static byte[] track(int id, String handler, int shown, int timescale, int length, byte[] edits, byte[] entry, byte[]... table) {
        ByteArrayOutputStream stbl = new ByteArrayOutputStream();
        stbl.writeBytes(box("stsd", numbers(0, 1), entry));
        for (byte[] each : table) {
            stbl.writeBytes(each);
        }
        return box("trak", box("tkhd", numbers(7, 0, 0, id, 0, shown), new byte[52], numbers(64 << 16, 48 << 16)), edits,
                box("mdia", box("mdhd", numbers(0, 0, 0, timescale, length, 0)), box("hdlr", numbers(0, 0), letters(handler), new byte[13]),
                        box("minf", box("stbl", stbl.toByteArray()))));
    }

    private static byte[] pictureEntry() {
        return box("avc1", new byte[6], new byte[] {0, 1}, new byte[16],
                ByteBuffer.allocate(4).putShort((short) 64).putShort((short) 48).array(),
                new byte[14], new byte[] {4}, letters("none"), new byte[27], new byte[] {0, 24, -1, -1}, box("pasp", numbers(16, 15)),
                box("colr", letters("nclx"), new byte[] {0, 1, 0, 1, 0, 1, 0}));
    }

    private static byte[] labelEntry() {
        return box("tmcd", new byte[6], new byte[] {0, 1}, numbers(0, 0, 25, 1), new byte[] {25, 0});
    }

    /** @param said frames that the lengths say */
    private static byte[] movie(int said) {
        byte[] head = box("ftyp", letters("isom"), numbers(512));
        byte[] samples = box("mdat", new byte[30], numbers(90_000));
        byte[] edits = box("edts", box("elst", numbers(0, 1, 3 * MOVIE / 25, 2 * FRAME, 0x10000)));
        byte[] labelEdits = box("edts", box("elst", numbers(0, 1, said * MOVIE / 25, 0, 0x10000)));
        int at = head.length + 8;
        byte[] pictures = track(1, "vide", 3 * MOVIE / 25, TIMESCALE, said * FRAME, edits, pictureEntry(),
                box("stts", numbers(0, 1, 3, FRAME)), box("ctts", numbers(0, 3, 1, 2 * FRAME, 1, 3 * FRAME, 1, FRAME)),
                box("stsz", numbers(0, 0, 3, 10, 12, 8)), box("stsc", numbers(0, 1, 1, 3, 1)), box("stco", numbers(0, 1, at)));
        byte[] labels = track(2, "tmcd", said * MOVIE / 25, 25, said, labelEdits, labelEntry(), box("stts", numbers(0, 1, 1, said)),
                box("stsz", numbers(0, 4, 1)), box("stsc", numbers(0, 1, 1, 1, 1)), box("stco", numbers(0, 1, at + 30)));
        byte[] index = box("moov", box("mvhd", numbers(0, 0, 0, MOVIE, 3 * MOVIE / 25), new byte[80]), pictures, labels);
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.writeBytes(head);
        all.writeBytes(samples);
        all.writeBytes(index);
        return all.toByteArray();
    }

    @Test
    void whatTheIndexSaysIsRead() throws Exception {
        byte[] all = movie(3);
        IsoMovie movie = IsoMovie.of(new MemoryBytes(all));
        assertThat(movie.brand()).isEqualTo("isom");
        assertThat(movie.indexInFront()).isFalse();
        assertThat(movie.bytes()).isEqualTo(all.length);
        assertThat(movie.timescale()).isEqualTo(MOVIE);
        IsoTrack pictures = movie.first("vide").orElseThrow();
        assertThat(pictures.samples().count()).isEqualTo(3);
        assertThat(pictures.rate()).contains(Rational.of(25));
        assertThat(pictures.seconds()).isEqualTo(Rational.of(3, 25));
        assertThat(pictures.start(MOVIE)).as("the edit takes the delay away").isEqualTo(Rational.ZERO);
        assertThat(pictures.samples().firstShown()).isEqualTo(2 * FRAME);
        assertThat(pictures.samples().place(2)).isEqualTo(new SampleTable.Place(24 + 22, 8));
        assertThat(pictures.samples().bytes()).isEqualTo(30);
        SampleEntry.Pictures entry = (SampleEntry.Pictures) pictures.entry();
        assertThat(entry.width()).isEqualTo(64);
        assertThat(entry.height()).isEqualTo(48);
        assertThat(entry.depth()).isEqualTo(24);
        assertThat(entry.compressor()).isEqualTo("none");
        assertThat(entry.box("pasp").orElseThrow().u32()).isEqualTo(16);
        IsoTrack labels = movie.first("tmcd").orElseThrow();
        SampleEntry.Labels label = (SampleEntry.Labels) labels.entry();
        assertThat(label.frames()).isEqualTo(25);
        assertThat(label.isDropFrame()).isFalse();
        assertThat(Cursor.of(new MemoryBytes(all).read(labels.samples().place(0).at(), 4)).u32()).as("an hour").isEqualTo(90_000);
    }

    @Test
    void lengthsThatFollowFromTheSamplesStay() throws Exception {
        assertThat(IsoLengths.mended(new MemoryBytes(movie(3)))).isEmpty();
    }

    /** Of the pictures' media; of the labels' media, sample, track and edit. */
    @Test
    void lengthsThatSayAFrameMoreAreMended() throws Exception {
        byte[] wrong = movie(4);
        List<Patch> patches = IsoLengths.mended(new MemoryBytes(wrong));
        assertThat(patches).hasSize(5);
        for (Patch patch : patches) {
            System.arraycopy(patch.value(), 0, wrong, (int) patch.at(), patch.value().length);
        }
        assertThat(wrong).isEqualTo(movie(3));
    }

    /** Cut off anywhere, it is refused in words. */
    @ParameterizedTest
    @ValueSource(ints = {9, 24, 60, 100, 300, 700})
    void aFileThatEndsEarlyIsRefused(int bytes) {
        assertThatThrownBy(() -> IsoMovie.of(new MemoryBytes(Arrays.copyOf(movie(3), bytes)))).isInstanceOf(IOException.class);
    }

    @Test
    void samplesOutsideOfAllChunksAreNamed() throws Exception {
        SampleTable table = IsoMovie.of(new MemoryBytes(movie(3))).first("vide").orElseThrow().samples();
        assertThatThrownBy(() -> table.place(3)).isInstanceOf(Malformed.class).hasMessageContaining("3");
    }
}
