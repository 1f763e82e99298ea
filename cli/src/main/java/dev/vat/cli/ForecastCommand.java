package dev.vat.cli;

import dev.vat.core.source.RenderForecast;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "forecast", mixinStandardHelpOptions = true,
        description = "Says how long a render will take, from the time of one test frame, and shows the sum.")
final class ForecastCommand implements Callable<Integer> {

    private final Output output;

    @Parameters(index = "0", paramLabel = "FIRST-LAST", description = "The frames to be rendered: 1-312.")
    private String range;

    @Option(names = "--frame", required = true, paramLabel = "SECONDS", description = "What the test frame took.")
    private String seconds;

    @Option(names = "--start", paramLabel = "SECONDS", defaultValue = "0", description = "What each machine needs before its first frame.")
    private String start;

    @Option(names = "--machines", paramLabel = "N", defaultValue = "1", description = "How many render at once.")
    private int machines;

    @Option(names = "--pixels", paramLabel = "RATIO", defaultValue = "1",
            description = "Pixels of a final frame over those of the test frame: 4 if it was half as wide and half as high.")
    private String pixels;

    @Option(names = "--price", paramLabel = "AMOUNT", description = "Of one machine for an hour.")
    private String price;

    ForecastCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        try {
            output.line(new RenderForecast(FrameRange.parse(range).count(), number(seconds), number(start), machines, number(pixels),
                    price == null ? null : number(price)).formula());
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        return ExitCode.PROVEN.code();
    }

    private static Rational number(String text) {
        return Rational.parse(text.strip().replace(',', '.'));
    }
}
