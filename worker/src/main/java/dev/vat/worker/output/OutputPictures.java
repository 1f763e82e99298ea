package dev.vat.worker.output;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.convert.Conversion;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.lib.Kept;
import dev.vat.media.picture.Picture;
import dev.vat.protocol.ViewerMessage.OutputView;
import dev.vat.protocol.ViewerMessage.Taken;
import java.io.IOException;

/** Pictures as files will hold them, through the conversion that feeds a file's encoder. Belongs to one thread. */
public final class OutputPictures implements AutoCloseable {

    /** In which pictures of all kinds can be shown and compared. */
    public static final PictureKind EVEN = new PictureKind(WorkingFormat.W16, true, null);
    /** What files that Vat made hold. */
    public static final PictureReading FINISHED = PictureReading.of(AlphaKind.STRAIGHT, false);
    private static final int MOST_CONVERSIONS = 2;

    private final FrameMaker maker;
    private final Kept<OutputView, Conversion> conversions = new Kept<>(MOST_CONVERSIONS,
            view -> new Conversion(Catalogue.codec(view.codec()), view.size(), view.pixelAspect(), view.treatment()), Conversion::close);

    public OutputPictures(FrameMaker maker) {
        this.maker = maker;
    }

    /** A file's picture as its encoder takes it; the caller closes it. */
    public Picture converted(Recipe recipe, OutputView view) throws IOException {
        try (Picture working = maker.make(recipe, view.kind())) {
            return conversions.get(view).convert(working, recipe.words());
        }
    }

    /** The picture itself with its words in it, or that of a file as a reader would show it; the caller closes it. */
    public Picture shown(Taken taken) throws IOException {
        Recipe recipe = taken.picture();
        if (taken.as() != null) {
            try (Picture converted = converted(recipe, taken.as())) {
                return maker.composed(converted, asRead(taken.as().treatment()), EVEN);
            }
        }
        try (Picture working = maker.make(recipe, recipe.ownKind())) {
            return recipe instanceof Recipe.Lettered lettered ? maker.written(working, lettered.lettering(), lettered.pixelAspect())
                    : working.share();
        }
    }

    /** The samples of a file's picture as its encoder takes them, of a source's as its own file holds them; the caller closes it. */
    public Picture stored(Taken taken) throws IOException {
        if (taken.as() != null) {
            return converted(taken.picture(), taken.as());
        }
        return switch (taken.picture().plain()) {
            case Recipe.Finished finished -> maker.stored(finished);
            case Recipe.Frame frame when frame.placed() == null -> maker.stored(frame);
            default -> shown(taken);
        };
    }

    /** A file's picture as its encoder takes it, or as its decoder gives it; a source's as it is taken. */
    public Picture counted(Taken taken) throws IOException {
        return taken.as() != null || taken.picture().plain() instanceof Recipe.Finished ? stored(taken) : shown(taken);
    }

    /** How a file is read again for a screen of ordinary range: what is brighter than white is white there. */
    private static PictureReading asRead(Treatment treatment) {
        return switch (treatment.colour().transfer()) {
            case "linear" -> PictureReading.of(AlphaKind.PREMULTIPLIED, true);
            case "smpte2084" -> new PictureReading(AlphaKind.STRAIGHT, null, ColourReading.TAGGED.withTags(9, 16));
            case "arib-std-b67" -> new PictureReading(AlphaKind.STRAIGHT, null, ColourReading.TAGGED.withTags(9, 18));
            default -> FINISHED;
        };
    }

    @Override
    public void close() {
        conversions.close();
    }
}
