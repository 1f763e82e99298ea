package dev.vat.testkit.tour;

import dev.vat.core.project.Project;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.handover.RepackPage;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.demo.DemoProject;
import dev.vat.testkit.InterfaceThread;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;

/** What comes out: files judged before they are made, made, proven, split and handed over. */
final class FilesTour extends Station {

    FilesTour(VatWindow window, Path folder, Path shots) {
        super(window, folder, shots);
    }

    /** What files will be, before they are made: test encodes, qualities to pick from, two pictures held against each other, scopes. */
    void judging() throws IOException, InterruptedException, ExecutionException {
        press("to-more");
        press("try-files");
        await("the test encode", () -> !session().forecasts().isGoing() && session().forecasts().seconds().isPresent());
        act(() -> window.mainView().press("scopes"));
        shoot("forecast");
        act(() -> window.mainView().press("scopes"));
        press("try-steps");
        await("the qualities", () -> window.mainView().lookup("#ladder") != null);
        shoot("qualities");
        press("close-ladder");
        act(() -> window.mainView().press("lanes"));
        act(() -> window.mainView().steering().compare("compare-trial-web-h264"));
        seek(40);
        await("the measures", () -> window.mainView().steering().isMeasured());
        act(() -> {
            window.mainView().press("next-worst");
            window.mainView().press("turn-wipe");
        });
        shoot("wipe");
        press("way-difference");
        shoot("difference");
        press("compare-close");
        act(() -> window.mainView().press("lanes"));
    }

    /** A run that is going, seen when the first file has this many frames; then its end. */
    RunLine made(int frames) throws IOException, InterruptedException, ExecutionException {
        await("the run to start", () -> session().runs().going().isPresent()
                && session().runs().going().get().files().stream().anyMatch(f -> f.done() > frames));
        act(() -> session().making().makeLater("23:00"));
        await("the queue", () -> !session().runs().later().entries().isEmpty());
        shoot("run");
        act(() -> session().runs().later().remove(session().runs().later().entries().getFirst().id()));
        await("the run to end", () -> session().runs().isIdle() && !session().runs().lines().isEmpty());
        return InterfaceThread.on(() -> session().runs().lines().getFirst());
    }

    void receipt(RunLine line) throws IOException, InterruptedException, ExecutionException {
        press("receipt-" + line.files().getFirst().target());
        await("the receipt", () -> window.mainView().lookup("#receipt") != null);
        shoot("receipt");
        press("close-receipt");
        press("open-history");
        await("the history", () -> window.mainView().lookup("#history-again") != null);
        shoot("history");
    }

    /** A file that was made, split and joined again. */
    void parts() throws IOException, InterruptedException, ExecutionException {
        Path made = InterfaceThread.on(() -> session().runs().lines().getFirst().files().stream().map(f -> Path.of(f.path()))
                .filter(f -> f.toString().endsWith(".mov")).findFirst().orElseThrow());
        press("history-repack");
        RepackPage page = InterfaceThread.on(() -> (RepackPage) window.mainView().lookup("#repack"));
        act(() -> page.add(made));
        // What scrolls can be found once it has been laid out.
        await("the movie", () -> window.mainView().lookup("#split-every") != null);
        act(() -> ((TextField) window.mainView().lookup("#split-every")).setText("0.4"));
        press("repack-go");
        await("the pieces", () -> window.mainView().lookup("#repack-reveal") != null);
        press("repack-join");
        String name = made.getFileName().toString();
        for (int i = 1; Files.exists(part(made, name, i)); i++) {
            Path piece = part(made, name, i);
            act(() -> page.add(piece));
        }
        act(() -> page.remove(made));
        press("repack-go");
        await("the joined file", () -> window.mainView().lookup("#repack-reveal") != null);
        shoot("join");
        press("close-repack");
    }

    private static Path part(Path made, String name, int number) {
        return made.resolveSibling(name.substring(0, name.lastIndexOf('.')) + "_part%03d.mov".formatted(number));
    }

    /** What was made last, as a set for whoever gets it. */
    void handOver() throws IOException, InterruptedException, ExecutionException {
        press("open-hand-over");
        await("the films", () -> window.mainView().lookup("#set-film-0") != null);
        act(() -> {
            ((TextField) window.mainView().lookup("#set-name")).setText("Kite Week opening");
            ((TextArea) window.mainView().lookup("#set-comment")).setText("For the review on Friday. The web file is final, the others "
                    + "are for editing.");
        });
        press("set-make");
        await("the set",
                () -> window.mainView().lookup("#set-reveal") != null && window.mainView().lookup("#set-reveal").getParent().isVisible());
        shoot("hand-over");
        press("close-hand-over");
    }

    /** The first shot alone, a second of it. */
    Project short010() {
        Project project = DemoProject.in(folder);
        return SourceEdits.setGap("s2", GapPolicy.HOLD).apply(SourceEdits.setRange("s1",
                FrameRange.of(1001, 1025)).apply(project.withCurrentReel(r -> r.withItems(r.items().subList(0, 1)))));
    }
}
