package dev.vat.dist;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;

/** The manual page of all commands, in the language of man(7), from what the commands say of themselves. */
final class ManPage {

    private final StringBuilder page = new StringBuilder();

    private ManPage() {}

    static String of(CommandLine vat, String version) {
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
        made.text(said(vat.getCommandSpec()));
        made.text("Paths alone open the window with them: folders of frames, movies, stills, sounds, or a project.");
        made.line(".SH COMMANDS");
        vat.getSubcommands().values().forEach(made::command);
        made.line(".SH EXIT STATUS");
        made.text("0 made and proven, 1 failed, 2 wrong use, 3 stopped by findings, 4 made but not proven, 5 stopped by the user.");
        return made.page.toString();
    }

    private static String said(CommandSpec command) {
        return String.join(" ", command.usageMessage().description());
    }

    private void command(CommandLine line) {
        CommandSpec command = line.getCommandSpec();
        line(".SS " + escaped(command.qualifiedName()));
        text(said(command));
        Stream<ArgSpec> places = command.positionalParameters().stream().map(ArgSpec.class::cast);
        Stream<ArgSpec> options = command.options().stream().filter(o -> !o.usageHelp() && !o.versionHelp() && !o.hidden())
                .map(ArgSpec.class::cast);
        Stream.concat(places, options).forEach(this::argument);
        List<String> examples = List.of(command.usageMessage().footer());
        if (!examples.isEmpty()) {
            line(".PP");
            line("For example:");
            line(".nf");
            examples.forEach(e -> line(escaped(e.replace("%%", "%"))));
            line(".fi");
        }
        line.getSubcommands().values().forEach(this::command);
    }

    private void argument(ArgSpec argument) {
        String name = argument instanceof OptionSpec option ? Stream.of(option.names()).map(n -> "\\fB" + escaped(n) + "\\fR")
                .collect(Collectors.joining(", ")) + (option.arity().max() == 0 ? "" : " \\fI" + escaped(argument.paramLabel()) + "\\fR")
                : "\\fI" + escaped(argument.paramLabel()) + "\\fR";
        line(".TP");
        line(name);
        text(String.join(" ", argument.description()).replace("${DEFAULT-VALUE}", String.valueOf(argument.defaultValue())));
    }

    private void text(String words) {
        line(escaped(words.replace("%n", " ").replace("%%", "%")));
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
