package dev.vat.desktop.runs;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.RunPlan;
import dev.vat.desktop.picture.ShownImage;
import dev.vat.desktop.studio.RunLine;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import java.nio.file.Path;
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
        ReelFrame frame = plan.frameAt(Math.min(line.framesRead(), plan.frames()) - 1);
        if (!(frame.content() instanceof ReelFrame.SourceFrame(long number))) {
            return;
        }
        asking = true;
        last = System.nanoTime();
        RunPlan.RunSource source = plan.sourceOf(frame);
        Size seen = plan.pixelAspect().seen(plan.size());
        double fit = Math.min((double) WIDTH / seen.width(), (double) HEIGHT / seen.height());
        viewer.picture(new Message.Still(Path.of(source.folder()).resolve(source.pattern().fileName(number)).toString(),
                        source.kind(), number, 0, source.picture(),
                        source.placement() == null ? null : new Message.Placed(source.placement(), plan.size())), new Message.Shape((int) Math.max(1, seen.width() * fit),
                (int) Math.max(1, seen.height() * fit), Rgb.BLACK, Message.Look.COLOUR, null)).whenComplete((picture, failure) -> Platform.runLater(() -> put(picture, failure)));
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
