package dev.vat.testkit.torture;

import java.util.List;

/** A promise that a round found broken. */
public final class TortureFailure extends RuntimeException {

    private static final long serialVersionUID = 1L;

    TortureFailure(String what, List<String> done) {
        super(what + ", after: " + String.join("; ", done));
    }
}
