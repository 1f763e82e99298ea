package dev.vat.desktop.sheet;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.desktop.look.SmallPictures;
import dev.vat.protocol.ViewerMessage;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;
import javafx.stage.Screen;

/** Small pictures of sources, from the middle of what is good, for all faces; only those on the screen are asked for. */
public final class Thumbnails {

    static final int WIDTH = 72;
    static final int HEIGHT = 40;
    private static final int MOST = 400;

    private final SmallPictures pictures;
    private final Executor ui;
    /** Places that wait for their picture, whose key is their user data. */
    private final Set<ImageView> waiting = new HashSet<>();
    private boolean asking;

    public Thumbnails(SmallPictures.Origin origin, Executor ui) {
        this.pictures = new SmallPictures(origin, MOST, ui, this::arrived);
        this.ui = ui;
    }

    /** Whether every picture is there that is asked for. */
    public boolean isThere() {
        return !asking && pictures.isThere();
    }

    /** A place for the picture of a source; it fills by itself. */
    StackPane of(Source source, FrameTable table) {
        StackPane place = empty();
        fill(place, source, table);
        return place;
    }

    /** A place without a picture yet. */
    StackPane empty() {
        return place(view());
    }

    /** The picture of one frame. */
    StackPane of(Source source, FrameTable table, long frame) {
        StackPane place = place(view());
        fill(place, source, table, frame);
        return place;
    }

    /** Fills a place anew; where nothing can be shown it is emptied. */
    void fill(StackPane place, Source source, FrameTable table) {
        Recipe.Frame still = table == null ? null : middle(source, table);
        if (still != null) {
            fill((ImageView) place.getChildren().getFirst(), still, source, table);
        } else {
            clear(place);
        }
    }

    /** Takes the picture out of a place, and whatever is on its way there. */
    void clear(StackPane place) {
        ImageView view = (ImageView) place.getChildren().getFirst();
        view.setUserData(null);
        view.setImage(null);
    }

    /** The same with any picture. @param seen its size as it is seen */
    void fill(StackPane place, Recipe recipe, Size seen) {
        fill((ImageView) place.getChildren().getFirst(), recipe, seen);
    }

    /** The same with the picture of one frame; where there is none the place is emptied. */
    void fill(StackPane place, Source source, FrameTable table, long frame) {
        if (table.sequence().has(frame) && table.format().isPresent()) {
            fill((ImageView) place.getChildren().getFirst(), ResolvedReel.alone(source, table, frame), source, table);
        } else {
            clear(place);
        }
    }

    private static StackPane place(ImageView view) {
        StackPane place = new StackPane(view);
        place.getStyleClass().add("thumbnail");
        place.setMinSize(WIDTH, HEIGHT);
        place.setMaxSize(WIDTH, HEIGHT);
        return place;
    }

    /** Any picture. @param seen its size as it is seen */
    StackPane of(Recipe recipe, Size seen) {
        ImageView view = view();
        fill(view, recipe, seen);
        return place(view);
    }

    private void fill(ImageView view, Recipe.Frame still, Source source, FrameTable table) {
        PictureFormat format = table.format().orElseThrow();
        fill(view, still, source.reading().picture().pixelAspectOf(format).seen(format.size()));
    }

    private void fill(ImageView view, Recipe recipe, Size seen) {
        double fit = Math.min((double) WIDTH / seen.width(), (double) HEIGHT / seen.height());
        // As fine as the screen is, so that pictures are sharp there.
        double scale = Screen.getPrimary().getOutputScaleX();
        SmallPictures.Key key = SmallPictures.Key.of(new ViewerMessage.Made(recipe), seen.width() * fit * scale,
                seen.height() * fit * scale);
        // What was asked for last is what is shown, whatever comes first.
        view.setUserData(key);
        view.setFitWidth(seen.width() * fit);
        view.setPreserveRatio(true);
        look(view);
    }

    private ImageView view() {
        ImageView view = new ImageView();
        view.sceneProperty().addListener((_, _, _) -> look(view));
        return view;
    }

    /** A place on the screen gets its picture, or waits for it; one that has left the screen doesn't. */
    private void look(ImageView view) {
        boolean wants = view.getScene() != null && view.getUserData() != null;
        Image known = wants ? pictures.get((SmallPictures.Key) view.getUserData()) : null;
        if (known != null) {
            view.setImage(known);
        }
        if (wants && known == null) {
            waiting.add(view);
            askSoon();
        } else if (waiting.remove(view)) {
            askSoon();
        }
    }

    /** Rows come and go by the dozen: what they want is said together. */
    private void askSoon() {
        if (!asking) {
            asking = true;
            ui.execute(() -> {
                asking = false;
                pictures.tryAgain();
                pictures.want(waiting.stream().map(view -> (SmallPictures.Key) view.getUserData()).collect(Collectors.toSet()));
            });
        }
    }

    private void arrived(SmallPictures.Key key) {
        waiting.removeIf(view -> {
            boolean wants = key.equals(view.getUserData());
            if (wants) {
                view.setImage(pictures.get(key));
            }
            return wants;
        });
    }

    private static Recipe.Frame middle(Source source, FrameTable table) {
        int count = table.sequence().count();
        for (int i = 0; i < count && table.format().isPresent(); i++) {
            // From the middle outwards.
            int index = count / 2 + (i % 2 == 0 ? i / 2 : -(i + 1) / 2);
            if (index >= 0 && index < count && table.stateAt(index) == FrameState.GOOD) {
                return ResolvedReel.alone(source, table, table.sequence().number(index));
            }
        }
        return null;
    }
}
