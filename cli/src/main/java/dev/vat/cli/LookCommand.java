package dev.vat.cli;

import dev.vat.core.content.ContentReview;
import dev.vat.core.finding.Finding;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Listing;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "look", mixinStandardHelpOptions = true)
final class LookCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(LookCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path path;

    @Option(names = "--json")
    private boolean json;

    @Option(names = "--headers")
    private boolean headers;

    @Mixin
    private final ExpectedChoices expected = new ExpectedChoices();

    /** With what was said of the frames that there should be. */
    private Reading reading;

    LookCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        SourceFinder.Found found = SourceFinder.find(path);
        List<Map<String, Object>> sources = new ArrayList<>();
        List<Location> locations = found.locations();
        List<Kin> families = Kin.group(locations);
        FoundSources known = new FoundSources(found, path, places);
        reading = expected.of(Reading.PLAIN);
        try (Viewer viewer = new Viewer(places)) {
            for (Kin family : families) {
                if (family.isFamily() && !json) {
                    output.answer(WORDS.say("thatBelongTogether", family.name(), family.members().size()));
                }
                for (Kin.Member member : family.members()) {
                    Location location = locations.get(member.index());
                    sources.add(look(viewer, found, location, family, known.expected(location, reading)));
                }
            }
        }
        if (json) {
            output.document(found.foreign().isEmpty() ? Map.of("sources", sources) : Map.of("sources", sources, "unread", found.foreign()));
        }
        if (found.isEmpty()) {
            throw new CommandFailure(ExitCode.FAILED, found.nothing(WORDS.say("noFramesMoviesOrSoundsIn", path.toAbsolutePath())));
        }
        found.passedOver().forEach(output::say);
        return ExitCode.PROVEN.code();
    }

    private Map<String, Object> look(Viewer viewer, SourceFinder.Found found, Location location, Kin family, List<Finding> numbers) {
        Map<String, Object> source = new LinkedHashMap<>();
        source.put("name", location.name());
        source.put("folder", location.folder().toString());
        try {
            // What the walk has just listed isn't listed again.
            Listing listing = found.sequences().stream().filter(s -> s.location().equals(location)).findFirst()
                    .map(s -> new Listing(Optional.of(s), Optional.empty())).orElse(null);
            listing = listing == null ? Listing.of(viewer, location) : listing;
            listing.clip().ifPresent(clip -> clip(source, location, clip));
            if (listing.sequence().isPresent()) {
                FrameTable table = Checking.check(viewer, listing.sequence().get(), headers, PictureChoice.MAIN, output);
                source.putAll(describe(table, reading));
                source.put("numbers", numbers.stream().map(Finding::text).toList());
                ContentReview review = ContentReview.of(table);
                source.put("content", review.faults());
                if (!json) {
                    say(table, review);
                    numbers.forEach(f -> output.answer("  " + f.text()));
                }
            }
        } catch (IOException e) {
            source.put("error", e.getMessage());
            output.say(location.name() + ": " + e.getMessage());
        }
        if (family.isFamily()) {
            source.put("kin", family.name());
        }
        return source;
    }

    private void clip(Map<String, Object> source, Location location, ClipFacts clip) {
        source.put("kind", clip.isSoundOnly() ? "sound" : "movie");
        source.put("clip", clip);
        if (json) {
            return;
        }
        output.answer(location.name() + "  " + clip.container() + ", " + clip.seconds().toFixed(3) + " s"
                + (clip.rate() == null ? "" : WORDS.say("framesAt", clip.frames(), clip.rate().label()))
                + (clip.timecode() == null ? "" : WORDS.say("timecode", clip.timecode())));
        clip.sounds().forEach(sound -> output.answer(WORDS.say("sound", sound.describe())));
        if (clip.fields() != null) {
            output.answer(WORDS.say("noteInterlaced", clip.fields().title()));
        }
        if (clip.uneven() != null) {
            output.answer(WORDS.say("noteVariableRateFrames", clip.uneven().describe()));
        }
    }

    static Map<String, Object> describe(FrameTable table, Reading reading) {
        Sequence sequence = table.sequence();
        ResumeAdvice advice = ResumeAdvice.of(table, reading);
        Map<String, Object> source = new LinkedHashMap<>();
        source.put("kind", sequence.kind().isMovie() ? "movie" : sequence.pattern().isSingle() ? "still" : "sequence");
        source.put("name", sequence.name());
        source.put("folder", sequence.folder().toString());
        source.put("pattern", sequence.pattern());
        source.put("step", sequence.step());
        source.put("first", sequence.first());
        source.put("last", sequence.last());
        source.put("count", sequence.count());
        source.put("good", table.good());
        source.put("faults", table.faults());
        source.put("missing", advice.missing().toString());
        source.put("wanted", advice.wanted().toString());
        source.put("next", advice.next().isPresent() ? advice.next().getAsLong() : null);
        source.put("width", value(table, f -> f.size().width()));
        source.put("height", value(table, f -> f.size().height()));
        source.put("depth", value(table, f -> f.depth().bits()));
        source.put("float", value(table, f -> f.depth().floating()));
        source.put("alpha", table.formats().stream().map(PictureFormat::alpha).distinct().count() > 1 ? "mixed"
                : table.alpha().id());
        source.put("pixelAspect", table.format().map(f -> f.pixelAspect().toString()).orElse(null));
        source.put("stated", table.format().map(PictureFormat::stated).orElse(null));
        source.put("layers", table.format().map(PictureFormat::layers).orElse(List.of()));
        source.put("checksum", sequence.kind().hasChecksum());
        Map<String, String> notes = new LinkedHashMap<>();
        table.notes().forEach((note, frames) -> notes.put(frames.toString(), note));
        source.put("notes", notes);
        return source;
    }

    private static Object value(FrameTable table, Function<PictureFormat, Object> property) {
        List<Object> values = table.formats().stream().map(property).distinct().toList();
        return values.isEmpty() ? null : values.size() == 1 ? values.getFirst() : "mixed";
    }

    private void say(FrameTable table, ContentReview review) {
        Sequence s = table.sequence();
        ResumeAdvice advice = ResumeAdvice.of(table, reading);
        output.answer(WORDS.say("good", s.name(), s.pattern().number(s.first()), s.pattern().number(s.last()), s.count(),
                (s.kind().isMovie() ? WORDS.say("frames") : s.count() == 1 ? WORDS.say("file") : WORDS.say("files")), table.good(),
                table.format().map(f -> WORDS.say("alpha", f.size(), f.depth(), table.alpha().label())).orElse("")));
        for (FrameTable.Fault fault : table.faults()) {
            output.answer("  " + s.pattern().number(fault.frame()) + "  " + fault.state().label() + ": " + fault.why());
        }
        if (!advice.missing().isEmpty()) {
            output.answer(WORDS.say("missing", advice.missing().toText(s.pattern()::number)));
        }
        if (!advice.wanted().isEmpty()) {
            output.answer(WORDS.say("toRenderAgain", advice.toText(s.pattern())));
        }
        table.notes().forEach((note, frames) -> output.answer(WORDS.say("note", frames.toText(s.pattern()::number), note)));
        if (!s.kind().hasChecksum() && !s.kind().isMovie()) {
            output.answer(WORDS.say("noteHasNoChecksumChanged", s.kind().title()));
        }
        table.format().filter(f -> !f.stated().describe().isEmpty())
                .ifPresent(f -> output.answer(WORDS.say("states", f.stated().describe())));
        review.faults().forEach(f -> output.answer("  " + s.pattern().number(f.frames().getFirst())
                + (f.frames().size() == 1 ? "" : WORDS.say("andMore", (f.frames().size() - 1))) + ": " + f.kind().label() + ", "
                + f.evidence()));
        ResumeAdvice.digits(s, s.range()).ifPresent(words -> output.answer(WORDS.say("note2", words)));
        if (s.count() == 1 && !s.pattern().isSingle()) {
            output.answer(WORDS.say("note1FileWhereASequence"));
        }
        if (!s.pattern().isSingle()) {
            advice.next().ifPresent(next -> output.answer(WORDS.say("nextToRender", s.pattern().number(next))));
        }
    }
}
