package dev.vat.desktop.runs;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.run.RunPlan;
import dev.vat.desktop.look.ShownImage;
import dev.vat.desktop.session.RunLine;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import javafx.application.Platform;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;

/** The frame that a run is at, small, about once a second. */
final class MomentPicture extends StackPane {

    private static final int WIDTH = 168;
    private static final int HEIGHT = 95;
    private static final long EVERY_NANOS = 1_000_000_000L;

    private final Viewer viewer;
    private final ImageView image = new ImageView();
    private long last;
    private boolean asking;

    MomentPicture(Viewer viewer) {
        this.viewer = viewer;
        setId("moment");
        getStyleClass().add("moment");
        setMinSize(WIDTH, HEIGHT);
        setMaxSize(WIDTH, HEIGHT);
        getChildren().add(image);
    }

    /** @param line null when nothing goes on */
    void show(RunLine line) {
        if (line == null || line.framesRead() == 0 || asking || System.nanoTime() - last < EVERY_NANOS) {
            return;
        }
        RunPlan plan = line.run().plan();
        Recipe recipe = plan.recipe(Math.min(line.framesRead(), plan.frames()) - 1);
        if (!(recipe instanceof Recipe.Frame)) {
            return;
        }
        asking = true;
        last = System.nanoTime();
        Size seen = plan.pixelAspect().seen(plan.size());
        double fit = Math.min((double) WIDTH / seen.width(), (double) HEIGHT / seen.height());
        viewer.picture(recipe, new ViewerMessage.Shape((int) Math.max(1, seen.width() * fit),
                (int) Math.max(1, seen.height() * fit), Rgb.BLACK, ViewerMessage.Showing.COLOUR, null))
                .whenComplete((picture, failure) -> Platform.runLater(() -> put(picture, failure)));
    }

    private void put(ShownPicture picture, Throwable failure) {
        asking = false;
        if (failure != null) {
            image.setImage(null);
            return;
        }
        try (picture) {
            image.setImage(ShownImage.of(picture));
        }
    }
}
