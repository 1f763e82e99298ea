package dev.vat.cli;

import dev.vat.core.finding.ExpectedFrames;
import dev.vat.core.finding.Finding;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.Relatives;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.engine.source.FoldersBeside;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** What was found under a path, as sources that know each other, and what lies in folders beside it. */
final class FoundSources {

    private final List<Source> sources;
    private final Map<String, FrameTable> tables = new HashMap<>();
    private final Relatives relatives;
    private final List<Preview> previews;

    /** @param path under which it was found, a folder or a file in one @param places where approved previews are kept */
    FoundSources(SourceFinder.Found found, Path path, Places places) {
        List<Sequence> sequences = new ArrayList<>(found.sequences());
        List<Location> locations = new ArrayList<>(found.locations());
        Path absolute = path.toAbsolutePath().normalize();
        FoldersBeside.sequences(Files.isDirectory(absolute) ? absolute : absolute.getParent()).stream()
                .filter(s -> !locations.contains(s.location())).forEach(s -> {
                    sequences.add(s);
                    locations.add(s.location());
                });
        sources = locations.isEmpty() ? List.of()
                : Edits.bringIn(locations, Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY).sources();
        previews = PreviewStore.in(places).all();
        for (Sequence sequence : sequences) {
            at(sequence.location()).ifPresent(source -> tables.put(source.id(), FrameTable.unchecked(sequence)));
        }
        relatives = new Relatives(sources, tables);
    }

    private Optional<Source> at(Location location) {
        return sources.stream().filter(s -> s.location().equals(location)).findFirst();
    }

    /** That the preview which was approved, or sources of the same shot, have more frames than one of them has. */
    Optional<Finding> fewer(Location location, Reading reading) {
        return at(location).filter(source -> tables.containsKey(source.id())).flatMap(source -> {
            Sequence sequence = tables.get(source.id()).sequence();
            return ExpectedFrames.fewer(source, reading, sequence, relatives, previews);
        });
    }

    /** What is to be said of the frames that there should be of one of them, by its numbers, the approved preview and its kin. */
    List<Finding> expected(Location location, Reading reading) {
        Stream<Finding> byNumbers = at(location).filter(source -> tables.containsKey(source.id())).stream()
                .flatMap(source -> ExpectedFrames.byNumbers(source, reading, tables.get(source.id()).sequence()).stream());
        return Stream.concat(byNumbers, fewer(location, reading).stream()).toList();
    }
}
