package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Json;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Answers go to standard output: as JSON, where that was asked for, and nothing else then. Words about them go to standard error. */
final class Output {

    private static final Words WORDS = Words.of(Output.class);

    private static final Logger LOG = LoggerFactory.getLogger(Output.class);

    private final boolean json;

    Output(boolean json) {
        this.json = json;
    }

    void say(String text) {
        System.err.println(text);
    }

    /** A line of the answer; beside JSON, which says the same, it is no more than a word about it. */
    void answer(String text) {
        (json ? System.err : System.out).println(text);
    }

    /** Whether all that was said to standard output has gone there: a full device or a closed pipe takes nothing. */
    static boolean isTaken() {
        return !System.out.checkError();
    }

    /** A document that is the whole answer. */
    void document(Object value) {
        System.out.println(Json.line(value));
    }

    /** One line of JSON, if JSON was asked for: {@code {"event":name,...}}. */
    void event(String name, Object... keysAndValues) {
        if (json) {
            Map<String, Object> line = new LinkedHashMap<>();
            line.put("event", name);
            for (int i = 0; i < keysAndValues.length; i += 2) {
                line.put((String) keysAndValues[i], keysAndValues[i + 1]);
            }
            System.out.println(Json.line(line));
            System.out.flush();
        }
    }

    void error(ExitCode code, String message) {
        say(WORDS.say("vat", message));
        event("error", "code", code.code(), "message", message);
    }

    static String inWords(Exception e) {
        return switch (e) {
            case NoSuchFileException missing -> (missing.getReason() == null ? WORDS.say("thereIsNothingAt", missing.getFile())
                    : missing.getReason() + ": " + missing.getFile());
            case AccessDeniedException denied -> WORDS.say("thisUserMayNotRead", denied.getFile());
            case NullPointerException own -> ownFault(own);
            case IndexOutOfBoundsException own -> ownFault(own);
            case ClassCastException own -> ownFault(own);
            case Exception silent when silent.getMessage() == null -> ownFault(silent);
            default -> e.getMessage();
        };
    }

    /** What nobody foresaw; whoever mends it needs to know where it happened. */
    private static String ownFault(Exception e) {
        LOG.error("A command met an error of its own", e);
        return WORDS.say("anErrorOfItsOwn", e);
    }
}
