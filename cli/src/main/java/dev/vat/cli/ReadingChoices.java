package dev.vat.cli;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.source.Interpretation;
import picocli.CommandLine.Option;

/** How the pictures of a source are taken, in place of what its files state; it holds for every source of the reel. */
final class ReadingChoices {

    @Option(names = "--layer", paramLabel = "NAME", description = "Which picture of an EXR; '' for the one without a name.")
    private String layer;

    @Option(names = "--source-alpha", paramLabel = "KIND", description = "What alpha is: straight, premultiplied, or none to pass over it.")
    private String alpha;

    @Option(names = "--source-colour", paramLabel = "KIND", description = "How values are taken: display (kept, shown as Rec.709), linear "
            + "(light), or tagged (converted from what the files state).")
    private String colour;

    @Option(names = "--source-pixel-aspect", paramLabel = "W:H", description = "Shape of the source's pixels: 16:15.")
    private String pixelAspect;

    @Option(names = "--source-fields", paramLabel = "HOW", description = "How interlaced movies are taken: kept (both fields in each "
            + "frame) or deinterlaced.")
    private String fields;

    /** @throws CommandFailure if a word isn't one of those */
    Project apply(Project project) {
        Project edited = project;
        for (Source source : project.sources()) {
            Interpretation picture = source.reading().picture();
            picture = layer == null ? picture : picture.withLayer(layer);
            picture = alpha == null ? picture : picture.withAlpha(alphaKind());
            picture = colour == null ? picture : picture.withColour(colourReading());
            picture = pixelAspect == null ? picture : picture.withPixelAspect(MakeCommand.parse(pixelAspect, PixelAspect::parse));
            picture = fields == null ? picture : picture.withFields(fieldReading());
            edited = picture.equals(source.reading().picture()) ? edited : Edits.setPicture(source.id(), picture).apply(edited);
        }
        return edited;
    }

    private FieldReading fieldReading() {
        return switch (fields) {
            case "kept" -> FieldReading.KEPT;
            case "deinterlaced" -> FieldReading.DEINTERLACED;
            default -> throw new CommandFailure(ExitCode.WRONG_USE,
                    "'" + fields + "' is no way to take fields: write kept or deinterlaced");
        };
    }

    private AlphaKind alphaKind() {
        return switch (alpha) {
            case "straight" -> AlphaKind.STRAIGHT;
            case "premultiplied" -> AlphaKind.PREMULTIPLIED;
            case "none" -> AlphaKind.NONE;
            default -> throw new CommandFailure(ExitCode.WRONG_USE, "'" + alpha + "' is no kind of alpha: write straight, premultiplied "
                    + "or none");
        };
    }

    private ColourReading colourReading() {
        return switch (colour) {
            case "display" -> ColourReading.DISPLAY;
            case "linear" -> ColourReading.LINEAR;
            case "tagged" -> ColourReading.TAGGED;
            default -> throw new CommandFailure(ExitCode.WRONG_USE, "'" + colour + "' is no way to take colour: write display, linear or "
                    + "tagged");
        };
    }
}
