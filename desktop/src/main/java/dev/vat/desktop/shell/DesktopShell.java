package dev.vat.desktop.shell;

import dev.vat.core.product.OperatingSystem;

/** What is told to the desktop around the window, for whoever looks at something else: how far a run is, and that it ended. */
public interface DesktopShell extends AutoCloseable {

    /** Where nothing is told: the window's title says as much. */
    DesktopShell NONE = new DesktopShell() {
        @Override
        public void progress(double share) {}

        @Override
        public void ended() {}

        @Override
        public void say(String title, String words) {}

        @Override
        public void close() {}
    };

    /** This system's. @param chosen what a press on a notification does; called on a thread of this object's own */
    static DesktopShell here(Runnable chosen) {
        return OperatingSystem.here() == OperatingSystem.LINUX ? new FreedesktopShell(FreedesktopShell.ofSession(), chosen) : NONE;
    }

    /** @param share of what is being made that is done, 0 to 1 */
    void progress(double share);

    /** Nothing is being made any more. */
    void ended();

    /** A notification. */
    void say(String title, String words);

    @Override
    void close();
}
