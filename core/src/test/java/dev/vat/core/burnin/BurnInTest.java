package dev.vat.core.burnin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Words with fields, and what of a burn-in is written at a frame. */
class BurnInTest {

    private static final FrameFacts FACTS = FrameFacts.none().with(Field.SOURCE, "sh010").with(Field.FRAME, "1047")
            .with(Field.TIMECODE, "10:00:01:22").with(Field.REEL, "opening").with(Field.CAMERA, "");

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            {source} {frame}        | sh010 1047
            {timecode}              | 10:00:01:22
            for review only         | for review only
            {frame}{frame}          | 10471047
            50 % of {reel}          | 50 % of opening
            """)
    void fieldsAreFilledIn(String words, String written) {
        assertThat(Wording.parse(words).filledAnyway(FACTS)).isEqualTo(written);
    }

    @Test
    void aLineWhoseFieldsSayNothingIsLeftOut() {
        BurnIn burnIn = BurnIn.of(Line.of(Wording.parse("{source} by {camera}"), Spot.TOP), Line.of(Wording.parse("{frame}"), Spot.BOTTOM));
        assertThat(burnIn.at(FACTS).lines()).extracting(Lettering.Written::text).containsExactly("1047");
        assertThat(burnIn.at(FACTS.with(Field.CAMERA, "camB")).lines()).extracting(Lettering.Written::text).containsExactly("sh010 by camB",
                "1047");
        assertThat(burnIn.at(FrameFacts.none()).isNothing()).isTrue();
    }

    @Test
    void whatCantBeMeantIsRefusedWithItsReason() {
        assertThatThrownBy(() -> Wording.parse("{frme}")).hasMessageContaining("There is no field {frme}; there are {frame}");
        assertThatThrownBy(() -> Wording.parse("  ")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Wording("two\nlines")).hasMessageContaining("line break");
        Line line = Line.of(Wording.of(Field.FRAME), Spot.TOP);
        assertThatThrownBy(() -> line.withSize(.5)).hasMessageContaining("not 0.5");
        assertThatThrownBy(() -> line.withSize(Double.NaN)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> line.withGround(101)).hasMessageContaining("101");
        assertThatThrownBy(() -> Watermark.of("/kite.png").withOpacity(0)).hasMessageContaining("not 0");
    }

    @Test
    void anItemsLinesStandBehindTheReels() {
        BurnIn reel = BurnIn.of(Line.of(new Wording("reel"), Spot.TOP)).withFace("/a.ttf").withWatermark(Watermark.of("/a.png"));
        BurnIn both = reel.and(BurnIn.of(Line.of(new Wording("item"), Spot.TOP)).withFace("/b.ttf"));
        assertThat(both.lines()).extracting(l -> l.words().text()).containsExactly("reel", "item");
        assertThat(both.face()).isEqualTo("/b.ttf");
        assertThat(both.watermark().path()).isEqualTo("/a.png");
        assertThat(reel.and(null)).isEqualTo(reel);
    }

    @Test
    void aDraftSaysSoFirst() {
        assertThat(BurnIn.of(Line.of(new Wording("words"), Spot.TOP_LEFT)).at(FACTS).withDraft().lines())
                .extracting(Lettering.Written::text).containsExactly("DRAFT", "words");
    }

    @Test
    void ninePointsLieAsTheyAreNamed() {
        assertThat(Spot.TOP_LEFT).matches(s -> s.across() == 0 && s.down() == 0);
        assertThat(Spot.TOP).matches(s -> s.across() == .5 && s.down() == 0);
        assertThat(Spot.RIGHT).matches(s -> s.across() == 1 && s.down() == .5);
        assertThat(Spot.BOTTOM_LEFT).matches(s -> s.across() == 0 && s.down() == 1);
    }

    @Test
    void itIsKeptAsText() throws Exception {
        ObjectMapper json = new ObjectMapper();
        BurnIn burnIn = BurnIn.forReview().withWatermark(Watermark.of("/kite.png").withSpot(Spot.LEFT).withSize(20)).withFace("/face.otf");
        assertThat(json.readValue(json.writeValueAsString(burnIn), BurnIn.class)).isEqualTo(burnIn);
        BurnIn newer = json.readValue("{\"lines\":[{\"words\":\"{weather} {frame}\",\"at\":\"TOP\",\"size\":4,\"ground\":0}]}",
                BurnIn.class);
        assertThat(newer.at(FACTS).lines()).as("a field of a newer Vat stays words").extracting(Lettering.Written::text)
                .containsExactly("{weather} 1047");
    }
}
