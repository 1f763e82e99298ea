package dev.vat.desktop.look;

import java.util.Locale;
import javafx.scene.layout.Region;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.SVGPath;

/** Small pictures drawn as paths in a field of 12 by 12; their colour comes from the style sheet. */
public enum Icon {
    PLAY("M3 1 L11 6 L3 11 Z"),
    PAUSE("M2 1 H5 V11 H2 Z M7 1 H10 V11 H7 Z"),
    BACK("M9 1 V11 L3 6 Z M1 1 H3 V11 H1 Z"),
    FORWARD("M3 1 L9 6 L3 11 Z M9 1 H11 V11 H9 Z"),
    STEP_BACK("M9 1.5 L4 6 L9 10.5 Z"),
    STEP_FORWARD("M3 1.5 L8 6 L3 10.5 Z"),
    BLOCKER("M3.5 0 H8.5 L12 3.5 V8.5 L8.5 12 H3.5 L0 8.5 V3.5 Z M5.2 2.5 V7 H6.8 V2.5 Z M5.2 8.2 V9.8 H6.8 V8.2 Z"),
    WARNING("M6 0.5 L12 11.5 H0 Z M5.3 4 V8 H6.7 V4 Z M5.3 8.9 V10.3 H6.7 V8.9 Z"),
    /** Something has to be chosen. */
    REQUEST("M0 4.2 H6 V0.6 L12 6 L6 11.4 V7.8 H0 Z"),
    NOTE("M6 0 A6 6 0 1 0 6.01 0 Z M5.2 2.4 V4 H6.8 V2.4 Z M5.2 5 V9.6 H6.8 V5 Z"),
    PROVEN("M0.8 6.2 L2.3 4.7 L4.8 7.2 L10 2 L11.4 3.4 L4.8 10 Z"),
    UNDO("M5 0.5 V3 C9 3 11.5 5.5 11.5 11 C10 8 8.5 6.8 5 6.8 V9.5 L0.5 5 Z"),
    REDO("M7 0.5 V3 C3 3 0.5 5.5 0.5 11 C2 8 3.5 6.8 7 6.8 V9.5 L11.5 5 Z"),
    UP("M6 2 L11 9 H1 Z"),
    DOWN("M6 10 L1 3 H11 Z"),
    CLOSE("M1.6 0.4 L6 4.8 L10.4 0.4 L11.6 1.6 L7.2 6 L11.6 10.4 L10.4 11.6 L6 7.2 L1.6 11.6 L0.4 10.4 L4.8 6 L0.4 1.6 Z"),
    /** One picture goes over into the next. */
    JOINT("M0 11 L12 1 V11 Z"),
    MARK("M0 1 H12 L10 3.2 V11 C10 11.6 9.6 12 9 12 H3 C2.4 12 2 11.6 2 11 V3.2 Z M3.6 5.2 H8.4 V6.8 H3.6 Z");

    private final String path;

    Icon(String path) {
        this.path = path;
    }

    public Region node() {
        SVGPath shape = new SVGPath();
        shape.setContent(path);
        shape.setFillRule(FillRule.EVEN_ODD);
        Region region = new Region();
        region.getStyleClass().addAll("glyph", "glyph-" + name().toLowerCase(Locale.ROOT).replace('_', '-'));
        region.setShape(shape);
        region.setScaleShape(false);
        region.setCenterShape(true);
        return region;
    }
}
