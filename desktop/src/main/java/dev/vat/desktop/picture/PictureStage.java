package dev.vat.desktop.picture;

import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.Way;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;

/** Where the picture lies, with what is drawn over it: fitted or pixel on pixel, dragged and enlarged by the pointer. */
final class PictureStage extends Pane {

    private static final int MOST_ZOOM = 8;
    private static final double MARGIN = 40;
    private static final double LEAST = 8;

    private final ImageView image = new ImageView();
    private final Label trouble = new Label();
    private final SafeAreas safe = new SafeAreas();
    private final ViewHandles views = new ViewHandles();
    private final Slide slide = new Slide(image);
    private final GroundChoice ground;
    private final SecondPicture second;
    private final PointedValues values;
    private final CompareBar compare;
    private final Transport transport;
    private int zoom = 1;
    private double panX;
    private double panY;
    private double pressX;
    private double pressY;

    PictureStage(GroundChoice ground, SecondPicture second, PointedValues values, CompareBar compare, Transport transport) {
        this.ground = ground;
        this.second = second;
        this.values = values;
        this.compare = compare;
        this.transport = transport;
        image.setId("first-picture");
        trouble.getStyleClass().add("picture-trouble");
        trouble.setId("picture-trouble");
        trouble.setWrapText(true);
        trouble.setMouseTransparent(true);
        getChildren().addAll(ground.checker(), image);
        getChildren().addAll(second.nodes());
        getChildren().addAll(safe, trouble, values, views);
        getStyleClass().add("picture-stage");
        setMinSize(0, 0);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setOnMousePressed(e -> {
            pressX = e.getX() - panX;
            pressY = e.getY() - panY;
            slide.press(e.getX(), e.getY());
        });
        setOnMouseDragged(e -> {
            panX = e.getX() - pressX;
            panY = e.getY() - pressY;
            arrange();
            if (!transport.isActualSize()) {
                slide.drag(e.getX(), e.getY());
            }
        });
        setOnMouseReleased(_ -> slide.release());
        setOnMouseMoved(e -> values.point(e.getX(), e.getY()));
        setOnMouseExited(_ -> values.leave());
    }

    void setDragged(Dragged dragged) {
        slide.of(dragged);
    }

    /** What is laid out in the picture, to be moved there. */
    void setLaidOut(LaidOut laidOut) {
        views.of(laidOut);
    }

    private double density() {
        return getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
    }

    /** In pixels of the screen. */
    double pixelsWide() {
        return getWidth() * density();
    }

    double pixelsTall() {
        return getHeight() * density();
    }

    /** Whether there is room for any picture. */
    boolean hasRoom() {
        return getWidth() >= LEAST && getHeight() >= LEAST;
    }

    /** Whether two pictures share the room. */
    boolean isBeside() {
        return compare.isGoing() && compare.way() == Way.BESIDE;
    }

    /** Two, four, eight pixels of the screen for one of the picture, and one again. */
    void nextZoom() {
        zoom = zoom == MOST_ZOOM ? 1 : 2 * zoom;
        image.setSmooth(zoom == 1);
    }

    boolean isEnlarged() {
        return zoom > 1;
    }

    /** How many pixels of the screen one of the picture has; 1 for one that is fitted. */
    int times() {
        return transport.isActualSize() ? zoom : 1;
    }

    /** Puts the picture in the middle again. */
    void centre() {
        panX = 0;
        panY = 0;
    }

    /** Shows no picture at all. */
    void clear() {
        image.setImage(null);
        second.clear();
        ground.checker().setVisible(false);
    }

    /** @param picture or null for none @param transparent whether the ground is seen through it */
    void show(WritableImage picture, boolean transparent) {
        slide.settle();
        image.setImage(picture);
        ground.checker().setVisible(transparent);
        trouble.setText("");
    }

    /** @param other what of another picture is seen all the same, or null @param why there is no picture */
    void showTrouble(WritableImage other, String why) {
        image.setImage(other);
        ground.checker().setVisible(false);
        trouble.setText(why);
    }

    void forgetTrouble() {
        trouble.setText("");
    }

    /** How wide the picture lies in pixels of the screen. */
    double width() {
        return image.getImage() == null ? 0 : image.getImage().getWidth() * times();
    }

    /** Lays out anew what is shown. @return whether there is anything */
    boolean arrange() {
        trouble.setPrefWidth(Math.max(0, getWidth() - 2 * MARGIN));
        trouble.relocate(MARGIN, getHeight() / 2 - MARGIN / 2);
        if (image.getImage() == null) {
            safe.setVisible(false);
            views.setVisible(false);
            return false;
        }
        boolean actual = transport.isActualSize();
        double width = image.getImage().getWidth() / density() * times();
        double height = image.getImage().getHeight() / density() * times();
        image.setFitWidth(width);
        image.setFitHeight(height);
        double x = Math.round((isBeside() ? getWidth() / 2 - width : (getWidth() - width) / 2) + (actual ? panX : 0));
        double y = Math.round((getHeight() - height) / 2 + (actual ? panY : 0));
        image.relocate(x, y);
        ground.checker().resizeRelocate(x, y, width, height);
        second.arrange(x, y, width, height, zoom == 1);
        image.setVisible(!second.covers());
        values.arrange(x, y, width, height, getHeight());
        safe.setVisible(transport.showsSafeAreas());
        safe.over(x, y, width, height);
        views.over(x, y, width, height);
        return true;
    }
}
