package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Fit;
import dev.vat.core.time.FrameRange;
import java.util.Map;

/**
 * One use of a source in a reel, or of what Vat draws.
 *
 * @param source its id, or null for what is drawn
 * @param drawn what is drawn, or null for a source's frames
 * @param range source frame numbers to use, both ends included; null for those that the source's reading takes
 * @param playing null for every frame once, in its order
 * @param joint how it begins; null for a cut
 * @param fit how its picture goes into the reel's, where that has another shape; null for whole, with bars
 * @param earlier id of the source that stood here before a version of it was swapped in, or null
 * @param burnIn what is written into its pictures alone, or null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Item(String source, Drawn drawn, FrameRange range, Playing playing, Joint joint, Fit fit, String earlier, BurnIn burnIn,
                   @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Item {
        if ((source == null) == (drawn == null)) {
            throw new IllegalArgumentException("An item is of a source, or it is drawn");
        }
        playing = Playing.PLAIN.equals(playing) ? null : playing;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Item of(String source) {
        return new Item(source, null, null, null, null, null, null, null, Map.of());
    }

    public static Item of(Drawn drawn) {
        return new Item(null, drawn, null, null, null, null, null, null, Map.of());
    }

    public Item withRange(FrameRange other) {
        return new Item(source, drawn, other, playing, joint, fit, earlier, burnIn, extra);
    }

    public Item withPlaying(Playing other) {
        return new Item(source, drawn, range, other, joint, fit, earlier, burnIn, extra);
    }

    public Item withJoint(Joint other) {
        return new Item(source, drawn, range, playing, other, fit, earlier, burnIn, extra);
    }

    public Item withFit(Fit other) {
        return new Item(source, drawn, range, playing, joint, other, earlier, burnIn, extra);
    }

    /** @param other null for none */
    public Item withBurnIn(BurnIn other) {
        return new Item(source, drawn, range, playing, joint, fit, earlier, other, extra);
    }

    public Item withDrawn(Drawn other) {
        return new Item(source, other, range, playing, joint, fit, earlier, burnIn, extra);
    }

    /** The same use of another version; what stood here stays a step away. */
    public Item swapped(String version) {
        return new Item(version, drawn, range, playing, joint, fit, source, burnIn, extra);
    }

    public boolean isOf(String id) {
        return id.equals(source);
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
