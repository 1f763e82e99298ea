package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.DpxHeader;
import dev.vat.core.container.ExrHead;
import dev.vat.core.container.JpegHead;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.PngFile;
import dev.vat.core.container.StillFacts;
import dev.vat.core.container.TgaHead;
import dev.vat.core.container.TiffHead;
import dev.vat.core.delivery.Compression;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.List;

/** What one of a folder of stills says, held against what was planned. */
final class StillOpinion {

    private static final Words WORDS = Words.of(StillOpinion.class);

    /** Formats that state a pixel aspect as a number with a point do it in single precision. */
    private static final double SAME_ASPECT = 1e-6;

    private StillOpinion() {}

    /** By which standard a codec's stills are read. */
    static String standard(String codec) {
        return switch (codec) {
            case "dpx" -> "SMPTE ST 268-1";
            case "exr" -> "OpenEXR";
            case "png" -> "W3C PNG";
            case "tiff" -> "TIFF 6.0";
            case "targa" -> "TGA 2.0";
            case "mjpeg" -> "ITU-T T.81";
            default -> throw new IllegalArgumentException("no stills of " + codec);
        };
    }

    /** @param frame which of the stills it is, from 0 */
    static List<Comparison.Line> of(Expectation planned, Bytes still, long frame) throws IOException {
        Opinion opinion = new Opinion(standard(planned.codec()));
        if (planned.codec().equals("dpx")) {
            dpx(planned, still, frame, opinion);
            return opinion.lines();
        }
        StillFacts found = switch (planned.codec()) {
            case "exr" -> ExrHead.of(still, planned.rate());
            case "png" -> PngFile.of(still).facts();
            case "tiff" -> TiffHead.of(still);
            case "targa" -> TgaHead.of(still);
            default -> JpegHead.of(still);
        };
        opinion.line(WORDS.say("size"), planned.size(), found.size());
        opinion.line(WORDS.say("depth"), planned.codedBits(), found.bits());
        opinion.line(WORDS.say("alpha"), planned.alphaBits(), found.alphaBits());
        opinion.line(WORDS.say("pixelAspect"), planned.pixelAspect(), found.pixelAspect(), StillOpinion::isSame);
        if (planned.primaries() != null) {
            opinion.line(WORDS.say("primaries"), planned.primaries(),
                    found.primaries() == null ? WORDS.say("none") : CodePoints.primaries(found.primaries()));
            opinion.line(WORDS.say("transfer"), planned.transfer(),
                    found.transfer() == null ? WORDS.say("none") : CodePoints.transfer(found.transfer()), CodePoints::sameTransfer);
        }
        opinion.line(WORDS.say("rate"), planned.rate(), found.rate());
        Compression compression = planned.stills() == null ? null : planned.stills().compression();
        if (compression != null) {
            opinion.line(WORDS.say("compression"), compression.number(planned.codec()), found.compression());
        }
        if (planned.codec().equals("exr")) {
            label(planned, found.label(), frame, opinion);
        }
        return opinion.lines();
    }

    private static boolean isSame(PixelAspect a, PixelAspect b) {
        return Math.abs(a.ratio().toDouble() - b.ratio().toDouble()) < SAME_ASPECT;
    }

    private static void dpx(Expectation planned, Bytes still, long frame, Opinion opinion) throws IOException {
        byte[] head = still.read(0, (int) Math.min(DpxHeader.BYTES, still.size()));
        DpxHeader.Facts found = DpxHeader.of(head, planned.rate()).orElseThrow(() -> new Malformed(WORDS.say("noWholeHeader")));
        StillFacts picture = DpxHeader.picture(head).orElseThrow();
        opinion.line(WORDS.say("size"), planned.size(), picture.size());
        opinion.line(WORDS.say("depth"), planned.codedBits(), picture.bits());
        opinion.line(WORDS.say("rate"), planned.rate(), found.rate());
        opinion.line(WORDS.say("position"), frame, found.position());
        opinion.line(WORDS.say("frames"), planned.frames(), found.count());
        opinion.line(WORDS.say("pixelAspect"), planned.pixelAspect(), found.pixelAspect());
        label(planned, found.label(), frame, opinion);
    }

    private static void label(Expectation planned, Timecode found, long frame, Opinion opinion) {
        String label = planned.stills().label() == null ? null
                : Timecode.parse(planned.stills().label(), planned.rate()).plusFrames(frame).toString();
        opinion.line(WORDS.say("timecode"), label == null ? WORDS.say("none") : label,
                found == null ? WORDS.say("none") : found.toString());
    }
}
