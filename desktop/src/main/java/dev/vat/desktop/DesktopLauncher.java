package dev.vat.desktop;

import dev.vat.core.product.OperatingSystem;
import dev.vat.desktop.demo.LiveDemo;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.WindowLauncher;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Opens the window for the launcher and the command line. */
public final class DesktopLauncher implements WindowLauncher {

    private static final Logger LOG = LoggerFactory.getLogger(DesktopLauncher.class);

    /** Made by the service loader. */
    public DesktopLauncher() {}

    @Override
    public int open(List<Path> paths) {
        Places places = Places.ofSystem();
        if (OpenWindow.take(places, paths)) {
            return 0;
        }
        // What is opened before the window is there waits for it.
        CompletableFuture<VatWindow> shown = new CompletableFuture<>();
        OpenWindow taking = OpenWindow
                .listen(places, opened -> shown.thenAcceptAsync(window -> bring(window, opened), Platform::runLater)).orElse(null);
        try {
            return VatWindow.run(places, window -> {
                shown.complete(window);
                if (!paths.isEmpty()) {
                    bring(window, paths);
                }
            });
        } finally {
            close(taking);
        }
    }

    /** What is opened elsewhere, too, is shown where it lands. */
    private static void bring(VatWindow window, List<Path> paths) {
        window.toFront();
        if (!paths.isEmpty()) {
            window.session().search().bringIn(paths.stream().map(p -> p.toAbsolutePath().normalize()).toList());
        }
    }

    private static void close(OpenWindow taking) {
        try {
            if (taking != null) {
                taking.close();
            }
        } catch (IOException e) {
            LOG.info("The socket can't be taken away; the next start does it", e);
        }
    }

    @Override
    public int demo(Path folder) {
        Places places = Places.ofSystem();
        return VatWindow.run(places, window -> LiveDemo.start(window.session(), places, folder));
    }

    @Override
    public boolean hasDisplay() {
        return OperatingSystem.here() != OperatingSystem.LINUX || isSet("DISPLAY") || isSet("WAYLAND_DISPLAY");
    }

    private static boolean isSet(String variable) {
        String value = System.getenv(variable);
        return value != null && !value.isBlank();
    }
}
