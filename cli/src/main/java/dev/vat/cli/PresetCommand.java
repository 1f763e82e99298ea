package dev.vat.cli;

import dev.vat.core.delivery.Preset;
import dev.vat.core.project.Project;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.words.Words;
import dev.vat.engine.storage.PresetStore;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lists the presets that somebody keeps, shows one, keeps or removes one. */
@Command(name = "preset", mixinStandardHelpOptions = true)
final class PresetCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(PresetCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", arity = "0..1", paramLabel = "NAME")
    private String name;

    @Option(names = "--save")
    private boolean save;

    @Option(names = "--import", paramLabel = "FILE")
    private Path file;

    @Option(names = "--remove")
    private boolean remove;

    @Mixin
    private final FileChoices choices = new FileChoices();

    @Option(names = "--json")
    private boolean json;

    PresetCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        PresetStore store = PresetStore.in(places);
        if (file != null) {
            kept(store.keep(imported()));
        } else if (name == null) {
            list(store.list());
        } else if (save) {
            kept(store.keep(made()));
        } else if (remove) {
            Preset preset = named(store);
            store.forget(preset.name());
            output.event("removed", "name", preset.name());
            output.answer(WORDS.say("removed", preset.name()));
        } else {
            output.answer(named(store).toText().strip());
        }
        return ExitCode.PROVEN.code();
    }

    private Preset named(PresetStore store) throws IOException {
        String there = store.list().stream().map(Preset::name).collect(Collectors.joining(", "));
        return store.find(name).orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE,
                WORDS.say("noSuchPreset", name, there.isEmpty() ? WORDS.say("none") : there)));
    }

    private Preset imported() {
        try {
            return Preset.parse(Files.readString(file));
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, file + ": " + e.getMessage());
        } catch (IOException e) {
            throw new CommandFailure(ExitCode.FAILED, WORDS.say("cantBeRead", file));
        }
    }

    /** Of the one target that is named, with what was said of it. */
    private Preset made() {
        Project project = choices.apply(choices.files(Project.EMPTY, places), null);
        if (project.deliverables().size() != 1) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("ofOneTarget", project.deliverables().size()));
        }
        return MakeCommand.parse(name, text -> Preset.of(text, project.deliverables().getFirst()));
    }

    private void kept(Preset preset) {
        output.event("preset", "name", preset.name(), "target", preset.column().target());
        output.answer(WORDS.say("kept", preset.name()));
    }

    private void list(List<Preset> presets) {
        if (presets.isEmpty()) {
            output.answer(WORDS.say("nothingKept"));
        }
        for (Preset preset : presets) {
            List<String> changes = DeliverableSettings.changes(preset.column());
            output.event("preset", "name", preset.name(), "target", preset.column().target(), "changes", changes);
            output.answer(preset.name() + "   " + preset.column().target() + (changes.isEmpty() ? "" : "   " + String.join("; ", changes)));
        }
    }
}
