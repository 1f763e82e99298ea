package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;

/** What a deliverable must turn out to be, fixed before the first frame is read. */
public record Expectation(long frames, Rate rate, Size size, PixelAspect pixelAspect, Container container, String codec,
                          String profile, int codedBits, int readBits, Chroma chroma, int alphaBits, String matrix,
                          String primaries, String transfer, String range, int soundTracks, boolean indexInFront) {

    public static Expectation of(Target target, long frames, Rate rate, Size size, PixelAspect pixelAspect) {
        Codec codec = target.codec();
        return new Expectation(frames, rate, size, pixelAspect, target.container(), codec.reportedName(),
                codec.reportedProfile(), codec.codedBits(), codec.readBits(), codec.chroma(), codec.alphaBits(),
                "bt709", "bt709", "bt709", "limited", 0, target.indexInFront());
    }

    /** Length in seconds, exactly. */
    @JsonIgnore
    public Rational seconds() {
        return rate.seconds(frames);
    }
}
