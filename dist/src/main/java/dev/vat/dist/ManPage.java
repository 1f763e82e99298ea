package dev.vat.dist;

import dev.vat.cli.CommandText;
import java.util.stream.Collectors;

/** The manual page of all commands, in the language of man(7), from what the commands say of themselves. */
final class ManPage {

    private final StringBuilder page = new StringBuilder();

    private ManPage() {}

    static String of(CommandText vat, String version) {
        ManPage made = new ManPage();
        made.line(".TH VAT 1 \"\" \"Vat " + version + "\" \"\"");
        made.line(".SH NAME");
        made.line("vat \\- from rendered frames to proven video files");
        made.line(".SH SYNOPSIS");
        made.line(".B vat");
        made.line("[\\fIPATH\\fR...]");
        made.line(".br");
        made.line(".B vat");
        made.line("\\fICOMMAND\\fR [\\fIOPTION\\fR...]");
        made.line(".SH DESCRIPTION");
        made.text(vat.says());
        made.text("Paths alone open the window with them: folders of frames, movies, stills, sounds, or a project.");
        made.line(".SH COMMANDS");
        vat.commands().forEach(made::command);
        made.line(".SH EXIT STATUS");
        made.text("0 made and proven, 1 failed, 2 wrong use, 3 stopped by findings, 4 made but not proven, 5 stopped by the user.");
        return made.page.toString();
    }

    private void command(CommandText command) {
        line(".SS " + escaped(command.name()));
        text(command.says());
        command.arguments().forEach(this::argument);
        if (!command.examples().isEmpty()) {
            line(".PP");
            line("For example:");
            line(".nf");
            command.examples().forEach(this::text);
            line(".fi");
        }
        command.commands().forEach(this::command);
    }

    private void argument(CommandText.Argument argument) {
        line(".TP");
        String names = argument.names().stream().map(n -> "\\fB" + escaped(n) + "\\fR").collect(Collectors.joining(", "));
        line((names + (argument.value().isEmpty() ? "" : " \\fI" + escaped(argument.value()) + "\\fR")).strip());
        text(argument.says());
    }

    private void text(String words) {
        line(escaped(words));
    }

    /** A line that began with a point or an apostrophe would be a command of the formatter's. */
    private void line(String line) {
        page.append(line).append('\n');
    }

    private static String escaped(String text) {
        String plain = text.replace("\\", "\\e").replace("-", "\\-");
        return plain.startsWith(".") || plain.startsWith("'") ? "\\&" + plain : plain;
    }
}
