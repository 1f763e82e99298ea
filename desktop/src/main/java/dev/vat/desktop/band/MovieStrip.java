package dev.vat.desktop.band;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.Optional;

/** A finished file. */
public record MovieStrip(Path file, Expectation what) implements FrameTrack {

    private static final Words WORDS = Words.of(MovieStrip.class);

    @Override
    public String title() {
        return file.getFileName().toString();
    }

    @Override
    public long count() {
        return what.frames();
    }

    @Override
    public Mark mark(long place) {
        return Mark.GOOD;
    }

    @Override
    public String number(long place) {
        return Long.toString(place);
    }

    @Override
    public long placeOf(long number) {
        return Math.clamp(number, 0, count() - 1);
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        return Optional.of(new Recipe.Finished(file.toString(), place));
    }

    @Override
    public Optional<Rate> rate() {
        return Optional.of(what.rate());
    }

    @Override
    public Optional<Size> size() {
        return Optional.of(what.size());
    }

    @Override
    public PixelAspect pixelAspect() {
        return what.pixelAspect();
    }

    @Override
    public boolean transparent() {
        return what.alphaBits() > 0;
    }

    @Override
    public Optional<Path> sound() {
        return what.soundTracks() == 0 ? Optional.empty() : Optional.of(file);
    }

    @Override
    public String describe() {
        return what.size() + (what.pixelAspect().isSquare() ? "" : WORDS.say("pixel", what.pixelAspect())) + "  " + what.codec() + " "
                + what.profile();
    }
}
