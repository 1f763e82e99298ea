package dev.vat.cli;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.ShapeSizes;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "shape", mixinStandardHelpOptions = true, description = "Says what a shape is in stored pixels, or what shape a "
        + "stored size has.")
final class ShapeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ShapeCommand.class);

    private final Output output;

    @Parameters(index = "0", paramLabel = "SHAPE|SIZE", description = "2.39 or 16:9, with --width; or a stored size: 720x576.")
    private String what;

    @Option(names = "--width", paramLabel = "COLUMNS", defaultValue = "1920", description = "Stored columns.")
    private int width;

    @Option(names = "--pixel", paramLabel = "W:H", defaultValue = "1:1", description = "Shape of a pixel: 16:15.")
    private String pixel;

    ShapeCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        try {
            PixelAspect aspect = new PixelAspect(ShapeSizes.parse(pixel));
            if (what.matches("\\d+x\\d+")) {
                Size stored = Size.parse(what);
                output.line(
                        WORDS.say("storedSeenTo1", stored, aspect.seen(stored), aspect.displayAspect(stored).toDecimal(3)));
            } else {
                ShapeSizes.at(ShapeSizes.parse(what), width, aspect).forEach(c -> output.line("%s  %+.2f %%".formatted(c.size(), c.off())));
            }
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        return ExitCode.PROVEN.code();
    }
}
