package dev.vat.core.reel;

import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Wording;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.List;

/**
 * What stands before a programme for broadcast: bars and tone, a slate, black, so that the programme itself begins on a full hour.
 *
 * @param start label of its first frame
 */
public record BroadcastHead(List<GeneratedItem> items, Timecode start) {

    private static final Words WORDS = Words.of(BroadcastHead.class);

    private static final String PROGRAMME = "10:00:00";
    private static final String BARS = "09:59:30";
    private static final String SLATE = "09:59:50";
    private static final String BLACK = "09:59:57";
    /** Of a picture's shape, from which on the bars for 16:9 fit. */
    private static final double WIDE = 1.7;

    public BroadcastHead {
        items = List.copyOf(items);
    }

    /**
     * Twenty seconds of bars and tone, seven of slate, three of black.
     *
     * @param rate whose timecode is counted, with drop-frame where that exists
     * @param today ISO 8601, for the slate
     */
    public static BroadcastHead of(Rate rate, Size size, PixelAspect pixel, String today) {
        BarPattern bars = pixel.displayAspect(size).toDouble() >= WIDE && size.height() > 576 ? BarPattern.WIDE : BarPattern.BARS_75;
        return new BroadcastHead(List.of(new GeneratedItem.Bars(bars, GeneratedItem.Bars.EBU_LEVEL, between(rate, BARS, SLATE)),
                slate(today, between(rate, SLATE, BLACK)),
                GeneratedItem.Plain.black(between(rate, BLACK, PROGRAMME))), at(rate, BARS));
    }

    /** A slate with what anybody wants to know of a programme. @param today ISO 8601 */
    public static GeneratedItem.Slate slate(String today, long frames) {
        return new GeneratedItem.Slate(List.of(new GeneratedItem.Slate.Entry(WORDS.say("programme"), Wording.of(Field.REEL)),
                new GeneratedItem.Slate.Entry(WORDS.say("length"), Wording.of(Field.LENGTH)),
                new GeneratedItem.Slate.Entry(WORDS.say("startsAt"), Wording.of(Field.TIMECODE)),
                new GeneratedItem.Slate.Entry(WORDS.say("picture"), new Wording(Field.SIZE + ", " + Field.RATE)),
                new GeneratedItem.Slate.Entry(WORDS.say("date"), new Wording(today))), frames);
    }

    private static long between(Rate rate, String from, String to) {
        return at(rate, to).frame() - at(rate, from).frame();
    }

    private static Timecode at(Rate rate, String seconds) {
        return Timecode.parse(seconds + (rate.allowsDropFrame() ? ";" : ":") + "00", rate);
    }
}
