package dev.vat.core.sound;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the channels of a reel's sound are.
 *
 * @param channels how many, from 1 to 16
 * @param placed whether each has its place in front of a listener; else they are channels by themselves
 */
public record SoundLayout(int channels, boolean placed) {

    private static final Words WORDS = Words.of(SoundLayout.class);

    public static final SoundLayout MONO = new SoundLayout(1, true);
    public static final SoundLayout STEREO = new SoundLayout(2, true);
    /** The same, or two languages, on two channels that are no pair. */
    public static final SoundLayout DUAL_MONO = new SoundLayout(2, false);
    /** Left, right, centre, low effects, left and right surround. */
    public static final SoundLayout SURROUND = new SoundLayout(6, true);
    /** Those that most people want. */
    public static final List<SoundLayout> USUAL = List.of(MONO, STEREO, DUAL_MONO, SURROUND, new SoundLayout(4, false),
            new SoundLayout(8, false));

    private static final int MOST = 16;
    private static final Pattern DISCRETE = Pattern.compile("(\\d{1,2}) discrete");

    public SoundLayout {
        if (channels < 1 || channels > MOST) {
            throw new IllegalArgumentException(WORDS.say("soundHasFrom1ToChannels", MOST, channels));
        }
        if (placed && channels != 1 && channels != 2 && channels != 6) {
            throw new IllegalArgumentException(WORDS.say("monoStereoAnd51HavePlaces", channels));
        }
    }

    /** {@code mono}, {@code stereo}, {@code dual mono}, {@code 5.1}, {@code 4 discrete}. */
    @JsonCreator
    public static SoundLayout parse(String text) {
        for (SoundLayout usual : USUAL) {
            if (usual.toString().equals(text)) {
                return usual;
            }
        }
        Matcher discrete = DISCRETE.matcher(text);
        if (!discrete.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNoLayoutOfChannels", text));
        }
        return new SoundLayout(Integer.parseInt(discrete.group(1)), false);
    }

    @Override
    @JsonValue
    public String toString() {
        return equals(MONO) ? "mono"
                : equals(STEREO) ? "stereo"
                        : equals(SURROUND) ? "5.1" : equals(DUAL_MONO) ? "dual mono" : channels + " discrete";
    }
}
