package dev.vat.core.resolved;

import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What a source's kin have to say about it.
 *
 * @param sources those among which it has kin
 * @param tables what is known of them, by their ids
 */
public record Relatives(List<Source> sources, Map<String, FrameTable> tables) {

    /** The frames that a source's kin have, if there are any: what it should have as well. Frames of movies are counted otherwise. */
    public Optional<FrameRange> expected(Source source) {
        return kin(source).flatMap(k -> others(k, source).stream().map(s -> tables.get(s.id())).filter(Objects::nonNull)
                .map(FrameTable::sequence).filter(s -> !s.pattern().isSingle()).map(Sequence::range)
                .max(Comparator.comparingLong(FrameRange::count)));
    }

    /** Other versions of a source, by their names; only those whose frames were found. */
    public List<Source> versions(Source source) {
        return kin(source).filter(k -> k.isFamily() && k.areVersions())
                .map(k -> others(k, source).stream().filter(s -> tables.containsKey(s.id())).toList()).orElse(List.of());
    }

    private Optional<Kin> kin(Source source) {
        int own = sources.indexOf(source);
        return Kin.group(sources.stream().map(Source::location).toList()).stream()
                .filter(k -> k.members().stream().anyMatch(m -> m.index() == own)).findFirst();
    }

    private List<Source> others(Kin kin, Source source) {
        return kin.members().stream().map(m -> sources.get(m.index())).filter(s -> !s.equals(source)).toList();
    }
}
