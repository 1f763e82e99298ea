package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import dev.vat.desktop.TestFrames;
import java.nio.file.Path;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What is typed is kept: taken by Enter, Tab, a press elsewhere and before an action, and taken back by Escape alone. */
class TypedTest extends WindowCase {

    private void typeInto(String id, String text) throws Exception {
        await(() -> isThere(id));
        run(() -> {
            node(id).requestFocus();
            ((TextField) node(id)).setText(text);
        });
    }

    private void ready() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        press("rate-25");
        press("target-web-h264");
        settle();
    }

    private FrameRange range() throws Exception {
        return on(() -> session().project().source("s1").orElseThrow().reading().range());
    }

    @Test
    void aFolderThatWasTypedIsWhereTheFilesGoWithoutEnter() throws Exception {
        ready();
        press("face-out");
        settle();
        Path typed = folder.resolve("typed here");
        typeInto("folder", typed.toString());
        press("make");
        made();
        assertThat(typed.resolve("kite_web.mp4")).isRegularFile();
    }

    @Test
    void theKeysForMakeTakeItToo() throws Exception {
        ready();
        press("face-out");
        settle();
        Path typed = folder.resolve("by keys");
        typeInto("folder", typed.toString());
        hand.push(KeyCode.CONTROL, KeyCode.ENTER);
        made();
        assertThat(typed.resolve("kite_web.mp4")).isRegularFile();
    }

    @Test
    void goingElsewhereTakesAValueAndEscapeTakesItBack() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        typeInto("range", "2-4");
        type(KeyCode.TAB);
        settle();
        assertThat(range()).isEqualTo(FrameRange.of(2, 4));
        typeInto("range", "3-4");
        type(KeyCode.ESCAPE);
        settle();
        assertThat(on(() -> ((TextField) node("range")).getText())).isEqualTo("2-4");
        assertThat(range()).isEqualTo(FrameRange.of(2, 4));
    }

    @Test
    void aPressOnWhatNeverHasTheKeyboardTakesItAndUndoIsTheProjectsThen() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        typeInto("range", "2-4");
        hand.moveTo(node("picture-number")).click();
        settle();
        assertThat(range()).isEqualTo(FrameRange.of(2, 4));
        run(() -> node("range").requestFocus());
        hand.push(KeyCode.CONTROL, KeyCode.Z);
        settle();
        assertThat(range()).as("nothing is being typed").isNull();
        typeInto("range", "3-4");
        hand.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        settle();
        assertThat(range()).as("while something is being typed, the keys are the field's").isNull();
    }

    @Test
    void whatIsRefusedStaysWithItsReasonUnderItAndMakingWaits() throws Exception {
        ready();
        settle();
        typeInto("step", "every");
        run(() -> node("band").requestFocus());
        settle();
        assertThat(on(() -> ((TextField) node("step")).getText())).isEqualTo("every");
        assertThat(text("step-why")).isEqualTo("'every' is not a whole number from 1 on");
        hand.push(KeyCode.CONTROL, KeyCode.ENTER);
        settle();
        assertThat(on(() -> session().runs().lines())).isEmpty();
        assertThat(on(() -> node("step").isFocused())).as("what has to be dealt with has the keyboard").isTrue();
        type(KeyCode.ESCAPE);
        settle();
        assertThat(isThere("step-why")).isFalse();
        assertThat(on(() -> ((TextField) node("step")).getText())).as("Escape brings back what held before").isEqualTo("1");
        hand.push(KeyCode.CONTROL, KeyCode.ENTER);
        made();
        assertThat(on(() -> session().runs().lines())).hasSize(1);
    }
}
