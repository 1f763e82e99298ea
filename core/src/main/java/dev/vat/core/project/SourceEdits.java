package dev.vat.core.project;

import dev.vat.core.picture.FieldReading;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** Named edits of how a source is read. */
public final class SourceEdits {

    private static final Words WORDS = Words.of(SourceEdits.class);

    private SourceEdits() {}

    public static Edit setSourceRate(String source, Rate rate) {
        return new Edit(WORDS.say("changeOfRateTo", rate.label()),
                project -> project.withSource(source, s -> s.withReading(s.reading().withRate(rate))));
    }

    /** @param range null for everything there is */
    public static Edit setRange(String source, FrameRange range) {
        return new Edit(WORDS.say("changeOfRange"),
                project -> project.withSource(source, s -> s.withReading(s.reading().withRange(range))));
    }

    public static Edit setGap(String source, GapPolicy gap) {
        return new Edit(WORDS.say("changeOfGapPolicy"),
                project -> project.withSource(source, s -> s.withReading(s.reading().withGap(gap))));
    }

    public static Edit setCadence(String source, Cadence cadence) {
        return reading(WORDS.say("changeOfStepOrStart"), source, r -> r.withCadence(cadence));
    }

    public static Edit setPicture(String source, Interpretation picture) {
        return reading(WORDS.say("changeOfHowPicturesAreRead"), source, r -> r.withPicture(picture));
    }

    /** How interlaced frames are taken. What is told by frame numbers goes on meaning the same pictures. */
    public static Edit setFields(String source, FieldReading fields) {
        return new Edit(WORDS.say("changeOfHowFieldsAreRead"), project -> {
            Interpretation picture = project.source(source).orElseThrow().reading().picture();
            boolean each = picture.fields() == FieldReading.EACH;
            Project read = project.withSource(source, s -> s.withReading(s.reading().withPicture(picture.withFields(fields))));
            return each == (fields == FieldReading.EACH) ? read : FieldNumbers.of(!each).renumbered(read, source);
        });
    }

    /** @param timecode of the first frame, or null for what the file states */
    public static Edit setTimecode(String source, String timecode) {
        return reading(WORDS.say("changeOfTimecode"), source, r -> r.withTimecode(timecode));
    }

    /** @param range the frames that there should be, or null */
    public static Edit setExpected(String source, FrameRange range) {
        return reading(WORDS.say("changeOfTheExpectedRange"), source, r -> r.withExpected(range));
    }

    public static Edit setNote(String source, String note) {
        return reading(WORDS.say("aNote"), source, r -> r.withNote(note.isBlank() ? null : note));
    }

    /** Other versions of a source beside it, to be chosen from; they are taken as it is. */
    public static Edit bringInVersions(String source, List<Location> versions) {
        return new Edit(WORDS.say("bringingInVersions"), project -> {
            Reading like = project.source(source).orElseThrow().reading();
            List<Source> more = new ArrayList<>(project.sources());
            for (Location location : versions) {
                if (more.stream().noneMatch(s -> s.location().equals(location))) {
                    Reading reading = new Reading(like.rate(), null, like.gap(), like.cadence(), like.picture(), like.timecode(), null,
                            null, null, Map.of(), null, Map.of());
                    more.add(Source.of(project.withSources(more).freshId("s"), Place.of(location.folder()), location.pattern(), reading));
                }
            }
            return project.withSources(more);
        });
    }

    /** Marks frames to be rendered again, or takes the marks away. */
    public static Edit mark(String source, FrameRange frames, boolean on) {
        return reading(on ? WORDS.say("markingFrames") : WORDS.say("takingMarksAway"), source,
                r -> r.withMarked(on ? r.marked().plus(new FrameSet(List.of(frames))) : r.marked().minus(frames)));
    }

    private static Edit reading(String name, String source, UnaryOperator<Reading> change) {
        return new Edit(name, project -> project.withSource(source, s -> s.withReading(change.apply(s.reading()))));
    }

    /** The same source elsewhere: a folder that was moved, or another render in its place. */
    public static Edit relink(String source, Location location) {
        return new Edit(WORDS.say("findingASourceAgain"), project -> project.withSource(source,
                s -> s.withLocation(Place.of(location.folder()), location.pattern())));
    }
}
