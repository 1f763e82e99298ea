package dev.vat.core.project;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.reel.Reel;
import dev.vat.core.words.Words;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * What somebody means to make: places, readings, items and deliverables; nothing of what is seen on disk. Immutable:
 * every change is an {@link Edit} that gives a new one.
 *
 * @param reel id of the reel that is worked on
 * @param folder where deliverables go; null for the safe default beside the first source
 * @param extra fields of a newer version's file, kept as they are
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Project(int version, String name, List<Source> sources, List<Reel> reels, String reel,
        List<Deliverable> deliverables, Place folder, String naming,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    private static final Words WORDS = Words.of(Project.class);

    public static final int VERSION = 1;

    public static final Project EMPTY = new Project(VERSION, WORDS.say("untitled"), List.of(), List.of(), null, List.of(), null,
            FileNaming.DEFAULT,
            Map.of());

    public Project {
        sources = sources == null ? List.of() : List.copyOf(sources);
        reels = reels == null ? List.of() : List.copyOf(reels);
        deliverables = deliverables == null ? List.of() : List.copyOf(deliverables);
        naming = naming == null ? FileNaming.DEFAULT : naming;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public Project withName(String other) {
        return new Project(version, other, sources, reels, reel, deliverables, folder, naming, extra);
    }

    public Project withSources(List<Source> other) {
        return new Project(version, name, other, reels, reel, deliverables, folder, naming, extra);
    }

    public Project withReels(List<Reel> other, String current) {
        return new Project(version, name, sources, other, current, deliverables, folder, naming, extra);
    }

    public Project withDeliverables(List<Deliverable> other) {
        return new Project(version, name, sources, reels, reel, other, folder, naming, extra);
    }

    public Project withFolder(Place other) {
        return new Project(version, name, sources, reels, reel, deliverables, other, naming, extra);
    }

    public Project withNaming(String other) {
        return new Project(version, name, sources, reels, reel, deliverables, folder, other, extra);
    }

    /** @param id of a source, or null for none */
    public Optional<Source> source(String id) {
        return sources.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** The reel that is worked on. */
    @JsonIgnore
    public Optional<Reel> currentReel() {
        return reels.stream().filter(r -> r.id().equals(reel)).findFirst();
    }

    public Project withSource(String id, UnaryOperator<Source> change) {
        return withSources(sources.stream().map(s -> s.id().equals(id) ? change.apply(s) : s).toList());
    }

    public Project withCurrentReel(UnaryOperator<Reel> change) {
        return withReels(reels.stream().map(r -> r.id().equals(reel) ? change.apply(r) : r).toList(), reel);
    }

    public Project withDeliverable(String id, UnaryOperator<Deliverable> change) {
        return withDeliverables(
                deliverables.stream().map(d -> d.id().equals(id) ? change.apply(d) : d).toList());
    }

    /** An id for a new source or reel that this project doesn't use yet: {@code s3}, {@code r1}. */
    public String freshId(String prefix) {
        Set<String> taken = new HashSet<>();
        sources.forEach(s -> taken.add(s.id()));
        reels.forEach(r -> taken.add(r.id()));
        int number = 1;
        while (taken.contains(prefix + number)) {
            number++;
        }
        return prefix + number;
    }

    /** The columns that aren't switched off. */
    @JsonIgnore
    public List<Deliverable> deliverablesOn() {
        return deliverables.stream().filter(d -> !d.off()).toList();
    }

    /** Whether every column is a draft. */
    @JsonIgnore
    public boolean isDraft() {
        return !deliverables.isEmpty() && deliverables.stream().allMatch(Deliverable::draft);
    }

    @JsonIgnore
    public boolean isEmpty() {
        return sources.isEmpty() && reels.isEmpty();
    }
}
