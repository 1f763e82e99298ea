package dev.vat.desktop.preview;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.Preview;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Moments;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.ShownImage;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** All previews of one camera through time, the newest last: looked at, noted, approved, held against each other, deleted. */
public final class StoryPage extends BorderPane {

    private static final Words WORDS = Words.of(StoryPage.class);

    /** What the window does for a preview. */
    public interface StoryActions {
        /** Takes it into the project and shows it. */
        void take(Preview preview);

        /** Shows the first one against the second. */
        void compare(Preview first, Preview second);

        void close();
    }

    private static final int WIDE = 240;
    private static final int CARD = 264;

    private final Session session;
    private final String scene;
    private final String camera;
    private final StoryActions window;
    private final HBox strip = new HBox(10);
    private final Label summary = Parts.label("", "note");
    /** By the names of their files: what is known of them changes. */
    private final List<String> chosen = new ArrayList<>();
    private final Map<String, Image> images = new HashMap<>();
    private List<Preview> shown = List.of();
    private String doomed;

    public StoryPage(Session session, String scene, String camera, StoryActions window) {
        this.session = session;
        this.scene = scene;
        this.camera = camera;
        this.window = window;
        setId("story");
        getStyleClass().addAll("receipt", "history");
        Label title = Parts.label(WORDS.say("previewsOf", camera, scene), "receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        Button compare = Parts.button("story-compare", WORDS.say("compareWhatIsTicked"), this::compare);
        HBox head = new HBox(title, Parts.space(), compare, Parts.button("close-story", WORDS.say("backToThePicture"), window::close));
        head.getStyleClass().add("receipt-head");
        strip.getStyleClass().add("story-strip");
        ScrollPane scroll = new ScrollPane(strip);
        scroll.setFitToHeight(true);
        scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.AS_NEEDED);
        summary.getStyleClass().add("history-acts");
        setTop(head);
        setBottom(summary);
        summary.setMaxWidth(Double.MAX_VALUE);
        setCenter(scroll);
        show();
        // The newest one is what people come for.
        Platform.runLater(() -> scroll.setHvalue(1));
    }

    /** Brings what is kept now to the page. */
    public void show() {
        List<Preview> now = session.previews().of(scene, camera);
        if (now.equals(shown) && !strip.getChildren().isEmpty()) {
            return;
        }
        shown = now;
        chosen.retainAll(now.stream().map(Preview::file).toList());
        build();
    }

    private void build() {
        strip.getChildren().setAll(shown.stream().map(this::card).toList());
        long bytes = shown.stream().mapToLong(Preview::bytes).sum();
        summary.setText(shown.isEmpty() ? WORDS.say("noneIsKept")
                : WORDS.say("countOfPreviews", shown.size(), RoughForecast.bytes(bytes)));
    }

    private VBox card(Preview preview) {
        String id = preview.file().replace(".mp4", "");
        ImageView view = new ImageView();
        view.setFitWidth(WIDE);
        view.setPreserveRatio(true);
        StackPane picture = new StackPane(view);
        picture.getStyleClass().add("thumbnail");
        double tall = WIDE * (double) preview.wish().size().height() / preview.wish().size().width();
        picture.setMinSize(WIDE, tall);
        picture.setMaxSize(WIDE, tall);
        Image known = images.get(preview.file());
        view.setImage(known);
        if (known == null) {
            fill(view, preview, (int) Math.max(1, Math.round(tall)));
        }
        ToggleButton pick = Controls.toggle(chosen.contains(preview.file()) ? WORDS.say("ticked") : WORDS.say("tick"));
        pick.setId("tick-" + id);
        pick.setSelected(chosen.contains(preview.file()));
        pick.setOnAction(_ -> pick(preview));
        Label name = Parts.label(id, "strong");
        HBox head = Parts.row(name, Parts.space(), pick);
        Label when = Parts.label(WORDS.say("revision", Moments.said(preview.made()), preview.revision()), "mono");
        Label frames = Parts.label(WORDS.say("frames", CaptureAdvice.range(preview.range()), preview.range().count()), "mono");
        Label facts = Parts.label(preview.wish().size() + (preview.wish().shading() == null ? "" : "   " + preview.wish().shading()),
                "mono");
        Label state = Parts.wrapped(state(preview), preview.isWhole() ? "note" : "warn");
        TextField note = new TextField(preview.note() == null ? "" : preview.note());
        note.setId("note-" + id);
        note.setPromptText(WORDS.say("aNoteKeptWithEnter"));
        note.setOnAction(_ -> session.previews().note(preview, note.getText()));
        ToggleButton approve = Controls.toggle(preview.approved() ? WORDS.say("approved") : WORDS.say("approve"));
        approve.setId("approve-" + id);
        approve.setSelected(preview.approved());
        approve.setOnAction(_ -> session.previews().approve(preview, approve.isSelected()));
        FlowPane acts = new FlowPane(6, 6, Parts.button("take-" + id, WORDS.say("show"), () -> window.take(preview)), approve,
                delete(preview, id));
        VBox card = new VBox(6, picture, head, when, frames, facts);
        if (preview.wish().leadIn() > 0) {
            card.getChildren().add(Parts.label(WORDS.say("runBefore", preview.wish().leadIn()), "mono"));
        }
        card.getChildren().addAll(state, note, acts);
        card.setId("preview-" + id);
        card.getStyleClass().add("story-card");
        card.setMinWidth(CARD);
        card.setMaxWidth(CARD);
        card.setMaxHeight(Region.USE_PREF_SIZE);
        return card;
    }

    /** Each is asked for once, however often the page is put together. */
    private void fill(ImageView view, Preview preview, int rows) {
        session.viewer()
                .picture(new Recipe.Finished(session.previews().movie(preview).toString(), preview.drawn() / 2),
                        new ViewerMessage.Shape(WIDE, rows, null, ViewerMessage.Showing.COLOUR, null))
                .thenAccept(shot -> Platform.runLater(() -> {
                    try (shot) {
                        images.put(preview.file(), ShownImage.of(shot));
                        view.setImage(images.get(preview.file()));
                    }
                }));
    }

    private static String state(Preview preview) {
        String idle = preview.idle() == null ? "" : WORDS.say("nothingMovesAfter", CaptureAdvice.number(preview.idle()));
        return idle + (preview.isWhole() ? RoughForecast.bytes(preview.bytes())
                : WORDS.say("ofFrames", preview.drawn(), preview.wish().drawn(), preview.why()));
    }

    /** Asks a second time, and says what it frees. */
    private Button delete(Preview preview, String id) {
        boolean asked = preview.file().equals(doomed);
        return Parts.button("delete-" + id,
                asked ? WORDS.say("deleteItForGood") : WORDS.say("deleteFrees", RoughForecast.bytes(preview.bytes())), () -> {
                    if (asked) {
                        session.previews().delete(preview);
                    } else {
                        doomed = preview.file();
                        build();
                    }
                });
    }

    private void pick(Preview preview) {
        if (!chosen.remove(preview.file())) {
            chosen.add(preview.file());
            if (chosen.size() > 2) {
                chosen.removeFirst();
            }
        }
        build();
    }

    private Preview named(String file) {
        return shown.stream().filter(p -> p.file().equals(file)).findFirst().orElseThrow();
    }

    private void compare() {
        if (chosen.size() == 2) {
            window.compare(named(chosen.getFirst()), named(chosen.getLast()));
        } else {
            session.say(WORDS.say("tickTwoPreviewsToCompare"));
        }
    }
}
