package dev.vat.desktop.picture;

import dev.vat.core.words.Words;
import dev.vat.desktop.band.Player;
import java.util.function.LongPredicate;
import java.util.function.LongSupplier;

/**
 * Which picture comes next while playing, when some may not be there yet. What is there plays in real time, and lateness
 * drops frames; what isn't is waited for in order, as fast as it comes, and time counts anew from there.
 */
final class PlayPace {

    private static final Words WORDS = Words.of(PlayPace.class);

    private static final int MOST_LATE = 1000;
    private static final long UNTIL_SAID = 300_000_000L;
    private static final long UNTIL_OVER = 1_000_000_000L;

    private final Player player;
    private final LongPredicate ready;
    private final LongSupplier filled;
    private boolean filling;
    private long fillStart;
    private long lastWait;
    private long filledAtStart;
    private String words = "";

    /** @param ready whether everything is there that is shown at a place @param filled pictures that came in altogether */
    PlayPace(Player player, LongPredicate ready, LongSupplier filled) {
        this.player = player;
        this.ready = ready;
        this.filled = filled;
    }

    /** Nothing plays any more. */
    void rest() {
        filling = false;
        words = "";
    }

    /** {@code filling, 21 a second} while pictures have to be waited for, else nothing. */
    String words() {
        return words;
    }

    /** @return the place to show now, or -1 if there is nothing new to show */
    long placeToShow(long due, long now) {
        long latest = latestReady(due);
        if (latest != due) {
            player.anchor();
        }
        if (latest == player.place()) {
            waitForPictures(now);
            return -1;
        }
        if (filling && now - lastWait > UNTIL_OVER) {
            rest();
        }
        return latest;
    }

    /** The last place up to the one that is due before which nothing is missing. */
    private long latestReady(long due) {
        long latest = player.place();
        for (int i = 0; i < MOST_LATE && latest != due && ready.test(player.next(latest)); i++) {
            latest = player.next(latest);
        }
        return latest;
    }

    private void waitForPictures(long now) {
        if (!filling) {
            filling = true;
            fillStart = now;
            filledAtStart = filled.getAsLong();
        }
        lastWait = now;
        long passed = now - fillStart;
        if (passed > UNTIL_SAID) {
            words = WORDS.say("fillingASecond", Math.round((filled.getAsLong() - filledAtStart) * 1e9 / passed));
        }
    }
}
