package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ReadingValuesTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static FrameTable table(PictureFormat format, boolean opaque) {
        return FrameTable.collect(Frames.good("a", 1, 1).sequence()).add(FrameCheck.sound(1, format, Frames.look(opaque), null)).build();
    }

    private static PictureFormat exr(AlphaKind alpha, Stated stated) {
        return new PictureFormat("EXR", Size.of(720, 576), Depth.floating(16), alpha, PixelAspect.of(16, 15), true, List.of("", "haze"),
                stated);
    }

    @Test
    void aReadingComesBackFromItsTextAsItWas() throws Exception {
        Reading reading = Reading.PLAIN.withRate(Rate.of(30000, 1001)).withRange(FrameRange.of(-5, 20)).withGap(GapPolicy.BLEND)
                .withCadence(Cadence.PLAIN.withEvery(5).withKeepLength(true).withLeadIn(8))
                .withPicture(Interpretation.AS_STATED.withAlpha(AlphaKind.PREMULTIPLIED).withLayer("haze")
                        .withPixelAspect(PixelAspect.of(64, 45))
                        .withColour(ColourReading.LINEAR.withExposure(Rational.of(-3, 2)).withCurve(ColourReading.Curve.BT1886)))
                .withTimecode("10:00:00:00").withExpected(FrameRange.of(-5, 40)).withNote("256 samples");
        String text = JSON.writeValueAsString(reading);
        assertThat(JSON.readValue(text, Reading.class)).isEqualTo(reading);
        assertThat(text).contains("\"exposure\":\"-3/2\"").contains("\"curve\":\"bt1886\"");
    }

    @Test
    void whatWasWrittenBeforeThereWereThesePartsIsPlain() throws Exception {
        Reading old = JSON.readValue("{\"rate\":\"25\",\"gap\":\"hold\",\"mood\":\"calm\"}", Reading.class);
        assertThat(old.cadence()).isEqualTo(Cadence.PLAIN);
        assertThat(old.picture().isAsStated()).isTrue();
        assertThat(JSON.writeValueAsString(old)).as("what isn't known is kept").contains("\"mood\":\"calm\"");
        SequencePattern pattern = JSON.readValue("{\"before\":\"a.\",\"digits\":4,\"after\":\".png\"}", SequencePattern.class);
        assertThat(pattern).isEqualTo(new SequencePattern("a.", 4, ".png"));
        assertThat(JSON.readValue(JSON.writeValueAsString(SequencePattern.single("take.mov")), SequencePattern.class))
                .isEqualTo(SequencePattern.single("take.mov"));
    }

    @Test
    void whatIsntChosenIsAsTheFileStatesIt() {
        Stated stated = Stated.ofColour("Rec.2020 primaries, PQ curve", 9, 16).withTime(Rate.of(24), "01:00:00:00");
        FrameTable table = table(exr(AlphaKind.PREMULTIPLIED, stated), false);
        PictureReading plain = Reading.PLAIN.picture().resolve(table);
        assertThat(plain.alpha()).isEqualTo(AlphaKind.PREMULTIPLIED);
        assertThat(plain.colour().isLinear()).isTrue();
        assertThat(plain.colour().primaries()).isEqualTo(9);
        assertThat(Reading.PLAIN.rateOf(table)).contains(Rate.of(24));
        assertThat(Reading.PLAIN.withRate(Rate.of(25)).rateOf(table)).contains(Rate.of(25));
        assertThat(Reading.PLAIN.picture().pixelAspectOf(table.format().orElseThrow())).isEqualTo(PixelAspect.of(16, 15));

        Interpretation chosen = Interpretation.AS_STATED.withAlpha(AlphaKind.NONE).withColour(ColourReading.TAGGED)
                .withPixelAspect(PixelAspect.SQUARE);
        assertThat(chosen.resolve(table).alpha()).isEqualTo(AlphaKind.NONE);
        assertThat(chosen.resolve(table).colour().transfer()).as("to be converted from what is stated").isEqualTo(16);
        assertThat(chosen.pixelAspectOf(table.format().orElseThrow()).isSquare()).isTrue();
    }

    @Test
    void whereThereIsNothingToSeeThroughThereIsNothingToChoose() {
        FrameTable opaque = table(exr(AlphaKind.PREMULTIPLIED, Stated.NOTHING), true);
        assertThat(Interpretation.AS_STATED.withAlpha(AlphaKind.STRAIGHT).alphaOf(opaque)).isEqualTo(AlphaKind.OPAQUE);
        FrameTable none = table(exr(AlphaKind.NONE, Stated.NOTHING), true);
        assertThat(Interpretation.AS_STATED.withAlpha(AlphaKind.STRAIGHT).alphaOf(none)).isEqualTo(AlphaKind.NONE);
    }

    @ParameterizedTest
    @ValueSource(longs = {-1, 10_001})
    void aStepHasItsLimits(long every) {
        assertThatThrownBy(() -> Cadence.PLAIN.withEvery(every)).hasMessageContaining("" + every);
    }

    @Test
    void limitsAreSaidWithTheOffendingValue() {
        assertThatThrownBy(() -> Cadence.PLAIN.withLeadIn(-3)).hasMessageContaining("-3");
        assertThatThrownBy(() -> Cadence.PLAIN.withLength(0L)).hasMessageContaining("0");
        assertThatThrownBy(() -> ColourReading.LINEAR.withExposure(Rational.of(17))).hasMessageContaining("17");
        assertThatThrownBy(() -> GapPolicy.parse("skip")).hasMessageContaining("refuse, hold, nearest, blend, card, close");
        assertThat(ColourReading.LINEAR.withExposure(Rational.of(2)).gain()).isEqualTo(4);
        assertThat(ColourReading.LINEAR.withExposure(Rational.of(1, 2)).describe()).isEqualTo("linear light, exposure 0.5, sRGB curve");
    }
}
