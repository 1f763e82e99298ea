package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.List;

/** The ProRes family (SMPTE RDD 36): every frame stands alone, so files cut and join freely. */
final class ProRes {

    private static final Words WORDS = Words.of(ProRes.class);

    static final Codec PROXY_422 = entry("prores-422-proxy", WORDS.say("prores422Proxy"), WORDS.say("proxy"), .2, 1.2);
    static final Codec LT_422 = entry("prores-422-lt", "ProRes 422 LT", "LT", .4, 2.6);
    static final Codec STANDARD_422 = entry("prores-422", "ProRes 422", WORDS.say("standard"), .6, 3.6);
    static final Codec HQ_422 = entry("prores-422-hq", "ProRes 422 HQ", "HQ", .8, 5.2);

    /** Twelve bits are read back from ten that were coded; alpha is coded without loss in 16 bits. */
    static final Codec P4444 = with444("prores-4444", "ProRes 4444", "4444", 1.0, 9.5);
    static final Codec P4444_XQ = with444("prores-4444-xq", "ProRes 4444 XQ", "XQ", 1.5, 14);

    private static Codec entry(String id, String title, String profile, double low, double high) {
        return Codec.named(id, title).reports("prores", profile).samples(Chroma.YUV422, 10)
                .in(Container.MOV, Container.MKV, Container.MXF).matrices().wideColours().interlaced(Scan.TOP_FIRST, Scan.BOTTOM_FIRST)
                .wholeIn(Container.MXF).bitsPerPixel(low, high)
                .plays(WORDS.say("opensInEditingAndFinishing")).build();
    }

    private static Codec with444(String id, String title, String profile, double low, double high) {
        return Codec.named(id, title).reports("prores", profile).samples(Chroma.YUV444, 10).readAs(12).alpha(16)
                .in(Container.MOV, Container.MKV).matrices().wideColours().interlaced(Scan.TOP_FIRST, Scan.BOTTOM_FIRST)
                .bitsPerPixel(low, high)
                .plays(WORDS.say("opensInEditingAndCompositing")).build();
    }

    static List<Codec> all() {
        return List.of(PROXY_422, LT_422, STANDARD_422, HQ_422, P4444, P4444_XQ);
    }

    private ProRes() {}
}
