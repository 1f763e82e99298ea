package dev.vat.cli;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Target;
import dev.vat.core.delivery.Wish;
import dev.vat.core.words.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "targets", mixinStandardHelpOptions = true)
final class TargetsCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(TargetsCommand.class);

    private final Output output;

    @Option(names = "--codecs")
    private boolean codecs;

    @Option(names = "--wish", paramLabel = "WORDS")
    private String wish;

    @Option(names = "--json")
    private boolean json;

    TargetsCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        if (wish != null) {
            return answer();
        }
        if (json) {
            output.document(codecs ? Map.of("codecs", Catalogue.codecs().stream().map(TargetsCommand::describe).toList())
                    : Map.of("targets", Catalogue.targets().stream().map(TargetsCommand::describe).toList()));
        } else if (codecs) {
            for (Codec codec : Catalogue.codecs()) {
                output.answer(WORDS.say("in", "%-26s".formatted(codec.id()), codec.title(), codec.depthText(), codec.chroma().label(),
                        codec.hasAlpha() ? WORDS.say("alpha") : "", containers(codec), codec.plays()));
            }
        } else {
            String recipient = "";
            for (Target target : Catalogue.targets().stream().collect(Collectors.groupingBy(Target::recipient, LinkedHashMap::new,
                    Collectors.toList())).values().stream().flatMap(List::stream).toList()) {
                if (!target.recipient().equals(recipient)) {
                    recipient = target.recipient();
                    output.answer(recipient);
                }
                output.answer("  %-20s %s. %s".formatted(target.id(), target.title(), target.why()));
            }
        }
        return ExitCode.PROVEN.code();
    }

    private static String containers(Codec codec) {
        return codec.containers().stream().sorted().map(Container::title).collect(Collectors.joining(", "));
    }

    private static Map<String, Object> describe(Target target) {
        Settings settings = target.settings();
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("id", target.id());
        line.put("for", target.recipient());
        line.put("title", target.title());
        line.put("container", settings.container().title());
        line.put("codec", settings.codec().title());
        line.put("codecId", settings.codec().id());
        line.put("quality", settings.codec().words(settings.control()));
        line.put("depth", settings.codec().codedBits());
        line.put("alpha", settings.codec().hasAlpha());
        return line;
    }

    private Integer answer() {
        Wish.Answer answer;
        try {
            answer = Wish.answer(Wish.parse(wish));
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        List<String> left = Wish.notUnderstood(wish);
        if (!left.isEmpty()) {
            output.say(WORDS.say("notUnderstood", String.join(", ", left)));
        }
        if (json) {
            output.document(Map.of("notUnderstood", left, "wishes", answer.wishes().stream().map(Wish::words).toList(), "targets",
                    answer.meeting().stream().map(TargetsCommand::describe).toList(),
                    "obstacles", answer.obstacles(), "nearest", answer.nearest().stream().map(n -> describe(n.target())).toList()));
            return ExitCode.PROVEN.code();
        }
        output.answer(WORDS.say("wishedAFileThat", answer.wishes().stream().map(Wish::words).collect(Collectors.joining(", "))));
        answer.obstacles().forEach(output::answer);
        answer.nearest().forEach(n -> output.answer(WORDS.say("near", n.words())));
        answer.meeting().forEach(t -> output.answer("%-22s %s. %s".formatted(t.id(), t.title(), t.why())));
        return ExitCode.PROVEN.code();
    }

    private static Map<String, Object> describe(Codec codec) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("id", codec.id());
        line.put("title", codec.title());
        line.put("depth", codec.codedBits());
        line.put("chroma", codec.chroma().label());
        line.put("alpha", codec.alphaBits());
        line.put("containers", codec.containers().stream().sorted().map(Container::extension).toList());
        return line;
    }
}
