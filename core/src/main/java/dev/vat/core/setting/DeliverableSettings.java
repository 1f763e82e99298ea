package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Every setting that a deliverable has, in the order in which the sheet shows them. */
public final class DeliverableSettings {

    private static final Words WORDS = Words.of(DeliverableSettings.class);

    private static final List<Setting> ALL = Stream.of(OpenSettings.ALL, PictureSettings.ALL, FileSettings.ALL).flatMap(List::stream)
            .toList();

    private DeliverableSettings() {}

    public static List<Setting> all() {
        return ALL;
    }

    /**
     * In the order in which values may be given one after the other: a codec decides what others may be, and how its bits are ruled comes
     * last.
     */
    public static List<Setting> inOrder() {
        return ALL.stream().sorted((a, b) -> Integer.compare(order(a), order(b))).toList();
    }

    private static int order(Setting setting) {
        return switch (setting.id()) {
            case "codec" -> 0;
            case "container" -> 1;
            case "quality" -> 3;
            default -> 2;
        };
    }

    public static Setting of(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException(WORDS.say("thereIsNoSettingThereAre", id, ALL)));
    }

    public static Optional<Setting> find(String id) {
        return ALL.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** Those that a deliverable has otherwise than its target. */
    public static List<Setting> differing(Deliverable deliverable) {
        return ALL.stream().filter(s -> s.differs(deliverable)).toList();
    }

    /** What a deliverable has otherwise than its target, each in words: {@code Container: MOV}. */
    public static List<String> changes(Deliverable deliverable) {
        if (!deliverable.isKnown()) {
            return List.of(WORDS.say("asksForWhatThisVatDoesnt"));
        }
        return differing(deliverable).stream().map(s -> s.title() + ": " + s.asked(deliverable)).toList();
    }

    /** The one that a finding is about. @param finding its id */
    public static Optional<Setting> judgedBy(String finding) {
        return ALL.stream().filter(s -> s.isJudgedBy(finding)).findFirst();
    }
}
