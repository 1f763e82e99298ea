package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** VC-3 (SMPTE ST 2019-1), sold as DNxHD and DNxHR: every frame stands alone and takes the same bytes. */
final class Vc3 {

    private static final Words WORDS = Words.of(Vc3.class);

    private static final Size FULL_HD = Size.of(1920, 1080);
    private static final Rate[] RATES = {Rate.of(24000, 1001), Rate.of(24), Rate.of(25), Rate.of(30000, 1001)};

    static final Codec HR_LB = hr("dnxhr-lb", "DNxHR LB", "DNXHR LB", Chroma.YUV422, 8, .4, .8);
    static final Codec HR_SQ = hr("dnxhr-sq", "DNxHR SQ", "DNXHR SQ", Chroma.YUV422, 8, 2.0, 2.6);
    static final Codec HR_HQ = hr("dnxhr-hq", "DNxHR HQ", "DNXHR HQ", Chroma.YUV422, 8, 3.2, 3.8);
    static final Codec HR_HQX = hr("dnxhr-hqx", "DNxHR HQX", "DNXHR HQX", Chroma.YUV422, 10, 3.2, 3.8);
    static final Codec HR_444 = hr("dnxhr-444", "DNxHR 444", "DNXHR 444", Chroma.YUV444, 10, 6.4, 7.6);

    static final Codec HD_36 = hd("dnxhd-36", "DNxHD 36 (offline)", 8, .6, .8);
    static final Codec HD_115 = hd("dnxhd-115", WORDS.say("dnxhd115To145"), 8, 2.0, 2.6);
    static final Codec HD_175 = hd("dnxhd-175", WORDS.say("dnxhd175To220"), 8, 3.2, 3.8);
    static final Codec HD_175_X = hd("dnxhd-175-x", WORDS.say("dnxhd175To18510Bit"), 10, 3.2, 3.8);

    /** Mbit/s at each of the rates, in their order. */
    private static final Map<Codec, int[]> MEGABITS = Map.of(HD_36, new int[] {36, 36, 36, 45}, HD_115, new int[] {115, 115, 120, 145},
            HD_175, new int[] {175, 175, 185, 220}, HD_175_X, new int[] {175, 175, 185});

    private static Codec hr(String id, String title, String profile, Chroma chroma, int bits, double low, double high) {
        return Codec.named(id, title).reports("dnxhd", profile).samples(chroma, bits)
                .in(Container.MOV, Container.MXF).squareIn(Container.MXF)
                .rangeUnstatedIn(chroma == Chroma.YUV444 ? new Container[] {Container.MXF} : new Container[0])
                .limits(Limits.upTo(8192, 4320).from(256)).bitsPerPixel(low, high)
                .plays(WORDS.say("opensInEditingAndFinishing")).build();
    }

    private static Codec hd(String id, String title, int bits, double low, double high) {
        return Codec.named(id, title).reports("dnxhd", "DNXHD").samples(Chroma.YUV422, bits)
                .in(Container.MOV, Container.MXF).squareIn(Container.MXF)
                .interlaced(bits > 8 || !id.equals("dnxhd-36") ? new Scan[] {Scan.TOP_FIRST} : new Scan[0])
                .limits(Limits.only(Set.of(FULL_HD), bits > 8 ? Arrays.copyOf(RATES, 3) : RATES)).bitsPerPixel(low, high)
                .plays(WORDS.say("opensInEditingProgramsAnd")).build();
    }

    /** The bit rate that a DNxHD entry has at a rate. */
    static long bitsPerSecond(Codec codec, Rate rate) {
        for (int i = 0; i < RATES.length; i++) {
            if (RATES[i].equals(rate)) {
                return MEGABITS.get(codec)[i] * 1_000_000L;
            }
        }
        throw new IllegalArgumentException(codec.title() + " " + codec.limits().against(rate).orElseThrow());
    }

    static boolean isHd(Codec codec) {
        return MEGABITS.containsKey(codec);
    }

    static List<Codec> all() {
        return List.of(HR_LB, HR_SQ, HR_HQ, HR_HQX, HR_444, HD_36, HD_115, HD_175, HD_175_X);
    }

    private Vc3() {}
}
