package dev.vat.testkit.tour;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.desktop.look.NoDialogs;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.demo.DemoTour;
import dev.vat.engine.storage.UserSettings;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import javafx.application.Platform;
import javafx.stage.Stage;

/**
 * The real window on a platform without a display, going through the demo by itself: it presses what a person would press
 * and takes a picture of each main view.
 */
public final class Tour implements DemoTour {

    private final Places places = Places.ofSystem();
    private Path folder;
    private Path shots;
    private VatWindow window;
    private SourcesTour sources;
    private ReelTour reel;
    private FilesTour files;

    /** Made by the service loader. */
    public Tour() {}

    @Override
    public int run(Path demo, Path pictures, boolean make) {
        System.setProperty("glass.platform", "Headless");
        System.setProperty("prism.order", "sw");
        folder = demo;
        shots = pictures;
        try {
            CompletableFuture<VatWindow> opened = new CompletableFuture<>();
            VatWindow.startToolkit(() -> {
                Stage stage = new Stage();
                VatWindow made = new VatWindow(stage, places, new NoDialogs());
                stage.show();
                opened.complete(made);
            });
            window = opened.get();
            sources = new SourcesTour(window, demo, pictures);
            reel = new ReelTour(window, demo, pictures);
            files = new FilesTour(window, demo, pictures);
            return make ? make() : everything();
        } catch (IOException | ExecutionException | IllegalStateException e) {
            System.err.println("vat: the demo stopped: " + e.getMessage());
            return 1;
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
            return 1;
        } finally {
            if (window != null) {
                window.close();
            }
            Platform.exit();
        }
    }

    /** From the frames to proven files, as a person would go who has it open for the first time. */
    private int make() throws IOException, InterruptedException, ExecutionException {
        files.shoot("first");
        sources.faults();
        reel.opening();
        files.press("face-out");
        files.seek(60);
        files.shoot("out");
        files.press("make");
        RunLine line = files.made(70);
        files.receipt(line);
        return tell(line);
    }

    /** A picture of everything there is to see; what it makes lies aside. */
    private int everything() throws IOException, InterruptedException, ExecutionException {
        files.shoot("first");
        sources.sources();
        sources.faults();
        reel.opening();
        reel.words();
        Station.act(() -> {
            window.session().undo();
            window.session().undo();
        });
        files.press("face-out");
        files.seek(60);
        files.shoot("out");
        files.judging();
        reel.together();
        new PreviewsTour(window, folder, shots).previews();
        Path aside = Files.createTempDirectory("vat-shots");
        files.show(Edits.setFolder(Place.of(aside)).apply(files.short010()));
        files.press("make");
        files.receipt(files.made(14));
        files.parts();
        files.handOver();
        Station.act(() -> window.session().remember(window.session().settings().withScheme(UserSettings.Scheme.DARK)));
        files.press("face-out");
        files.shoot("out-dark");
        Station.act(() -> window.session().remember(window.session().settings().withScheme(UserSettings.Scheme.LIGHT)));
        Durable.deleteTree(aside);
        System.err.println("The pictures of the window are in " + shots);
        return 0;
    }

    private int tell(RunLine line) {
        boolean proven = true;
        for (FileProgress file : line.files()) {
            proven &= file.stage() == FileProgress.Stage.DELIVERED;
            System.err.println("  " + (file.stage() == FileProgress.Stage.DELIVERED ? "made and proven " : file.stage() + " ")
                    + (file.path() == null ? file.target() : file.path()) + (file.why() == null ? "" : ": " + file.why()));
        }
        System.err.println("The demo's frames are in " + folder + ", the pictures of the window in " + shots);
        return proven ? 0 : 1;
    }
}
