package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.picture.PixelAspect;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "rewrap", mixinStandardHelpOptions = true)
final class RewrapCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Parameters(index = "1", paramLabel = "NEW")
    private Path target;

    @Option(names = "--from", paramLabel = "FRAME")
    private Long from;

    @Option(names = "--to", paramLabel = "FRAME")
    private Long to;

    @Option(names = "--sound", paramLabel = "FILE")
    private Path sound;

    @Option(names = "--silent")
    private boolean silent;

    @Option(names = "--pixel-aspect", paramLabel = "W:H")
    private String pixelAspect;

    @Option(names = "--colours", paramLabel = "NAME")
    private String colours;

    @Option(names = "--json")
    private boolean json;

    RewrapCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        return CommandRepack.run(places, output,
                new RepackOrder.Rewrap(CommandRepack.there(file), CommandRepack.absolute(target), from, to,
                        sound == null ? null : CommandRepack.absolute(sound), silent,
                        pixelAspect == null ? null : parse(pixelAspect, PixelAspect::parse), colours));
    }
}
