package dev.vat.cli;

/** How a command ended. */
enum ExitCode {
    PROVEN(0), FAILED(1), WRONG_USE(2), FINDINGS(3), UNPROVEN(4), STOPPED(5);

    private final int code;

    ExitCode(int code) {
        this.code = code;
    }

    int code() {
        return code;
    }
}
