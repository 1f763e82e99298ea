package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.Channels;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Map;

/**
 * One use of a sound in a reel. All times are seconds, exact.
 *
 * @param source id of the sound
 * @param at where in the reel it begins; below 0, its start is cut off
 * @param from where in the sound it begins; null for its start
 * @param to where in the sound it ends; null for its end
 * @param fadeIn null for none
 * @param fadeOut null for none
 * @param gain in decibels, 0 for as it is
 * @param channels null for all as they are
 * @param map which of its channels goes where, in place of {@code channels}; null for what is usual
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record SoundUse(String source, Rational at, Rational from, Rational to, Fade fadeIn, Fade fadeOut, double gain, Channels channels,
        ChannelMap map,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    private static final Words WORDS = Words.of(SoundUse.class);

    private static final double MOST_GAIN = 60;

    public SoundUse {
        at = at == null ? Rational.ZERO : at;
        if (Math.abs(gain) > MOST_GAIN) {
            throw new IllegalArgumentException(WORDS.say("aGainGoesFrom60To60DBNot", gain));
        }
        if (from != null && from.signum() < 0 || from != null && to != null && from.compareTo(to) >= 0) {
            throw new IllegalArgumentException(WORDS.say("aSoundCantBeUsedFromSTo", from, to));
        }
        channels = channels == Channels.ALL ? null : channels;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static SoundUse of(String source) {
        return new SoundUse(source, Rational.ZERO, null, null, null, null, 0, null, null, Map.of());
    }

    public SoundUse withAt(Rational other) {
        return new SoundUse(source, other, from, to, fadeIn, fadeOut, gain, channels, map, extra);
    }

    public SoundUse withTrim(Rational start, Rational end) {
        return new SoundUse(source, at, start, end, fadeIn, fadeOut, gain, channels, map, extra);
    }

    public SoundUse withFades(Fade in, Fade out) {
        return new SoundUse(source, at, from, to, in, out, gain, channels, map, extra);
    }

    public SoundUse withGain(double decibels) {
        return new SoundUse(source, at, from, to, fadeIn, fadeOut, decibels, channels, map, extra);
    }

    public SoundUse withChannels(Channels other) {
        return new SoundUse(source, at, from, to, fadeIn, fadeOut, gain, other, map, extra);
    }

    /** @param other null for what is usual */
    public SoundUse withMap(ChannelMap other) {
        return new SoundUse(source, at, from, to, fadeIn, fadeOut, gain, channels, other, extra);
    }

    @JsonIgnore
    public Channels channelsInUse() {
        return channels == null ? Channels.ALL : channels;
    }
}
