package dev.vat.worker.proof;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.proof.Receipt;
import dev.vat.core.time.Rate;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.mux.Joining;
import dev.vat.media.mux.Splitting;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A finished file that somebody damages in different ways: each is named for what it is. */
class ReproofTest {

    private static final int FRAMES = 12;

    @TempDir
    Path folder;

    private Path file;
    private byte[] data;

    @BeforeEach
    void make() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, FRAMES, false);
        try (Run run = Run.start(KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq")), TestPlaces.in(folder),
                _ -> {})) {
            file = Path.of(run.outcome().get(300, TimeUnit.SECONDS).files().getFirst().path());
        }
        data = Files.readAllBytes(file);
    }

    private List<String> damaged() throws IOException {
        Files.write(file, data);
        return Reproof.of(file).reasons();
    }

    private int find(String text, int after) {
        return new String(data, StandardCharsets.ISO_8859_1).indexOf(text, after);
    }

    /** Where the nth picture of ProRes begins: each says so by its own name. */
    private int picture(int number) {
        int at = -1;
        for (int i = 0; i <= number; i++) {
            at = find("icpf", at + 1);
        }
        return at;
    }

    @Test
    void anUntouchedFileIsWhatItsReceiptSays() throws IOException {
        assertThat(damaged()).isEmpty();
        Receipt receipt = Reproof.of(file).receipt();
        assertThat(receipt.spacing()).singleElement()
                .satisfies(s -> assertThat(s.seconds() + " s, " + s.times() + " times").isEqualTo("1/25 s, 11 times"));
        assertThat(receipt.quality().worst()).hasSize(10).first()
                .satisfies(w -> assertThat(w.frame()).isEqualTo(receipt.quality().worstFrame()));
        assertThat(receipt.loudness()).as("there is no sound").isNull();
    }

    @Test
    void aByteOfAPictureIsNamedByItsFrame() throws IOException {
        int at = (picture(7) + picture(8)) / 2;
        data[at] ^= 0x10;
        assertThat(damaged()).first().asString().contains("they differ between bytes").satisfies(reason -> {
            String[] bytes = reason.replaceAll(".*between bytes ", "").split(" and ");
            assertThat((long) at).isBetween(Long.parseLong(bytes[0]), Long.parseLong(bytes[1]));
        });
        assertThat(damaged()).last().asString().contains("frame 7");
    }

    @Test
    void aTagIsToldFromAPicture() throws IOException {
        // Primaries of the colour box: 1 is Rec.709, 5 Rec.601 of 625 lines.
        ByteBuffer.wrap(data).putShort(find("colr", 0) + 8, (short) 5);
        assertThat(damaged()).hasSize(4).anyMatch(r -> r.equals("primaries: bt709 was planned, bt470bg is found"))
                .as("and by the second reader").anyMatch(r -> r.startsWith("primaries, by ISO/IEC 14496-12: bt709 was planned"))
                .last().asString().contains("every picture is the one of the receipt");
    }

    @Test
    void aByteThatIsNeitherIsToldToo() throws IOException {
        // What the track is called by whoever wrote it.
        data[find("VideoHandler", 0)] ^= 0x20;
        assertThat(damaged()).hasSize(2).last().asString().contains("every picture and everything that is said of them is as the "
                + "receipt says");
    }

    @Test
    void aLostFrameAndAWrongRateAreNamed() throws IOException {
        join(Rate.FPS_25, new Splitting.Stretch(folder.resolve("a.mov"), 0, 5),
                new Splitting.Stretch(folder.resolve("b.mov"), 6, FRAMES - 6));
        assertThat(Reproof.of(file).reasons()).anyMatch(r -> r.equals("frames: 12 was planned, 11 is found"))
                .anyMatch(r -> r.equals("frame 5 is lost; the others are those of the receipt"));
        Files.write(file, data);
        join(Rate.of(24), new Splitting.Stretch(folder.resolve("c.mov"), 0, FRAMES));
        assertThat(Reproof.of(file).reasons()).anyMatch(r -> r.startsWith("rate: 25 a second was planned, 24 a second is found"))
                .last().asString().contains("every picture is the one of the receipt");
    }

    /** The same pictures once more, in another file in its place. */
    private void join(Rate rate, Splitting.Stretch... stretches) throws IOException {
        Splitting.split(file, Container.MOV, Rate.FPS_25, PixelAspect.SQUARE, Container.MOV, List.of(stretches));
        long[] first = {0};
        List<Joining.Part> parts = List.of(stretches).stream().map(s -> {
            Joining.Part part = new Joining.Part(s.file(), Container.MOV, first[0], s.frames());
            first[0] += s.frames();
            return part;
        }).toList();
        Joining.join(parts, file, Container.MOV, true, rate, PixelAspect.SQUARE, null);
    }
}
