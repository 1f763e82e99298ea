package dev.vat.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.freedesktop.dbus.bin.EmbeddedDBusDaemon;
import org.freedesktop.dbus.connections.BusAddress;
import org.freedesktop.dbus.connections.impl.DBusConnection;
import org.freedesktop.dbus.connections.impl.DBusConnectionBuilder;
import org.freedesktop.dbus.exceptions.DBusException;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Over a bus of the test's own, with a desktop at its other end that writes down what it is told. */
class FreedesktopShellTest {

    /** What the desktop was told, in the order in which it was. */
    private final BlockingQueue<String> told = new LinkedBlockingQueue<>();
    private EmbeddedDBusDaemon daemon;
    private DBusConnection desktop;
    private BusAddress address;

    private final class Told implements Notifications {
        @Override
        public UInt32 Notify(String application, UInt32 replaces, String icon, String title, String words, List<String> actions,
                Map<String, Variant<?>> hints, int timeout) {
            told.add(application + " " + replaces + " " + icon + ": " + title + " / " + words);
            return new UInt32(7);
        }

        @Override
        public String getObjectPath() {
            return PATH;
        }
    }

    @BeforeEach
    void aDesktop(@TempDir Path folder) throws IOException, DBusException {
        address = BusAddress.of("unix:path=" + folder.resolve("bus"));
        daemon = new EmbeddedDBusDaemon(BusAddress.of(address + ",listen=true"));
        daemon.startInBackgroundAndWait(TimeUnit.SECONDS.toMillis(20));
        desktop = connect();
        desktop.requestBusName(Notifications.BUS);
        desktop.exportObject(new Told());
        desktop.addSigHandler(LauncherEntry.Update.class,
                u -> told.add(u.state().get("progress-visible").getValue() + " " + u.state().get("progress").getValue()));
    }

    @AfterEach
    void nothingStays() throws IOException {
        desktop.disconnect();
        daemon.close();
    }

    private DBusConnection connect() throws DBusException {
        return DBusConnectionBuilder.forAddress(address).withShared(false).build();
    }

    private String next() throws InterruptedException {
        return told.poll(20, TimeUnit.SECONDS);
    }

    @Test
    void taskBarsLearnHowFarARunIsPercentByPercentAndThatItEnded() throws InterruptedException {
        try (DesktopShell shell = new FreedesktopShell(this::connect, () -> {})) {
            shell.ended();
            shell.progress(.25);
            shell.progress(.2501);
            shell.progress(.5);
            shell.ended();
            assertThat(List.of(next(), next(), next())).containsExactly("true 0.25", "true 0.5", "false 0.0");
            assertThat(told).isEmpty();
        }
    }

    @Test
    void aNotificationTakesThePlaceOfTheOneBeforeAndAPressOnItIsHeard() throws Exception {
        Semaphore pressed = new Semaphore(0);
        try (DesktopShell shell = new FreedesktopShell(this::connect, pressed::release)) {
            shell.say("All files made and proven", "Kite Week");
            assertThat(next()).isEqualTo("Vat 0 vat: All files made and proven / Kite Week");
            shell.say("Not everything was made", "Kite Week");
            assertThat(next()).isEqualTo("Vat 7 vat: Not everything was made / Kite Week");
            desktop.sendMessage(new Notifications.ActionInvoked(Notifications.PATH, new UInt32(3), Notifications.PRESSED));
            desktop.sendMessage(new Notifications.ActionInvoked(Notifications.PATH, new UInt32(7), Notifications.PRESSED));
            assertThat(pressed.tryAcquire(20, TimeUnit.SECONDS)).isTrue();
            assertThat(pressed.availablePermits()).as("another's isn't ours").isZero();
        }
    }

    @Test
    void whereNobodyShowsNotificationsTaskBarsLearnOnAllTheSame() throws Exception {
        desktop.releaseBusName(Notifications.BUS);
        try (DesktopShell shell = new FreedesktopShell(this::connect, () -> {})) {
            shell.say("All files made and proven", "Kite Week");
            shell.progress(.75);
            assertThat(next()).isEqualTo("true 0.75");
        }
    }

    @Test
    void whatComesAfterTheWindowWasClosedIsToldToNobody() {
        DesktopShell shell = new FreedesktopShell(this::connect, () -> {});
        shell.close();
        shell.progress(.5);
        shell.ended();
        shell.say("All files made and proven", "Kite Week");
        assertThat(told).isEmpty();
    }

    @Test
    void withoutABusNothingIsToldAndNothingFails() throws InterruptedException {
        Thread[] telling = new Thread[1];
        try (DesktopShell shell = new FreedesktopShell(() -> {
            telling[0] = Thread.currentThread();
            told.add("asked");
            throw new IOException("no bus");
        }, () -> {})) {
            shell.progress(.5);
            shell.say("All files made and proven", "");
            shell.ended();
        }
        assertThat(next()).isEqualTo("asked");
        telling[0].join();
        assertThat(told).as("once is enough").isEmpty();
    }
}
