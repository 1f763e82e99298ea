package dev.vat.cli;

import dev.vat.core.finding.ExpectedFrames;
import dev.vat.core.finding.Finding;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.Relatives;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.engine.source.SourceFinder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** What was found under a path, as sources that know each other. */
final class FoundSources {

    private final List<Source> sources;
    private final Map<String, FrameTable> tables = new HashMap<>();
    private final Relatives relatives;

    FoundSources(SourceFinder.Found found) {
        sources = found.locations().isEmpty() ? List.of()
                : Edits.bringIn(found.locations(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY).sources();
        for (Sequence sequence : found.sequences()) {
            at(sequence.location()).ifPresent(source -> tables.put(source.id(), FrameTable.unchecked(sequence)));
        }
        relatives = new Relatives(sources, tables);
    }

    private Optional<Source> at(Location location) {
        return sources.stream().filter(s -> s.location().equals(location)).findFirst();
    }

    /** That sources of the same shot have more frames than one of them has. */
    Optional<Finding> byKin(Location location, Reading reading) {
        return at(location).filter(source -> tables.containsKey(source.id()))
                .flatMap(source -> ExpectedFrames.byKin(source, reading, tables.get(source.id()).sequence(), relatives));
    }

    /** What is to be said of the frames that there should be of one of them, by its numbers and its kin. */
    List<Finding> expected(Location location, Reading reading) {
        Stream<Finding> byNumbers = at(location).filter(source -> tables.containsKey(source.id())).stream()
                .flatMap(source -> ExpectedFrames.byNumbers(source, reading, tables.get(source.id()).sequence()).stream());
        return Stream.concat(byNumbers, byKin(location, reading).stream()).toList();
    }
}
