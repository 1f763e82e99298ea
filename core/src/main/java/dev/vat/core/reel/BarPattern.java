package dev.vat.core.reel;

import dev.vat.core.words.Words;

/** A pattern of colour bars; the figures are those of ITU-R BT.471: white, black, and the most and least of each colour. */
public enum BarPattern {
    /** Eight bars, white at full height and colours at three quarters: what European broadcasters ask for. */
    BARS_75("100/0/75/0"),
    /** Eight bars, all of them at full height. */
    BARS_100("100/0/100/0"),
    /** In the layout of SMPTE RP 219-1 for pictures of 16:9. */
    WIDE(Words.of(BarPattern.class).say("for169"));

    private final String title;

    BarPattern(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
