package dev.vat.cli;

import dev.vat.core.source.RenderForecast;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "forecast", mixinStandardHelpOptions = true)
final class ForecastCommand implements Callable<Integer> {

    private final Output output;

    @Parameters(index = "0", paramLabel = "FIRST-LAST")
    private String range;

    @Option(names = "--frame", required = true, paramLabel = "SECONDS")
    private String seconds;

    @Option(names = "--start", paramLabel = "SECONDS", defaultValue = "0")
    private String start;

    @Option(names = "--machines", paramLabel = "N", defaultValue = "1")
    private int machines;

    @Option(names = "--pixels", paramLabel = "RATIO", defaultValue = "1")
    private String pixels;

    @Option(names = "--price", paramLabel = "AMOUNT")
    private String price;

    ForecastCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        try {
            output.answer(new RenderForecast(FrameRange.parse(range).count(), number(seconds), number(start), machines, number(pixels),
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
