package dev.vat.desktop.picture;

import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.ShownImage;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage.Scope.Drawn;
import dev.vat.protocol.ViewerMessage;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What the samples of the picture are, as it will be in the file: four ways side by side, and how far they reach. */
final class ScopesPane extends VBox {

    private static final int WIDTH = 156;
    private static final int HEIGHT = 128;

    private final Viewer viewer;
    private final Map<Drawn, ImageView> views = new EnumMap<>(Drawn.class);
    private final Label levels = Parts.label("", "mono", "dim");
    private ViewerMessage.Taken wanted;
    private ViewerMessage.Taken shown;
    private boolean asking;

    ScopesPane(Viewer viewer) {
        this.viewer = viewer;
        setId("scopes");
        getStyleClass().addAll("bar", "scopes");
        HBox row = new HBox(8);
        for (Drawn kind : Drawn.values()) {
            ImageView view = new ImageView();
            view.setId("scope-" + kind.name().toLowerCase(Locale.ROOT));
            views.put(kind, view);
            row.getChildren().add(new VBox(2, view, Parts.label(kind.title(), "dim")));
        }
        levels.setId("levels");
        levels.setMinWidth(0);
        getChildren().addAll(row, levels);
    }

    /** @param picture null while nothing is looked at */
    void show(ViewerMessage.Taken picture) {
        wanted = picture;
        next();
    }

    /** Whether what is drawn is of the picture that is shown. */
    boolean isSettled() {
        return wanted == null || wanted.equals(shown);
    }

    /** While pictures come faster than they are counted, some aren't. */
    private void next() {
        if (asking || isSettled()) {
            return;
        }
        asking = true;
        ViewerMessage.Taken now = wanted;
        CompletableFuture<?>[] all = new CompletableFuture<?>[Drawn.values().length + 1];
        for (Drawn kind : Drawn.values()) {
            all[kind.ordinal()] = viewer
                    .picture(new ViewerMessage.Scope(now, kind),
                            new ViewerMessage.Shape(WIDTH, HEIGHT, null, ViewerMessage.Showing.COLOUR, null))
                    .thenAccept(picture -> Platform.runLater(() -> put(kind, picture)));
        }
        all[Drawn.values().length] = viewer.levels(now)
                .thenAccept(words -> Platform.runLater(() -> levels.setText(words + "  (R 103, unverified)")));
        CompletableFuture.allOf(all).whenComplete((_, failure) -> Platform.runLater(() -> {
            if (failure != null) {
                levels.setText(String.valueOf(failure.getCause() == null ? failure.getMessage() : failure.getCause().getMessage()));
            }
            asking = false;
            shown = now;
            next();
        }));
    }

    private void put(Drawn kind, ShownPicture picture) {
        try (picture) {
            views.get(kind).setImage(ShownImage.of(picture));
        }
    }
}
