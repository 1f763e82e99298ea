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

/** What was found under a path, as sources that know each other. */
final class FoundSources {

    private final List<Source> sources;
    private final Map<String, FrameTable> tables = new HashMap<>();

    FoundSources(SourceFinder.Found found) {
        sources = found.locations().isEmpty() ? List.of()
                : Edits.bringIn(found.locations(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY).sources();
        for (Sequence sequence : found.sequences()) {
            at(sequence.location()).ifPresent(source -> tables.put(source.id(), FrameTable.collect(sequence).build()));
        }
    }

    private Optional<Source> at(Location location) {
        return sources.stream().filter(s -> s.location().equals(location)).findFirst();
    }

    private Relatives relatives() {
        return new Relatives(sources, tables);
    }

    /** That sources of the same shot have more frames than one has. */
    Optional<Finding> byKin(Location location) {
        return expected(location, Reading.PLAIN).stream().filter(f -> f.id().equals(ExpectedFrames.FEWER_THAN_KIN)).findFirst();
    }

    /** What is to be said of the frames that there should be of one of them, by its numbers and its kin. */
    List<Finding> expected(Location location, Reading reading) {
        return at(location).filter(source -> tables.containsKey(source.id()))
                .map(source -> ExpectedFrames.of(source, reading, tables.get(source.id()).sequence(), relatives())).orElse(List.of());
    }
}
