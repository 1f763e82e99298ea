package dev.vat.core.handover;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/**
 * A timeline in the JSON of OpenTimelineIO: {@code Timeline.1} with one picture track of {@code Clip.2}, {@code Gap.1} and {@code
 * Transition.1}. A clip's range counts at its own rate; its length is what it lasts in the timeline, and {@code LinearTimeWarp.1} says
 * how fast it goes by meanwhile, below 0 for backwards. The whole reel stands in the metadata, so that Vat gets all of it back.
 */
public final class OtioWriter {

    private static final Words WORDS = Words.of(OtioWriter.class);

    private static final JsonMapper JSON = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    static final String SCHEMA = "OTIO_SCHEMA";
    static final String OWN = "vat";

    private OtioWriter() {}

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
}
