package dev.vat.media.picture;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Pictures that nobody closed: each is a fault of whoever got it. */
public final class Unclosed {

    private static final Words WORDS = Words.of(Unclosed.class);

    private static final Logger LOG = LoggerFactory.getLogger(Unclosed.class);
    private static final int MOST_KEPT = 20;
    /** Of a trace, as many as tell who it was. */
    private static final int FRAMES = 6;
    private static final String OWN = Unclosed.class.getPackageName() + ".";
    /** Where they were made is known only where this system property is {@code true}: to remember it takes longer than to make one. */
    private static final boolean TRACED = Boolean.getBoolean("vat.unclosed");

    private static final List<String> FOUND = new ArrayList<>();
    private static long count;

    private Unclosed() {}

    static Throwable trace() {
        return TRACED ? new Throwable(WORDS.say("madeHere")) : null;
    }

    static synchronized void found(String what, Throwable made) {
        count++;
        LOG.warn("A picture of {} was never closed", what, made);
        if (FOUND.size() < MOST_KEPT) {
            FOUND.add(what + (made == null ? ""
                    : WORDS.say("of",
                            Arrays.stream(made.getStackTrace()).filter(f -> !f.getClassName().startsWith(OWN)).limit(FRAMES).toList())));
        }
    }

    /** How many were found in this process so far. */
    public static synchronized long count() {
        return count;
    }

    /** The first of them, in words. */
    public static synchronized List<String> found() {
        return List.copyOf(FOUND);
    }
}
