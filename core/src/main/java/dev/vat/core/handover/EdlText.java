package dev.vat.core.handover;

import dev.vat.core.reel.Joint;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A timeline as an edit decision list in the CMX 3600 form: one picture track of cuts, dissolves and speeds in whole percent. What it has
 * no place for is a comment line that begins with {@code * LEFT OUT:}.
 */
public final class EdlText {

    private static final int NAME = 8;
    private static final String BLACK = "BL";
    private static final String TIMECODE = "(\\d{2}:\\d{2}:\\d{2}[:;]\\d{2})";
    /** Number, reel, tracks, transition and its length; source in and out, record in and out. */
    private static final Pattern EVENT = Pattern.compile(
            "(\\d{1,6})\\s+(\\S+)\\s+(\\S+)\\s+(C|D|W\\d+|K\\S*)\\s*(\\d{1,4})?" + ("\\s+" + TIMECODE).repeat(4) + ".*");
    private static final Pattern SPEED = Pattern.compile("M2\\s+(\\S+)\\s+(-?\\d+(?:\\.\\d+)?)\\s+.*");
    private static final Pattern CLIP = Pattern.compile("\\*\\s*(FROM|TO) CLIP NAME:\\s*(.+)");
    private static final Pattern FILE = Pattern.compile("\\*\\s*SOURCE FILE:\\s*(.+)");

    private EdlText() {}

    /** What a list can't carry of a timeline, beyond what that has left out already. */
    public static List<String> leftOut(Timeline timeline) {
        List<String> left = new ArrayList<>(timeline.left());
        for (Timeline.Event event : timeline.events()) {
            String name = event.media() == null ? "black" : event.media().name();
            if (!percent(timeline, event).isWhole()) {
                left.add(name + ": its speed, " + percent(timeline, event).toDecimal(3) + " percent, is rounded");
            }
            if (event.joint() != null && event.joint().kind() == Joint.Kind.DIP) {
                left.add(name + ": the " + event.joint().words() + " at its start, a cut here");
            }
        }
        return left;
    }

    /** Of the reel's own rate: a list knows no other. */
    private static Rational percent(Timeline timeline, Timeline.Event event) {
        return event.media() == null ? Rational.of(100)
                : event.speed().times(event.media().rate().perSecond()).dividedBy(timeline.rate().perSecond()).times(100);
    }

    public static String write(Timeline timeline) {
        return write(timeline, true);
    }

    /** For others: files are named, and not where they lie. */
    public static String writeWithoutPlaces(Timeline timeline) {
        return write(timeline, false);
    }

    private static String write(Timeline timeline, boolean places) {
        Rate rate = timeline.rate();
        boolean drop = timeline.start() != null && timeline.start().dropFrame();
        StringBuilder text = new StringBuilder("TITLE: " + timeline.name() + "\n" + (drop ? "FCM: DROP FRAME\n" : "FCM: NON-DROP FRAME\n"));
        leftOut(timeline).forEach(left -> text.append("* LEFT OUT: ").append(left).append('\n'));
        long base = timeline.start() == null ? 0 : timeline.start().frame();
        Map<String, String> names = new HashMap<>();
        for (int i = 0; i < timeline.events().size(); i++) {
            Timeline.Event event = timeline.events().get(i);
            Timeline.Event next = i + 1 < timeline.events().size() ? timeline.events().get(i + 1) : null;
            long start = base + timeline.start(i);
            // What lies over the next one belongs to that one's dissolve.
            long end = start + event.places() - (next == null ? 0 : next.overlap());
            String number = "%03d".formatted(i + 1);
            if (event.overlap() > 0) {
                Timeline.Event before = timeline.events().get(i - 1);
                Timecode out = source(before, before.places() - event.overlap(), rate);
                text.append(line(number, name(before, names), "C", out, out, label(start, rate, drop), label(start, rate, drop)));
                text.append(line(number, name(event, names), "D    %03d".formatted(event.overlap()), source(event, 0, rate),
                        source(event, end - start, rate), label(start, rate, drop), label(end, rate, drop)));
            } else {
                text.append(line(number, name(event, names), "C", source(event, 0, rate), source(event, end - start, rate),
                        label(start, rate, drop), label(end, rate, drop)));
            }
            long percent = percent(timeline, event).round() * (event.reversed() ? -1 : 1);
            if (percent != 100) {
                text.append("M2   %-8s %03d.0                %s\n".formatted(name(event, names), percent, source(event, 0, rate)));
            }
            if (event.overlap() > 0 && timeline.events().get(i - 1).media() != null) {
                text.append("* FROM CLIP NAME: ").append(timeline.events().get(i - 1).media().name()).append('\n');
            }
            if (event.media() != null) {
                text.append(event.overlap() > 0 ? "* TO CLIP NAME: " : "* FROM CLIP NAME: ").append(event.media().name()).append('\n');
                if (places) {
                    text.append("* SOURCE FILE: ").append(event.media().location().folder().resolve(event.media().name())).append('\n');
                }
            }
        }
        return text.toString();
    }

