package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Everything that can change a bit of what a run makes, fixed before it starts.
 *
 * @param run id: UTC time and six random characters
 * @param made UTC time of the plan, ISO 8601
 * @param vat version of Vat
 * @param library version of the media library
 * @param rateOrigin where the rate comes from, in words: {@code chosen by the user}
 * @param folder where deliverables go, absolute
 * @param working of files that take the pictures as they are, see {@link #workingFor}
 * @param sound what is heard, or null
 * @param typeface fingerprint of the face that cards are set in
 * @param remade what is made anew of a file that was delivered, or null where all is made for the first time
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunPlan(int version, String run, String made, String vat, String library, String project, String reel,
        Rate rate, String rateOrigin, Size size, PixelAspect pixelAspect, WorkingFormat working,
        List<RunSource> sources, List<RunSpan> spans, String folder, String typeface,
        ReelSound sound, List<RunFile> files, Remade remade) {

    private static final Words WORDS = Words.of(RunPlan.class);

    public static final int VERSION = 7;

    /** Where a rate comes from that no file states. */
    public static final String CHOSEN = WORDS.say("chosenByTheUser");

    public RunPlan {
        sources = List.copyOf(sources);
        spans = List.copyOf(spans);
        files = List.copyOf(files);
    }

    /** The same without what its frames' files were when they were checked. */
    public RunPlan withoutStamps() {
        List<RunSource> plain = sources.stream().map(RunSource::withoutStamps).toList();
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, plain, spans,
                folder,
                typeface, sound, files, remade);
    }

    /** The same once more, under another id. @param id of the new run @param when UTC, ISO 8601 @param where its files go, absolute */
    public RunPlan again(String id, String when, String where, Remade what) {
        return new RunPlan(version, id, when, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                where,
                typeface, sound, files, what);
    }

    /** The same with other places of its reel. */
    public RunPlan withSpans(List<RunSpan> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, others,
                folder,
                typeface, sound, files, remade);
    }

    /** The same with another sound. @param other null for none */
    public RunPlan withSound(ReelSound other) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                folder,
                typeface, other, files, remade);
    }

    /** The same run for other files. */
    public RunPlan withFiles(List<RunFile> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                folder,
                typeface, sound, others, remade);
    }

    /** The pictures of each frame that its files are made of. */
    @JsonIgnore
    public Set<PictureKind> pictureKinds() {
        return files.stream().map(this::pictureFor).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** The pictures that a file is made of. */
    public PictureKind pictureFor(RunFile file) {
        return new PictureKind(workingFor(file), isTransparent(), file.treatment().pass());
    }

    /** Whether any source can be seen through. */
    @JsonIgnore
    public boolean isTransparent() {
        return sources.stream().anyMatch(s -> !s.pass() && s.picture().alpha().carriesTransparency());
    }

    /** The samples of the working pictures that a file is made of. */
    public WorkingFormat workingFor(RunFile file) {
        return working.with(file.treatment());
    }

    /** How the picture of a reel frame is made. */
    public Recipe recipe(long reelFrame) {
        return new Recipes(size, pixelAspect, item -> item == RunSpan.DRAWN ? null : sources.get(item)).of(frameAt(reelFrame))
                .orElseThrow(() -> new IllegalStateException("Nothing stands at reel frame " + reelFrame + " of " + reel));
    }

    @JsonIgnore
    public long frames() {
        return spans.isEmpty() ? 0 : spans.getLast().start() + spans.getLast().count();
    }

    /** What stands at a reel frame; its item is the number of a source, or {@link RunSpan#DRAWN}. */
    public ReelFrame frameAt(long reelFrame) {
        return RunSpan.frameAt(spans, reelFrame);
    }

    /** What is written into a file's frame, apart from the mark of a draft. @param frame of the file */
    public Lettering letteringAt(RunFile file, long frame) {
        if (file.words() == null) {
            return Lettering.NOTHING;
        }
        long reelFrame = file.reelFrame(frame);
        ReelFrame shown = frameAt(reelFrame);
        return file.words().at(reelFrame, RunSpan.spanAt(spans, reelFrame).burnIn(), shown,
                isDrawn(shown) ? null : sourceOf(shown).location());
    }

    /** The source that a frame is of; not of what is drawn. */
    public RunSource sourceOf(ReelFrame frame) {
        return sources.get(frame.item());
    }

    /** Whether a frame is of no source. */
    public static boolean isDrawn(ReelFrame frame) {
        return frame.item() == RunSpan.DRAWN;
    }
}
