package dev.vat.testkit.tour;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.demo.DemoProject;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.ExecutionException;
import javafx.scene.control.Labeled;

/** The reel: its items and joints, words and sounds in it, several sources in one picture. */
final class ReelTour extends Station {

    ReelTour(VatWindow window, Path folder, Path shots) {
        super(window, folder, shots);
    }

    /** The demo's sources and its reel, with a dissolve and a sound. */
    void opening() throws IOException, InterruptedException, ExecutionException {
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
        await("the sound to be drawn", () -> window.mainView().steering().isSoundDrawn());
        shoot("reel");
    }

    /** What is written into pictures, heard with them, and drawn before them; then all of it is taken back. */
    void words() throws IOException, InterruptedException, ExecutionException {
        act(() -> session().edit(ReelEdits.burnIn(BurnIn.forReview().with(Line.of(Wording.of(Field.REEL), Spot.TOP_LEFT)))));
        act(() -> window.mainView().press("safe"));
        seek(40);
        open("burn-in");
        shoot("burn-in");
        act(() -> window.mainView().press("safe"));
        open("sound");
        shoot("sound");
        act(() -> session().edit(ReelEdits.addHead(BroadcastHead.of(Rate.FPS_25, Size.of(1920, 1080), PixelAspect.SQUARE, "2031-05-04"))));
        act(() -> window.mainView().steering().selectItem(1));
        open("drawn");
        seek(560);
        await("the sound to be drawn", () -> window.mainView().steering().isSoundDrawn());
        shoot("slate");
        act(() -> {
            session().undo();
            session().undo();
        });
    }

    /** Several sources in one picture, and a picture of its passes; then the demo's reel is there again. */
    void together() throws IOException, InterruptedException, ExecutionException {
        show(DemoProject.in(folder));
        press("face-reel");
        act(() -> session().edit(new Edit("views", p -> p.withCurrentReel(r -> r.withItems(List.of(Item.of(views(p))))))));
        act(() -> window.mainView().steering().selectItem(0));
        seek(40);
        open("views");
        shoot("views");
        show(DemoProject.only(folder, s -> s.name().startsWith("glow")));
        press("face-reel");
        act(() -> window.mainView().steering().selectItem(0));
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
}
