package dev.vat.testkit.tour;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.desktop.handover.RepackPage;
import dev.vat.desktop.look.NoDialogs;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.demo.DemoProject;
import dev.vat.engine.demo.DemoTour;
import dev.vat.engine.storage.UserSettings;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.InterfaceThread;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;

/**
 * The real window on a platform without a display, going through the demo by itself: it presses what a person would press
 * and takes a picture of each main view.
 */
public final class Tour implements DemoTour {

    /** Beyond this something is stuck, however slow the machine. */
    private static final long STUCK_MILLIS = 30 * 60_000;

    private final Places places = Places.ofSystem();
    private Path folder;
    private Path shots;
    private VatWindow window;

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
        shoot("first");
        faults();
        opening();
        press("face-out");
        seek(60);
        shoot("out");
        press("make");
        RunLine line = made(70);
        receipt(line);
        return tell(line);
    }

    /** A picture of everything there is to see; what it makes lies aside. */
    private int everything() throws IOException, InterruptedException, ExecutionException {
        shoot("first");
        sources();
        faults();
        opening();
        words();
        act(() -> {
            session().undo();
            session().undo();
        });
        press("face-out");
        seek(60);
        shoot("out");
        judging();
        together();
        previews();
        Path aside = Files.createTempDirectory("vat-shots");
        show(Edits.setFolder(Place.of(aside)).apply(short010()));
        press("make");
        receipt(made(14));
        parts();
        handOver();
        act(() -> session().remember(session().settings().withScheme(UserSettings.Scheme.DARK)));
        press("face-out");
        shoot("out-dark");
        act(() -> session().remember(session().settings().withScheme(UserSettings.Scheme.LIGHT)));
        Durable.deleteTree(aside);
        System.err.println("The pictures of the window are in " + shots);
        return 0;
    }

    /** The demo's sources and its reel, with a dissolve and a sound. */
    private void opening() throws IOException, InterruptedException, ExecutionException {
        show(DemoProject.in(folder));
        press("face-in");
        press("source-s1");
        seek(40);
        shoot("in");
        press("face-reel");
        act(() -> {
            session().edit(ReelEdits.joinItem(1, Joint.dissolve(12)));
            session().project().sources().stream().filter(x -> x.location().isSound()).findFirst()
                    .ifPresent(sound -> session().edit(ReelEdits.addSound(sound.id())));
        });
        seek(88);
        await("the sound to be drawn", () -> window.mainView().isSoundDrawn());
        shoot("reel");
    }

    /** A run that is going, seen when the first file has this many frames; then its end. */
    private RunLine made(int frames) throws IOException, InterruptedException, ExecutionException {
        await("the run to start", () -> session().runs().going().isPresent()
                && session().runs().going().get().files().stream().anyMatch(f -> f.done() > frames));
        act(() -> session().making().makeLater("23:00"));
        await("the queue", () -> !session().runs().later().entries().isEmpty());
        shoot("run");
        act(() -> session().runs().later().remove(session().runs().later().entries().getFirst().id()));
        await("the run to end", () -> session().runs().isIdle() && !session().runs().lines().isEmpty());
        return InterfaceThread.on(() -> session().runs().lines().getFirst());
    }

    private void receipt(RunLine line) throws IOException, InterruptedException, ExecutionException {
        press("receipt-" + line.files().getFirst().target());
        await("the receipt", () -> window.mainView().lookup("#receipt") != null);
        shoot("receipt");
        press("close-receipt");
        press("open-history");
        await("the history", () -> window.mainView().lookup("#history-again") != null);
        shoot("history");
    }

    /** Several sources in one picture, and a picture of its passes; then the demo's reel is there again. */
    private void together() throws IOException, InterruptedException, ExecutionException {
        show(DemoProject.in(folder));
        press("face-reel");
        act(() -> session().edit(new Edit("views", p -> p.withCurrentReel(r -> r.withItems(List.of(Item.of(views(p))))))));
        act(() -> window.mainView().selectItem(0));
        seek(40);
        open("views");
        shoot("views");
        show(DemoProject.only(folder, s -> s.name().startsWith("glow")));
        press("face-reel");
        act(() -> window.mainView().selectItem(0));
        open("passes");
        press("passes-on");
        press("passes-check");
        await("the comparison",
                () -> window.mainView().lookup("#passes-against-full") instanceof Labeled said && said.getText().startsWith("The sum"));
        seek(20);
        shoot("passes");
        show(DemoProject.in(folder));
        press("face-out");
    }

    private static Layout views(Project project) {
        List<String> names = List.of("sh010", "sh020", "glow", "draft");
        List<View> views = project.sources().stream().filter(s -> names.stream().anyMatch(n -> s.pattern().baseName().equals(n)))
                .limit(names.size())
                .map(s -> View.of(Item.of(s.id())).withCaption(Line.of(Wording.parse("{source} {frame}"), Spot.BOTTOM_LEFT))).toList();
        return Layout.of("Review", Size.of(1920, 1080), new Arrangement.Grid(2), views).withBetween(Rational.ONE);
    }

    /** A file that was made, split and joined again. */
    private void parts() throws IOException, InterruptedException, ExecutionException {
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
    private void handOver() throws IOException, InterruptedException, ExecutionException {
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

    /** Cameras of the stand-in scene: captured, seen through time, strung together; then the demo's reel is there again. */
    private void previews() throws IOException, InterruptedException, ExecutionException {
        press("face-in");
        act(() -> window.mainView().press("start-scene"));
        await("the scene", () -> !session().scenes().all().isEmpty() && session().scenes().all().getFirst().picture("sand").isPresent());
        press("capture-pier");
        press("capture-test");
        await("the test frame", () -> window.mainView().lookup("#capture-picture") != null);
        shoot("capture");
        int before = InterfaceThread.on(() -> session().previews().all().size());
        press("capture-now");
        captured(before + 1);
        act(() -> {
            try {
                session().scenes().standIn().orElseThrow().take(2);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        await("the change", () -> session().scenes().all().getFirst().facts().orElseThrow().revision() == 2);
        press("capture-all");
        captured(before + 4);
        press("story-pier");
        await("the previews", () -> window.mainView().lookup("#tick-pier_v002") != null);
        act(() -> session().previews().approve(session().previews().of(session().scenes().all().getFirst().name(), "pier").getLast(),
                true));
        await("the approval", () -> session().previews().all().stream().anyMatch(Preview::approved));
        shoot("previews");
        press("close-story");
        press("director-reel");
        seek(250);
        shoot("director");
        act(() -> {
            while (session().project().reels().size() > 1
                    || session().project().sources().stream().anyMatch(s -> session().previews().of(s).isPresent())) {
                session().undo();
            }
        });
        press("face-out");
    }

    private void captured(int kept) throws InterruptedException, ExecutionException {
        await(kept + " previews", () -> !session().previews().isGoing() && session().previews().all().size() == kept);
    }

    /** What files will be, before they are made: test encodes, qualities to pick from, two pictures held against each other, scopes. */
    private void judging() throws IOException, InterruptedException, ExecutionException {
        press("to-more");
        press("try-files");
        await("the test encode", () -> !session().foretelling().isGoing() && session().foretelling().seconds().isPresent());
        act(() -> window.mainView().press("scopes"));
        shoot("forecast");
        act(() -> window.mainView().press("scopes"));
        press("try-steps");
        await("the qualities", () -> window.mainView().lookup("#ladder") != null);
        shoot("qualities");
        press("close-ladder");
        act(() -> window.mainView().press("lanes"));
        act(() -> window.mainView().compare("compare-trial-web-h264"));
        seek(40);
        await("the measures", () -> window.mainView().isMeasured());
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

    /** What is written into pictures, heard with them, and drawn before them; then all of it is taken back. */
    private void words() throws IOException, InterruptedException, ExecutionException {
        act(() -> session().edit(ReelEdits.burnIn(BurnIn.forReview().with(Line.of(Wording.of(Field.REEL), Spot.TOP_LEFT)))));
        act(() -> window.mainView().press("safe"));
        seek(40);
        open("burn-in");
        shoot("burn-in");
        act(() -> window.mainView().press("safe"));
        open("sound");
        shoot("sound");
        act(() -> session().edit(ReelEdits.addHead(BroadcastHead.of(Rate.FPS_25, Size.of(1920, 1080), PixelAspect.SQUARE, "2031-05-04"))));
        act(() -> window.mainView().selectItem(1));
        open("drawn");
        seek(560);
        await("the sound to be drawn", () -> window.mainView().isSoundDrawn());
        shoot("slate");
        act(() -> {
            session().undo();
            session().undo();
        });
    }

    /** Opens a group of what is chosen. */
    private void open(String group) throws InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        act(() -> window.mainView().openGroup(group));
    }

    /** What goes in, looked at from all sides. */
    private void sources() throws IOException, InterruptedException, ExecutionException {
        act(() -> session().startAnew());
        shoot("empty");
        show(DemoProject.only(folder, s -> s.name().startsWith("sh010")));
        press("face-in");
        press("source-s7");
        shoot("kin");
        show(DemoProject.only(folder, s -> s.name().startsWith("glow")));
        press("source-s4");
        seek(20);
        shoot("reading");
        show(DemoProject.only(folder, s -> s.name().startsWith("sh015")));
        press("source-s10");
        act(() -> window.mainView().press("lanes"));
        seek(19);
        shoot("suspects");
        act(() -> window.mainView().press("lanes"));
        filling();
    }

    /** A folder that a render fills at this moment. */
    private void filling() throws IOException, InterruptedException, ExecutionException {
        Path place = Files.createDirectories(folder.resolve("sh030"));
        Path from = folder.resolve("sh010");
        for (int frame = 1001; frame <= 1022; frame++) {
            Path file = place.resolve("sh030.%04d.png".formatted(frame));
            byte[] data = Files.readAllBytes(from.resolve("sh010.%04d.png".formatted(frame)));
            Files.write(file, frame < 1022 ? data : Arrays.copyOf(data, data.length / 2));
            Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(14L * (1022 - frame) + (frame == 1001 ? 60 : 0))));
        }
        act(() -> {
            session().startAnew();
            session().bringIn(List.of(place));
        });
        await("the frames", () -> !session().search().isGoing() && !session().watch().isChecking() && session().table("s1") != null);
        act(() -> {
            session().chooseRate(Rate.FPS_25);
            session().edit(SourceEdits.setExpected("s1", FrameRange.of(1001, 1040)));
            session().edit(DeliverableEdits.addTarget(Catalogue.target("web-h264")));
        });
        seek(20);
        shoot("filling");
        act(() -> session().startAnew());
        Durable.deleteTree(place);
    }

    private void faults() throws IOException, InterruptedException, ExecutionException {
        show(DemoProject.faulty(folder));
        press("face-in");
        press("source-s2");
        act(() -> window.mainView().lookup("#band").fireEvent(new KeyEvent(
                KeyEvent.KEY_PRESSED, "", "", KeyCode.N, false, false, false, false)));
        shoot("faults");
    }

    /** The first shot alone, a second of it. */
    private Project short010() {
        Project project = DemoProject.in(folder);
        return SourceEdits.setGap("s2", GapPolicy.HOLD).apply(SourceEdits.setRange("s1",
                FrameRange.of(1001, 1025)).apply(project.withCurrentReel(r -> r.withItems(r.items().subList(0, 1)))));
    }

    private void show(Project project) throws InterruptedException, ExecutionException {
        act(() -> {
            session().show(project, null);
        });
        await("the frames to be checked", () -> !session().watch().isChecking());
    }

    private void seek(long place) throws InterruptedException, ExecutionException {
        act(() -> {
            window.mainView().seek(place);
        });
    }

    private Session session() {
        return window.session();
    }

    /** Presses a button, or chooses a row, by its id. */
    private void press(String id) throws InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        act(() -> {
            if (id.startsWith("source-")) {
                window.mainView().selectSource(id.replaceFirst("^source-", ""));
            } else if (window.mainView().lookup("#" + id) instanceof ButtonBase button && !button.isDisabled()) {
                button.fire();
            } else {
                throw new IllegalStateException("nothing to press at " + id);
            }
        });
    }

    private void shoot(String name) throws IOException, InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        pulse();
        pulse();
        await("the window to settle", window.mainView()::isSettled);
        Shots.write(InterfaceThread.on(() -> Shots.of(window.stage().getScene())), shots.resolve(name + ".png"));
        System.err.println("  picture " + shots.resolve(name + ".png"));
    }

    /** Layout follows on a pulse. */
    private void pulse() throws InterruptedException, ExecutionException {
        CompletableFuture<Void> laidOut = new CompletableFuture<>();
        Scene scene = window.stage().getScene();
        Runnable listener = () -> laidOut.complete(null);
        act(() -> {
            scene.addPostLayoutPulseListener(listener);
            Platform.requestNextPulse();
        });
        laidOut.get();
        act(() -> scene.removePostLayoutPulseListener(listener));
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

    private static void act(Runnable act) throws InterruptedException, ExecutionException {
        InterfaceThread.on(() -> {
            act.run();
            return true;
        });
    }

    private static void await(String what, BooleanSupplier condition) throws InterruptedException, ExecutionException {
        long end = System.currentTimeMillis() + STUCK_MILLIS;
        while (!InterfaceThread.on(condition::getAsBoolean)) {
            if (System.currentTimeMillis() > end) {
                throw new IllegalStateException("waited in vain for " + what);
            }
            Thread.sleep(40);
        }
    }
}
