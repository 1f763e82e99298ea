package dev.vat.cli;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Standing;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.LeadIn;
import dev.vat.core.source.Reading;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** How the pictures of a source are taken, in place of what its files state; it holds for every source of the reel. */
final class ReadingChoices {

    private static final Words WORDS = Words.of(ReadingChoices.class);

    private static final Map<String, AlphaKind> ALPHAS = Map.of("straight", AlphaKind.STRAIGHT, "premultiplied", AlphaKind.PREMULTIPLIED,
            "none", AlphaKind.NONE);
    private static final Map<String, ColourReading> COLOURS = Map.of("display", ColourReading.DISPLAY, "linear", ColourReading.LINEAR,
            "tagged", ColourReading.TAGGED, "display-srgb", ColourReading.DISPLAY.withToLight(ColourReading.Curve.SRGB), "display-2.4",
            ColourReading.DISPLAY.withToLight(ColourReading.Curve.BT1886), "display-2.2",
            ColourReading.DISPLAY.withToLight(ColourReading.Curve.GAMMA22));
    private static final Map<String, FieldReading> FIELDS = Map.of("kept", FieldReading.KEPT, "deinterlaced", FieldReading.DEINTERLACED,
            "each", FieldReading.EACH);

    private static final Map<String, Standing> STANDINGS = Map.of("upright", Standing.UPRIGHT, "stored", Standing.STORED);

    @Mixin
    private final ExpectedChoices expected = new ExpectedChoices();

    @Option(names = "--lead-in", paramLabel = "FRAMES", descriptionKey = "lead-in")
    private String leadIn;

    @Option(names = "--keep-length", descriptionKey = "keep-length")
    private boolean keepLength;

    @Option(names = "--layer", paramLabel = "NAME")
    private String layer;

    @Option(names = "--source-alpha", paramLabel = "KIND")
    private String alpha;

    @Option(names = "--source-colour", paramLabel = "KIND")
    private String colour;

    @Option(names = "--source-pixel-aspect", paramLabel = "W:H")
    private String pixelAspect;

    @Option(names = "--source-fields", paramLabel = "HOW")
    private String fields;

    @Option(names = "--source-orientation", paramLabel = "HOW")
    private String orientation;

    /** @throws CommandFailure if a word isn't one of those */
    Project apply(Project project) {
        Project edited = project;
        for (Source source : project.sources()) {
            Interpretation picture = source.reading().picture();
            picture = layer == null ? picture : picture.withLayer(layer);
            picture = alpha == null ? picture : picture.withAlpha(meaning(alpha, WORDS.say("kindOfAlpha"), ALPHAS));
            picture = colour == null ? picture : picture.withColour(meaning(colour, WORDS.say("wayToTakeColour"), COLOURS));
            picture = pixelAspect == null ? picture : picture.withPixelAspect(MakeCommand.parse(pixelAspect, PixelAspect::parse));
            picture = orientation == null ? picture
                    : picture.withStanding(meaning(orientation, WORDS.say("wayToTakeTurnedPictures"), STANDINGS));
            edited = picture.equals(source.reading().picture()) ? edited : SourceEdits.setPicture(source.id(), picture).apply(edited);
            edited = source.location().isSound() ? edited : taken(source).apply(edited);
            edited = fields == null ? edited
                    : SourceEdits.setFields(source.id(), meaning(fields, WORDS.say("wayToTakeFields"), FIELDS)).apply(edited);
        }
        return edited;
    }

    boolean saysWhatToExpect() {
        return expected.isSaid();
    }

    /** Which of a source's frames there should be, and which of them are taken. */
    private Edit taken(Source source) {
        Reading reading = expected.of(source.reading());
        Cadence cadence = reading.cadence();
        cadence = leadIn == null ? cadence
                : cadence.withLeadIn(MakeCommand.parse(leadIn, text -> LeadIn.parse(text, reading.rate())));
        return Edit.together(List.of(SourceEdits.setExpected(source.id(), reading.expected()),
                SourceEdits.setCadence(source.id(), keepLength ? cadence.withKeepLength(true) : cadence)));
    }

    /** What a word of a list means. @param what such as {@code kind of alpha} */
    private static <T> T meaning(String word, String what, Map<String, T> words) {
        T found = words.get(word);
        if (found == null) {
            throw new CommandFailure(ExitCode.WRONG_USE,
                    WORDS.say("isNoWrite", word, what, String.join(" or ", new TreeSet<>(words.keySet()))));
        }
        return found;
    }
}
