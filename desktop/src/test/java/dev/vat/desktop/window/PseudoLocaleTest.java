package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.pseudo.PseudoWords;
import java.util.Locale;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.text.Text;
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
    private static final Pattern NAMES = Pattern.compile("kite_with\\S*|dunes\\S*|pier\\S*|[./]\\S*|\\{\\w+}"
            + "|\\w+\\.(mov|mp4|png)|(Ctrl|Shift|Alt|Meta)\\+?\\S*|\\b(Space|Escape|Home|End|Enter|Up|Down|Left|Right|Delete|Vat"
            + "|ProRes|HQ|MOV|MP4|MKV|MXF|AVI|WebM|GIF|APNG|WebP|PNG|JPEG|TIFF|EXR|DPX|TGA|BMP|Cineon|AVIF|HEIF|Radiance|PFM|PPM|SGI|PSD|ZIP|Rec|PCM|AAC|Opus|High|bit|fps|dB|dBTP|LUFS"
            + "|KB|MB|GB|sRGB|RGB|PSNR|SSIM|LUT|DNxHR|DNxHD|Hap|AV1|VP9|FFV1|MPEG|Main|SDR|HDR|PQ|HLG)\\b");
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

    @Test
    void noWordsStandInCode() throws Exception {
        TreeSet<String> plain = new TreeSet<>();
        tour(screen -> {
            for (Node node : shown()) {
                if (isOfAHelpPage(node)) {
                    continue;
                }
                words(node).filter(w -> PLAIN.matcher(NAMES.matcher(w).replaceAll("")).find()).map(w -> node.getId() + ": " + w)
                        .forEach(plain::add);
            }
        });
        assertThat(plain).isEmpty();
    }

    @Test
    void wordsThatAreLongerFitAt1280() throws Exception {
        nothingIsCut(1280, 800);
    }

    @Test
    void wordsThatAreLongerFitAt1024() throws Exception {
        nothingIsCut(1024, 700);
    }
}
