package dev.vat.core.opinion;

import dev.vat.core.bitstream.AvcStream;
import dev.vat.core.bitstream.Av1Stream;
import dev.vat.core.bitstream.DnxStream;
import dev.vat.core.bitstream.DvStream;
import dev.vat.core.bitstream.HevcStream;
import dev.vat.core.bitstream.Mpeg2Stream;
import dev.vat.core.bitstream.NalUnits;
import dev.vat.core.bitstream.ProResStream;
import dev.vat.core.bitstream.StreamFacts;
import dev.vat.core.bitstream.StreamFacts.Colour;
import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.bitstream.Vp9Stream;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.CodecLevel;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What coded pictures say of themselves, held against what was planned. */
final class StreamOpinion {

    private static final Words WORDS = Words.of(StreamOpinion.class);

    /** Profiles by the plan's names, where the standard's differ. */
    private static final Map<String, String> PROFILES = Map.of("Rext", "Range extensions", "DNXHR 444", "DNxHR 444", "DNXHR HQX",
            "DNxHR HQX", "DNXHR HQ", "DNxHR HQ", "DNXHR SQ", "DNxHR SQ", "DNXHR LB", "DNxHR LB");

    private StreamOpinion() {}

    /** @param first the first sample of the track @param configuration what the container has of the decoder's, or null */
    static List<Comparison.Line> of(Expectation planned, byte[] first, byte[] configuration) {
        return read(planned.codec(), first, configuration).map(facts -> opinion(planned, facts).lines()).orElse(List.of());
    }

    /** Empty for codings that aren't read here. */
    static Optional<StreamFacts> read(String codec, byte[] first, byte[] configuration) {
        return switch (codec) {
            case "h264" -> configuration != null && configuration.length > 7 && configuration[0] == 1
                    ? AvcStream.ofConfiguration(configuration).or(() -> AvcStream.of(units(first, configuration)))
                    : AvcStream.of(units(first, configuration));
            case "hevc" -> configuration != null && configuration.length > 22 ? HevcStream.ofConfiguration(configuration)
                    : HevcStream.of(units(first, configuration));
            case "prores" -> ProResStream.of(first);
            case "dnxhd" -> DnxStream.of(first);
            case "mpeg2video" -> Mpeg2Stream.of(first);
            case "dvvideo" -> DvStream.of(first);
            case "av1" -> Av1Stream.of(first).or(() -> Optional.ofNullable(configuration).flatMap(Av1Stream::ofConfiguration));
            case "vp9" -> Vp9Stream.of(first);
            default -> Optional.empty();
        };
    }

    private static List<byte[]> units(byte[] sample, byte[] configuration) {
        return NalUnits.hasStartCodes(sample) ? NalUnits.behindStartCodes(sample)
                : NalUnits.behindLengths(sample, configuration != null && configuration.length > 4 ? (configuration[4] & 3) + 1 : 4);
    }

    private static Opinion opinion(Expectation planned, StreamFacts found) {
        Opinion opinion = new Opinion(found.standard());
        opinion.line(WORDS.say("size"), planned.size(), Size.of(found.width(), found.height()));
        opinion.line(WORDS.say("chroma"), planned.chroma() == Chroma.RGB ? "RGB" : planned.chroma().label(),
                found.chroma(), (p, f) -> p.equals(f) || p.equals("RGB") && f.equals("4:4:4"));
        if (found.bits() > 0) {
            opinion.line(WORDS.say("depth"), planned.codedBits(), found.bits());
        }
        if (found.alphaBits() >= 0 && planned.codec().equals("prores")) {
            opinion.line(WORDS.say("alpha"), planned.alphaBits(), found.alphaBits());
        }
        if (found.profile() != null && !planned.profile().equals("unknown") && !planned.codec().equals("dvvideo")) {
            opinion.line(WORDS.say("profile"), PROFILES.getOrDefault(planned.profile(), planned.profile()), found.profile(),
                    (p, f) -> p.equals(f) || p.equals("DNXHD") && f.startsWith("DNxHD"));
        }
        level(opinion, planned, found);
        if (found.pixelAspect() != null) {
            opinion.line(WORDS.say("pixelAspect"), planned.pixelAspect(), ratio(found.pixelAspect()),
                    (p, f) -> p.ratio().equals(found.pixelAspect()) || isNear(p.ratio(), found.pixelAspect(), planned.size()));
        }
        if (found.perSecond() != null) {
            opinion.line(WORDS.say("rate"), planned.rate(), found.perSecond(), (p, f) -> p.perSecond().equals(f));
        }
        if (found.fields() != null && planned.scan() != null) {
            opinion.line(WORDS.say("scan"), planned.scan().title(), scan(found.fields()).title());
        }
        if (planned.timecode() != null) {
            opinion.line(WORDS.say("timecode"), planned.timecode(), found.label());
        }
        colour(opinion, planned, found.colour());
        return opinion;
    }

    /** By the shape of the whole picture in whole pixels, where the coding has four shapes only. */
    private static boolean isNear(Rational planned, Rational found, Size size) {
        return planned.times(size.width()).round() == found.times(size.width()).round();
    }

    private static String ratio(Rational value) {
        return value.numerator() + ":" + value.denominator();
    }

    private static void level(Opinion opinion, Expectation planned, StreamFacts found) {
        if (found.level() == null) {
            return;
        }
        CodecLevel.needed(planned.codec(), planned.size(), planned.rate()).ifPresent(needed -> opinion.verdict(WORDS.say("level"),
                WORDS.say("orAbove", needed.name()), found.level(), number(found.level()) >= number(needed.name())));
    }

    private static double number(String level) {
        return level.equals("1b") ? 1.05 : Double.parseDouble(level.replaceAll(" .*", ""));
    }

    private static Scan scan(Fields fields) {
        return switch (fields) {
            case PROGRESSIVE -> Scan.PROGRESSIVE;
            case TOP_FIRST -> Scan.TOP_FIRST;
            case BOTTOM_FIRST -> Scan.BOTTOM_FIRST;
        };
    }

    /** What isn't specified is told by the container, or by nobody. */
    private static void colour(Opinion opinion, Expectation planned, Colour found) {
        if (found == null) {
            return;
        }
        if (planned.primaries() != null && found.primaries() != CodePoints.UNSPECIFIED && found.primaries() != 0) {
            opinion.line(WORDS.say("primaries"), planned.primaries(), CodePoints.primaries(found.primaries()));
        }
        if (planned.transfer() != null && found.transfer() != CodePoints.UNSPECIFIED && found.transfer() != 0) {
            opinion.line(WORDS.say("transfer"), planned.transfer(), CodePoints.transfer(found.transfer()), CodePoints::sameTransfer);
        }
        if (planned.matrix() != null && found.matrix() != CodePoints.UNSPECIFIED) {
            opinion.line(WORDS.say("matrix"), planned.matrix(), CodePoints.matrix(found.matrix()), CodePoints::sameMatrix);
        }
        if (planned.range() != null && found.full() != null) {
            opinion.line(WORDS.say("range"), planned.range(), found.full() ? "full" : "limited");
        }
    }
}
