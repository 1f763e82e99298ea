package dev.vat.desktop.window;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import dev.vat.desktop.sheet.OutFace;
import java.util.List;

/**
 * How a window was left, in the window's own pixels.
 *
 * @param divider where sheet and picture meet, as a share of the width
 * @param face the one that was shown, by its name
 * @param source id of the source that was looked at, or null
 * @param folded groups of {@link OutFace} that were folded, by their names
 */
@JsonIgnoreProperties(ignoreUnknown = true)
record WindowState(double x, double y, double width, double height, boolean maximized, double divider, String face, String source,
        List<String> folded) {

    WindowState {
        folded = folded == null ? List.of() : List.copyOf(folded);
    }
}
