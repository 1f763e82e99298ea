package dev.vat.desktop.preview;

import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.Preview;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Moments;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.LiveScene;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.feed.FeedPicture;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Scenes that run on this machine, with their cameras under them: what each sees, and what is captured of it. */
public final class ScenesPane extends VBox {

    private static final Words WORDS = Words.of(ScenesPane.class);

    /** What the window does for cameras. */
    public interface CameraActions {
        /** Shows all previews of a camera through time. */
        void story(String scene, String camera);

        /** Shows the reel of the latest previews. */
        void director();
    }

    private static final int THUMBNAIL = 96;

    private final Session session;
    private final CameraActions window;
    private final Supplier<Optional<FrameRange>> selection;
    private final Map<String, Image> images = new HashMap<>();
    private final Label progressWords = Parts.label("", "strong");
    private final ProgressBar progress = new ProgressBar();
    private final HBox progressRow = Parts.row(progress, progressWords, Parts.space(),
            Parts.small("stop-capture", WORDS.say("stopAndKeepWhatIsThere"), this::stop));
    private String open;
    private FeedPicture testFrame;
    private Image testImage;

    /** @param selection frames of a preview that are selected on the band */
    public ScenesPane(Session session, CameraActions window, Supplier<Optional<FrameRange>> selection) {
        this.session = session;
        this.window = window;
        this.selection = selection;
        setId("scenes");
        getStyleClass().add("scenes");
        progressWords.setId("capture-words");
        progress.setId("capture-progress");
        progressRow.getStyleClass().add("capture-going");
    }

    private void stop() {
        session.previews().captures().stop();
    }

    /** How far a capture is; all else is as it was. */
    public void showProgress() {
        boolean going = session.previews().captures().isGoing();
        Parts.present(progressRow, going);
        if (going) {
            progress.setProgress(session.previews().captures().share());
            progressWords.setText(session.previews().captures().words());
        }
    }

    public void show() {
        List<Node> rows = new ArrayList<>();
        List<LiveScene> scenes = session.scenes().all();
        // Without a scene there is nothing to be seen here: one is started from the head's menu.
        Parts.present(this, !scenes.isEmpty() || session.scenes().isStarting() || session.previews().captures().isGoing());
        HBox head = Parts.row(Parts.label(WORDS.say("scenes"), "strong"));
        head.getStyleClass().add("filter-bar");
        if (scenes.isEmpty()) {
            head.getChildren().add(Parts.label(WORDS.say("theStandInIsStarting"), "note"));
        }
        head.getChildren().add(Parts.space());
        if (!session.previews().latest().isEmpty()) {
            head.getChildren().add(Parts.small("director-reel", WORDS.say("reelForTheDirector"), window::director));
        }
        rows.add(head);
        rows.add(progressRow);
        scenes.forEach(scene -> scene(scene, rows));
        getChildren().setAll(rows);
        session.previews().captures().expect(lookup("#capture") != null);
        showProgress();
    }

    private void scene(LiveScene scene, List<Node> rows) {
        Label trouble = Parts.wrapped(scene.trouble().map(t -> t + ".").orElse(WORDS.say("askingWhatItHolds")), "note");
        Optional<SceneFacts> facts = scene.facts();
        if (facts.isEmpty() || scene.trouble().isPresent()) {
            if (scene.trouble().isPresent()) {
                trouble.setGraphic(Icon.BLOCKER.node());
                trouble.getStyleClass().add("fault");
            }
            VBox row = new VBox(Parts.label(scene.name(), "strong"), trouble);
            row.getStyleClass().add("source-row");
            rows.add(row);
            return;
        }
        SceneFacts f = facts.get();
        HBox line = Parts.row(Parts.label(f.name(), "strong"),
                Parts.label(WORDS.say("aSecondCameras", CaptureAdvice.range(f.timeline()), f.rate().label(), f.size(), f.cameras().size()),
                        "mono"),
                Parts.space());
        Button all = Parts.small("capture-all", WORDS.say("captureAll"),
                () -> session.previews().captures().capture(scene, f.cameras().stream().map(scene::wish).toList()));
        all.setDisable(session.previews().captures().isGoing());
        line.getChildren().add(all);
        VBox row = new VBox(line);
        row.getStyleClass().add("source-row");
        rows.add(row);
        f.cameras().forEach(camera -> rows.add(camera(scene, f, camera)));
    }

    private VBox camera(LiveScene scene, SceneFacts facts, CameraFacts camera) {
        String key = scene.name() + "/" + camera.id();
        List<Preview> previews = session.previews().of(facts.name(), camera.id());
        ToggleButton capture = Controls.toggle("Capture\u2026");
        capture.setId("capture-" + camera.id());
        capture.getStyleClass().add("remedy");
        capture.setSelected(key.equals(open));
        capture.setOnAction(_ -> {
            open = capture.isSelected() ? key : null;
            show();
        });
        HBox name = Parts.row(Parts.label(camera.title(), "strong"), Parts.label(camera.id(), "note"), Parts.space());
        if (!previews.isEmpty()) {
            name.getChildren().add(Parts.small("story-" + camera.id(), WORDS.say("previewsMade", previews.size()),
                    () -> window.story(facts.name(), camera.id())));
        }
        name.getChildren().add(capture);
        String latest = previews.isEmpty() ? "" : WORDS.say("last", Moments.said(previews.getLast().made()),
                (previews.getLast().revision() == facts.revision() ? "" : WORDS.say("theSceneWasChangedSince")));
        Label figures = Parts.label(
                (camera.keyed() == null ? WORDS.say("noKeys") : WORDS.say("keys", CaptureAdvice.range(camera.keyed()))) + latest, "mono");
        figures.setId("camera-" + camera.id());
        figures.setMinWidth(0);
        VBox words = new VBox(name, figures);
        scene.unseen(camera.id()).ifPresent(why -> words.getChildren().add(Parts.wrapped(WORDS.say("itCantBeSeen", why), "note")));
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        StackPane picture = picture(scene, facts, camera);
        picture.setOnMouseClicked(_ -> capture.fire());
        HBox line = new HBox(picture, words);
        line.getStyleClass().add("source-line");
        VBox row = new VBox(line);
        row.getStyleClass().addAll("source-row", "kin");
        if (key.equals(open)) {
            row.getStyleClass().add("selected");
            row.getChildren().add(new CapturePane(session, scene, facts, camera, selection, this::tested));
        }
        return row;
    }

    /** Made once of each test frame, which may be large. */
    private Image tested(FeedPicture picture) {
        if (picture != testFrame) {
            testFrame = picture;
            testImage = FeedImage.of(picture);
        }
        return testImage;
    }

    private StackPane picture(LiveScene scene, SceneFacts facts, CameraFacts camera) {
        ImageView view = new ImageView();
        view.setFitWidth(THUMBNAIL);
        view.setPreserveRatio(true);
        view.setSmooth(true);
        String key = scene.notice().token() + camera.id() + facts.revision();
        scene.picture(camera.id()).ifPresent(p -> view.setImage(images.computeIfAbsent(key, _ -> FeedImage.of(p))));
        StackPane place = new StackPane(view);
        place.getStyleClass().add("thumbnail");
        place.setMinSize(THUMBNAIL, THUMBNAIL * (double) facts.size().height() / facts.size().width());
        place.setMaxSize(THUMBNAIL, place.getMinHeight());
        place.setAccessibleText(WORDS.say("whatCameraSees", camera.id()));
        return place;
    }
}
