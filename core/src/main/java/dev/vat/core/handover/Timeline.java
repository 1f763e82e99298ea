package dev.vat.core.handover;

import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * A reel as other programs can take it, or one that came from them: what stands where, without what only Vat knows.
 *
 * @param start label of the first frame, or null
 * @param left what of the reel isn't in it, or what of another program's couldn't be taken, in words
 */
public record Timeline(String name, Rate rate, Timecode start, List<Event> events, List<String> left) {

    private static final Words WORDS = Words.of(Timeline.class);

    /**
     * One item.
     *
     * @param media null for black
     * @param frames source frames that it takes, from the lowest number to the highest; of black its places
     * @param speed source frames for each frame at the source's own rate, above 0; once for as it was
     * @param places how many reel frames it lasts
     * @param joint how it begins, null for a cut
     */
    public record Event(Media media, FrameRange frames, Rational speed, boolean reversed, long places, Joint joint) {
        /** The reel frames at its start that lie over the one before. */
        long overlap() {
            return joint != null && joint.kind() == Joint.Kind.DISSOLVE ? joint.frames() : 0;
        }
    }

    /**
     * What an event takes frames of.
     *
     * @param available frames that there are, or null where nobody said
     * @param first label of the first available frame, or null: then its number counts
     */
    public record Media(Location location, Rate rate, FrameRange available, Timecode first) {
        /** A source as it lies, with the timecode that was set or that its files state. @param rate at which it is read */
        public static Media of(Source source, FrameTable table, Rate rate) {
            String stated = source.reading().timecode() != null ? source.reading().timecode()
                    : table.format().map(f -> f.stated().timecode()).orElse(null);
            return new Media(source.location(), rate, table.sequence().range(), stated == null ? null : labelOf(stated, rate));
        }

        /** Null where the rate can't count to it: then frames go by their numbers. */
        private static Timecode labelOf(String stated, Rate rate) {
            try {
                return Timecode.parse(stated, rate);
            } catch (IllegalArgumentException _) {
                return null;
            }
        }

        public String name() {
            return location.name();
        }

        /** The label of a frame. @param number as it is numbered */
        Timecode label(long number) {
            return first == null || available == null ? Timecode.of(number, rate) : first.plusFrames(number - available.first());
        }

        /** The number of the frame with a label, counted from 00:00:00:00. */
        long number(long label) {
            return first == null || available == null ? label : label - first.frame() + available.first();
        }
    }

    public Timeline {
        events = List.copyOf(events);
        left = List.copyOf(left);
    }

    public static Timeline of(ResolvedReel programme) {
        Rate rate = programme.rate().orElseThrow(() -> new IllegalArgumentException(WORDS.say("chooseTheReelsRateFirst")));
        List<Event> events = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (ReelSpan span : programme.plan().spans()) {
            if (span.count() == 0) {
                continue;
            }
            Item item = programme.plan().part(span.item()).item();
            Joint joint = span.overlap() > 0 ? Joint.dissolve(span.overlap())
                    : item.joint() != null && item.joint().kind() == Joint.Kind.DIP ? item.joint() : null;
            events.add(programme.entry(span.item()).map(e -> event(e, span, joint, rate, left))
                    .orElseGet(() -> new Event(null, FrameRange.of(0, span.count() - 1), Rational.ONE, false, span.count(), joint)));
            if (span.isDrawn() && !(item.drawn() instanceof GeneratedItem.Plain(Rgb colour, long _) && colour.equals(Rgb.BLACK))) {
                left.add(WORDS.say("goesOutAsBlack", item.drawn().title()));
            }
            if (item.layout() != null) {
                left.add(WORDS.say("severalViewsInOnePicture", item.layout().name()));
            }
            if (item.passes() != null) {
                left.add(WORDS.say("thatAPictureIsMadeOfPasses"));
            }
        }
        if (programme.reel().burnIn() != null || programme.reel().items().stream().anyMatch(i -> i.burnIn() != null)) {
            left.add(WORDS.say("whatIsWrittenIntoPictures"));
        }
        if (!programme.sounds().isEmpty()) {
            left.add(WORDS.say("soundsThatWereLaidToThe"));
        }
        return new Timeline(programme.reel().name(), rate, programme.start().orElse(null), events, left);
    }

