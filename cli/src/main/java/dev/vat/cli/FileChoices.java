package dev.vat.cli;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Ground;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Project;
import dev.vat.core.setting.CommandOption;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.setting.Setting;
import dev.vat.core.setting.SettingView;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/**
 * What is said of files on the command line in place of what their targets have; it holds for every file. The options of settings come
 * from these.
 */
final class FileChoices {

    @Option(names = "--draft")
    private boolean draft;

    @Option(names = "--accept", paramLabel = "FINDING")
    private List<String> accept = new ArrayList<>();

    private CommandSpec command;

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

    /** @param known the rate that was said, or null */
    Project apply(Project start, Rate known) {
        SettingView view = SettingView.of(known);
        Project project = start;
        for (Deliverable deliverable : start.deliverables()) {
            String id = deliverable.id();
            try {
                for (String finding : accept) {
                    project = DeliverableEdits.accept(id, finding).apply(project);
                }
                for (Setting setting : DeliverableSettings.inOrder()) {
                    for (CommandOption option : setting.options()) {
                        for (String text : said(option)) {
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

    /** The values that an option was given, in their order; an empty one for a switch. */
    private List<String> said(CommandOption option) {
        Object value = command.findOption(option.name()).getValue();
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
