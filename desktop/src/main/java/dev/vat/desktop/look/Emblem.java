package dev.vat.desktop.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import javafx.scene.Group;
import javafx.scene.SnapshotParameters;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.transform.Transform;

/** Vat's icon in the sizes that window lists and switchers show, drawn from its SVG file. On the interface's thread. */
public final class Emblem {

    private static final Pattern PATHS = Pattern.compile("<path fill=\"(#[0-9a-f]{6})\" d=\"([^\"]+)\"/>");
    private static final double WHOLE = 64;
    private static final List<Integer> SIZES = List.of(16, 32, 48, 128, 256);

    private Emblem() {}

    public static List<Image> images() {
        String svg = svg();
        return SIZES.stream().map(size -> draw(svg, size)).toList();
    }

    private static Image draw(String svg, int size) {
        // A snapshot is as large as what is in it.
        Group whole = new Group(new Rectangle(WHOLE, WHOLE, Color.TRANSPARENT));
        for (MatchResult path : PATHS.matcher(svg).results().toList()) {
            SVGPath shape = new SVGPath();
            shape.setContent(path.group(2));
            shape.setFill(Color.web(path.group(1)));
            whole.getChildren().add(shape);
        }
        SnapshotParameters how = new SnapshotParameters();
        how.setFill(Color.TRANSPARENT);
        how.setTransform(Transform.scale(size / WHOLE, size / WHOLE));
        return whole.snapshot(how, null);
    }

    private static String svg() {
        try (InputStream file = Emblem.class.getResourceAsStream("vat.svg")) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
