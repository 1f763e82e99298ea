package dev.vat.desktop.look;

import java.util.function.DoubleSupplier;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;

/**
 * Goes up and down through a content that is as wide as the pane, and is as tall as that up to a limit. Other panes take no notice of how
 * tall their content is.
 */
public final class TallScroll extends ScrollPane {

    private final Region content;
    private final DoubleSupplier most;

    /** @param most how tall it may be in pixels, as it is now */
    public TallScroll(Region content, DoubleSupplier most) {
        super(content);
        this.content = content;
        this.most = most;
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
    }

    public TallScroll(Region content) {
        this(content, () -> Double.MAX_VALUE);
    }

    @Override
    protected double computePrefHeight(double width) {
        double inside = (width > 0 ? width : getWidth()) - snappedLeftInset() - snappedRightInset();
        double tall = content.isManaged() ? content.prefHeight(inside > 0 ? inside : -1) : 0;
        return Math.min(most.getAsDouble(), Math.ceil(tall + snappedTopInset() + snappedBottomInset()));
    }
}
