package dev.vat.cli;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.engine.place.Places;
import dev.vat.engine.source.SequenceFinder;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "look", mixinStandardHelpOptions = true,
        description = "Says what is in a folder of frames, and the state of every one.")
final class LookCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH", description = "A folder, or one frame of a sequence.")
    private Path path;

    @Option(names = "--json", description = "One JSON document on standard output.")
    private boolean json;

    @Option(names = "--headers", description = "Look at headers and structure only; pictures aren't decoded.")
    private boolean headers;

    LookCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        List<Sequence> sequences = SequenceFinder.find(path);
        List<Map<String, Object>> sources = new ArrayList<>();
        try (Viewer viewer = new Viewer(places)) {
            for (Sequence sequence : sequences) {
                FrameTable table = Checking.check(viewer, sequence, headers, output);
                sources.add(describe(table));
                if (!json) {
                    say(table);
                }
            }
        }
        if (json) {
            output.document(Map.of("sources", sources));
        } else if (sequences.isEmpty()) {
            output.say("No numbered frames in " + path.toAbsolutePath());
        }
        return ExitCode.PROVEN.code();
    }

    static Map<String, Object> describe(FrameTable table) {
        Sequence sequence = table.sequence();
        ResumeAdvice advice = ResumeAdvice.of(table);
        Map<String, Object> source = new LinkedHashMap<>();
        source.put("kind", "sequence");
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
                : table.alpha().label());
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

    private void say(FrameTable table) {
        Sequence s = table.sequence();
        ResumeAdvice advice = ResumeAdvice.of(table);
        output.say(s.name() + "  " + s.pattern().number(s.first()) + "-" + s.pattern().number(s.last()) + ", " + s.count()
                + " files, " + table.good() + " good" + table.format().map(f -> ", " + f.size() + ", " + f.depth()
                + ", alpha " + table.alpha().label()).orElse(""));
        for (FrameTable.Fault fault : table.faults()) {
            output.say("  " + s.pattern().number(fault.frame()) + "  " + fault.state().label() + ": " + fault.why());
        }
        if (!advice.missing().isEmpty()) {
            output.say("  missing: " + advice.missing().toText(s.pattern()::number));
        }
        if (!advice.wanted().isEmpty()) {
            output.say("  to render again: " + advice.toText(s.pattern()));
        }
        table.notes().forEach((note, frames) -> output.say("  note: " + frames.toText(s.pattern()::number) + " " + note));
        if (!s.kind().hasChecksum()) {
            output.say("  note: " + s.kind().title() + " has no checksum: changed picture data can't always be noticed");
        }
        if (s.count() == 1) {
            output.say("  note: 1 file where a sequence was expected: was the renderer set to a single frame?");
        }
        advice.next().ifPresent(next -> output.say("  next to render: " + s.pattern().number(next)));
    }
}
