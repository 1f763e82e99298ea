package dev.vat.core.preview;

import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Something to know before a camera is captured.
 *
 * @param text what is the matter
 * @param remedy what can be done, on a button; null for nothing
 * @param then the wish that the remedy makes; null for nothing
 */
public record CaptureAdvice(String text, String remedy, CaptureWish then) {

    private static final Words WORDS = Words.of(CaptureAdvice.class);

    public static List<CaptureAdvice> of(SceneFacts scene, CaptureWish wish) {
        List<CaptureAdvice> all = new ArrayList<>();
        CameraFacts camera = scene.camera(wish.camera()).orElse(null);
        if (camera == null) {
            return List.of(new CaptureAdvice(WORDS.say("theSceneHasNoCameraAnyMore", wish.camera()), null, null));
        }
        outside(scene, wish).ifPresent(all::add);
        Long still = camera.still();
        if (still != null && wish.range().last() - still >= IdleTail.SHORTEST && still > wish.range().first()) {
            FrameRange busy = FrameRange.of(wish.range().first(), still);
            all.add(new CaptureAdvice(
                    WORDS.say("nothingMovesAfterFrames", number(still), (wish.range().last() - still)),
                    WORDS.say("capture", range(busy)), wish.withRange(busy)));
        }
        if (camera.keyed() != null && (wish.range().last() < camera.keyed().first() || wish.range().first() > camera.keyed().last())) {
            all.add(new CaptureAdvice(
                    WORDS.say("thisCameraHasKeysFromAlone", range(camera.keyed()), range(wish.range())),
                    WORDS.say("capture", range(camera.keyed())),
                    wish.withRange(camera.keyed())));
        }
        if (wish.leadIn() < camera.leadIn()) {
            all.add(new CaptureAdvice(
                    WORDS.say("theSceneWantsFramesSRun", camera.leadIn(), scene.rate().seconds(camera.leadIn()).toDecimal(1),
                            (wish.leadIn() == 0 ? WORDS.say("noneAre") : WORDS.say("are", wish.leadIn()))),
                    WORDS.say("runBefore", camera.leadIn()), wish.withLeadIn(camera.leadIn())));
        }
        List<Choice> marks = scene.classes().stream().filter(c -> c.construction() && wish.classes().contains(c.id())).toList();
        if (!marks.isEmpty()) {
            all.add(new CaptureAdvice(
                    WORDS.say("constructionMarksWillBe", marks.stream().map(Choice::title).collect(Collectors.joining(", "))),
                    WORDS.say("leaveThemOut"),
                    wish.withClasses(wish.classes().stream().filter(id -> marks.stream().noneMatch(m -> m.id().equals(id))).toList())));
        }
        return all;
    }

    private static Optional<CaptureAdvice> outside(SceneFacts scene, CaptureWish wish) {
        FrameRange line = scene.timeline();
        if (wish.range().first() >= line.first() && wish.range().last() <= line.last()) {
            return Optional.empty();
        }
        boolean overlaps = wish.range().first() <= line.last() && wish.range().last() >= line.first();
        FrameRange inside = overlaps
                ? FrameRange.of(Math.max(line.first(), wish.range().first()), Math.min(line.last(), wish.range().last())) : line;
        return Optional.of(new CaptureAdvice(WORDS.say("theScenesTimelineGoesFrom", range(line)), WORDS.say("capture", range(inside)),
                wish.withRange(inside)));
    }

    /** As files of frames are numbered. */
    public static String number(long frame) {
        return String.format(Locale.ROOT, frame < 0 ? "%05d" : "%04d", frame);
    }

    public static String range(FrameRange range) {
        return number(range.first()) + "-" + number(range.last());
    }
}
