package dev.vat.cli;

import dev.vat.core.setting.CommandOption;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A target with what is to be otherwise in its file alone: {@code web-h264,size=1280x720,clean}. What may stand there are the options of
 * settings without their dashes, and {@code accept}.
 *
 * @param id of the target
 */
record TargetChoice(String id, List<Given> given) {

    private static final Words WORDS = Words.of(TargetChoice.class);

    static final String ACCEPT = "accept";

    /** @param name without dashes @param value empty for a switch */
    record Given(String name, String value) {
        /** Whether a comma may stand in its value. */
        boolean mayGoOn() {
            return !value.isEmpty() && !name.equals(ACCEPT);
        }

        boolean is(CommandOption option) {
            return option.name().equals("--" + name);
        }
    }

    /** With something more said of it. @param name without dashes */
    TargetChoice with(String name, String value) {
        List<Given> more = new ArrayList<>(given);
        more.add(new Given(name, value));
        return new TargetChoice(id, List.copyOf(more));
    }

    /** @throws IllegalArgumentException naming what isn't known */
    static TargetChoice parse(String text) {
        String[] pieces = text.split(",");
        List<Given> given = new ArrayList<>();
        for (int i = 1; i < pieces.length; i++) {
            int equals = pieces[i].indexOf('=');
            String name = (equals < 0 ? pieces[i] : pieces[i].substring(0, equals)).strip();
            if (name.equals(ACCEPT) && equals > 0) {
                given.add(new Given(name, pieces[i].substring(equals + 1)));
                continue;
            }
            Optional<CommandOption> option = option(name);
            if (option.isPresent() && (option.get().value() == null) == equals < 0) {
                given.add(new Given(name, equals < 0 ? "" : pieces[i].substring(equals + 1)));
            } else if (equals >= 0 || given.isEmpty() || !given.getLast().mayGoOn()) {
                throw new IllegalArgumentException(option.isEmpty() ? WORDS.say("noSuchSetting", name, names())
                        : WORDS.say(equals < 0 ? "wantsAValue" : "hasNoValue", name));
            } else {
                // A comma may be part of a value: quality=18, at most 8M.
                Given last = given.removeLast();
                given.add(new Given(last.name, last.value + "," + pieces[i]));
            }
        }
        return new TargetChoice(pieces[0].strip(), List.copyOf(given));
    }

    private static Optional<CommandOption> option(String name) {
        return DeliverableSettings.all().stream().flatMap(s -> s.options().stream()).filter(o -> o.name().equals("--" + name)).findFirst();
    }

    private static String names() {
        return DeliverableSettings.all().stream().flatMap(s -> s.options().stream()).map(o -> o.name().substring(2)).sorted()
                .collect(Collectors.joining(", "));
    }
}
