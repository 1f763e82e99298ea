package dev.vat.core.sound;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Which channel of a sound each channel of the reel takes.
 *
 * @param from by the reel's channels in their order: numbers of the sound's, from 1, or 0 for silence
 */
public record ChannelMap(List<Integer> from) {

    private static final Words WORDS = Words.of(ChannelMap.class);

    private static final int MOST = 64;

    public ChannelMap {
        from = List.copyOf(from);
        if (from.isEmpty() || from.stream().anyMatch(c -> c < 0 || c > MOST)) {
            throw new IllegalArgumentException(WORDS.say("channelsAreNumberedFrom", MOST, from));
        }
    }

    /** Each as it comes. */
    public static ChannelMap straight(int channels) {
        return new ChannelMap(IntStream.rangeClosed(1, channels).boxed().toList());
    }

    /** One channel in all. */
    public static ChannelMap all(int channel, int channels) {
        return new ChannelMap(IntStream.range(0, channels).mapToObj(_ -> channel).toList());
    }

    /** {@code 1 2}, {@code 1 1}, {@code - - 1}: a hyphen for silence. */
    @JsonCreator
    public static ChannelMap parse(String text) {
        try {
            return new ChannelMap(
                    Arrays.stream(text.strip().split("[\\s,]+")).map(word -> word.equals("-") ? 0 : Integer.valueOf(word)).toList());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("saysNoChannelsWrite12Or", text), e);
        }
    }

    /** The sample of a channel of the reel. @param moment a sample for each channel of the sound */
    public float sample(int channel, float[] moment) {
        int taken = channel < from.size() ? from.get(channel) : 0;
        return taken == 0 || taken > moment.length ? 0 : moment[taken - 1];
    }

    @Override
    @JsonValue
    public String toString() {
        return from.stream().map(c -> c == 0 ? "-" : c.toString()).collect(Collectors.joining(" "));
    }
}
