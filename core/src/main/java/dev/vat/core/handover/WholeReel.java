package dev.vat.core.handover;

import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.Location;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

/** A reel with the sources that it uses, for Vat itself: nothing of it is lost on the way. */
public record WholeReel(Reel reel, List<Source> sources) {

    private static final Words WORDS = Words.of(WholeReel.class);

    public WholeReel {
        sources = List.copyOf(sources);
    }

    public static WholeReel of(Project project, Reel reel) {
        List<String> used = Stream.concat(
                reel.items().stream().flatMap(i -> Stream.concat(i.sources().stream(), Stream.of(i.earlier()).filter(Objects::nonNull))),
                reel.sounds().stream().map(SoundUse::source)).filter(Objects::nonNull).distinct().toList();
        return new WholeReel(reel, project.sources().stream().filter(s -> used.contains(s.id())).toList());
    }

    /** The same reel in another project, where sources may have other ids; it becomes the current one. */
    public Edit edit() {
        return new Edit(WORDS.say("takingOver", reel.name()), project -> {
            Project result = project;
            Map<Location, String> there = new HashMap<>();
            project.sources().forEach(s -> there.putIfAbsent(s.location(), s.id()));
            Map<String, String> ids = new HashMap<>();
            for (Source source : sources) {
                String known = there.get(source.location());
                if (known == null) {
                    known = result.freshId("s");
                    List<Source> more = new ArrayList<>(result.sources());
                    more.add(new Source(known, source.folder(), source.pattern(), source.reading(), source.extra()));
                    result = result.withSources(more);
                }
                ids.put(source.id(), known);
            }
            List<Item> items = reel.items().stream().map(i -> i.withSources(s -> mapped(ids, s))).toList();
            List<SoundUse> sounds = reel.sounds().stream().map(s -> new SoundUse(mapped(ids, s.source()), s.at(), s.from(), s.to(),
                    s.fadeIn(), s.fadeOut(), s.gain(), s.channels(), s.map(), s.extra())).toList();
            String id = result.freshId("r");
            List<Reel> reels = new ArrayList<>(result.reels());
            reels.add(new Reel(id, reel.name(), reel.rate(), items, sounds, reel.layout(), reel.start(), reel.burnIn(), reel.extra()));
            return result.withReels(reels, id);
        });
    }

    private static String mapped(Map<String, String> ids, String id) {
        return id == null ? null : ids.getOrDefault(id, id);
    }
}
