package dev.vat.core.delivery;

import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Every codec and target that Vat offers; the one place that sheet, findings, command line and documents read. */
public final class Catalogue {

    private static final Words WORDS = Words.of(Catalogue.class);

    /** Codecs that belong together, under one heading. */
    public record Family(String title, List<Codec> codecs) {}

    /** One file a family; a new family is added here. */
    private static final List<Family> FAMILIES = List.of(new Family("H.264", H264.all()), new Family("H.265", H265.all()),
            new Family(WORDS.say("vp9AndAV1"), OpenWeb.all()), new Family("ProRes", ProRes.all()),
            new Family(WORDS.say("dnxhdAndDNxHR"), Vc3.all()),
            new Family(WORDS.say("mpeg2AndDV"), Broadcast.all()), new Family(WORDS.say("cineformAndMotionJPEG"), FrameByFrame.all()),
            new Family(WORDS.say("withoutLoss"), Lossless.all()), new Family(WORDS.say("movingStills"), MovingStills.all()),
            new Family(WORDS.say("numberedFrames"), NumberedStills.all()));

    private static final List<Codec> CODECS = FAMILIES.stream().map(Family::codecs).flatMap(List::stream).toList();

    // Targets read the codecs above.
    public static final Target WEB_H264 = Targets.WEB_H264;
    public static final Target EDIT_PRORES_HQ = Targets.EDIT_PRORES_HQ;
    public static final Target ALPHA_PRORES_4444 = Targets.ALPHA_PRORES_4444;

    private Catalogue() {}

    /** In the order of their recipients. */
    public static List<Target> targets() {
        return Targets.ALL;
    }

    public static List<Family> families() {
        return FAMILIES;
    }

    public static List<Codec> codecs() {
        return CODECS;
    }

    public static Optional<Target> find(String id) {
        return targets().stream().filter(t -> t.id().equals(id)).findFirst();
    }

    /** @throws IllegalArgumentException naming the targets there are */
    public static Target target(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException(
                WORDS.say("thereIsNoTargetThereAre", id, targets().stream().map(Target::id).collect(Collectors.joining(", ")))));
    }

    public static Optional<Codec> findCodec(String id) {
        return CODECS.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** @throws IllegalArgumentException naming the codecs there are */
    public static Codec codec(String id) {
        return findCodec(id).orElseThrow(() -> new IllegalArgumentException(
                WORDS.say("thereIsNoCodecThereAre", id, CODECS.stream().map(Codec::id).collect(Collectors.joining(", ")))));
    }

    /** The bit rate that belongs to a codec's profile at a rate, where that is a rule of its standard; else 0. */
    public static long profileBitRate(Codec codec, Rate rate) {
        return Vc3.isHd(codec) ? Vc3.bitsPerSecond(codec, rate) : 0;
    }
}
