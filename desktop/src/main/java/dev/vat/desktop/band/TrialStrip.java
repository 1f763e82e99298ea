package dev.vat.desktop.band;

import dev.vat.core.recipe.Recipe;
import dev.vat.core.run.RunFile;
import dev.vat.core.trial.Excerpt;
import dev.vat.core.trial.FileTrial;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** A file of which only excerpts were encoded: the rest isn't there. */
public record TrialStrip(RunFile file, FileTrial trial, MovieStrip inner) implements Wrapped {

    private static final Words WORDS = Words.of(TrialStrip.class);

    public static TrialStrip of(RunFile file, FileTrial trial) {
        return new TrialStrip(file, trial, new MovieStrip(Path.of(trial.parts()), file.expected()));
    }

    @Override
    public String title() {
        return WORDS.say("testEncodeOf", file.title());
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        List<Excerpt> excerpts = trial.excerpts();
        for (int i = 0; i < excerpts.size(); i++) {
            long within = place - excerpts.get(i).first();
            if (within >= 0 && within < excerpts.get(i).frames().size()) {
                return file.isFolder() ? Optional.empty()
                        : Optional.of(new Recipe.Finished(Path.of(trial.parts()).resolve(file.partName(i)).toString(), within));
            }
        }
        return Optional.empty();
    }

    @Override
    public Mark mark(long place) {
        return recipe(place).isPresent() ? Mark.GOOD : Mark.UNCHECKED;
    }

    @Override
    public String remark(long place) {
        return recipe(place).isPresent() ? "" : WORDS.say("notAmongTheExcerptsThat");
    }

    @Override
    public Optional<Path> sound() {
        return Optional.empty();
    }
}
