package dev.vat.desktop.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Colours of both looks as WCAG 2.2 measures them: text 4.5:1 on what it stands on, outlines, glyphs and focus 3:1. */
class ContrastTest {

    private static final Pattern COLOUR = Pattern.compile("(-vat-[a-z0-9-]+):\\s*#([0-9a-f]{6})\\b");

    private static Map<String, Color> colours(String sheet) throws IOException {
        try (InputStream in = ContrastTest.class.getResourceAsStream("/dev/vat/desktop/" + sheet + ".css")) {
            Matcher found = COLOUR.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Map<String, Color> colours = new HashMap<>();
            while (found.find()) {
                colours.put(found.group(1), Color.web(found.group(2)));
            }
            return colours;
        }
    }

    @ParameterizedTest
    @CsvSource({"ink, sheet, 4.5", "ink, well, 4.5", "ink, head, 4.5", "ink, ground, 4.5", "ink-2, sheet, 4.5", "ink-2, head, 4.5",
        "ink-2, ground, 4.5", "ink-3, sheet, 4.5", "ink-3, head, 4.5", "rail-ink, rail, 4.5", "rail-ink-2, rail, 4.5",
        "on-indigo, indigo, 4.5", "ink, indigo-wash, 4.5", "yellow-ink, ground, 4.5", "yellow-ink, yellow-wash, 4.5",
        "red-ink, ground, 4.5", "red-ink, red-wash, 4.5", "red-ink, sheet, 4.5", "green, sheet, 4.5", "green, well, 4.5",
        "outline, sheet, 3", "outline, well, 3", "indigo, sheet, 3", "indigo, well, 3", "indigo, ground, 3", "indigo, head, 3",
        "yellow-glyph, ground, 3", "red, ground, 3", "red, sheet, 3"})
    void textAndFocusStandOutInBothLooks(String over, String under, double least) throws IOException {
        for (String sheet : new String[] {"light", "dark"}) {
            Map<String, Color> colours = colours(sheet);
            assertThat(Contrast.of(colours.get("-vat-" + over), colours.get("-vat-" + under)))
                    .as("%s on %s, %s", over, under, sheet).isGreaterThanOrEqualTo(least);
        }
    }
}
