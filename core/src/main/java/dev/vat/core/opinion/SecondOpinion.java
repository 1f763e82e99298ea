package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.DpxHeader;
import dev.vat.core.container.Malformed;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Timecode;
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
            case MXF -> of("SMPTE ST 377-1", () -> MxfOpinion.of(planned, file));
            case MKV, WEBM -> of("RFC 9559", () -> MatroskaOpinion.of(planned, file));
            case AVI -> of("OpenDML 1.02", () -> AviOpinion.of(planned, file));
            case GIF, APNG, WEBP, FRAMES -> List.of();
        };
    }

    /**
     * The same of a folder of stills, by one of them.
     *
     * @param still its first bytes @param frame which of them it is, from 0
     */
    public static List<Comparison.Line> ofStill(Expectation planned, byte[] still, long frame) {
        if (!planned.codec().equals("dpx")) {
            return List.of();
        }
        Opinion opinion = new Opinion("SMPTE ST 268-1");
        DpxHeader.of(still, planned.rate()).ifPresentOrElse(found -> {
            opinion.line(WORDS.say("rate"), planned.rate(), found.rate());
            opinion.line(WORDS.say("position"), frame, found.position());
            opinion.line(WORDS.say("frames"), planned.frames(), found.count());
            opinion.line(WORDS.say("pixelAspect"), planned.pixelAspect(), found.pixelAspect());
            String label = planned.stills().label() == null ? null
                    : Timecode.parse(planned.stills().label(), planned.rate()).plusFrames(frame).toString();
            opinion.line(WORDS.say("timecode"), label == null ? WORDS.say("none") : label,
                    found.label() == null ? WORDS.say("none") : found.label().toString());
        }, () -> opinion.unreadable(WORDS.say("noWholeHeader")));
        return opinion.lines();
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
