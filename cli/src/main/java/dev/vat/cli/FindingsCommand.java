package dev.vat.cli;

import dev.vat.core.finding.Rule;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** What findings mean, and what to do about them. */
@Command(name = "findings", mixinStandardHelpOptions = true)
final class FindingsCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(FindingsCommand.class);

    private final Output output;

    @Parameters(arity = "0..*", paramLabel = "ID")
    private List<String> ids = List.of();

    @Option(names = "--json")
    private boolean json;

    FindingsCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        List<Rule> wanted = ids.isEmpty() ? Arrays.asList(Rule.values()) : ids.stream().map(FindingsCommand::rule).toList();
        if (json) {
            output.document(Map.of("findings", wanted.stream()
                    .map(r -> Map.of("id", r.id(), "about", r.group().title(), "title", r.title(), "meaning", r.meaning())).toList()));
            return ExitCode.PROVEN.code();
        }
        Rule.Group group = null;
        for (Rule rule : wanted) {
            if (ids.isEmpty() && rule.group() != group) {
                group = rule.group();
                output.answer(group.title());
            }
            output.answer("  %-20s %s. %s".formatted(rule.id(), rule.title(), rule.meaning()));
        }
        return ExitCode.PROVEN.code();
    }

    private static Rule rule(String id) {
        return Rule.find(id).orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE, WORDS.say("noSuch", id)));
    }
}
