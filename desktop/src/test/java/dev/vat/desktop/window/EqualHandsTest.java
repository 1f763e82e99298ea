package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.session.Session;
import dev.vat.engine.storage.UserSettings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The same work by keys alone and by the pointer alone, from the empty window to files that are handed over: after each gesture what it was
 * for has come about, and no words are cut. On screens of three sizes, in both looks, at 100 and 150 % (a screen's size divided by one and
 * a half is what its window has).
 */
@Tag("window")
class EqualHandsTest extends HandsCase {

    @ParameterizedTest(name = "{0} at {1}x{2}, {3}, {4} %")
    @CsvSource({"keys, 1024, 700, LIGHT, 100", "pointer, 1024, 700, DARK, 100", "keys, 1280, 800, DARK, 100",
        "pointer, 1280, 800, LIGHT, 100",
        "keys, 1350, 840, LIGHT, 150", "pointer, 1350, 840, DARK, 150", "keys, 2560, 1440, DARK, 150", "pointer, 2560, 1440, LIGHT, 150"})
    void allIsDone(String by, int width, int height, UserSettings.Scheme look, int percent) throws Exception {
        Session session = session();
        run(() -> {
            session.remember(session.settings().withScheme(look));
            window.stage().setWidth(width * 100.0 / percent);
            window.stage().setHeight(height * 100.0 / percent);
        });
        settle();
        bringIn();
        onSources();
        onThePicture();
        onTheReel();
        onDeliverables();
        onFiles(List.of("dunes_web.mp4", "dunes_edit.mov"));
        assertThat(gestures).hasSizeGreaterThan(30);
        Way way = by.equals("keys") ? Way.byKeys(this) : Way.byPointer(this);
        List<String> trouble = new ArrayList<>();
        Map<String, Integer> presses = new HashMap<>();
        for (Gesture gesture : gestures) {
            int before = way.presses();
            answers.folder = gesture.name().startsWith("add ") ? folder.resolve(gesture.name().substring(4)) : folder.resolve("handed");
            try {
                gesture.act().by(way);
                settle();
                await(gesture.done());
            } catch (Exception | AssertionError e) {
                throw new AssertionError(gesture.name() + ": " + e.getMessage(), e);
            }
            presses.put(gesture.name(), way.presses() - before);
            cut().forEach(words -> trouble.add(gesture.name() + ": cut: " + words));
            tooWide().forEach(pane -> trouble.add(gesture.name() + ": " + pane));
            faint().forEach(words -> trouble.add(gesture.name() + ": faint: " + words));
        }
        assertThat(trouble).isEmpty();
        int least = Stream.of("add dunes", "choose a frame rate", "say who it is for", "make the files").mapToInt(presses::get).sum();
        assertThat(least).as("presses from the empty window to proven files, letters not counted")
                .isLessThanOrEqualTo(way instanceof ByKeys ? 24 : 8);
    }
}
