package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.ResourceBundle;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;

/** Every command, option and parameter says in words from the bundle what it is. */
class UsageTest {

    private static Stream<CommandLine> all(CommandLine line) {
        return Stream.concat(Stream.of(line), line.getSubcommands().values().stream().flatMap(UsageTest::all));
    }

    private static Stream<String> silent(CommandLine line) {
        CommandSpec command = line.getCommandSpec();
        Stream<String> arguments = command.args().stream().filter(a -> !a.hidden() && isBlank(a)).map(a -> command.qualifiedName() + " "
                + a.paramLabel() + " " + (a.isOption() ? String.join(" ", ((CommandLine.Model.OptionSpec) a).names()) : ""));
        boolean said = command.usageMessage().description().length > 0;
        return said ? arguments : Stream.concat(Stream.of(command.qualifiedName()), arguments);
    }

    private static boolean isBlank(ArgSpec argument) {
        return argument.description().length == 0 || argument.description()[0].isBlank();
    }

    @Test
    void nothingIsWithoutWords() {
        TreeSet<String> silent = new TreeSet<>();
        all(Vat.line(new Output(false))).flatMap(UsageTest::silent).forEach(silent::add);
        assertThat(silent).isEmpty();
    }

    /** They can be typed as they stand there: commands, options and how many words there are. */
    @Test
    void everyCommandHasTwoExamplesThatAreUnderstood() {
        all(Vat.line(new Output(false))).map(CommandLine::getCommandSpec).filter(c -> c.parent() != null).forEach(command -> {
            String[] examples = command.usageMessage().footer();
            assertThat(examples).as(command.qualifiedName()).hasSize(2);
            for (String example : examples) {
                assertThat(example.strip()).startsWith(command.qualifiedName() + " ");
                String[] words = Pattern.compile("\"([^\"]*)\"|(\\S+)").matcher(example.strip().replace("%%", "%")).results().skip(1)
                        .map(m -> m.group(1) == null ? m.group(2) : m.group(1)).toArray(String[]::new);
                assertThatCode(() -> Vat.line(new Output(false)).parseArgs(words)).as(example).doesNotThrowAnyException();
            }
        });
    }

    @Test
    void theVersionIsSaidWithTheLibrarys() {
        assertThat(Shell.run("--version").out().lines().toList()).hasSize(2).first().asString().startsWith("Vat ");
        assertThat(Shell.run("--version").out()).containsPattern("with media library \\d+\\.\\d+.*, Java \\d+");
    }

    @Test
    void helpIsAlsoACommand() {
        Shell split = Shell.run("help", "split");
        assertThat(split.code()).isZero();
        assertThat(split.out()).contains("For example:").contains("vat split delivered/sh010_edit.mov --every 10");
        assertThat(Shell.run("help", "scene", "render").out()).contains("--flaw hole@12");
        assertThat(Shell.run("help").out()).contains("contacts").contains("vat help make");
        assertThat(Shell.run("help", "splt").err()).contains("split");
    }

    @Test
    void noWordsAreLeftOver() {
        String usage = all(Vat.line(new Output(false))).map(CommandLine::getUsageMessage).reduce("", String::concat)
                .replaceAll("\\s+", " ");
        ResourceBundle bundle = ResourceBundle.getBundle("dev.vat.cli.usage");
        assertThat(bundle.keySet()).isNotEmpty().allSatisfy(key -> {
            String words = bundle.getString(key).replace("%n", " ").replace("%%", "%").replaceAll("\\s+", " ").strip();
            String start = words.substring(0, Math.min(words.length(), 24)).replaceAll("\\$\\{.*", "").strip();
            assertThat(usage).as(key).contains(start);
        });
    }
}
