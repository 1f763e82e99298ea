package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.pseudo.PseudoWords;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.text.Text;
import javafx.stage.Window;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * The window in accented English whose words are 40 % longer: whatever shows a word of plain letters has it from code instead of a bundle.
 * In a JVM of its own, since words are read once.
 */
@Tag("pseudo")
class PseudoLocaleTest extends ScreenCase {

    /** Names that are the same in every language: of formats, codecs, units, keys, standards, and those of the test's own files. */
    private static final Pattern NAMES = Pattern.compile("kite\\S*|dunes\\S*|pier\\S*|[./]\\S*|\\{\\w+}"
            + "|\\w+\\.(mov|mp4|png)|(Ctrl|Shift|Alt|Meta)\\+?\\S*"
            + "|\\b(Space|Escape|Home|End|Enter|Up|Down|Left|Right|Delete|Vat|ProRes|HQ|MOV|MP4|MKV|MXF|AVI|WebM|GIF"
            + "|APNG|WebP|PNG|JPEG|TIFF|EXR|DPX|TGA|BMP|Cineon|AVIF|HEIF|Radiance|PFM|PPM|SGI|PSD|ZIP|Rec|PCM|AAC|Opus"
            + "|High|bit|fps|dB|dBTP|LUFS|KB|MB|GB|sRGB|RGB|PSNR|SSIM|LUT|DNxHR|DNxHD|Hap|AV1|VP9|FFV1|MPEG|Main|SDR"
            + "|HDR|PQ|HLG|UTC|delivered|EDL|libav|avcodec|limited|avc1|bt709|AVC|SMPTE|ISO|IEC|ITU|SHA-256 \\w+)\\b");
    private static final Pattern PLAIN = Pattern.compile("[A-Za-z]{3,}");

    @BeforeEach
    void isPseudo() {
        assertThat(Locale.getDefault(Locale.Category.DISPLAY)).isEqualTo(PseudoWords.LOCALE);
    }

    private static Stream<String> words(Node node) {
        Stream<String> own = switch (node) {
            case Labeled labeled -> Stream.of(labeled.getText());
            case Text text -> Stream.of(text.getText());
            case TextInputControl input -> Stream.of(input.getPromptText());
            default -> Stream.empty();
        };
        Stream<String> beside = node instanceof Control control && control.getTooltip() != null
                ? Stream.of(control.getTooltip().getText()) : Stream.empty();
        return Stream.concat(Stream.concat(own, beside), Stream.of(node.getAccessibleText() == null ? "" : node.getAccessibleText()))
                .filter(w -> w != null);
    }

    /** Pages of help are files of their own, one for each language. */
    private static boolean isOfAHelpPage(Node node) {
        for (Node above = node; above != null; above = above.getParent()) {
            if ("help".equals(above.getId()) || above.getId() != null && above.getId().startsWith("command-help")) {
                return true;
            }
        }
        return false;
    }

    private static boolean isPlain(String words) {
        return PLAIN.matcher(NAMES.matcher(words).replaceAll("")).find();
    }

    private void look(TreeSet<String> plain) throws Exception {
        for (Node node : shown()) {
            if (!isOfAHelpPage(node)) {
                words(node).filter(PseudoLocaleTest::isPlain).map(w -> node.getId() + ": " + w).forEach(plain::add);
            }
        }
        Stream.of(on(() -> window.stage().getTitle())).filter(PseudoLocaleTest::isPlain).forEach(plain::add);
    }

    /** What a button's menu offers. */
    private void menu(String button, TreeSet<String> plain) throws Exception {
        press(button);
        on(() -> {
            for (Window each : List.copyOf(Window.getWindows())) {
                if (each instanceof ContextMenu menu) {
                    items(menu.getItems()).filter(PseudoLocaleTest::isPlain).map(w -> button + ": " + w).forEach(plain::add);
                    menu.hide();
                }
            }
            return null;
        });
        settle();
    }

    private static Stream<String> items(List<MenuItem> items) {
        return items.stream().flatMap(item -> Stream.concat(Stream.of(item.getText()), item instanceof Menu menu ? items(menu.getItems())
                : Stream.empty())).filter(w -> w != null);
    }

    @Test
    void noWordsStandInCode() throws Exception {
        TreeSet<String> plain = new TreeSet<>();
        tour(_ -> look(plain));
        assertThat(plain).isEmpty();
    }

    @Test
    void neitherInMenusNorInWhatIsSaidOfFilesThatWereMade() throws Exception {
        TreeSet<String> plain = new TreeSet<>();
        drop(TestFrames.png(folder, "kite", 10));
        menu("source-menu", plain);
        press("target-web-h264");
        press("face-reel");
        press("item-0");
        for (String button : List.of("item-menu", "view", "pace")) {
            menu(button, plain);
        }
        run(() -> session().chooseRate(Rate.FPS_25));
        press("make");
        made();
        press("face-out");
        menu("column-menu-web-h264", plain);
        for (String page : List.of("runs", "history", "hand-over-set")) {
            run(() -> window.mainView().press(page));
            settle();
            look(plain);
            if (page.equals("history")) {
                press("history-receipt");
                await(() -> isThere("receipt"));
                look(plain);
            }
        }
        assertThat(plain).isEmpty();
    }

    @Test
    @Tag("torture")
    void wordsThatAreLongerFitAt1280() throws Exception {
        nothingIsCut(1280, 800);
    }

    @Test
    void wordsThatAreLongerFitAt1024() throws Exception {
        nothingIsCut(1024, 700);
    }
}
