package dev.vat.core.handover;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.document.Documents;
import dev.vat.core.reel.Joint;
import dev.vat.core.source.Location;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Takes a timeline from the JSON of OpenTimelineIO, as {@link OtioWriter} or another program wrote it: the first picture track, with its
 * clips, gaps and dissolves. What else there is, is left out and said.
 */
public final class OtioReader {

    private static final Words WORDS = Words.of(OtioReader.class);

    private static final JsonMapper JSON = Documents.mapper().build();

    private OtioReader() {}

    /**
     * The first picture track of a timeline. Nested timelines, more tracks and other effects are left out and said.
     *
     * @param folder against which relative paths are taken
     * @throws IllegalArgumentException saying in words why the text is no timeline
     */
    public static Timeline read(String text, Path folder) {
        JsonNode root;
        try {
            root = JSON.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException(WORDS.say("thisIsNoOpenTimelineIOText", Documents.words(e)), e);
        }
        if (root == null || !root.path(OtioWriter.SCHEMA).asText().startsWith("Timeline.")) {
            throw new IllegalArgumentException(WORDS.say("thisIsNoOpenTimelineIOTimeline"));
        }
        List<String> left = new ArrayList<>();
        JsonNode pictures = null;
        for (JsonNode track : root.path("tracks").path("children")) {
            if (pictures == null && track.path("kind").asText().equals("Video")) {
                pictures = track;
            } else {
                left.add(WORDS.say("track", track.path("name").asText(), track.path("kind").asText()));
            }
        }
        if (pictures == null) {
            throw new IllegalArgumentException(WORDS.say("thisTimelineHasNoPicture"));
        }
        Rate rate = rateOf(root, pictures);
        JsonNode global = root.path("global_start_time");
        Timecode start = global.isObject() ? Timecode.of(Math.round(global.path("value").asDouble()), rate) : null;
        return new Timeline(root.path("name").asText("timeline"), rate, start, events(pictures, rate, folder, left), left);
    }

    private static Rate rateOf(JsonNode root, JsonNode track) {
        JsonNode global = root.path("global_start_time");
        if (global.isObject()) {
            return rate(global.path("rate").asDouble());
        }
        for (JsonNode child : track.path("children")) {
            JsonNode time = child.path(OtioWriter.SCHEMA).asText().startsWith("Transition") ? child.path("in_offset")
                    : child.path("source_range").path("duration");
            if (time.path("rate").asDouble() > 0) {
                return rate(time.path("rate").asDouble());
            }
        }
        throw new IllegalArgumentException(WORDS.say("nothingInThisTimelineSays"));
    }

    /** The exact rate behind a decimal: 23.976 is 24000/1001. */
    private static Rate rate(double decimal) {
        return Rate.parse(decimal == Math.rint(decimal) ? Long.toString((long) decimal) : Double.toString(decimal));
    }

    private static List<Timeline.Event> events(JsonNode track, Rate rate, Path folder, List<String> left) {
        List<Timeline.Event> events = new ArrayList<>();
        JsonNode transition = null;
        for (JsonNode child : track.path("children")) {
            String schema = child.path(OtioWriter.SCHEMA).asText();
            if (schema.startsWith("Transition")) {
                transition = child;
                continue;
            }
            long in = transition == null ? 0 : Math.round(transition.path("in_offset").path("value").asDouble());
            long out = transition == null ? 0 : Math.round(transition.path("out_offset").path("value").asDouble());
            if (transition != null && !transition.path("transition_type").asText().equals("SMPTE_Dissolve")) {
                left.add(WORDS.say("aTransitionOfTheKindACut", transition.path("transition_type").asText()));
                in = 0;
                out = 0;
            }
            if (in + out > 0 && !events.isEmpty()) {
                events.add(widened(events.removeLast(), 0, out, rate));
            }
            Joint joint = in + out > 0 && !events.isEmpty() ? Joint.dissolve(in + out) : null;
            events.add(widened(event(child, schema, joint, rate, folder, left), joint == null ? 0 : in, 0, rate));
            transition = null;
        }
        if (events.isEmpty()) {
            throw new IllegalArgumentException(WORDS.say("thisTimelinesPictureTrack"));
        }
        return events;
    }

