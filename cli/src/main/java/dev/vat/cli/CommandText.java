package dev.vat.cli;

import java.util.List;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;

/**
 * What a command says of itself, for pages that are made from it.
 *
 * @param name with those of the commands that it belongs to: {@code vat scene render}
 * @param says what it does, in a sentence or two
 * @param arguments what it takes, places before options; help and version aside
 * @param examples as they are typed
 * @param commands that belong to it
 */
public record CommandText(String name, String says, List<Argument> arguments, List<String> examples, List<CommandText> commands) {

    /**
     * One thing that it takes.
     *
     * @param names of an option; nothing where its place says what it is
     * @param value what stands for its value, empty for none
     */
    public record Argument(List<String> names, String value, String says) {}

    /** The launcher itself, with every command below it. */
    public static CommandText all() {
        return of(Vat.described());
    }

    private static CommandText of(CommandLine line) {
        CommandSpec command = line.getCommandSpec();
        Stream<ArgSpec> places = command.positionalParameters().stream().map(ArgSpec.class::cast);
        Stream<ArgSpec> options = command.options().stream().filter(o -> !o.usageHelp() && !o.versionHelp() && !o.hidden())
                .map(ArgSpec.class::cast);
        return new CommandText(command.qualifiedName(), plain(String.join(" ", command.usageMessage().description())),
                Stream.concat(places, options).map(CommandText::argument).toList(),
                Stream.of(command.usageMessage().footer()).map(e -> plain(e).strip()).toList(),
                line.getSubcommands().values().stream().map(CommandText::of).toList());
    }

    private static Argument argument(ArgSpec argument) {
        String says = String.join(" ", argument.description()).replace("${DEFAULT-VALUE}", String.valueOf(argument.defaultValue()));
        boolean valued = !(argument instanceof OptionSpec option) || option.arity().max() > 0;
        return new Argument(argument instanceof OptionSpec option ? List.of(option.names()) : List.of(),
                valued ? argument.paramLabel() : "", plain(says));
    }

    private static String plain(String words) {
        return words.replace("%n", " ").replace("%%", "%");
    }
}