    private static String line(String number, String name, String how, Timecode in, Timecode out, Timecode from, Timecode to) {
        return "%-6s %-8s %-5s %-8s %s %s %s %s\n".formatted(number, name, "V", how, in, out, from, to);
    }

    private static Timecode label(long frame, Rate rate, boolean drop) {
        return new Timecode(frame, rate, drop);
    }

    /** The label of the source after so many places of an event: in a list frames are counted at the reel's rate. */
    private static Timecode source(Timeline.Event event, long places, Rate rate) {
        if (event.media() == null) {
            return Timecode.of(places, rate);
        }
        Timecode first = event.media().label(event.frames().first());
        Rational consumed = event.speed().times(event.media().rate().perSecond()).dividedBy(rate.perSecond()).times(places);
        return new Timecode(first.frame() + consumed.round(), rate, first.dropFrame() && rate.allowsDropFrame());
    }

    /** Eight letters and digits, each once. */
    private static String name(Timeline.Event event, Map<String, String> names) {
        if (event.media() == null) {
            return BLACK;
        }
        return names.computeIfAbsent(event.media().location().toString(), _ -> {
            String plain = event.media().location().pattern().baseName().toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
            String name = plain.isEmpty() ? "SOURCE" : plain.substring(0, Math.min(NAME, plain.length()));
            for (int n = 2; names.containsValue(name) || name.equals(BLACK); n++) {
                String tail = Integer.toString(n);
                name = name.substring(0, Math.min(name.length(), NAME - tail.length())) + tail;
            }
            return name;
        });
    }

    /** One event with the comments that follow it. */
    private static final class Lines {
        private Matcher cut;
        private Matcher dissolve;
        private Rational percent = Rational.of(100);
        private String clip;
        private String file;
    }

