package dev.vat.desktop.shell;

import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.freedesktop.dbus.connections.impl.DBusConnection;
import org.freedesktop.dbus.connections.impl.DBusConnectionBuilder;
import org.freedesktop.dbus.exceptions.DBusException;
import org.freedesktop.dbus.messages.DBusSignal;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Tells the desktops of Linux over the bus of the user's session. The connection is made when there is something to tell; where there is
 * no bus, that is written down once and no more is tried.
 */
final class FreedesktopShell implements DesktopShell {

    private static final Logger LOG = LoggerFactory.getLogger(FreedesktopShell.class);

    private static final UInt32 NEW = new UInt32(0);
    private static final int AS_USUAL = -1;
    private static final String OWN_PATH = "/dev/vat/window";

    private final Callable<DBusConnection> connecting;
    private final Runnable chosen;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("session-bus").factory());
    private DBusConnection bus;
    private boolean mute;
    private UInt32 last = NEW;
    private long percent = -1;

    FreedesktopShell(Callable<DBusConnection> connecting, Runnable chosen) {
        this.connecting = connecting;
        this.chosen = chosen;
    }

    static Callable<DBusConnection> ofSession() {
        return () -> DBusConnectionBuilder.forSessionBus().withShared(false).build();
    }

    /** Something that is told. */
    private interface Telling {
        void to(DBusConnection bus) throws DBusException;
    }

    private void tell(Telling telling) {
        if (thread.isShutdown()) {
            // What a run says last may come after its window was closed.
            return;
        }
        thread.execute(() -> {
            if (mute) {
                return;
            }
            try {
                if (bus == null) {
                    bus = connecting.call();
                    bus.addSigHandler(Notifications.ActionInvoked.class, this::chosen);
                }
                telling.to(bus);
            } catch (Exception e) {
                // Whatever is the matter with somebody's bus, it is no reason for anything of Vat's to fail.
                LOG.info("The desktop isn't told how far runs are: {}", e.toString());
                mute = bus == null || !bus.isConnected();
            }
        });
    }

    private void chosen(Notifications.ActionInvoked action) {
        thread.execute(() -> {
            if (action.notification().equals(last) && action.action().equals(Notifications.PRESSED)) {
                chosen.run();
            }
        });
    }

    @Override
    public void progress(double share) {
        long now = Math.round(100 * share);
        if (now != percent) {
            percent = now;
            tell(to -> to.sendMessage(update(share, true)));
        }
    }

    @Override
    public void ended() {
        if (percent >= 0) {
            percent = -1;
            tell(to -> to.sendMessage(update(0, false)));
        }
    }

    private static DBusSignal update(double share, boolean shown) throws DBusException {
        return new LauncherEntry.Update(OWN_PATH, LauncherEntry.ENTRY,
                Map.of("progress", new Variant<>(share), "progress-visible", new Variant<>(shown)));
    }

    /** A later one takes the place of the one before. */
    @Override
    public void say(String title, String words) {
        tell(to -> last = to.getRemoteObject(Notifications.BUS, Notifications.PATH, Notifications.class).Notify("Vat", last, "vat", title,
                words, List.of(Notifications.PRESSED, ""), Map.of("desktop-entry", new Variant<>("vat")), AS_USUAL));
    }

    @Override
    public void close() {
        thread.execute(() -> {
            if (bus != null) {
                bus.disconnect();
            }
        });
        thread.shutdown();
    }
}
