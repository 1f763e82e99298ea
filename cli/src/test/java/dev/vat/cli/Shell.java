package dev.vat.cli;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.protocol.storage.Json;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** What a command printed, and how it ended. */
record Shell(int code, String out, String err) {

    /** Carries a command out as the launcher does. */
    static Shell run(Object... words) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream outBytes = new ByteArrayOutputStream();
        ByteArrayOutputStream errBytes = new ByteArrayOutputStream();
        try (PrintStream o = new PrintStream(outBytes, true, StandardCharsets.UTF_8);
                PrintStream e = new PrintStream(errBytes, true, StandardCharsets.UTF_8)) {
            System.setOut(o);
            System.setErr(e);
            int code = Vat.run(List.of(words).stream().map(Object::toString).toArray(String[]::new));
            return new Shell(code, outBytes.toString(StandardCharsets.UTF_8), errBytes.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }

    /** Every line of standard output as JSON: anything else on it is an error. */
    List<JsonNode> lines() {
        return out.lines().map(line -> {
            try {
                return Json.MAPPER.readTree(line);
            } catch (IOException e) {
                throw new UncheckedIOException("not JSON: " + line, e);
            }
        }).toList();
    }

    JsonNode last() {
        return lines().getLast();
    }

    List<JsonNode> events(String name) {
        return lines().stream().filter(l -> l.path("event").asText().equals(name)).toList();
    }
}
