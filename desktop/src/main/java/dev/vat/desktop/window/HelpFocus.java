package dev.vat.desktop.window;

import java.util.Map;
import javafx.scene.Node;

/** Which topic of the help is about what has the keyboard. */
final class HelpFocus {

    private static final Map<String, String> TOPICS = Map.ofEntries(Map.entry("scenes", "previews"), Map.entry("in-face", "in"),
            Map.entry("reel-face", "reel"), Map.entry("out-face", "out"), Map.entry("findings", "findings"), Map.entry("band", "band"),
            Map.entry("picture", "picture"), Map.entry("compare", "compare"), Map.entry("runs", "runs"), Map.entry("history", "runs"),
            Map.entry("receipt", "runs"), Map.entry("hand-over", "hand-over"), Map.entry("repack", "hand-over"),
            Map.entry("story", "previews"), Map.entry("welcome", "start"));

    private HelpFocus() {}

    /** @param focused what has the keyboard, or null @param face that is shown, where the band or nothing has it */
    static String topic(Node focused, SheetPane.Face face) {
        for (Node at = focused; at != null; at = at.getParent()) {
            String topic = at.getId() == null ? null : TOPICS.get(at.getId());
            if (topic != null && !topic.equals("band")) {
                return topic;
            }
        }
        return switch (face) {
            case IN -> "in";
            case REEL -> "reel";
            case OUT -> "out";
        };
    }
}
