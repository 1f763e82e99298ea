package dev.vat.core.handover;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
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
 * A timeline in the JSON of OpenTimelineIO: {@code Timeline.1} with one picture track of {@code Clip.2}, {@code Gap.1} and {@code
 * Transition.1}. A clip's range counts at its own rate; its length is what it lasts in the timeline, and {@code LinearTimeWarp.1} says
 * how fast it goes by meanwhile, below 0 for backwards. The whole reel stands in the metadata, so that Vat gets all of it back.
 */
public final class OtioText {

    private static final Words WORDS = Words.of(OtioText.class);

    private static final JsonMapper JSON = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    private static final String SCHEMA = "OTIO_SCHEMA";
    private static final String OWN = "vat";

    private OtioText() {}

    // ---- out

    /** For others: files are named, and not where they lie. */
    public static String writeWithoutPlaces(Timeline timeline) {
        return write(timeline, null, false);
    }

    /** @param whole the same with all that only Vat knows, or null */
    public static String write(Timeline timeline, WholeReel whole) {
        return write(timeline, whole, true);
    }

    private static String write(Timeline timeline, WholeReel whole, boolean places) {
        ObjectNode root = node("Timeline.1", timeline.name());
        if (whole != null) {
            ObjectNode own = object(root.path("metadata")).putObject(OWN);
            own.set("whole", JSON.valueToTree(whole));
            ArrayNode left = own.putArray("left");
            timeline.left().forEach(left::add);
        }
        root.set("global_start_time", timeline.start() == null ? null : time(Rational.of(timeline.start().frame()), timeline.rate()));
        ObjectNode stack = composed("Stack.1", "tracks");
        ObjectNode track = composed("Track.1", "pictures");
        track.put("kind", WORDS.say("video"));
        ArrayNode children = object(track).withArray("children");
        for (int i = 0; i < timeline.events().size(); i++) {
            Timeline.Event event = timeline.events().get(i);
            long across = event.overlap();
            if (across > 0) {
                ObjectNode transition = node("Transition.1", event.joint().words());
                transition.put("transition_type", "SMPTE_Dissolve");
                transition.set("in_offset", time(Rational.of(across / 2), timeline.rate()));
                transition.set("out_offset", time(Rational.of(across - across / 2), timeline.rate()));
                children.add(transition);
            }
            long next = i + 1 < timeline.events().size() ? timeline.events().get(i + 1).overlap() : 0;
            children.add(event(timeline, event, across / 2, next - next / 2, places));
        }
        object(stack).withArray("children").add(track);
        root.set("tracks", stack);
        try {
            return JSON.writeValueAsString(root) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A timeline couldn't be put into words: " + e.getOriginalMessage(), e);
        }
    }

    /** @param head places at the start that lie before the cut @param tail places at the end that lie behind the next one */
    private static ObjectNode event(Timeline timeline, Timeline.Event event, long head, long tail, boolean where) {
        long places = event.places() - head - tail;
        if (event.media() == null) {
            ObjectNode gap = composed("Gap.1", "black");
            gap.set("source_range", range(Rational.ZERO, Rational.of(places), timeline.rate()));
            return gap;
        }
        ObjectNode clip = composed("Clip.2", event.media().name());
        clip.remove("children");
        Rate own = event.media().rate();
        Rational perPlace = event.speed().times(own.perSecond()).dividedBy(timeline.rate().perSecond());
        Rational start = Rational.of(event.frames().first()).plus(perPlace.times(event.reversed() ? tail : head));
        clip.set("source_range", range(start, Rational.of(places).times(own.perSecond()).dividedBy(timeline.rate().perSecond()), own));
        if (event.reversed() || !event.speed().equals(Rational.ONE)) {
            ObjectNode warp = node("LinearTimeWarp.1", "speed");
            warp.put("effect_name", "LinearTimeWarp");
            warp.put("time_scalar", event.speed().toDouble() * (event.reversed() ? -1 : 1));
            object(clip).withArray("effects").add(warp);
        }
        clip.putObject("media_references").set("DEFAULT_MEDIA", media(event.media(), where));
        clip.put("active_media_reference_key", "DEFAULT_MEDIA");
        return clip;
    }

    private static ObjectNode media(Timeline.Media media, boolean where) {
        Location location = media.location();
        ObjectNode reference = node(location.pattern().isSingle() ? "ExternalReference.1" : "ImageSequenceReference.1", location.name());
        if (media.available() != null) {
            reference.set("available_range",
                    range(Rational.of(media.available().first()), Rational.of(media.available().count()), media.rate()));
        }
        if (location.pattern().isSingle()) {
            reference.put("target_url", where ? location.file().toUri().toString() : location.pattern().fileName(0));
        } else {
            reference.put("target_url_base", where ? location.folder().toUri().toString() : "");
            reference.put("name_prefix", location.pattern().before());
            reference.put("name_suffix", location.pattern().after());
            reference.put("start_frame", media.available() == null ? 0 : media.available().first());
            reference.put("frame_step", 1);
            reference.put("rate", media.rate().perSecond().toDouble());
            reference.put("frame_zero_padding", location.pattern().digits());
            reference.put("missing_frame_policy", "error");
        }
        return reference;
    }

    private static ObjectNode node(String schema, String name) {
        ObjectNode node = JSON.createObjectNode();
        node.put(SCHEMA, schema);
        node.put("name", name);
        node.putObject("metadata");
        return node;
    }

    private static ObjectNode composed(String schema, String name) {
        ObjectNode node = node(schema, name);
        node.putNull("source_range");
        node.putArray("effects");
        node.putArray("markers");
        node.put("enabled", true);
        if (!schema.startsWith("Gap") && !schema.startsWith("Clip")) {
            node.putArray("children");
        }
        return node;
    }

    private static ObjectNode object(JsonNode node) {
        return (ObjectNode) node;
    }

    private static ObjectNode time(Rational value, Rate rate) {
        ObjectNode time = JSON.createObjectNode();
        time.put(SCHEMA, "RationalTime.1");
        time.put("rate", rate.perSecond().toDouble());
        time.put("value", value.toDouble());
        return time;
    }

    private static ObjectNode range(Rational start, Rational length, Rate rate) {
        ObjectNode range = JSON.createObjectNode();
        range.put(SCHEMA, "TimeRange.1");
        range.set("start_time", time(start, rate));
        range.set("duration", time(length, rate));
        return range;
    }

    // ---- in

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
            throw new IllegalArgumentException(WORDS.say("thisIsNoOpenTimelineIOText", e.getOriginalMessage()), e);
        }
        if (root == null || !root.path(SCHEMA).asText().startsWith("Timeline.")) {
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
            JsonNode time = child.path(SCHEMA).asText().startsWith("Transition") ? child.path("in_offset")
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
            String schema = child.path(SCHEMA).asText();
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
            if (effect.path(SCHEMA).asText().startsWith("LinearTimeWarp")) {
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
        String schema = reference.path(SCHEMA).asText();
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
            JsonNode whole = JSON.readTree(text).path("metadata").path(OWN).path("whole");
            return whole.isObject() ? Optional.of(JSON.treeToValue(whole, WholeReel.class)) : Optional.empty();
        } catch (JsonProcessingException _) {
            // Then only what every reader can see is taken.
            return Optional.empty();
        }
    }
}
