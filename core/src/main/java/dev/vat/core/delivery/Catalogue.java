package dev.vat.core.delivery;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Every codec and target that Vat offers; the one place that sheet, findings, command line and documents read. */
public final class Catalogue {

    public static final Target WEB_H264 = new Target("web-h264", "H.264 for the web", "web",
            "Plays in every browser, on telephones and in editing programs. No transparency.",
            H264.HIGH_420, Container.MP4, true);

    public static final Target EDIT_PRORES_HQ = new Target("edit-prores-hq", "ProRes HQ for editing", "edit",
            "Opens in editing and finishing programs. Browsers don't play it. No transparency.",
            ProRes.HQ_422, Container.MOV, false);

    public static final Target ALPHA_PRORES_4444 = new Target("alpha-prores-4444", "ProRes 4444 with alpha", "alpha",
            "Opens in editing and compositing programs, transparency included. Browsers don't play it.",
            ProRes.P4444, Container.MOV, false);

    private static final List<Target> TARGETS = List.of(WEB_H264, EDIT_PRORES_HQ, ALPHA_PRORES_4444);

    private Catalogue() { }

    public static List<Target> targets() {
        return TARGETS;
    }

    public static List<Codec> codecs() {
        return TARGETS.stream().map(Target::codec).distinct().toList();
    }

    public static Optional<Target> find(String id) {
        return TARGETS.stream().filter(t -> t.id().equals(id)).findFirst();
    }

    /** @throws IllegalArgumentException naming the targets there are */
    public static Target target(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("There is no target '" + id + "'; there are "
                + TARGETS.stream().map(Target::id).collect(Collectors.joining(", "))));
    }

    public static Codec codec(String id) {
        return codecs().stream().filter(c -> c.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no codec '" + id + "'"));
    }
}
