package dev.vat.cli;

import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import picocli.CommandLine.Option;

/** Which frames there should be of a sequence: said once, it decides what is missing for every command. */
final class ExpectedChoices {

    @Option(names = "--expect", paramLabel = "FIRST-LAST", descriptionKey = "expect")
    private String range;

    @Option(names = "--step", paramLabel = "N", descriptionKey = "step")
    private String step;

    boolean isSaid() {
        return range != null;
    }

    /** A reading with what was said. @throws CommandFailure for what is no range or no step */
    Reading of(Reading reading) {
        Reading expected = range == null ? reading : reading.withExpected(MakeCommand.parse(range, FrameRange::parse));
        return step == null ? expected : expected.withCadence(expected.cadence().withEvery(MakeCommand.parse(step, Long::parseLong)));
    }
}
