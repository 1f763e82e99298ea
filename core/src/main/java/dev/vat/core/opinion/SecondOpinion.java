package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Loudness;
import dev.vat.core.words.Words;
import java.io.EOFException;
import java.io.IOException;
import java.util.List;

/**
 * A finished file as readers of our own find it, that share nothing with the library that wrote it: its container and the heads of its
 * coded pictures, by the published standards. Where they find something else than was planned, the file isn't proven.
 */
public final class SecondOpinion {

    private static final Words WORDS = Words.of(SecondOpinion.class);

    private SecondOpinion() {}

    /** @throws IOException if the file's bytes can't be read; that they make no sense is an opinion, too */
    public static List<Comparison.Line> of(Expectation planned, Bytes file) throws IOException {
        return switch (planned.container()) {
            case MP4, MOV -> of("ISO/IEC 14496-12", () -> IsoOpinion.of(planned, file));
            case AVIF -> of(AvifOpinion.STANDARD, () -> AvifOpinion.of(planned, file));
            case MXF -> of("SMPTE ST 377-1", () -> MxfOpinion.of(planned, file));
            case MKV, WEBM -> of("RFC 9559", () -> MatroskaOpinion.of(planned, file));
            case TS -> of("ISO/IEC 13818-1", () -> TransportOpinion.of(planned, file));
            case AVI -> of("OpenDML 1.02", () -> AviOpinion.of(planned, file));
            case GIF, APNG, WEBP -> of(MovingOpinion.standard(planned), () -> MovingOpinion.of(planned, file));
            case WAV -> of(WaveOpinion.STANDARD, () -> WaveOpinion.of(planned, file));
            case FRAMES -> throw new IllegalArgumentException("a folder has no bytes: " + planned.container());
        };
    }

    /**
     * What a WAV file says of how loud it is.
     *
     * @param heard what was measured in it
     * @throws IOException if its bytes can't be read
     */
    public static List<Comparison.Line> ofLoudness(Bytes file, Loudness heard) throws IOException {
        return of(WaveOpinion.STANDARD, () -> WaveOpinion.loudness(file, heard));
    }

    /**
     * The same of a folder of stills, by one of them.
     *
     * @param frame which of them it is, from 0
     * @throws IOException if its bytes can't be read
     */
    public static List<Comparison.Line> ofStill(Expectation planned, Bytes still, long frame) throws IOException {
        return of(StillOpinion.standard(planned.codec()), () -> StillOpinion.of(planned, still, frame));
    }

    private interface Reading {
        List<Comparison.Line> lines() throws IOException;
    }

    private static List<Comparison.Line> of(String standard, Reading reading) throws IOException {
        try {
            return reading.lines();
        } catch (Malformed | EOFException e) {
            return new Opinion(standard).unreadable(e.getMessage()).lines();
        } catch (RuntimeException e) {
            // Numbers in the file that lead nowhere: what can't be followed can't be vouched for.
            return new Opinion(standard).unreadable(WORDS.say("leadsNowhere", e.getClass().getSimpleName())).lines();
        }
    }
}
