package dev.vat.cli;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.Target;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Project;
import dev.vat.core.setting.CommandOption;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.setting.Setting;
import dev.vat.core.setting.SettingView;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.engine.storage.PresetStore;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/**
 * What is said of files on the command line in place of what their targets have; it holds for every file. The options of settings come
 * from these.
 */
final class FileChoices {

    private static final Words WORDS = Words.of(FileChoices.class);

    private static final String QUALITY = "--quality";
    private static final List<String> OF_ONE = List.of("codec", "container");

    @Option(names = "--target", paramLabel = "ID[,SETTING=VALUE]")
    private List<String> targets = new ArrayList<>();

    @Option(names = "--preset", paramLabel = "NAME|FILE")
    private List<String> presets = new ArrayList<>();

    @Option(names = "--draft")
    private boolean draft;

    @Option(names = "--accept", paramLabel = "FINDING")
    private List<String> accept = new ArrayList<>();

    /** Whether several qualities may be said at once, each for a file of its own. */
    private final boolean several;
    private CommandSpec command;
    /** What is said of one file alone, by its column: it goes before what is said of all. */
    private final Map<String, TargetChoice> own = new HashMap<>();

    FileChoices() {
        this(false);
    }

    private FileChoices(boolean several) {
        this.several = several;
    }

    /** Of which {@code --quality 17,20,23} makes as many files of each target. */
    static FileChoices ofSeveralQualities() {
        return new FileChoices(true);
    }

    /** Adds an option for each that a setting has. */
    @Spec(Spec.Target.MIXEE)
    void mixInto(CommandSpec mixee) {
        command = mixee;
        for (Setting setting : DeliverableSettings.all()) {
            for (CommandOption option : setting.options()) {
                OptionSpec.Builder spec = OptionSpec.builder(option.name()).description(option.description());
                mixee.addOption(option.value() == null ? spec.type(boolean.class).arity("0").build()
                        : option.many() ? spec.paramLabel(option.value()).type(List.class).auxiliaryTypes(String.class).arity("1").build()
                                : spec.paramLabel(option.value()).type(String.class).arity("1").build());
            }
        }
    }

    /** Whether any target or preset is named. */
    boolean areThere() {
        return !targets.isEmpty() || !presets.isEmpty();
    }

    /** With those targets and presets alone that are named; with the project's own where none is. */
    Project files(Project project, Places places) {
        Project with = project;
        if (!targets.isEmpty() || !presets.isEmpty()) {
            with = project.withDeliverables(List.of());
            for (String text : targets) {
                TargetChoice choice = MakeCommand.parse(text, TargetChoice::parse);
                Target target = MakeCommand.parse(choice.id(), Catalogue::target);
                for (TargetChoice one : each(choice)) {
                    for (Deliverable column : columns(project, with, target)) {
                        with = DeliverableEdits.addColumn(column).apply(with);
                        own.put(with.deliverables().getLast().id(), one);
                    }
                }
            }
        }
        for (String preset : presets) {
            with = DeliverableEdits.addPreset(preset(preset, places)).apply(with);
        }
        if (with.deliverables().isEmpty()) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("sayWhoTheFileIsForWithTarget"));
        }
        return with;
    }

    /** The choice as it is, or one with each of several qualities. */
    private List<TargetChoice> each(TargetChoice choice) {
        return qualities().isEmpty() ? List.of(choice)
                : qualities().stream().map(quality -> choice.with(QUALITY.substring(2), quality)).toList();
    }

    private List<String> qualities() {
        Object said = command.findOption(QUALITY).getValue();
        return several && said != null && said.toString().matches("\\d+(,\\d+)+") ? List.of(said.toString().split(",")) : List.of();
    }

    /** Those that the project has for a target, or one as it usually is; a target that is named again is another file. */
    private static List<Deliverable> columns(Project project, Project so, Target target) {
        boolean again = so.deliverables().stream().anyMatch(d -> d.target().equals(target.id()));
        List<Deliverable> there = project.deliverables().stream().filter(d -> d.target().equals(target.id())).toList();
        return again || there.isEmpty() ? List.of(Deliverable.of(target)) : there;
    }

    private static Preset preset(String text, Places places) {
        try {
            Path file = Path.of(text);
            if (Files.isRegularFile(file)) {
                return Preset.parse(Files.readString(file));
            }
            return PresetStore.in(places).find(text)
                    .orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereIsNoPresetAndNoFile", text)));
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, text + ": " + e.getMessage());
        } catch (IOException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("cantBeRead", text, e.getMessage()));
        }
    }

    /**
     * What was said of the files in place of what targets and presets have.
     *
     * @param known the rate that was said, or null
     */
    Project apply(Project start, Rate known) {
        SettingView view = SettingView.of(known);
        requireDistinct(start);
        Project project = start;
        for (Deliverable deliverable : start.deliverables()) {
            String id = deliverable.id();
            List<TargetChoice.Given> given = own.containsKey(id) ? own.get(id).given() : List.of();
            try {
                for (String finding : accept) {
                    project = DeliverableEdits.accept(id, finding).apply(project);
                }
                for (TargetChoice.Given one : given) {
                    project = one.name().equals(TargetChoice.ACCEPT) ? DeliverableEdits.accept(id, one.value()).apply(project) : project;
                }
                for (Setting setting : DeliverableSettings.inOrder()) {
                    for (CommandOption option : setting.options()) {
                        List<String> alone = given.stream().filter(g -> g.is(option)).map(g -> absolute(g.value())).toList();
                        for (String text : alone.isEmpty() ? said(option) : alone) {
                            project = setting.edit(id, d -> option.said().on(view, d, text)).apply(project);
                        }
                    }
                }
            } catch (IllegalArgumentException e) {
                throw new CommandFailure(ExitCode.WRONG_USE, deliverable.title() + ": " + e.getMessage());
            }
        }
        return draft ? DeliverableEdits.setDraft(true).apply(project) : project;
    }

    /** What makes a target what it is can be said of one only: said of all, several targets would be one under several names. */
    private void requireDistinct(Project project) {
        if (project.deliverables().size() < 2) {
            return;
        }
        for (String name : OF_ONE) {
            if (!said(DeliverableSettings.of(name).options().getFirst()).isEmpty()) {
                throw new CommandFailure(ExitCode.WRONG_USE,
                        WORDS.say("sayItOfOneTarget", name, project.deliverables().getFirst().target()));
            }
        }
    }

    /** The values that an option was given, in their order; an empty one for a switch. */
    private List<String> said(CommandOption option) {
        Object value = option.name().equals(QUALITY) && !qualities().isEmpty() ? null : command.findOption(option.name()).getValue();
        return switch (value) {
            case null -> List.of();
            case Boolean on -> on ? List.of("") : List.of();
            case List<?> several -> several.stream().map(String::valueOf).toList();
            default -> List.of(absolute(value.toString()));
        };
    }

    /** The path of a picture behind, seen from here. */
    private static String absolute(String text) {
        return text.startsWith(Ground.PICTURE) ? Ground.PICTURE + Path.of(text.substring(Ground.PICTURE.length()).strip()).toAbsolutePath()
                : text;
    }
}
