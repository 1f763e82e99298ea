package dev.vat.desktop.runs;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.Recipe;
import dev.vat.desktop.look.ShownImage;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.file.Path;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;

/** Small pictures of a finished file's frames; each fills by itself. */
public final class FilePictures {

    private static final int WIDTH = 96;
    private static final int HEIGHT = 54;
    private static final Rgb GROUND = new Rgb(92, 92, 92);

    private final Viewer viewer;
    private final Path file;
    private final Expectation what;

    public FilePictures(Viewer viewer, Path file, Expectation what) {
        this.viewer = viewer;
        this.file = file;
        this.what = what;
    }

    Node of(long frame) {
        ImageView view = new ImageView();
        StackPane place = new StackPane(view);
        place.getStyleClass().add("thumbnail");
        place.setMinSize(WIDTH, HEIGHT);
        place.setMaxSize(WIDTH, HEIGHT);
        if (what.stills() == null) {
            Size seen = what.pixelAspect().seen(what.size());
            double fit = Math.min((double) WIDTH / seen.width(), (double) HEIGHT / seen.height());
            viewer.picture(new Recipe.Finished(file.toString(), frame),
                    new ViewerMessage.Shape((int) Math.max(1, seen.width() * fit), (int) Math.max(1, seen.height() * fit),
                            GROUND, ViewerMessage.Showing.COLOUR, null))
                    .thenAccept(picture -> Platform.runLater(() -> {
                        try (picture) {
                            view.setImage(ShownImage.of(picture));
                        }
                    }));
        }
        return place;
    }
}
