package dev.vat.core.delivery;

import java.util.Set;

/** The ProRes family (SMPTE RDD 36): every frame stands alone, so files cut and join freely. */
final class ProRes {

    static final Codec HQ_422 = new Codec("prores-422-hq", "ProRes 422 HQ", "prores", "HQ", Chroma.YUV422, 10, 10, 0,
            Set.of(Container.MOV), PartForm.STRETCH, "set by the profile", 0, 0.8, 5.2);

    /** Twelve bits are read back from ten that were coded; alpha is coded without loss in 16 bits. */
    static final Codec P4444 = new Codec("prores-4444", "ProRes 4444", "prores", "4444", Chroma.YUV444, 10, 12, 16,
            Set.of(Container.MOV), PartForm.STRETCH, "set by the profile", 0, 1.0, 9.5);

    private ProRes() { }
}
