package dev.vat.testkit.start;

import dev.vat.cli.Vat;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.look.NoDialogs;
import dev.vat.desktop.window.VatWindow;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.InterfaceThread;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

/**
 * What a first look at some frames does, in the window and by commands, done once on no screen while the JVM writes down which classes it
 * takes (JEP 514): later starts find them ready. {@code vat} does so after it has built, and goes on without if this fails.
 */
public final class Training {

    private static final int FRAMES = 8;
    private static final int WIDTH = 96;
    private static final int HEIGHT = 54;
    private static final int PATIENCE_SECONDS = 20;

    private Training() {}

    public static void main(String[] arguments) throws Exception {
        System.setProperty("glass.platform", "Headless");
        System.setProperty("prism.order", "sw");
        Path own = Files.createTempDirectory("vat-training");
        try {
            Vat.run(new String[] {"targets"});
            look(frames(Files.createDirectories(own.resolve("kite"))), Places.in(own.resolve("home")));
        } finally {
            Durable.deleteTree(own);
        }
        System.exit(0);
    }

    /** Some small ones. */
    static Path frames(Path folder) throws Exception {
        for (int i = 1; i <= FRAMES; i++) {
            BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
            picture.setRGB(i, i, -1);
            ImageIO.write(picture, "png", folder.resolve("kite.%04d.png".formatted(i)).toFile());
        }
        return folder;
    }

    private static void look(Path frames, Places places) throws Exception {
        CompletableFuture<VatWindow> opened = new CompletableFuture<>();
        VatWindow.startToolkit(() -> {
            Stage stage = new Stage();
            VatWindow made = new VatWindow(stage, places, new NoDialogs());
            stage.show();
            opened.complete(made);
        });
        VatWindow window = opened.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        InterfaceThread.on(() -> {
            window.session().search().bringIn(List.of(frames));
            return null;
        });
        await(() -> !window.session().project().isEmpty() && !window.session().watch().isChecking());
        InterfaceThread.on(() -> {
            window.session().chooseRate(Rate.FPS_25);
            window.session().edit(DeliverableEdits.addTarget(Catalogue.target("web-h264")));
            return null;
        });
        for (String face : List.of("reel", "out", "in")) {
            InterfaceThread.on(() -> {
                window.mainView().press(face);
                return null;
            });
            await(() -> window.mainView().isSettled());
        }
        InterfaceThread.on(() -> {
            window.close();
            window.stage().hide();
            return null;
        });
    }

    private static void await(Callable<Boolean> state) throws Exception {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (!InterfaceThread.on(state) && System.nanoTime() < end) {
            Thread.sleep(50);
        }
    }
}
