package dev.vat.core.sound;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How the channels of a reel's sound are shared out among the tracks of a file.
 *
 * @param way by which rule
 * @param listed what each track takes, in their order; empty where a rule says it
 */
public record SoundTracks(Way way, List<ChannelMap> listed) {

    /** By which rule. */
    public enum Way {
        /** One track has all channels. */
        TOGETHER,
        /** As many tracks as there are channels, each of one. */
        MONO,
        /** As somebody listed them. */
        LISTED
    }

    private static final Words WORDS = Words.of(SoundTracks.class);

    public static final SoundTracks TOGETHER = new SoundTracks(Way.TOGETHER, List.of());
    public static final SoundTracks MONO = new SoundTracks(Way.MONO, List.of());

    /** As many tracks, and channels in one of them, as formats of exchange count on. */
    private static final int MOST = 16;

    public SoundTracks {
        listed = List.copyOf(listed);
        if (way == Way.LISTED == listed.isEmpty()) {
            throw new IllegalArgumentException("tracks are listed where a list says them: " + way + " " + listed);
        }
        if (listed.size() > MOST || listed.stream().anyMatch(t -> t.from().size() > MOST)) {
            throw new IllegalArgumentException(WORDS.say("tooMany", MOST));
        }
    }

    /**
     * {@code together}, {@code mono}, or tracks with upright strokes between them, each with the channels that it takes: {@code 1 2 | 3 |
     * -}, a hyphen for silence.
     */
    @JsonCreator
    public static SoundTracks parse(String text) {
        return switch (text.strip().toLowerCase(Locale.ROOT)) {
            case "together" -> TOGETHER;
            case "mono" -> MONO;
            default -> new SoundTracks(Way.LISTED, Arrays.stream(text.split("\\|", -1)).map(SoundTracks::track).toList());
        };
    }

    private static ChannelMap track(String text) {
        if (text.isBlank()) {
            throw new IllegalArgumentException(WORDS.say("noTrack", text));
        }
        try {
            return ChannelMap.parse(text);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(WORDS.say("noTrack", text.strip()), e);
        }
    }

    /** What each track takes. @param channels of the reel's sound */
    public List<ChannelMap> of(int channels) {
        return switch (way) {
            case TOGETHER -> List.of(ChannelMap.straight(channels));
            case MONO -> IntStream.rangeClosed(1, channels).mapToObj(c -> new ChannelMap(List.of(c))).toList();
            case LISTED -> listed;
        };
    }

    /** The highest channel that a track asks for; 0 where all follow the sound that there is. */
    public int highest() {
        return listed.stream().flatMap(t -> t.from().stream()).mapToInt(Integer::intValue).max().orElse(0);
    }

    @Override
    @JsonValue
    public String toString() {
        return way == Way.LISTED ? listed.stream().map(ChannelMap::toString).collect(Collectors.joining(" | "))
                : way.name().toLowerCase(Locale.ROOT);
    }
}
