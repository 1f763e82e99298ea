package dev.vat.cli;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.ShapeSizes;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "shape", mixinStandardHelpOptions = true)
final class ShapeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ShapeCommand.class);

    private static final int USUAL_WIDTH = 1920;
    private static final double EXACT = .005;
    /** Pixels of computers, of standard definition in both shapes and both standards (ITU-R BT.601), of 1440 columns, and squeezed ones. */
    private static final List<PixelAspect> USUAL = List.of(PixelAspect.SQUARE, PixelAspect.of(16, 15), PixelAspect.of(64, 45),
            PixelAspect.of(8, 9), PixelAspect.of(32, 27), PixelAspect.of(4, 3), PixelAspect.of(2, 1));

    private final Output output;

    @Parameters(index = "0", paramLabel = "SHAPE|SIZE")
    private String what;

    @Option(names = "--width", paramLabel = "COLUMNS")
    private Integer width;

    @Option(names = "--pixel", paramLabel = "W:H")
    private String pixel;

    ShapeCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        try {
            PixelAspect aspect = pixel == null ? PixelAspect.SQUARE : new PixelAspect(ShapeSizes.parse(pixel));
            if (what.matches("\\d+x\\d+")) {
                stored(Size.parse(what), aspect);
            } else {
                candidates(ShapeSizes.parse(what), width == null ? USUAL_WIDTH : width, aspect);
            }
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        return ExitCode.PROVEN.code();
    }

    /** With pixels of the shape that was said, or else of all that are usual; and as large as that is at another width. */
    private void stored(Size size, PixelAspect aspect) {
        for (PixelAspect each : pixel == null ? USUAL : List.of(aspect)) {
            output.answer(WORDS.say("storedSeenTo1", size, each, each.seen(size), each.displayAspect(size).toDecimal(3)));
        }
        if (width != null) {
            candidates(aspect.displayAspect(size), width, PixelAspect.SQUARE);
        }
    }

    private void candidates(Rational shape, int columns, PixelAspect aspect) {
        output.answer(WORDS.say("at", shape.toDecimal(3), columns, aspect));
        ShapeSizes.at(shape, columns, aspect)
                .forEach(c -> output.answer("  " + c.size() + "  " + (Math.abs(c.off()) < EXACT ? WORDS.say("exact")
                        : WORDS.say(c.off() > 0 ? "wider" : "narrower", Words.decimal(Math.abs(c.off()), 2)))));
    }
}