    /**
     * Reads cuts, dissolves and speeds; wipes and keys become cuts, sound is passed over, and what can't be found is black of the same
     * length. All of it is said.
     *
     * @param rate at which its timecodes count
     * @param known what is known by the name of a clip or of a file, or empty
     * @throws IllegalArgumentException if it has no events
     */
    public static Timeline read(String text, Rate rate, Function<String, Optional<Timeline.Media>> known) {
        String title = "list";
        List<String> left = new ArrayList<>();
        Map<String, Lines> events = new LinkedHashMap<>();
        Lines last = null;
        for (String raw : text.lines().toList()) {
            String line = raw.strip();
            Matcher event = EVENT.matcher(line);
            Matcher speed = SPEED.matcher(line);
            Matcher clip = CLIP.matcher(line);
            Matcher file = FILE.matcher(line);
            if (line.startsWith("TITLE:")) {
                title = line.substring(6).strip();
            } else if (event.matches()) {
                if (!event.group(3).startsWith("V") && !event.group(3).startsWith("B")) {
                    left.add("event " + event.group(1) + " on track " + event.group(3));
                    last = null;
                    continue;
                }
                last = events.computeIfAbsent(event.group(1), _ -> new Lines());
                if (event.group(4).equals("C")) {
                    last.cut = event;
                } else {
                    last.dissolve = event;
                    if (!event.group(4).equals("D")) {
                        left.add("event " + event.group(1) + ": a wipe or key, a cut here");
                    }
                }
            } else if (last != null && speed.matches()) {
                last.percent = Rational.parse(speed.group(2).replaceFirst("^-", "")).times(speed.group(2).startsWith("-") ? -1 : 1);
            } else if (last != null && clip.matches() && (clip.group(1).equals("TO") || last.dissolve == null)) {
                last.clip = clip.group(2).strip();
            } else if (last != null && file.matches()) {
                last.file = file.group(1).strip();
            }
        }
        if (events.isEmpty()) {
            throw new IllegalArgumentException("There is no event in this list that a picture track could be made of");
        }
        List<Timeline.Event> made = new ArrayList<>();
        Timecode start = null;
        for (Lines lines : events.values()) {
            Matcher event = lines.dissolve != null ? lines.dissolve : lines.cut;
            Timecode from = Timecode.parse(event.group(8), rate);
            start = start == null ? from : start;
            made.add(event(event, lines, rate, known, made, left));
        }
        return new Timeline(title, rate, start, made, left);
    }

    private static Timeline.Event event(Matcher event, Lines lines, Rate rate, Function<String, Optional<Timeline.Media>> known,
            List<Timeline.Event> before, List<String> left) {
        long places = Timecode.parse(event.group(9), rate).frame() - Timecode.parse(event.group(8), rate).frame();
        if (places < 1) {
            throw new IllegalArgumentException("Event " + event.group(1) + " lasts from " + event.group(8) + " to " + event.group(9));
        }
        Joint joint = null;
        if (event.group(4).equals("D") && event.group(5) != null && Long.parseLong(event.group(5)) > 0 && !before.isEmpty()) {
            joint = Joint.dissolve(Math.min(places, Long.parseLong(event.group(5))));
            lengthen(before, joint.frames());
        }
        Optional<Timeline.Media> media = event.group(2).equals(BLACK) ? Optional.empty()
                : Optional.ofNullable(lines.clip).flatMap(known).or(() -> Optional.ofNullable(lines.file).flatMap(known))
                        .or(() -> known.apply(event.group(2)));
        if (media.isEmpty()) {
            if (!event.group(2).equals(BLACK)) {
                left.add((lines.clip == null ? event.group(2) : lines.clip) + " isn't among the sources: it is black for " + places
                        + " frames");
            }
            return new Timeline.Event(null, FrameRange.of(0, places - 1), Rational.ONE, false, places, joint);
        }
        Rational advance = lines.percent.abs().dividedBy(Rational.of(100));
        Rational speed = advance.times(rate.perSecond()).dividedBy(media.get().rate().perSecond());
        long first = media.get().number(Timecode.parse(event.group(6), rate).frame());
        long count = Math.max(1, advance.times(places).round());
        return new Timeline.Event(media.get(), FrameRange.of(first, first + count - 1), speed, lines.percent.signum() < 0, places, joint);
    }

    /** In a list a dissolve's outgoing frames aren't counted in the event before it; in a reel they are. */
    private static void lengthen(List<Timeline.Event> events, long by) {
        Timeline.Event last = events.removeLast();
        Rational advance = last.media() == null ? Rational.ONE : Rational.of(last.frames().count()).dividedBy(Rational.of(last.places()));
        events.add(new Timeline.Event(last.media(),
                FrameRange.of(last.frames().first(), last.frames().first() + advance.times(last.places() + by).round() - 1), last.speed(),
                last.reversed(),
                last.places() + by, last.joint()));
    }
}
