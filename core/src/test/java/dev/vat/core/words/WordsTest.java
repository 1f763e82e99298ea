package dev.vat.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Locale;
import java.util.MissingResourceException;
import org.junit.jupiter.api.Test;

class WordsTest {

    private static final Words WORDS = Words.of(WordsTest.class);

    @Test
    void aTextIsWhatTheBundleOfThePackageSays() {
        assertThat(WORDS.say("plain")).isEqualTo("The reel's rate");
        assertThat(Words.of(WordsTest.class)).isSameAs(WORDS);
    }

    @Test
    void numbersAreNotGroupedAndChooseTheirNoun() {
        assertThat(WORDS.say("frames", 12_000, "kite.####.png", 12.5)).isEqualTo("12000 frames of kite.####.png at 12.5");
        assertThat(WORDS.say("frames", 1, null, "{0} '")).isEqualTo("1 frame of null at {0} '");
        assertThat(WORDS.say("frames", 0L, "", "")).startsWith("0 frames");
    }

    @Test
    void figuresHaveAPointWhateverTheMachineSpeaks() {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.GERMANY);
            assertThat(Words.decimal(1234.567, 2)).isEqualTo("1234.57");
        } finally {
            Locale.setDefault(before);
        }
    }

    @Test
    void whatNobodyWroteIsAFault() {
        assertThatThrownBy(() -> WORDS.say("absent")).isInstanceOf(MissingResourceException.class).hasMessageContaining("WordsTest.absent");
    }
}
