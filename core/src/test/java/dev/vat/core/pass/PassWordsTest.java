package dev.vat.core.pass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.pass.PassWords.Found;
import dev.vat.core.pass.PassWords.Role;
import dev.vat.core.picture.Rgb;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PassWordsTest {

    private static List<Found> layers(String... names) {
        return List.of(names).stream().map(n -> new Found(n, null, n)).toList();
    }

    @ParameterizedTest
    @CsvSource({"flats_light, LIGHT", "sh010.baseColor, BASE", "HAZE, HAZE", "depth.Z, DEPTH", "kites_matte_v02, MATTE", "beauty, FULL",
        "shadow, SHADOW", "emission, GLOW", "sh010_diffuse, LIT", "rim, LIT", "sss, GLOW"})
    void theTradesWordsAreKnown(String name, Role role) {
        assertThat(PassWords.role(name)).contains(role);
    }

    @Test
    void otherNamesSayNothing() {
        assertThat(PassWords.role("sh010")).isEmpty();
        assertThat(PassWords.areThere(layers("sh010", "sh020"))).isFalse();
        assertThat(PassWords.areThere(layers("full", "base"))).as("one alone is no set").isFalse();
        assertThat(PassWords.areThere(layers("base", "light"))).isTrue();
    }

    @Test
    void passesAreStackedFromTheLowestUp() {
        PassMix mix = PassWords.mix(List.of(new Found("haze", null, "haze"), new Found("full", null, ""),
                new Found("depth", null, "depth.Z"), new Found("light", null, "light"), new Found("base", null, "base"),
                new Found("shadow", null, "shadow"), new Found("matte", null, "matte")));
        assertThat(mix.passes()).extracting(Pass::name).containsExactly("base", "light", "shadow", "haze", "matte", "depth", "full");
        assertThat(mix.on().passes()).extracting(Pass::operation).containsExactly(Operation.ADD, Operation.MULTIPLY, Operation.MULTIPLY,
                Operation.OVER, Operation.ALPHA);
    }

    /** By the trade's table: what is lit is added, shadows fall on that, and what shines by itself comes after them. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "specular shadow diffuse reflection | diffuse ADD, shadow MULTIPLY, specular ADD, reflection ADD",
        "key rim fill ao | key ADD, rim ADD, fill ADD, ao MULTIPLY", "direct indirect emission | direct ADD, indirect ADD, emission ADD",
        "albedo diffuse spec | diffuse ADD, spec ADD", "base light specular | base ADD, light MULTIPLY, specular ADD",
        "light shadow | light ADD, shadow MULTIPLY", "base sun_light lamp_light shadow | sun_light ADD, lamp_light ADD, base MULTIPLY, "
                + "shadow MULTIPLY",
        "base light diffuse | base ADD, light MULTIPLY", "light indirect | light ADD, indirect ADD"})
    void whatIsLitIsAddedAndShadowsFallOnIt(String names, String mix) {
        assertThat(PassWords.mix(layers(names.strip().split(" "))).on().passes().stream().map(p -> p.name() + " " + p.operation()))
                .containsExactly(mix.strip().split(", "));
    }

    @Test
    void whatHasNoKnownNameIsAddedWhereHardlyAnyIsKnown() {
        PassMix mix = PassWords.mix(List.of(new Found("full", null, ""), new Found("sun", null, "sun"), new Found("haze", null, "haze"),
                new Found("depth", null, "depth.Z")));
        assertThat(mix.on().passes()).extracting(Pass::operation).containsExactly(Operation.ADD, Operation.ADD, Operation.ALPHA);
        assertThat(mix.on().passes()).extracting(Pass::name).containsExactlyInAnyOrder("sun", "haze", "full");
    }

    @Test
    void aTintIsLightAndGoesWithGainAndExposure() {
        Pass plain = Pass.of("light", null, "light", Operation.MULTIPLY);
        assertThat(plain.weights()).containsExactly(1, 1, 1);
        float[] warm = plain.withTint(new Rgb(255, 188, 0)).withGain(Rational.of(1, 2)).withExposure(Rational.of(2)).weights();
        assertThat(warm[0]).isCloseTo(2, within(1e-6f));
        assertThat(warm[1]).isCloseTo(1.0054f, within(1e-3f));
        assertThat(warm[2]).isZero();
        assertThat(plain.withGain(Rational.ONE).withTint(Rgb.WHITE).withExposure(Rational.ZERO)).isEqualTo(plain);
        assertThatThrownBy(() -> plain.withGain(Rational.of(-1))).hasMessageContaining("-1");
    }
}
