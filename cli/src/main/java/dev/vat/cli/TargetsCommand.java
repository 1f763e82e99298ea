package dev.vat.cli;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Target;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "targets", mixinStandardHelpOptions = true, description = "Lists the targets there are.")
final class TargetsCommand implements Callable<Integer> {

    private final Output output;

    @Option(names = "--json", description = "One JSON document on standard output.")
    private boolean json;

    TargetsCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        if (json) {
            List<Map<String, Object>> list = Catalogue.targets().stream().map(TargetsCommand::describe).toList();
            output.document(Map.of("targets", list));
        } else {
            for (Target target : Catalogue.targets()) {
                output.say("%-20s %s. %s".formatted(target.id(), target.title(), target.plays()));
            }
        }
        return ExitCode.PROVEN.code();
    }

    private static Map<String, Object> describe(Target target) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("id", target.id());
        line.put("title", target.title());
        line.put("container", target.container().title());
        line.put("codec", target.codec().title());
        line.put("depth", target.codec().codedBits());
        line.put("alpha", target.codec().hasAlpha());
        return line;
    }
}
