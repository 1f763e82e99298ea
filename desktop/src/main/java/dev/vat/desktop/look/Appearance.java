package dev.vat.desktop.look;

import dev.vat.engine.storage.UserSettings;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import javafx.application.Application;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.scene.text.Font;

/** Typefaces and style sheets, all from Vat's own jars. */
public final class Appearance {

    private static final String[] FACES = {"PlexSans-Regular", "PlexSans-SemiBold", "PlexMono-Regular"};

    private Appearance() {}

    /** Loads the faces; must come before the first control is made. */
    public static void loadFaces() {
        for (String face : FACES) {
            try (InputStream in = Appearance.class.getResourceAsStream("/dev/vat/type/" + face + ".ttf")) {
                if (in == null || Font.loadFont(in, 13) == null) {
                    throw new IllegalStateException("The typeface " + face + " can't be loaded");
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Whether the colours are the dark ones, as chosen or as the system has them. */
    public static boolean isDark(UserSettings settings) {
        return switch (settings.scheme()) {
            case LIGHT -> false;
            case DARK -> true;
            case SYSTEM -> Platform.getPreferences().getColorScheme() == ColorScheme.DARK;
        };
    }

    public static void dress(boolean dark) {
        Application.setUserAgentStylesheet(Appearance.class.getResource(dark ? "/dev/vat/desktop/dark.css"
                : "/dev/vat/desktop/light.css").toExternalForm());
    }
}
