package dev.vat.core.resolved;

import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.NameWords;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What somebody wrote of some frames, one line each: {@code 0264 ribbon jumps}, {@code sh010 1040-1044 string too thick},
 * {@code 10:00:01:12 too dark}. A name and a number are what a burn-in shows; a timecode is the reel's.
 *
 * @param name of the source, or null for the one in hand
 * @param frames as text: numbers and ranges, or a timecode
 * @param words may be empty
 */
public record Remark(String name, String frames, String words) {

    private static final Words WORDS = Words.of(Remark.class);

    private static final String FRAMES = "(\\d{1,2}:\\d{2}:\\d{2}[:;]\\d{2,3}|-?\\d+(?:-\\d+)?(?:,\\s*-?\\d+(?:-\\d+)?)*)";
    private static final Pattern LINE = Pattern.compile("(?:(\\S+)\\s+)??" + FRAMES + "(?:[\\s:,.]+(.*))?");

    /** The lines of a text that aren't empty. @throws IllegalArgumentException with a line that names no frames */
    public static List<Remark> parse(String text) {
        List<Remark> remarks = new ArrayList<>();
        for (String line : text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList()) {
            Matcher match = LINE.matcher(line);
            if (!match.matches()) {
                throw new IllegalArgumentException(WORDS.say("namesNoFrameWrite0264Ribbon", line));
            }
            remarks.add(new Remark(match.group(1), match.group(2), match.group(3) == null ? "" : match.group(3).strip()));
        }
        return remarks;
    }

    private boolean isTimecode() {
        return frames.contains(":");
    }

    /**
     * Marks the frames of all of these in their sources, to be rendered again.
     *
     * @param inHand id of the source that lines without a name are about, or null
     * @throws IllegalArgumentException saying which line means no frame there is
     */
    public static Edit mark(List<Remark> remarks, Project project, ResolvedReel programme, Map<String, FrameTable> tables, String inHand) {
        List<Marked> all = remarks.stream().map(r -> r.isTimecode() ? r.ofReel(programme) : r.ofSource(project, tables, inHand)).toList();
        return new Edit(all.size() == 1 ? WORDS.say("aMark") : WORDS.say("marks", all.size()), p -> {
            Project marked = p;
            for (Marked one : all) {
                marked = marked.withSource(one.source, s -> s.withReading(s.reading().withMarked(one.frames, one.words)));
            }
            return marked;
        });
    }

    private record Marked(String source, FrameSet frames, String words) {}

    private Marked ofReel(ResolvedReel programme) {
        Rate rate = programme == null ? null : programme.rate().orElse(null);
        if (rate == null) {
            throw new IllegalArgumentException(WORDS.say("thereIsNoReelWithARateThat", frames));
        }
        long place = Timecode.parse(frames, rate).frame() - programme.start().map(Timecode::frame).orElse(0L);
        if (place < 0 || place >= programme.plan().count()) {
            throw new IllegalArgumentException(WORDS.say("isntInTheReel", frames));
        }
        ReelFrame frame = programme.plan().at(place);
        ReelEntry entry = programme.entry(frame.item())
                .orElseThrow(() -> new IllegalArgumentException(WORDS.say("atThereIsNoFrameOfASource", frames)));
        return new Marked(entry.source().id(), FrameSet.builder().add(frame.wanted()).build(), words);
    }

    private Marked ofSource(Project project, Map<String, FrameTable> tables, String inHand) {
        Source source = name == null
                ? project.source(inHand).orElseThrow(
                        () -> new IllegalArgumentException(WORDS.say("whichSourceIsOfChooseIt", frames)))
                : project.sources().stream().filter(s -> s.pattern().baseName().equalsIgnoreCase(name) || s.name().equalsIgnoreCase(name))
                        .findFirst()
                        // Who looks at previews writes the camera's name, not which version it was.
                        .or(() -> project.sources().stream()
                                .filter(s -> NameWords.withoutVersion(s.pattern().baseName()).equalsIgnoreCase(name)).findFirst())
                        .orElseThrow(() -> new IllegalArgumentException(WORDS.say("noSourceIsCalled", name)));
        FrameSet.Builder set = FrameSet.builder();
        List<FrameRange> ranges = new ArrayList<>();
        for (String part : frames.split(",\\s*")) {
            ranges.add(FrameRange.parse(part));
        }
        FrameTable table = tables.get(source.id());
        ranges.stream().sorted((a, b) -> Long.compare(a.first(), b.first())).forEach(r -> {
            FrameRange there = table == null ? r : source.reading().rangeIn(table.sequence());
            if (r.first() < there.first() || r.last() > there.last()) {
                throw new IllegalArgumentException(WORDS.say("hasNoFrameItGoesFromTo", source.pattern().baseName(),
                        (r.first() < there.first() ? r.first() : r.last()), there.first(), there.last()));
            }
            set.add(r.first(), r.last());
        });
        return new Marked(source.id(), set.build(), words);
    }

    /** The marks of all sources as such lines, with their names. */
    public static String toText(Project project) {
        return project.sources().stream()
                .flatMap(s -> s.reading().marked().ranges().stream().map(r -> s.pattern().baseName() + " " + s.pattern().number(r.first())
                        + (r.last() == r.first() ? "" : "-" + s.pattern().number(r.last()))
                        + (s.reading().remarks().containsKey(r.first()) ? " " + s.reading().remarks().get(r.first()) : "")))
                .collect(Collectors.joining("\n"));
    }
}
