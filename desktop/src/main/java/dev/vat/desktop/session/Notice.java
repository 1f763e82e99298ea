package dev.vat.desktop.session;

/** One line about what happened. @param words empty for nothing */
public record Notice(Kind kind, String words) {

    /** How long it stays. */
    public enum Kind {
        /** Something was done; it goes by itself. */
        DONE,
        /** Something goes on; what comes of it takes its place. */
        UNDER_WAY,
        /** Something couldn't be done; it stays until it is dealt with. */
        FAILED
    }

    static final Notice NOTHING = new Notice(Kind.DONE, "");
}
