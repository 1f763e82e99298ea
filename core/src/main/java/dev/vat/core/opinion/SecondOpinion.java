package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.util.List;

/**
 * A finished file as readers of our own find it, that share nothing with the library that wrote it: its container and the heads of its
 * coded pictures, by the published standards. Where they find something else than was planned, the file isn't proven.
 */
public final class SecondOpinion {

    private SecondOpinion() {}

    /** @throws IOException if the file's bytes can't be read; that they make no sense is an opinion, too */
    public static List<Comparison.Line> of(Expectation planned, Bytes file) throws IOException {
        return switch (planned.container()) {
            case MP4, MOV -> of("ISO/IEC 14496-12", () -> IsoOpinion.of(planned, file));
            case MXF -> of("SMPTE ST 377-1", () -> MxfOpinion.of(planned, file));
            case MKV, WEBM -> of("RFC 9559", () -> MatroskaOpinion.of(planned, file));
            case AVI -> of("OpenDML 1.02", () -> AviOpinion.of(planned, file));
            case GIF, APNG, WEBP, FRAMES -> List.of();
        };
    }

    private interface Reading {
        List<Comparison.Line> lines() throws IOException;
    }

    private static List<Comparison.Line> of(String standard, Reading reading) throws IOException {
        try {
            return reading.lines();
        } catch (Malformed e) {
            return new Opinion(standard).unreadable(e.getMessage()).lines();
        } catch (BufferUnderflowException | IndexOutOfBoundsException | IllegalArgumentException | ArithmeticException e) {
            return new Opinion(standard).unreadable(e.toString()).lines();
        }
    }
}
