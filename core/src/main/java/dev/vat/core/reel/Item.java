package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Fit;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * One use of a source in a reel, or of what Vat draws.
 *
 * @param source its id, or null for what is drawn and for several views
 * @param drawn what is drawn, or null
 * @param layout several views that stand side by side, or null
 * @param passes what the source's picture is made of again, or null for the source's own picture
 * @param range source frame numbers to use, both ends included; null for those that the source's reading takes
 * @param playing null for every frame once, in its order
 * @param joint how it begins; null for a cut
 * @param fit how its picture goes into the reel's, where that has another shape; null for whole, with bars
 * @param earlier id of the source that stood here before a version of it was swapped in, or null
 * @param burnIn what is written into its pictures alone, or null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Item(String source, GeneratedItem drawn, Layout layout, PassMix passes, FrameRange range, Playing playing, Joint joint,
        Fit fit, String earlier, BurnIn burnIn,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    private static final Words WORDS = Words.of(Item.class);

    public Item {
        if (Stream.of(source, drawn, layout).filter(Objects::nonNull).count() != 1) {
            throw new IllegalArgumentException(WORDS.say("anItemIsOfASourceOrSeveral"));
        }
        if (passes != null && source == null) {
            throw new IllegalArgumentException(WORDS.say("onlyASourceHasPasses"));
        }
        playing = Playing.PLAIN.equals(playing) ? null : playing;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    /** All of a source, as it is read. @param source its id */
    public static Item of(String source) {
        return new Item(source, null, null, null, null, null, null, null, null, null, Map.of());
    }

    public static Item of(GeneratedItem drawn) {
        return new Item(null, drawn, null, null, null, null, null, null, null, null, Map.of());
    }

    public static Item of(Layout layout) {
        return new Item(null, null, layout, null, null, null, null, null, null, null, Map.of());
    }

    public Item withRange(FrameRange other) {
        return new Item(source, drawn, layout, passes, other, playing, joint, fit, earlier, burnIn, extra);
    }

    public Item withPlaying(Playing other) {
        return new Item(source, drawn, layout, passes, range, other, joint, fit, earlier, burnIn, extra);
    }

    public Item withJoint(Joint other) {
        return new Item(source, drawn, layout, passes, range, playing, other, fit, earlier, burnIn, extra);
    }

    public Item withFit(Fit other) {
        return new Item(source, drawn, layout, passes, range, playing, joint, other, earlier, burnIn, extra);
    }

    /** @param other null for none */
    public Item withBurnIn(BurnIn other) {
        return new Item(source, drawn, layout, passes, range, playing, joint, fit, earlier, other, extra);
    }

    public Item withDrawn(GeneratedItem other) {
        return new Item(source, other, layout, passes, range, playing, joint, fit, earlier, burnIn, extra);
    }

    public Item withLayout(Layout other) {
        return new Item(source, drawn, other, passes, range, playing, joint, fit, earlier, burnIn, extra);
    }

    /** @param other null for the source's own picture */
    public Item withPasses(PassMix other) {
        return new Item(source, drawn, layout, other, range, playing, joint, fit, earlier, burnIn, extra);
    }

    /** The same use of another version; what stood here stays a step away. */
    public Item swapped(String version) {
        return new Item(version, drawn, layout, passes, range, playing, joint, fit, source, burnIn, extra);
    }

    /** The same use of sources that have other ids. */
    public Item withSources(UnaryOperator<String> ids) {
        return new Item(source == null ? null : ids.apply(source), drawn,
                layout == null ? null : layout.withViews(layout.views().stream().map(v -> v.withItem(v.item().withSources(ids))).toList()),
                passes == null ? null
                        : new PassMix(passes.passes().stream().map(p -> p.withSource(p.source() == null ? null : ids.apply(p.source())))
                                .toList()),
                range, playing, joint, fit,
                earlier == null ? null : ids.apply(earlier), burnIn, extra);
    }

    /** What is left of it without one of its sources: nothing, if there is nothing else to show. */
    public Optional<Item> without(String id) {
        if (id.equals(source)) {
            return Optional.empty();
        }
        if (passes != null) {
            return Optional.of(withPasses(new PassMix(passes.passes().stream().filter(p -> !id.equals(p.source())).toList())));
        }
        if (layout != null) {
            List<View> left = layout.views().stream().flatMap(v -> v.item().without(id).map(v::withItem).stream()).toList();
            return left.isEmpty() ? Optional.empty() : Optional.of(withLayout(layout.withViews(left)));
        }
        return Optional.of(this);
    }

    /** Ids of all sources that it takes frames of. */
    @JsonIgnore
    public Set<String> sources() {
        Set<String> ids = new LinkedHashSet<>();
        if (source != null) {
            ids.add(source);
        }
        if (passes != null) {
            passes.passes().stream().map(Pass::source).filter(Objects::nonNull).forEach(ids::add);
        }
        if (layout != null) {
            layout.views().forEach(v -> ids.addAll(v.item().sources()));
        }
        return ids;
    }

    @JsonIgnore
    public Playing playingInUse() {
        return playing == null ? Playing.PLAIN : playing;
    }

    @JsonIgnore
    public Fit fitInUse() {
        return fit == null ? Fit.BARS : fit;
    }
}
