package dev.vat.desktop.pseudo;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.MessageFormat;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PseudoWordsTest {

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Remove; ŔééɱóóṽÉÉ
            """)
    void everyLetterHasAnAccent(String plain, String pseudo) {
        assertThat(PseudoWords.of(plain)).isEqualToIgnoringCase(pseudo);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '"', textBlock = """
            {0} {0,choice,0#frames|1#frame|1<frames} left; 1; 1 ƒŕááɱéé ļééƒţ
            {0} {0,choice,0#frames|1#frame|1<frames} left; 7; 7 ƒŕááɱééš ļééƒţ
            the reel''s '{'rate'}'; 1; ţĥéé ŕééééļ'š {ŕááţéé}
            """)
    void patternsStayPatterns(String pattern, int value, String said) {
        assertThat(new MessageFormat(PseudoWords.of(pattern)).format(new Object[] {value})).isEqualTo(said);
    }
}
