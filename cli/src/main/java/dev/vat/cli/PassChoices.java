package dev.vat.cli;

import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.picture.Rgb;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import picocli.CommandLine.Option;

/** How passes go together, where it isn't as their names say. */
final class PassChoices {

    private static final Words WORDS = Words.of(PassChoices.class);

    @Option(names = "--tint", paramLabel = "PASS=RRGGBB")
    private List<String> tints = new ArrayList<>();

    @Option(names = "--gain", paramLabel = "PASS=NUMBER")
    private List<String> gains = new ArrayList<>();

    @Option(names = "--order", paramLabel = "PASS,PASS", split = ",")
    private List<String> order = new ArrayList<>();

    @Option(names = "--leave-out", paramLabel = "PASS")
    private List<String> left = new ArrayList<>();

    /** @throws CommandFailure if a pass isn't there, or a value can't be used */
    PassMix apply(PassMix found) {
        PassMix mix = found;
        mix = each(mix, tints, (pass, text) -> pass.withTint(Rgb.parse(text)));
        mix = each(mix, gains, (pass, text) -> pass.withGain(Rational.parse(text)));
        for (String name : left) {
            mix = mix.with(place(mix, name), p -> p.withOff(true));
        }
        return order.isEmpty() ? mix : ordered(mix);
    }

    private static PassMix each(PassMix mix, List<String> said, BiFunction<Pass, String, Pass> change) {
        PassMix changed = mix;
        for (String one : said) {
            int equals = one.indexOf('=');
            if (equals < 0) {
                throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("sayItAsPassAndValue", one));
            }
            String value = one.substring(equals + 1);
            changed = changed.with(place(changed, one.substring(0, equals)), p -> MakeCommand.parse(value, text -> change.apply(p, text)));
        }
        return changed;
    }

    /** Those that are named, the lowest first; the full picture, which gives its alpha, stays the last, and what isn't named before it. */
    private PassMix ordered(PassMix mix) {
        order.forEach(name -> place(mix, name));
        List<String> names = order.stream().map(String::strip).toList();
        return new PassMix(mix.passes().stream().sorted(Comparator.comparingInt(p -> p.operation() == Operation.ALPHA ? Integer.MAX_VALUE
                : names.contains(p.name()) ? names.indexOf(p.name()) : names.size())).toList());
    }

    private static int place(PassMix mix, String name) {
        for (int i = 0; i < mix.passes().size(); i++) {
            if (mix.passes().get(i).name().equals(name.strip())) {
                return i;
            }
        }
        throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereIsNoPass", name.strip(),
                mix.passes().stream().map(Pass::name).collect(Collectors.joining(", "))));
    }
}
