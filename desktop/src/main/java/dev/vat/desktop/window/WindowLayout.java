package dev.vat.desktop.window;

import dev.vat.desktop.runs.RunsPane;
import javafx.scene.Node;
import javafx.scene.control.MenuBar;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How the window's parts lie: head and band above, sheet and picture side by side, runs below; or the picture and nothing else. */
final class WindowLayout extends BorderPane {

    private static final double DIVIDER = .47;
    private static final double WIDE = .74;
    private static final double LEAST = .2;
    private static final double MOST = .8;
    private static final double SHEET_WIDTH = 400;
    private static final double PICTURE_WIDTH = 300;

    private final VBox top = new VBox();
    private final SplitPane middle = new SplitPane();
    private final Region sheet;
    private final RunsPane runs;
    private boolean pictureOnly;

    WindowLayout(Region sheet, Region picture, RunsPane runs) {
        this.sheet = sheet;
        this.runs = runs;
        sheet.setMinWidth(SHEET_WIDTH);
        picture.setMinWidth(PICTURE_WIDTH);
        middle.getItems().addAll(sheet, picture);
        middle.setDividerPositions(DIVIDER);
        setTop(top);
        setCenter(middle);
        setBottom(runs);
    }

    void addAbove(Node... above) {
        top.getChildren().addAll(above);
    }

    void addMenuBar(MenuBar bar) {
        top.getChildren().addFirst(bar);
    }

    /** The sheet takes most of the window, until it is asked again. */
    void widen() {
        boolean wide = divider() > (DIVIDER + WIDE) / 2;
        middle.setDividerPositions(wide ? DIVIDER : WIDE);
    }

    boolean isPictureOnly() {
        return pictureOnly;
    }

    void togglePictureOnly() {
        pictureOnly = !pictureOnly;
        setTop(pictureOnly ? null : top);
        setBottom(pictureOnly ? null : runs);
        if (pictureOnly) {
            middle.getItems().remove(sheet);
        } else {
            middle.getItems().addFirst(sheet);
            middle.setDividerPositions(DIVIDER);
        }
    }

    /** How much of the width the sheet has, from 0 to 1. */
    double divider() {
        return middle.getDividers().isEmpty() ? DIVIDER : middle.getDividers().getFirst().getPosition();
    }

    void setDivider(double position) {
        middle.setDividerPositions(Math.clamp(position, LEAST, MOST));
    }
}
