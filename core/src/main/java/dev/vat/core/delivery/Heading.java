package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.Optional;

/** What a deliverable is called: its target, the codec that it has in place of the target's, and which of several it is. */
public final class Heading {

    private static final Words WORDS = Words.of(Heading.class);

    private Heading() {}

    /** The codec that it has in place of its target's; empty where it has that one. */
    public static Optional<Codec> otherCodec(Deliverable deliverable) {
        return deliverable.codec() == null || !deliverable.isKnown() ? Optional.empty()
                : Optional.of(deliverable.codecInUse()).filter(c -> !c.equals(deliverable.targetInCatalogue().codec()));
    }

    static String of(Deliverable deliverable) {
        return Catalogue.find(deliverable.target()).map(Target::title).orElse(deliverable.target())
                + otherCodec(deliverable).map(c -> WORDS.say("asCodec", c.title())).orElse("")
                + (deliverable.pass() == null ? deliverable.number().map(n -> " " + n).orElse("") : ", " + deliverable.pass());
    }
}
