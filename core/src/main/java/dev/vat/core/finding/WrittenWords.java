package dev.vat.core.finding;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.View;
import dev.vat.core.source.NameWords;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** All words that a project has written into pictures, as far as they are known before there is a frame. */
public final class WrittenWords {

    /** What numbers, labels, dates, sizes and rates are written with. */
    private static final String FIGURES = "0123456789:;.-x";

    private WrittenWords() {}

    /** Their letters, each once, by the path of the face that they are set in, empty for Vat's own. */
    public static Map<String, String> byFace(Project project) {
        Map<String, String> words = new TreeMap<>();
        for (Reel reel : project.reels()) {
            List<BurnIn> ofItems = reel.items().stream().map(Item::burnIn).filter(Objects::nonNull).distinct().toList();
            for (BurnIn whole : wholes(project, reel)) {
                Stream.concat(Stream.of(whole), ofItems.stream().map(whole::and))
                        .forEach(b -> words.merge(b.face() == null ? "" : b.face(), of(b, project), String::concat));
            }
            captions(reel).forEach(c -> words.merge("", of(c.words(), project), String::concat));
            reel.items().stream().map(Item::drawn).filter(GeneratedItem.Slate.class::isInstance)
                    .forEach(s -> words.merge("", of((GeneratedItem.Slate) s, project), String::concat));
        }
        words.replaceAll((_, text) -> text.codePoints().sorted().distinct().mapToObj(Character::toString).collect(Collectors.joining()));
        return words;
    }

    /** Every burn-in of a project: of its reels, their items and its deliverables. */
    public static List<BurnIn> burnIns(Project project) {
        return Stream
                .concat(project.reels().stream().flatMap(r -> Stream.concat(Stream.of(r.burnIn()), r.items().stream().map(Item::burnIn))),
                        project.deliverables().stream().map(Deliverable::burnIn))
                .filter(Objects::nonNull).toList();
    }

    /** What is written into the reel and into whole files of it, before an item adds its own; each once. */
    static List<BurnIn> wholes(Project project, Reel reel) {
        return Stream.concat(Stream.of(reel.burnIn() == null ? BurnIn.NOTHING : reel.burnIn()),
                project.deliverables().stream().flatMap(d -> d.burnInWith(reel.burnIn()).stream())).distinct().toList();
    }

    static String of(BurnIn burnIn, Project project) {
        return burnIn.lines().stream().map(Line::words).map(w -> of(w, project)).collect(Collectors.joining());
    }

    /** Of all views of a reel; they are set in Vat's own face. */
    private static Stream<Line> captions(Reel reel) {
        return reel.items().stream().map(Item::layout).filter(Objects::nonNull).flatMap(l -> l.views().stream()).map(View::caption)
                .filter(Objects::nonNull);
    }

    static String of(GeneratedItem.Slate slate, Project project) {
        return slate.entries().stream().map(e -> e.label() + of(e.words(), project)).collect(Collectors.joining());
    }

    static String of(Wording words, Project project) {
        return words.literal() + words.fields().stream().map(f -> of(f, project)).collect(Collectors.joining());
    }

    /** All that may stand for a field. */
    private static String of(Field field, Project project) {
        return switch (field) {
            case FRAME, REEL_FRAME, TIMECODE, DATE, LENGTH, SIZE, RATE, DAYS, CALENDAR -> FIGURES;
            case SOURCE -> project.sources().stream().map(s -> s.pattern().baseName()).collect(Collectors.joining());
            case CAMERA -> project.sources().stream().map(Source::location).flatMap(l -> NameWords.camera(l).stream())
                    .collect(Collectors.joining());
            case VERSION -> project.sources().stream().map(Source::location).flatMap(l -> NameWords.version(l).stream())
                    .collect(Collectors.joining());
            case REEL -> project.reels().stream().map(Reel::name).collect(Collectors.joining());
            case TARGET -> project.deliverables().stream().map(Deliverable::title).collect(Collectors.joining());
        };
    }
}
