package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Finds the targets that meet wishes, or what stands in the way. */
final class WishAnswering {

    private static final Words WORDS = Words.of(WishAnswering.class);

    private static final int NEAREST = 2;

    private WishAnswering() {}

    static Wish.Answer answer(Set<Wish> wishes) {
        List<Target> meeting = Catalogue.targets().stream().filter(t -> wishes.stream().allMatch(w -> w.isMetBy(t))).toList();
        if (!meeting.isEmpty()) {
            return new Wish.Answer(wishes, meeting, List.of(), List.of());
        }
        // The sort keeps the catalogue's order among those that come equally near.
        List<Wish.Near> nearest = Catalogue.targets().stream()
                .map(t -> new Wish.Near(t, wishes.stream().filter(w -> !w.isMetBy(t)).toList()))
                .sorted(Comparator.comparingInt(n -> n.lacks().size())).toList();
        return new Wish.Answer(wishes, List.of(), obstacles(List.copyOf(wishes)), different(nearest));
    }

    /** The nearest, and the next that gives up something else: two ways out, not the same one twice. */
    private static List<Wish.Near> different(List<Wish.Near> nearest) {
        Wish.Near first = nearest.getFirst();
        int fewest = first.lacks().size();
        Wish.Near second = nearest.stream().filter(n -> n.lacks().size() == fewest && !n.lacks().equals(first.lacks())).findFirst()
                .orElse(nearest.get(1));
        return List.of(first, second).subList(0, NEAREST);
    }

    private static List<String> obstacles(List<Wish> wishes) {
        List<String> obstacles = new ArrayList<>();
        for (int i = 0; i < wishes.size(); i++) {
            for (int j = i + 1; j < wishes.size(); j++) {
                Wish one = wishes.get(i);
                Wish other = wishes.get(j);
                if (Catalogue.targets().stream().noneMatch(t -> one.isMetBy(t) && other.isMetBy(t))) {
                    obstacles.add(WORDS.say("nothingThatAlsoOnTheOne", one.words(), other.words(), examples(one), examples(other)));
                }
            }
        }
        if (obstacles.isEmpty()) {
            obstacles.add(WORDS.say("anyTwoOfTheseGoTogether", wishes.stream().map(Wish::words).collect(Collectors.joining(", "))));
        }
        return obstacles;
    }

    private static String examples(Wish wish) {
        List<String> codecs = Catalogue.targets().stream().filter(wish::isMetBy).map(t -> t.codec().title()).distinct().limit(3).toList();
        return codecs.isEmpty() ? WORDS.say("noTarget") : String.join(", ", codecs);
    }
}
