package dev.vat.cli;

import dev.vat.core.delivery.Fit;
import dev.vat.core.picture.Rgb;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An item of a reel with what is to be otherwise in it: {@code renders/pier,range=1001-1048,dissolve=12}.
 *
 * @param path of its frames or its movie
 * @param said by their names: {@code range} of source numbers, {@code dissolve} or {@code dip} in frames, {@code fit}
 */
record ItemChoice(Path path, Map<String, String> said) {

    private static final Words WORDS = Words.of(ItemChoice.class);

    private static final Pattern LAST = Pattern.compile("(?<rest>.+),(?<name>[a-z]+)=(?<value>[^,=]+)");

    /** @throws IllegalArgumentException naming what isn't known: a comma may stand in a path, but not before such a word */
    static ItemChoice parse(String text) {
        Map<String, String> said = new TreeMap<>();
        String rest = text;
        for (Matcher m = LAST.matcher(rest); m.matches(); m = LAST.matcher(rest)) {
            String name = m.group("name");
            if (!name.matches("range|dissolve|dip|fit")) {
                throw new IllegalArgumentException(WORDS.say("noSuchWord", name, text));
            }
            if (said.put(name, m.group("value").strip()) != null) {
                throw new IllegalArgumentException(WORDS.say("saidTwice", name, text));
            }
            rest = m.group("rest");
        }
        if (said.containsKey("dissolve") && said.containsKey("dip")) {
            throw new IllegalArgumentException(WORDS.say("oneJoint", text));
        }
        return new ItemChoice(Path.of(rest), said);
    }

    /** @param source its id in the project */
    Item item(String source) {
        Item item = Item.of(source);
        if (said.containsKey("range")) {
            item = item.withRange(FrameRange.parse(said.get("range")));
        }
        if (said.containsKey("fit")) {
            item = item.withFit(Fit.parse(said.get("fit")));
        }
        if (said.containsKey("dissolve")) {
            item = item.withJoint(Joint.dissolve(frames("dissolve")));
        }
        return said.containsKey("dip") ? item.withJoint(Joint.dip(frames("dip"), Rgb.BLACK)) : item;
    }

    private long frames(String name) {
        String text = said.get(name);
        if (!text.matches("\\d{1,6}")) {
            throw new IllegalArgumentException(WORDS.say("noFrames", name, text));
        }
        return Long.parseLong(text);
    }
}
