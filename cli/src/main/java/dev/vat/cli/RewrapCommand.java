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

@Command(name = "rewrap", mixinStandardHelpOptions = true,
        description = "Puts a movie's tracks into a new file without encoding them anew: another container, other ends, another "
                + "sound, other tags.")
final class RewrapCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE", description = "A movie.")
    private Path file;

    @Parameters(index = "1", paramLabel = "NEW", description = "The new file; its ending says the container.")
    private Path target;

    @Option(names = "--from", paramLabel = "FRAME", description = "First frame, counted from 0; the nearest before that stands alone "
            + "is taken.")
    private Long from;

    @Option(names = "--to", paramLabel = "FRAME", description = "Last frame.")
    private Long to;

    @Option(names = "--sound", paramLabel = "FILE", description = "Another file's sound in place of its own, packed as it is.")
    private Path sound;

    @Option(names = "--silent", description = "Without its sound.")
    private boolean silent;

    @Option(names = "--pixel-aspect", paramLabel = "W:H", description = "The shape of pixels to be stated: 16:11.")
    private String pixelAspect;

    @Option(names = "--colours", paramLabel = "NAME", description = "Colours to be stated: rec709, rec601-625, rec601-525, "
            + "rec2020-pq, rec2020-hlg, srgb.")
    private String colours;

    @Option(names = "--json", description = "JSON lines on standard output.")
    private boolean json;

    RewrapCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        return CommandRepack.run(places, output,
                new RepackOrder.Rewrap(CommandRepack.absolute(file), CommandRepack.absolute(target), from, to,
                        sound == null ? null : CommandRepack.absolute(sound), silent,
                        pixelAspect == null ? null : parse(pixelAspect, PixelAspect::parse), colours));
    }
}
