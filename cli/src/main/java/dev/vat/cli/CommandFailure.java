package dev.vat.cli;

/** Ends a command with a code and one clear line. */
final class CommandFailure extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient ExitCode code;

    CommandFailure(ExitCode code, String message) {
        super(message);
        this.code = code;
    }

    ExitCode code() {
        return code;
    }
}
