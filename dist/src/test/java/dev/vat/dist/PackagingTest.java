package dev.vat.dist;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.cli.CommandText;
import dev.vat.core.product.VatVersion;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the tools are told for each system, as text: only the one that packages carries it out (.ci/package looks at what came of it). */
class PackagingTest {

    private static final Path HERE = Path.of("build");

    @ParameterizedTest
    @CsvSource({"Linux, deb, dpkg-deb", "Windows 11, msi, WiX", "Mac OS X, dmg, Xcode"})
    void everySystemHasItsInstallerAndSaysWhatThatNeeds(String system, String installer, String needs) {
        Target target = Target.of(system);
        assertThat(target.installer()).isEqualTo(installer);
        assertThat(target.prerequisite()).contains(needs);
        List<String> told = target.installer(HERE.resolve("image"), HERE.resolve("vat.associations"), "0.1.0", HERE);
        assertThat(told).containsSequence("--type", installer).containsSequence("--app-image", HERE.resolve("image").toString())
                .containsSequence("--file-associations", HERE.resolve("vat.associations").toString());
        assertThat(target.installsByJpackage()).isEqualTo(target != Target.LINUX);
    }

    @Test
    void theImageHasARuntimeOfItsOwnWithTheWindowsModules() throws Exception {
        List<String> runtime = Target.jlink(HERE.resolve("fx"), HERE.resolve("runtime"));
        assertThat(runtime).containsSequence("--module-path", HERE.resolve("fx").toString())
                .anySatisfy(modules -> assertThat(modules.split(",")).contains("java.desktop", "javafx.controls", "jdk.unsupported"));
        List<String> windows = Target.WINDOWS.image(HERE, HERE, HERE.resolve("vat.png"), HERE.resolve("command.properties"), "0.1.0", HERE);
        assertThat(windows).as("commands have a console of their own").containsSequence("--add-launcher",
                "vat=" + HERE.resolve("command.properties"));
        assertThat(windows).as("one option, one flag").containsSequence("--java-options", "-XX:+UseG1GC")
                .containsSequence("--java-options", "-Xmx1g");
        assertThat(windows).containsSequence("--main-class", "dev.vat.app.Main").containsSequence("--app-version", "0.1.0");
        assertThat(Target.LINUX.image(HERE, HERE, HERE, HERE, "0.1.0", HERE)).doesNotContain("--add-launcher");
    }

    @Test
    void theIconIsDrawnFromItsOwnFileInEverySize() throws Exception {
        Emblem emblem = Emblem.load();
        for (int size : Emblem.SIZES) {
            BufferedImage picture = emblem.draw(size);
            assertThat(picture.getWidth()).isEqualTo(size);
            assertThat(picture.getRGB(0, 0) >>> 24).as("nothing in the corner").isZero();
            assertThat(picture.getRGB(size / 2, size * 5 / 6) >>> 24).as("the tub").isEqualTo(255);
        }
        assertThat(Emblem.text()).doesNotContain("<!--", "id=");
    }

    @Test
    void theManualSaysEveryCommandWithItsExamples() {
        String page = ManPage.of(CommandText.all(), VatVersion.current());
        assertThat(page).startsWith(".TH VAT 1 ").contains(".SS vat make\n", ".SS vat scene render\n", "\\fB\\-\\-target\\fR");
        assertThat(page).contains("vat make renders/sh010 \\-\\-rate 25");
        // Words of ours never begin a line with what the formatter takes for its own commands.
        assertThat(page.lines().filter(l -> l.startsWith("."))).allMatch(l -> Pattern.matches(
                "\\.(TH|SH|SS|TP|PP|B|br|nf|fi)( .*)?", l));
        assertThat(page).doesNotContain("${", "%n", "%%");
    }

    @Test
    void thePackageSaysWhatItNeeds() {
        assertThat(DebianPackage.control("0.1.0", "amd64", 140_000)).contains("Package: vat\n", "Version: 0.1.0\n", "Architecture: amd64\n",
                "Installed-Size: 140000\n", "libgtk-3-0").endsWith(".\n");
    }
}
