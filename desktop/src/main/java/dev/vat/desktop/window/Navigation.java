package dev.vat.desktop.window;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.MovieStrip;
import dev.vat.desktop.runs.RunsPane;
import dev.vat.desktop.sheet.FindingsPane;
import java.nio.file.Path;

/** Goes to what one part of the window asks another to show: a face, a source, a frame, a finished file, a page. */
final class Navigation implements PreviewActs.PreviewHost, Documents.DocumentHost, RunsPane.RunActions,
        FindingsPane.Pictures {

    private final MainView view;

    Navigation(MainView view) {
        this.view = view;
    }

    void choose(SheetPane.Face face) {
        view.sheet().setFace(face);
        view.looked().leaveFile();
        view.documents().close();
        view.showAnew();
    }

    void choose(String source) {
        view.looked().choose(source);
        view.documents().close();
        view.refreshLater();
    }

    @Override
    public void goTo(String source, long frame) {
        goToSource(source);
        view.refresh();
        if (view.strip() != null) {
            view.seek(view.strip().placeOf(frame));
        }
    }

    @Override
    public void holdAgainstReel(String source, long frame) {
        goTo(source, frame);
        view.steering().compare("compare-reel");
    }

    void goToSource(String id) {
        view.sheet().setFace(SheetPane.Face.IN);
        choose(id);
    }

    @Override
    public void source(String id) {
        goToSource(id);
    }

    @Override
    public void reel() {
        choose(SheetPane.Face.REEL);
    }

    @Override
    public void story(String scene, String camera) {
        view.documents().story(scene, camera, view.previews());
    }

    @Override
    public void picture() {
        view.documents().close();
        view.refreshLater();
    }

    @Override
    public void watch(FrameTrack strip, String title) {
        view.looked().watch(strip, title);
        view.documents().close();
        view.refresh();
    }

    @Override
    public void watch(RunPlan plan, String target, Path file) {
        plan.files().stream().filter(f -> f.target().equals(target)).findFirst().ifPresent(f -> {
            view.looked().watch(new MovieStrip(file, f.expected()), f.title());
            view.documents().close();
            view.refreshLater();
        });
    }

    @Override
    public void watch(Path file, Receipt read, long place) {
        watch(new MovieStrip(file, read.planned()), read.targetTitle());
        view.seek(place);
    }

    @Override
    public void changed() {
        view.refreshLater();
    }

    @Override
    public void receipt(Path file) {
        view.documents().receipt(file, false);
    }

    @Override
    public void history() {
        view.documents().history();
    }

    @Override
    public void handOver() {
        view.documents().handOver();
    }
}
