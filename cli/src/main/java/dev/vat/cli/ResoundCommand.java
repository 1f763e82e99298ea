package dev.vat.cli;

import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Moment;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.engine.run.Remake;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "resound", mixinStandardHelpOptions = true)
final class ResoundCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ResoundCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Option(names = "--with", paramLabel = "SOUND")
    private Path sound;

    @Option(names = "--at", paramLabel = "TIME")
    private String at;

    @Option(names = "--loudness", paramLabel = "LUFS")
    private String loudness;

    @Option(names = "--json")
    private boolean json;

    ResoundCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        MadeFile made = MadeFile.of(file, places);
        Remake remake = made.remake();
        LoudnessTarget level = loudness == null ? null : MakeCommand.parse(loudness, LoudnessTarget::parse);
        return new CommandRun(output, places).make(remake.planWithSound(sound == null ? null : heard(remake, made.plan().rate()), level),
                null);
    }

    private ReelSound heard(Remake remake, Rate rate) throws IOException, InterruptedException {
        Path absolute = sound.toAbsolutePath().normalize();
        if (!Files.isRegularFile(absolute)) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("isNoFileThatIsThere", absolute));
        }
        Rational begin = at == null ? Rational.ZERO : MakeCommand.parse(at, text -> Moment.parse(text, rate));
        try (Viewer viewer = new Viewer(places)) {
            ClipFacts facts = viewer.probe(absolute).get();
            if (facts.sounds().isEmpty()) {
                throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("hasNoSound", absolute.getFileName()));
            }
            return ReelSound.of(absolute, facts.sounds().getFirst(), begin, remake.seconds());
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        } catch (ExecutionException e) {
            throw new IOException(e.getCause().getMessage(), e.getCause());
        }
    }
}
