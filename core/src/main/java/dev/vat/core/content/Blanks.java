package dev.vat.core.content;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * Frames of a single colour, or black, between frames that show a picture and go on where it was left. Fades end in black
 * slowly and cuts don't come back; a white frame is a flash.
 */
final class Blanks {

    private static final Words WORDS = Words.of(Blanks.class);

    private static final int LONGEST = 3;
    private static final float BLACK = .004f;
    private static final float WHITE = .9f;
    private static final float SEEN = .03f;

    private Blanks() {}

    static List<ContentFault> in(Series series) {
        List<ContentFault> found = new ArrayList<>();
        for (int i = 1; i < series.count(); i++) {
            if (!isBlank(series.look(i)) || isBlank(series.look(i - 1))) {
                continue;
            }
            int end = i;
            while (end < series.count() && isBlank(series.look(end))) {
                end++;
            }
            if (end < series.count() && end - i <= LONGEST && comesBack(series, i - 1, i, end)) {
                List<Long> frames = new ArrayList<>();
                for (int f = i; f < end; f++) {
                    frames.add(series.number(f));
                }
                found.add(new ContentFault(ContentFault.Kind.BLANK, frames, series.number(i - 1),
                        WORDS.say("betweenFramesThatShowAPicture",
                                (series.look(i).brightness() < BLACK ? WORDS.say("black") : WORDS.say("oneColourAllOver")))));
            }
        }
        return found;
    }

    private static boolean isBlank(FrameLook look) {
        return look.brightness() < BLACK || look.flat() && look.brightness() < WHITE;
    }

    private static boolean comesBack(Series series, int before, int blank, int after) {
        FrameLook first = series.look(before);
        if (first.brightness() < SEEN && series.look(after).brightness() < SEEN) {
            return false;
        }
        double fall = first.distance(series.look(blank));
        boolean fading = before > 0 && series.change(before) > fall / 4;
        return !fading && first.distance(series.look(after)) < fall * .35;
    }
}
