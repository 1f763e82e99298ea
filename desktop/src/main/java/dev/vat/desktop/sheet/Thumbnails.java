package dev.vat.desktop.sheet;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.desktop.look.ShownImage;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;
import javafx.stage.Screen;

/** Small pictures of sources, from the middle of what is good. Each is asked for once and kept. */
final class Thumbnails {

    static final int WIDTH = 72;
    static final int HEIGHT = 40;
    private static final int MOST = 400;
    /** Behind transparent places: the picture area's own grey. */
    private static final Rgb GROUND = new Rgb(92, 92, 92);

    private final Viewer viewer;
    private final Map<Recipe, Image> images = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Recipe, Image> eldest) {
            return size() > MOST;
        }
    };

    /** Places that wait for a picture that was asked for. */
    private final Map<Recipe, List<ImageView>> coming = new HashMap<>();

    Thumbnails(Viewer viewer) {
        this.viewer = viewer;
    }

    /** Whether every picture is there that was asked for. */
    boolean isThere() {
        return coming.isEmpty();
    }

    /** A place for the picture of a source; it fills by itself. */
    StackPane of(Source source, FrameTable table) {
        StackPane place = place(new ImageView());
        fill(place, source, table);
        return place;
    }

    /** The picture of one frame. */
    StackPane of(Source source, FrameTable table, long frame) {
        StackPane place = place(new ImageView());
        fill(place, source, table, frame);
        return place;
    }

    /** Fills a place anew. */
    void fill(StackPane place, Source source, FrameTable table) {
        Recipe.Frame still = table == null ? null : middle(source, table);
        if (still != null) {
            fill((ImageView) place.getChildren().getFirst(), still, source, table);
        }
    }

    /** The same with the picture of one frame. */
    void fill(StackPane place, Source source, FrameTable table, long frame) {
        if (table.sequence().has(frame) && table.format().isPresent()) {
            fill((ImageView) place.getChildren().getFirst(), ResolvedReel.alone(source, table, frame), source, table);
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
        ImageView view = new ImageView();
        fill(view, recipe, seen);
        return place(view);
    }

    private void fill(ImageView view, Recipe.Frame still, Source source, FrameTable table) {
        PictureFormat format = table.format().orElseThrow();
        fill(view, still, source.reading().picture().pixelAspectOf(format).seen(format.size()));
    }

    private void fill(ImageView view, Recipe recipe, Size seen) {
        // What was asked for last is what is shown, whatever comes first.
        view.setUserData(recipe);
        double fit = Math.min((double) WIDTH / seen.width(), (double) HEIGHT / seen.height());
        view.setFitWidth(seen.width() * fit);
        view.setPreserveRatio(true);
        Image known = images.get(recipe);
        if (known != null) {
            view.setImage(known);
            return;
        }
        List<ImageView> waiting = coming.get(recipe);
        if (waiting != null) {
            waiting.add(view);
            return;
        }
        coming.put(recipe, new ArrayList<>(List.of(view)));
        // Twice as fine where the screen is, so that pictures are sharp there too.
        double scale = Screen.getPrimary().getOutputScaleX();
        viewer.later(new ViewerMessage.Made(recipe),
                new ViewerMessage.Shape((int) Math.max(1, seen.width() * fit * scale), (int) Math.max(1, seen.height() * fit * scale),
                        GROUND, ViewerMessage.Showing.COLOUR, null))
                .whenComplete((picture, _) -> Platform.runLater(() -> take(recipe, picture)));
    }

    private void take(Recipe recipe, ShownPicture picture) {
        List<ImageView> waiting = coming.remove(recipe);
        if (picture != null) {
            try (picture) {
                Image image = ShownImage.of(picture);
                images.put(recipe, image);
                waiting.stream().filter(view -> recipe.equals(view.getUserData())).forEach(view -> view.setImage(image));
            }
        }
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
