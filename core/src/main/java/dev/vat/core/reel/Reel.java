package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * The ordered items of one programme.
 *
 * @param rate at which it plays, or null for the first source's
 * @param start timecode of its first frame, as typed; null for none
 * @param layout of its sound, or null for the first one's
 * @param burnIn what is written into its pictures, or null
 * @param sounds that are heard besides those of its clips, each at its own place
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Reel(String id, String name, Rate rate, List<Item> items, @JsonInclude(JsonInclude.Include.NON_EMPTY) List<SoundUse> sounds,
        SoundLayout layout, String start, BurnIn burnIn,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Reel {
        items = items == null ? List.of() : List.copyOf(items);
        sounds = sounds == null ? List.of() : List.copyOf(sounds);
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Reel of(String id, String name, List<Item> items) {
        return new Reel(id, name, null, items, List.of(), null, null, null, Map.of());
    }

    public Reel withName(String other) {
        return new Reel(id, other, rate, items, sounds, layout, start, burnIn, extra);
    }

    public Reel withItems(List<Item> other) {
        return new Reel(id, name, rate, other, sounds, layout, start, burnIn, extra);
    }

    public Reel withRate(Rate other) {
        return new Reel(id, name, other, items, sounds, layout, start, burnIn, extra);
    }

    public Reel withSounds(List<SoundUse> other) {
        return new Reel(id, name, rate, items, other, layout, start, burnIn, extra);
    }

    /** @param other null for that of the first sound */
    public Reel withLayout(SoundLayout other) {
        return new Reel(id, name, rate, items, sounds, other, start, burnIn, extra);
    }

    public Reel withStart(String other) {
        return new Reel(id, name, rate, items, sounds, layout, other, burnIn, extra);
    }

    /** @param other null for none */
    public Reel withBurnIn(BurnIn other) {
        return new Reel(id, name, rate, items, sounds, layout, start, other, extra);
    }

    public Reel withItem(int index, UnaryOperator<Item> change) {
        List<Item> changed = new ArrayList<>(items);
        changed.set(index, change.apply(changed.get(index)));
        return withItems(changed);
    }

    /** The item goes to stand before the one at {@code index}, or at the end. */
    public Reel with(int index, Item item) {
        List<Item> more = new ArrayList<>(items);
        more.add(index, item);
        return withItems(more);
    }

    public Reel with(Item item) {
        List<Item> more = new ArrayList<>(items);
        more.add(item);
        return withItems(more);
    }

    public Reel without(int index) {
        List<Item> fewer = new ArrayList<>(items);
        fewer.remove(index);
        return withItems(fewer);
    }

    /** The item at {@code from} goes to stand at {@code to}. */
    public Reel moved(int from, int to) {
        List<Item> reordered = new ArrayList<>(items);
        reordered.add(to, reordered.remove(from));
        return withItems(reordered);
    }
}
