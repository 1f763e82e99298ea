package dev.vat.desktop;

import dev.vat.desktop.demo.LiveDemo;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.WindowLauncher;
import dev.vat.protocol.storage.Places;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Opens the window for the launcher and the command line. */
public final class DesktopLauncher implements WindowLauncher {

    /** Made by the service loader. */
    public DesktopLauncher() {}

    @Override
    public int open(List<Path> paths) {
        return VatWindow.run(Places.ofSystem(), session -> {
            if (!paths.isEmpty()) {
                session.search().bringIn(paths.stream().map(p -> p.toAbsolutePath().normalize()).toList());
            }
        });
    }

    @Override
    public int demo(Path folder) {
        Places places = Places.ofSystem();
        return VatWindow.run(places, session -> LiveDemo.start(session, places, folder));
    }

    @Override
    public boolean hasDisplay() {
        String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
        boolean needsServer = !system.contains("win") && !system.contains("mac");
        return !needsServer || isSet("DISPLAY") || isSet("WAYLAND_DISPLAY");
    }

    private static boolean isSet(String variable) {
        String value = System.getenv(variable);
        return value != null && !value.isBlank();
    }
}
