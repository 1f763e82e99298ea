package dev.vat.cli;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;

/** The page of all commands, from what they say of themselves. */
final class CommandsPage {

    private final StringBuilder page = new StringBuilder();

    private CommandsPage() {}

    static String text() {
        CommandsPage made = new CommandsPage();
        CommandLine vat = Vat.described();
        made.line("# Commands");
        made.line("");
        made.line(
                "Made from the commands themselves (`COMMANDS_WRITE=1 mvn test -pl cli -am -Dtest=CommandsPageTest`). Paths alone, or "
                        + "nothing, open the window. `vat help COMMAND` says the same on the spot.");
        made.line("");
        made.line(
                "Answers go to standard output (what was found; what was made, with frames, length, size and bytes), progress and words "
                        + "about them to standard error; with `--json`, JSON and nothing else goes to standard output. A misspelt "
                        + "command or option is answered with the nearest.");
        made.line("");
        made.line("| Exit code | |");
        made.line("|---|---|");
        made.line("| 0 | made and proven |");
        made.line("| 1 | failed, or the answer couldn't be written |");
        made.line("| 2 | wrong use, or what was named isn't there |");
        made.line("| 3 | findings stand in the way of a file; the others are made |");
        made.line("| 4 | made but not proven |");
        made.line("| 5 | stopped by the user, whatever it did |");
        made.line("");
        made.line(
                "The first Ctrl+C finishes the frame and keeps what is closed, a second one ends at once; either way "
                        + "`vat resume` goes on.");
        vat.getSubcommands().values().forEach(made::command);
        return made.page.toString();
    }

    private void command(CommandLine line) {
        CommandSpec command = line.getCommandSpec();
        line("");
        line("## " + command.qualifiedName());
        line("");
        line(plain(String.join(" ", command.usageMessage().description())));
        line("");
        line("```");
        List.of(command.usageMessage().footer()).forEach(e -> line(e.strip().replace("%%", "%")));
        line("```");
        line("");
        Stream<ArgSpec> places = command.positionalParameters().stream().map(ArgSpec.class::cast);
        Stream<ArgSpec> options = command.options().stream().filter(o -> !o.usageHelp() && !o.versionHelp() && !o.hidden())
                .map(ArgSpec.class::cast);
        List<ArgSpec> all = Stream.concat(places, options).toList();
        if (!all.isEmpty()) {
            line("| | |");
            line("|---|---|");
            all.forEach(a -> line("| `" + name(a).replace("|", "\\|") + "` | "
                    + plain(String.join(" ", a.description()).replace("${DEFAULT-VALUE}", String.valueOf(a.defaultValue())))
                            .replace("|", "\\|").replace("<", "&lt;")
                    + " |"));
        }
        line.getSubcommands().values().forEach(this::command);
    }

    private static String name(ArgSpec argument) {
        return argument instanceof OptionSpec option
                ? Stream.of(option.names()).collect(Collectors.joining(", "))
                        + (option.arity().max() == 0 ? "" : " " + argument.paramLabel())
                : argument.paramLabel();
    }

    private static String plain(String words) {
        return words.replace("%n", " ").replace("%%", "%");
    }

    private void line(String line) {
        page.append(line).append('\n');
    }
}
