package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.picture.Rgb;
import dev.vat.core.source.Location;
import dev.vat.core.source.NameWords;
import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;

/**
 * What stands at one place of a reel.
 *
 * @param item which item it belongs to, from 0; where items lie over each other, the later one
 * @param wanted the source frame number that belongs here; of what is drawn, the place within it
 * @param content what is shown
 * @param filled whether something stands in because a frame can't be used
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record ReelFrame(int item, long wanted, Content content, boolean filled) {

    /** What fills a place. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "of")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = SourceFrame.class, name = "frame"),
        @JsonSubTypes.Type(value = Blend.class, name = "blend"),
        @JsonSubTypes.Type(value = Card.class, name = "card"),
        @JsonSubTypes.Type(value = Plain.class, name = "plain"),
        @JsonSubTypes.Type(value = Bars.class, name = "bars"),
        @JsonSubTypes.Type(value = Slate.class, name = "slate"),
        @JsonSubTypes.Type(value = Count.class, name = "count"),
        @JsonSubTypes.Type(value = Cross.class, name = "cross"),
        @JsonSubTypes.Type(value = Together.class, name = "together"),
    })
    public sealed interface Content {}

    /** A frame of the item's source. */
    public record SourceFrame(long number) implements Content {}

    /** Two frames mixed: {@code share} is how much of {@code after} there is, from 0 to 1. */
    public record Blend(long before, long after, Rational share) implements Content {}

    /** A card in place of a frame that can't be used, with the reason in words. */
    public record Card(String reason) implements Content {}

    /** One colour all over. */
    public record Plain(Rgb colour) implements Content {}

    /** What Vat draws with more than one colour. */
    public sealed interface Drawing extends Content {}

    public record Bars(BarPattern pattern) implements Drawing {}

    /** Words, every field of them filled in. */
    public record Slate(List<GeneratedItem.Slate.Entry> entries) implements Drawing {}

    /** A figure of a countdown. @param turn how much of its second is over, from 0 up to 1 */
    public record Count(int figure, Rational turn) implements Drawing {}

    /** Two places mixed, of any items: {@code share} is how much of {@code to} there is. */
    public record Cross(ReelFrame from, ReelFrame to, Rational share) implements Content {}

    /** Several frames that make one picture, each of an item of its own that doesn't stand in the reel by itself. */
    public record Together(Assembly how, List<ReelFrame> frames) implements Content {
        public Together {
            frames = List.copyOf(frames);
        }
    }

    @JsonCreator
    public ReelFrame(@JsonProperty("item") int item, @JsonProperty("wanted") long wanted, @JsonProperty("content") Content content,
            @JsonProperty("filled") boolean filled) {
        this.item = item;
        this.wanted = wanted;
        this.content = content;
        this.filled = filled;
    }

    /** With the frame itself, or with something that stands in for it. */
    public ReelFrame(int item, long wanted, Content content) {
        this(item, wanted, content, !(content instanceof SourceFrame(long number) && number == wanted));
    }

    /** The same place with something else. */
    public ReelFrame with(Content other) {
        return new ReelFrame(item, wanted, other, filled);
    }

    /** Whether something else stands where the wanted frame should. */
    @JsonIgnore
    public boolean isFill() {
        return filled;
    }

    /** Each frame of a source that is seen, as one of an item. */
    public List<ReelFrame> seen() {
        List<ReelFrame> seen = new ArrayList<>();
        switch (content) {
            case SourceFrame(long number) -> seen.add(own(number));
            case Blend blend -> {
                seen.add(own(blend.before));
                seen.add(own(blend.after));
            }
            case Cross cross -> {
                seen.addAll(cross.from.seen());
                seen.addAll(cross.to.seen());
            }
            case Together together -> together.frames.forEach(f -> seen.addAll(f.seen()));
            case Card _ -> {}
            case Plain _ -> {}
            case Drawing _ -> {}
        }
        return seen;
    }

    /** What is known besides of the source's frame that belongs here. */
    public FrameFacts facts(FrameFacts facts, Location source) {
        return facts.with(Field.FRAME, source.pattern().number(wanted)).with(Field.SOURCE, source.pattern().baseName())
                .with(Field.CAMERA, NameWords.camera(source).orElse(null))
                .with(Field.VERSION, NameWords.version(source).orElse(null));
    }

    private ReelFrame own(long number) {
        return new ReelFrame(item, number, new SourceFrame(number));
    }

    /** The same with its items numbered in another way. */
    public ReelFrame onto(IntUnaryOperator numbers) {
        return new ReelFrame(numbers.applyAsInt(item), wanted, switch (content) {
            case Cross cross -> new Cross(cross.from.onto(numbers), cross.to.onto(numbers), cross.share);
            case Together together -> new Together(together.how, together.frames.stream().map(f -> f.onto(numbers)).toList());
            case SourceFrame _ -> content;
            case Blend _ -> content;
            case Card _ -> content;
            case Plain _ -> content;
            case Drawing _ -> content;
        }, filled);
    }
}
