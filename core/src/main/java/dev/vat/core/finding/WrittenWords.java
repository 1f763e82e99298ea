package dev.vat.core.finding;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Project;
import dev.vat.core.reel.Drawn;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** All words that a project has written into pictures, as far as they are known before there is a frame. */
public final class WrittenWords {

    private WrittenWords() { }

    /** By the path of the face that they are set in, empty for Vat's own. */
    public static Map<String, String> byFace(Project project) {
        Map<String, String> words = new TreeMap<>();
        for (BurnIn burnIn : burnIns(project)) {
            words.merge(burnIn.face() == null ? "" : burnIn.face(), of(burnIn, project), String::concat);
        }
        for (Reel reel : project.reels()) {
            for (Item item : reel.items()) {
                if (item.burnIn() != null && item.burnIn().face() == null && reel.burnIn() != null && reel.burnIn().face() != null) {
                    words.merge(reel.burnIn().face(), of(item.burnIn(), project), String::concat);
                }
                if (item.drawn() instanceof Drawn.Slate slate) {
                    words.merge("", of(slate, reel), String::concat);
                }
            }
        }
        return words;
    }

    /** Every burn-in of a project: of its reels, their items and its deliverables. */
    public static List<BurnIn> burnIns(Project project) {
        return Stream.concat(project.reels().stream().flatMap(r -> Stream.concat(Stream.of(r.burnIn()), r.items().stream().map(Item::burnIn))), project.deliverables().stream().map(Deliverable::burnIn))
                .filter(Objects::nonNull).toList();
    }

    /** With the names that come in by fields. */
    static String of(BurnIn burnIn, Project project) {
        String words = burnIn.lines().stream().map(l -> l.words().text()).collect(Collectors.joining());
        return words + (!words.contains("{") ? "" : Stream.concat(project.sources().stream().map(s -> s.pattern().baseName()), project.reels().stream().map(Reel::name)).collect(Collectors.joining()));
    }

    static String of(Drawn.Slate slate, Reel reel) {
        return slate.entries().stream().map(e -> e.label() + e.words().text()).collect(Collectors.joining()) + reel.name();
    }
}
