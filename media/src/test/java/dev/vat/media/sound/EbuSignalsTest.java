package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.proof.Loudness;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The signals of EBU Tech 3341 and Tech 3342 that can be made from their description: tones of 1 kHz at levels below full scale, and
 * tones for true peaks. Those cut from programmes (3341 cases 7 and 8, 3342 cases 5 and 6) are recordings, cases 10, 11,
 * 13 and 14 take the same tones at other moments, and cases 20 to 23 need a synthesis that the text leaves open.
 */
@Tag("slow")
class EbuSignalsTest {

    private static final int RATE = 48_000;

    @TempDir
    Path folder;

    /** Tones one after the other on some channels. @param levels dBFS of each tone, by channel @param seconds of each */
    private Loudness tones(double[][] levels, double[] seconds) throws IOException {
        Path mix = folder.resolve("signal.f32");
        int channels = levels[0].length;
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(mix), 1 << 16)) {
            ByteBuffer moment = ByteBuffer.allocate(4 * channels).order(ByteOrder.LITTLE_ENDIAN);
            long at = 0;
            for (int tone = 0; tone < seconds.length; tone++) {
                for (long i = 0; i < Math.round(seconds[tone] * RATE); i++, at++) {
                    moment.clear();
                    for (int c = 0; c < channels; c++) {
                        moment.putFloat((float) (Math.pow(10, levels[tone][c] / 20) * Math.sin(2 * Math.PI * 1000 * at / RATE)));
                    }
                    out.write(moment.array());
                }
            }
        }
        return LoudnessMeter.ofMix(mix, channels, 0, Long.MAX_VALUE);
    }

    private Loudness stereo(String levels, String seconds) throws IOException {
        String[] level = levels.split(" ");
        String[] second = seconds.split(" ");
        double[][] both = new double[level.length][];
        double[] lengths = new double[level.length];
        for (int i = 0; i < level.length; i++) {
            both[i] = new double[] {Double.parseDouble(level[i]), Double.parseDouble(level[i])};
            lengths[i] = Double.parseDouble(second[i]);
        }
        return tones(both, lengths);
    }

    /** Cases 9 and 12: as long together as the window is, they are as loud in each. */
    @Test
    void shortTermAndMomentaryLoudness() throws IOException {
        assertThat(stereo("-20 -30 -20 -30 -20 -30 -20 -30 -20 -30", "1.34 1.66 1.34 1.66 1.34 1.66 1.34 1.66 1.34 1.66").shortTerm())
                .isCloseTo(-23, within(.1));
        String levels = "-20 -30 ".repeat(25).strip();
        String seconds = "0.18 0.22 ".repeat(25).strip();
        assertThat(stereo(levels, seconds).momentary()).isCloseTo(-23, within(.1));
    }

    @ParameterizedTest(name = "Tech 3341 case {0}")
    @CsvSource({"1, -23, 20, -23", "2, -33, 20, -33", "3, -36 -23 -36, 10 60 10, -23", "4, -72 -36 -23 -36 -72, 10 10 60 10 10, -23",
        "5, -26 -20 -26, 20 20.1 20, -23"})
    void integratedLoudness(int ignoredCase, String levels, String seconds, double lufs) throws IOException {
        assertThat(stereo(levels, seconds).integrated()).isCloseTo(lufs, within(.1));
    }

    /** Case 6: left, right, centre, left and right surround. */
    @Test
    void integratedLoudnessOfFiveChannels() throws IOException {
        assertThat(tones(new double[][] {{-28, -28, -24, -30, -30}}, new double[] {20}).integrated()).isCloseTo(-23, within(.1));
    }

    @ParameterizedTest(name = "Tech 3342 case {0}")
    @CsvSource({"1, -20 -30, 10", "2, -20 -15, 5", "3, -40 -20, 20", "4, -50 -35 -20 -35 -50, 15"})
    void loudnessRange(int ignoredCase, String levels, double range) throws IOException {
        assertThat(stereo(levels, levels.replaceAll("-\\d+", "20")).range()).isCloseTo(range, within(.1));
    }

    /** Tones whose highest point lies between samples: meters may read 0.2 dB above and 0.4 dB below. */
    @ParameterizedTest(name = "Tech 3341 case {0}")
    @CsvSource({"15, 4, 0, .5, -6", "16, 4, 45, .5, -6", "17, 6, 60, .5, -6", "18, 8, 67.5, .5, -6", "19, 4, 45, 1.41, 3"})
    void truePeak(int ignoredCase, int samplesInAPeriod, double phase, double amplitude, double dbtp) throws IOException {
        Path mix = folder.resolve("peak.f32");
        ByteBuffer samples = ByteBuffer.allocate(4 * 2 * RATE * 3).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 3 * RATE; i++) {
            // It comes and goes slowly, so that its edges ring nowhere.
            double fade = Math.clamp(Math.min(i, 3 * RATE - i) / 4800., 0, 1);
            float value = (float) (fade * amplitude * Math.sin(2 * Math.PI * i / samplesInAPeriod + Math.toRadians(phase)));
            samples.putFloat(value).putFloat(value);
        }
        Files.write(mix, samples.array());
        assertThat(LoudnessMeter.ofMix(mix, 2, 0, Long.MAX_VALUE).truePeak()).isBetween(dbtp - .4, dbtp + .2);
    }
}
