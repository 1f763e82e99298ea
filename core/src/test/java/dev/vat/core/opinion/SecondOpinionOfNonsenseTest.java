package dev.vat.core.opinion;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.container.MemoryBytes;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whatever bytes there are, an opinion comes of them, and it is that this isn't the file that was planned. */
class SecondOpinionOfNonsenseTest {

    private static final int ROUNDS = 200;

    /** @param begin as such a file begins, in hexadecimal */
    @ParameterizedTest
    @CsvSource({"MP4, 0000001066747970", "MOV, 0000100c6d6f6f76", "MKV, 1a45dfa38842828b", "AVI, 5249464600100000415649204c495354",
        "MXF, 060e2b34020501010d010201010204008210", "GIF, 47494638396100040003f70000", "APNG, 89504e470d0a1a0a0000000d49484452",
        "WEBP, 524946460010000057454250", "AVIF, 00000010667479706176697300000000000010006d6f6f76",
        "TS, 474011100042f0250001c10000ff01ff0001fc80", "WAV, 524946460010000057415645"})
    void nonsenseIsNeverProven(Container container, String begin) throws Exception {
        ReelSound sound = new ReelSound(2, "stereo", 46_080, List.of());
        Expectation planned = container.isSoundAlone()
                ? Expectation.ofSound(24, Rate.FPS_25, Size.of(64, 48), PixelAspect.SQUARE, sound, SoundTracks.TOGETHER, null)
                : Expectation.of(Settings.of(Catalogue.codec("prores-422-hq"), container), 24, Rate.FPS_25, Size.of(64, 48),
                        PixelAspect.SQUARE, null);
        byte[] head = HexFormat.of().parseHex(begin);
        Random random = new Random(container.ordinal());
        for (int round = 0; round < ROUNDS; round++) {
            byte[] all = new byte[container == Container.TS ? 188 * (1 + random.nextInt(30)) : 1 + random.nextInt(6000)];
            random.nextBytes(all);
            System.arraycopy(head, 0, all, 0, Math.min(all.length, head.length));
            for (int at = 0; container == Container.TS && at < all.length; at += 188) {
                // A mark before each packet, so that what is in them is gone into.
                all[at] = 0x47;
            }
            List<Comparison.Line> lines = SecondOpinion.of(planned, new MemoryBytes(all));
            assertThat(lines).anySatisfy(l -> assertThat(l.agrees()).isFalse());
        }
    }

    /** @param begin as such a still begins, in hexadecimal */
    @ParameterizedTest
    @CsvSource({"frames-png-16, 89504e470d0a1a0a0000000d49484452", "frames-tiff-16, 49492a0008000000", "frames-tga-8, 00000a",
        "frames-dpx-10, 5344505800000800", "frames-exr, 762f310102000000", "frames-jpeg, ffd8ffe00010"})
    void noStillIsProvenByNonsense(String codec, String begin) throws Exception {
        Expectation planned = Expectation.of(Settings.of(Catalogue.codec(codec), Container.FRAMES), 24, Rate.FPS_25, Size.of(64, 48),
                PixelAspect.SQUARE, null).withStills(new Expectation.Stills(new SequencePattern("kite.", 4, ".x"), 1));
        byte[] head = HexFormat.of().parseHex(begin);
        Random random = new Random(codec.hashCode());
        for (int round = 0; round < ROUNDS; round++) {
            byte[] all = new byte[1 + random.nextInt(6000)];
            random.nextBytes(all);
            System.arraycopy(head, 0, all, 0, Math.min(all.length, head.length));
            assertThat(SecondOpinion.ofStill(planned, new MemoryBytes(all), 3)).anySatisfy(l -> assertThat(l.agrees()).isFalse());
        }
    }
}
