package dev.vat.core.preview;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.List;

/**
 * What is to be captured of a camera.
 *
 * @param range frames of the scene's timeline, both ends included
 * @param every 1 for each frame, 5 for every fifth
 * @param keepLength whether each captured frame is shown for as long as those left out would have been
 * @param shading by the scene's own name for it; null for its usual one
 * @param classes of things that are drawn, by the scene's names
 * @param leadIn frames that the scene runs before the first one, without drawing them
 * @param named whether camera and frame are written into the picture
 * @param draft whether the picture is marked as a draft
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CaptureWish(String camera, FrameRange range, long every, boolean keepLength, Size size, String shading, List<String> classes,
        long leadIn, boolean named, boolean draft) {

    private static final Words WORDS = Words.of(CaptureWish.class);

    /** What H.264 counts pixels in. */
    private static final int GRID = 2;
    private static final int LEAST = 16;
    private static final int MOST = 4096;

    public CaptureWish {
        classes = classes == null ? List.of() : List.copyOf(classes);
        if (every < 1 || every > range.count()) {
            throw new IllegalArgumentException(WORDS.say("aStepGoesFrom1ToTheFrames", range.count(), every));
        }
        if (leadIn < 0) {
            throw new IllegalArgumentException(WORDS.say("from0OnCanBeSkippedAtThe", leadIn));
        }
        if (size.width() < LEAST || size.height() < LEAST || size.width() > MOST || size.height() > MOST) {
            throw new IllegalArgumentException(WORDS.say("aPreviewGoesFromToPixels", LEAST, MOST, size));
        }
    }

    /** What is usual for a camera: the frames that it has keys for, half the size, no construction marks, a name in the picture. */
    public static CaptureWish of(SceneFacts scene, CameraFacts camera) {
        return new CaptureWish(camera.id(), camera.keyed() == null ? scene.timeline() : camera.keyed(), 1, true, scaled(scene.size(), 50),
                scene.shadings().isEmpty() ? null : scene.shadings().getLast().id(),
                scene.classes().stream().filter(c -> !c.construction()).map(Choice::id).toList(), camera.leadIn(), true, true);
    }

    /** A size in percent, as the nearest that can be packed. */
    public static Size scaled(Size full, int percent) {
        return Size.of(side(full.width(), percent), side(full.height(), percent));
    }

    private static int side(int full, int percent) {
        return Math.clamp(Math.round(full * (long) percent / 100.0 / GRID) * GRID, LEAST, MOST);
    }

    /** The frames that are drawn. */
    public long drawn() {
        return (range.count() - 1) / every + 1;
    }

    /** The frames that the file has. */
    public long shown() {
        return keepLength ? range.count() : drawn();
    }

    /** The frame of the scene that is drawn as the {@code index}th, from 0. */
    public long frame(long index) {
        return range.first() + index * every;
    }

    /** How often the {@code index}th drawn frame stands in the file. */
    public long times(long index) {
        return keepLength ? Math.min(every, range.last() - frame(index) + 1) : 1;
    }

    /** How many frames the scene has run before it draws the {@code index}th one, the lead-in included. */
    public long run(long index) {
        return leadIn + frame(index) - range.first();
    }

    public CaptureWish withRange(FrameRange other) {
        return new CaptureWish(camera, other, Math.min(every, other.count()), keepLength, size, shading, classes, leadIn, named, draft);
    }

    public CaptureWish withEvery(long other) {
        return new CaptureWish(camera, range, other, keepLength, size, shading, classes, leadIn, named, draft);
    }

    public CaptureWish withKeepLength(boolean other) {
        return new CaptureWish(camera, range, every, other, size, shading, classes, leadIn, named, draft);
    }

    public CaptureWish withSize(Size other) {
        return new CaptureWish(camera, range, every, keepLength, other, shading, classes, leadIn, named, draft);
    }

    public CaptureWish withShading(String other) {
        return new CaptureWish(camera, range, every, keepLength, size, other, classes, leadIn, named, draft);
    }

    public CaptureWish withClasses(List<String> others) {
        return new CaptureWish(camera, range, every, keepLength, size, shading, others, leadIn, named, draft);
    }

    public CaptureWish withLeadIn(long frames) {
        return new CaptureWish(camera, range, every, keepLength, size, shading, classes, frames, named, draft);
    }

    public CaptureWish withNamed(boolean other) {
        return new CaptureWish(camera, range, every, keepLength, size, shading, classes, leadIn, other, draft);
    }

    public CaptureWish withDraft(boolean other) {
        return new CaptureWish(camera, range, every, keepLength, size, shading, classes, leadIn, named, other);
    }
}