    /** With more places at its start and end. */
    private static Timeline.Event widened(Timeline.Event event, long head, long tail, Rate rate) {
        if (head + tail == 0) {
            return event;
        }
        Rational perPlace = event.media() == null ? Rational.ONE
                : event.speed().times(event.media().rate().perSecond()).dividedBy(rate.perSecond());
        long before = perPlace.times(event.reversed() ? tail : head).round();
        long after = perPlace.times(event.reversed() ? head : tail).round();
        return new Timeline.Event(event.media(), FrameRange.of(event.frames().first() - before, event.frames().last() + after),
                event.speed(), event.reversed(), event.places() + head + tail,
                event.joint());
    }

    private static Timeline.Event event(JsonNode child, String schema, Joint joint, Rate rate, Path folder, List<String> left) {
        JsonNode range = child.path("source_range");
        double seconds = range.path("duration").path("value").asDouble() / Math.max(1e-9, range.path("duration").path("rate").asDouble());
        long places = Math.max(1, Math.round(seconds * rate.perSecond().toDouble()));
        Timeline.Event black = new Timeline.Event(null, FrameRange.of(0, places - 1), Rational.ONE, false, places, joint);
        if (!schema.startsWith("Clip")) {
            if (!schema.startsWith("Gap")) {
                left.add(WORDS.say("blackHere", child.path("name").asText(), schema));
            }
            return black;
        }
        JsonNode reference = child.has("media_references")
                ? child.path("media_references").path(child.path("active_media_reference_key").asText("DEFAULT_MEDIA"))
                : child.path("media_reference");
        Optional<Location> location = location(reference, folder);
        if (location.isEmpty()) {
            left.add(WORDS.say("nothingSaysWhereItLiesBlack", child.path("name").asText()));
            return black;
        }
        Rate own = rate(range.path("start_time").path("rate").asDouble());
        double scalar = 1;
        for (JsonNode effect : child.path("effects")) {
            if (effect.path(OtioWriter.SCHEMA).asText().startsWith("LinearTimeWarp")) {
                scalar *= effect.path("time_scalar").asDouble(1);
            } else {
                left.add(WORDS.say("theEffect", child.path("name").asText(), effect.path("effect_name").asText()));
            }
        }
        Rational speed = near(Math.abs(scalar));
        long first = Math.round(range.path("start_time").path("value").asDouble());
        long count = Math.max(1, Math.round(range.path("duration").path("value").asDouble() * Math.abs(scalar)));
        JsonNode there = reference.path("available_range");
        FrameRange available = there.isObject() ? FrameRange.of(Math.round(there.path("start_time").path("value").asDouble()),
                Math.round(there.path("start_time").path("value").asDouble() + there.path("duration").path("value").asDouble()) - 1) : null;
        return new Timeline.Event(new Timeline.Media(location.get(), own, available, null), FrameRange.of(first, first + count - 1), speed,
                scalar < 0, places, joint);
    }

    /** The simplest fraction that a decimal can mean. */
    private static Rational near(double value) {
        for (long denominator = 1; denominator <= 1001; denominator++) {
            long numerator = Math.round(value * denominator);
            if (numerator > 0 && Math.abs((double) numerator / denominator - value) < 1e-9 * Math.max(1, value)) {
                return Rational.of(numerator, denominator);
            }
        }
        return Rational.of(Math.max(1, Math.round(value * 1_000_000)), 1_000_000);
    }

    private static Optional<Location> location(JsonNode reference, Path folder) {
        String schema = reference.path(OtioWriter.SCHEMA).asText();
        if (schema.startsWith("ImageSequenceReference")) {
            return path(reference.path("target_url_base").asText(), folder).map(base -> new Location(base,
                    new SequencePattern(reference.path("name_prefix").asText(), reference.path("frame_zero_padding").asInt(),
                            reference.path("name_suffix").asText())));
        }
        return schema.startsWith("ExternalReference") ? path(reference.path("target_url").asText(), folder).map(Location::ofFile)
                : Optional.empty();
    }

    private static Optional<Path> path(String url, Path folder) {
        try {
            if (url.isBlank()) {
                return Optional.empty();
            }
            return Optional.of((url.startsWith("file:") ? Path.of(URI.create(url)) : folder.resolve(url)).toAbsolutePath().normalize());
        } catch (IllegalArgumentException _) {
            return Optional.empty();
        }
    }

    /** The reel as Vat itself wrote it, with everything; empty if somebody else did. */
    public static Optional<WholeReel> whole(String text) {
        try {
            JsonNode whole = JSON.readTree(text).path("metadata").path(OtioWriter.OWN).path("whole");
            return whole.isObject() ? Optional.of(JSON.treeToValue(whole, WholeReel.class)) : Optional.empty();
        } catch (JsonProcessingException _) {
            // Then only what every reader can see is taken.
            return Optional.empty();
        }
    }
}
