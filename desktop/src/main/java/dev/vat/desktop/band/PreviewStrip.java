package dev.vat.desktop.band;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.Preview;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.Optional;

/** A kept preview, by the numbers of the scene's frames. */
public record PreviewStrip(Path file, Preview preview) implements FrameTrack {

    private static final Words WORDS = Words.of(PreviewStrip.class);

    @Override
    public String title() {
        return preview.file();
    }

    @Override
    public long count() {
        return preview.wish().keepLength() ? preview.range().count() : preview.drawn();
    }

    @Override
    public Mark mark(long place) {
        return Mark.GOOD;
    }

    @Override
    public String number(long place) {
        return CaptureAdvice.number(preview.numbers().number(place));
    }

    @Override
    public long placeOf(long number) {
        return Math.clamp(Math.floorDiv(number - preview.numbers().first(), preview.numbers().step()), 0, count() - 1);
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        return Optional.of(new Recipe.Finished(file.toString(), place));
    }

    @Override
    public Optional<Rate> rate() {
        return Optional.of(preview.rate());
    }

    @Override
    public Optional<Size> size() {
        return Optional.of(preview.wish().size());
    }

    @Override
    public PixelAspect pixelAspect() {
        return PixelAspect.SQUARE;
    }

    @Override
    public boolean transparent() {
        return false;
    }

    @Override
    public Optional<Path> sound() {
        return Optional.empty();
    }

    @Override
    public String describe() {
        return WORDS.say("previewOf", preview.wish().size(), preview.wish().camera());
    }
}
