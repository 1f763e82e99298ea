package dev.vat.cli;

/** The page of all commands, from what they say of themselves. */
final class CommandsPage {

    private final StringBuilder page = new StringBuilder();

    private CommandsPage() {}

    static String text() {
        CommandsPage made = new CommandsPage();
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
        CommandText.all().commands().forEach(made::command);
        return made.page.toString();
    }

    private void command(CommandText command) {
        line("");
        line("## " + command.name());
        line("");
        line(command.says());
        line("");
        line("```");
        command.examples().forEach(this::line);
        line("```");
        line("");
        if (!command.arguments().isEmpty()) {
            line("| | |");
            line("|---|---|");
            command.arguments().forEach(a -> line("| `" + cell(name(a)) + "` | " + cell(a.says()).replace("<", "&lt;") + " |"));
        }
        command.commands().forEach(this::command);
    }

    private static String name(CommandText.Argument argument) {
        return (String.join(", ", argument.names()) + " " + argument.value()).strip();
    }

    private static String cell(String words) {
        return words.replace("|", "\\|");
    }

    private void line(String line) {
        page.append(line).append('\n');
    }
}
