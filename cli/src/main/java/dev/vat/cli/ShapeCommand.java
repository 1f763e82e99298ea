package dev.vat.cli;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.ShapeSizes;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "shape", mixinStandardHelpOptions = true)
final class ShapeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ShapeCommand.class);

    private final Output output;

    @Parameters(index = "0", paramLabel = "SHAPE|SIZE")
    private String what;

    @Option(names = "--width", paramLabel = "COLUMNS", defaultValue = "1920")
    private int width;

    @Option(names = "--pixel", paramLabel = "W:H", defaultValue = "1:1")
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
                output.answer(
                        WORDS.say("storedSeenTo1", stored, aspect.seen(stored), aspect.displayAspect(stored).toDecimal(3)));
            } else {
                ShapeSizes.at(ShapeSizes.parse(what), width, aspect)
                        .forEach(c -> output.answer("%s  %+.2f %%".formatted(c.size(), c.off())));
            }
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        return ExitCode.PROVEN.code();
    }
}
