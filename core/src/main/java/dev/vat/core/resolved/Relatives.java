package dev.vat.core.resolved;

import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** What the kin of sources have to say about them. They are told by their names, once for all. */
public final class Relatives {

    private record Family(Kin kin, List<Source> members) {}

    private final Map<String, Family> families = new HashMap<>();
    private final Map<String, FrameTable> tables;

    /**
     * @param sources those among which one has kin
     * @param tables what is known of them, by their ids
     */
    public Relatives(List<Source> sources, Map<String, FrameTable> tables) {
        this.tables = tables;
        for (Kin kin : Kin.group(sources.stream().map(Source::location).toList())) {
            Family family = new Family(kin, kin.members().stream().map(m -> sources.get(m.index())).toList());
            family.members.forEach(source -> families.put(source.id(), family));
        }
    }

    /** The frames that a source's kin have, if there are any: what it should have as well. Frames of movies are counted otherwise. */
    public Optional<FrameRange> expected(Source source) {
        return others(source).stream().map(s -> tables.get(s.id())).filter(Objects::nonNull).map(FrameTable::sequence)
                .filter(s -> !s.pattern().isSingle()).map(Sequence::range).max(Comparator.comparingLong(FrameRange::count));
    }

    /** Other versions of a source, by their names; only those whose frames were found. */
    public List<Source> versions(Source source) {
        Family family = families.get(source.id());
        return family == null || !family.kin.isFamily() || !family.kin.areVersions() ? List.of()
                : others(source).stream().filter(s -> tables.containsKey(s.id())).toList();
    }

    private List<Source> others(Source source) {
        Family family = families.get(source.id());
        return family == null ? List.of() : family.members.stream().filter(s -> !s.id().equals(source.id())).toList();
    }
}
