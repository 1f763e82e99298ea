package dev.vat.desktop.session;

/** The line about what just happened, until the next thing happens. */
public final class Notices {

    private final Runnable changed;
    private Notice notice = Notice.NOTHING;

    Notices(Runnable changed) {
        this.changed = changed;
    }

    public Notice notice() {
        return notice;
    }

    void set(Notice.Kind kind, String text) {
        notice = new Notice(kind, text);
        changed.run();
    }

    /** Something goes on. */
    public void working(String text) {
        set(Notice.Kind.UNDER_WAY, text);
    }

    /** What couldn't be done stays until somebody has dealt with it. */
    void forget() {
        if (notice.kind() != Notice.Kind.FAILED) {
            notice = Notice.NOTHING;
        }
    }

    /** Somebody has gone on to something else: what was done needs no saying any more. */
    public void movedOn() {
        if (notice.kind() == Notice.Kind.DONE) {
            notice = Notice.NOTHING;
        }
    }
}