    private static Event event(ReelEntry entry, ReelSpan span, Joint joint, Rate reel, List<String> left) {
        Playing playing = entry.use().playingInUse();
        Sequence sequence = entry.table().sequence();
        Rate own = entry.rate().orElse(reel);
        String name = entry.source().name();
        if (span.step() != sequence.step() || span.hold() != 1) {
            left.add(WORDS.say("thatNotEveryFrameIsTaken", name));
        }
        if (playing.head() + playing.tail() > 0 || !playing.holds().isEmpty()) {
            left.add(WORDS.say("framesThatAreHeld", name));
        }
        if (playing.conformInUse() != Conform.EVERY && playing.conformInUse() != Conform.NEAREST
                && playing.conformInUse() != Conform.STEP) {
            left.add(name + ": " + playing.conformInUse().title());
        }
        // In seconds of the reel, so many frames more or fewer go by than the source's own rate has.
        boolean keepsTime = playing.conformInUse().keepsTime();
        Rational speed = keepsTime ? playing.speedInUse() : playing.speedInUse().times(reel.perSecond()).dividedBy(own.perSecond());
        return new Event(Media.of(entry.source(), entry.table(), own), span.range(), speed, playing.reversed(), span.count(), joint);
    }

    /** Where an event begins, in reel frames. */
    long start(int event) {
        long at = 0;
        for (int i = 0; i < event; i++) {
            at += events.get(i).places - events.get(i + 1).overlap();
        }
        return at;
    }

    /** What its items are, for a reel of Vat's own. @param source id of a media's source */
    private List<Item> items(Function<Media, String> source) {
        return events.stream().map(e -> item(e, source)).toList();
    }

    private Item item(Event event, Function<Media, String> source) {
        if (event.media == null) {
            return Item.of(GeneratedItem.Plain.black(event.places)).withJoint(event.joint);
        }
        boolean otherRate = !event.media.rate.equals(rate);
        Rational everyFrame = rate.perSecond().dividedBy(event.media.rate.perSecond());
        // Where each frame stands once, that is what was meant, and not a speed.
        boolean every = otherRate && event.speed.equals(everyFrame);
        Playing playing = Playing.PLAIN.withReversed(event.reversed).withSpeed(every ? null : event.speed)
                .withConform(otherRate && !every ? Conform.NEAREST : null);
        FrameRange all = event.media.available;
        return Item.of(source.apply(event.media)).withRange(event.frames.equals(all) ? null : event.frames).withPlaying(playing)
                .withJoint(event.joint);
    }

    /** A reel of it, which becomes the current one; sources that the project hasn't got are added. */
    public Edit edit() {
        return new Edit(WORDS.say("takingOver", name), project -> {
            Project result = project;
            Map<Location, String> ids = new HashMap<>();
            for (Source source : project.sources()) {
                ids.putIfAbsent(source.location(), source.id());
            }
            for (Event event : events) {
                if (event.media != null && !ids.containsKey(event.media.location)) {
                    String id = result.freshId("s");
                    Reading reading = event.media.location.isMovie() ? Reading.PLAIN : Reading.PLAIN.withRate(event.media.rate);
                    List<Source> sources = new ArrayList<>(result.sources());
                    sources.add(Source.of(id, Place.of(event.media.location.folder()), event.media.location.pattern(), reading));
                    result = result.withSources(sources);
                    ids.put(event.media.location, id);
                }
            }
            List<Reel> reels = new ArrayList<>(result.reels());
            String id = result.freshId("r");
            reels.add(Reel.of(id, name, items(media -> ids.get(media.location))).withRate(rate)
                    .withStart(start == null || start.frame() == 0 ? null : start.toString()));
            return result.withReels(reels, id);
        });
    }
}
