package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;

/**
 * Everything that is chosen about one file, complete: what its target says, with what somebody chose in its place.
 *
 * @param indexInFront whether a player can start before the whole file has arrived
 * @param sound how sound is packed, if there is any
 * @param tracks how its channels are shared out
 * @param effort time against bytes, where the encoder has the choice
 * @param group seconds from one self-contained frame to the next, or null for what is usual for the codec
 * @param compression of stills, or null where their codec offers none
 * @param loops how often a moving still is played, 0 for ever; without meaning elsewhere
 * @param colour what samples mean, or null for what is usual for codec and size
 */
public record Settings(Codec codec, Container container, RateControl control, boolean indexInFront, Framing framing, SoundCodec sound,
        SoundTracks tracks, ColourCoding colour, int loops, Effort effort, Rational group, Compression compression) {

    /** The usual settings of a codec in a container. */
    public static Settings of(Codec codec, Container container) {
        return new Settings(codec, container, codec.usualControl(), false, Framing.FOLLOWS, SoundCodec.usualIn(container),
                SoundTracks.TOGETHER, null, 0, Effort.NORMAL, null, usual(codec));
    }

    private static Compression usual(Codec codec) {
        return codec.compressions().isEmpty() ? null : codec.compressions().getFirst();
    }

    /** @param other null for the usual; one that the codec doesn't offer is left */
    public Settings withCompression(Compression other) {
        return new Settings(codec, container, control, indexInFront, framing, sound, tracks, colour, loops, effort, group,
                other != null && codec.compressions().contains(other) ? other : usual(codec));
    }

    public Settings withControl(RateControl other) {
        return new Settings(codec, container, other, indexInFront, framing, sound, tracks, colour, loops, effort, group, compression);
    }

    /**
     * With a file size turned into the bit rate that leads to it, or into the most that such pictures can use, if that is less; all else
     * stays.
     *
     * @param size of the pictures
     * @param channels of sound, 0 for none
     * @throws IllegalArgumentException if nothing is left for pictures: findings tell beforehand
     */
    public Settings solved(long frames, Rate rate, int channels, Size size) {
        if (!(control instanceof RateControl.FileSize wish)) {
            return this;
        }
        long allowed = SizeBudget.of(wish, this, frames, rate.seconds(frames), channels).bitsPerSecond();
        return withControl(new RateControl.TwoPass(Math.min(allowed, codec.mostUsefulBits(size, rate))));
    }

    public Settings withFraming(Framing other) {
        return new Settings(codec, container, control, indexInFront, other, sound, tracks, colour, loops, effort, group, compression);
    }

    public Settings withTracks(SoundTracks other) {
        return new Settings(codec, container, control, indexInFront, framing, sound, other, colour, loops, effort, group, compression);
    }

    public Settings withColour(ColourCoding other) {
        return new Settings(codec, container, control, indexInFront, framing, sound, tracks, other, loops, effort, group, compression);
    }

    public Settings withEffort(Effort other) {
        return new Settings(codec, container, control, indexInFront, framing, sound, tracks, colour, loops, other, group, compression);
    }

    /** @param seconds null for what is usual */
    public Settings withGroup(Rational seconds) {
        return new Settings(codec, container, control, indexInFront, framing, sound, tracks, colour, loops, effort, seconds, compression);
    }

    /** Frames from one self-contained frame to the next. @param rate of the file */
    public long groupFrames(Rate rate) {
        return codec.everyFrameStandsAlone() ? 1 : GroupLength.frames(group != null ? group : Rational.of(codec.groupSeconds()), rate);
    }

    /** What the samples of a file mean that has a size. */
    public ColourCoding colourFor(Size size) {
        return colour != null ? colour : codec.colourFor(size);
    }

    /** Whether the file has a place for the display on which its pictures were judged: in PQ, and by its container. */
    public boolean statesMastering() {
        return ColourCoding.PQ.equals(colour) && container.statesLight();
    }

    public Settings withIndexInFront(boolean other) {
        return new Settings(codec, container, control, other && container.mayHaveIndexInFront(), framing, sound, tracks, colour, loops,
                effort, group, compression);
    }
}
