package dev.vat.core.source;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Sources that belong together: the layers, views or versions of one shot, whose names differ by a single word.
 *
 * <p>A word is what stands between marks in folder and file name. Only words without digits set kin apart, and versions
 * such as {@code v02}: {@code sh010} and {@code sh020} are two shots. The one that lacks the word is the main one.
 *
 * @param name what the members share
 * @param members at least one; the main one first, then by word
 */
public record Kin(String name, List<Member> members) {

    /** @param word what tells it from the others, empty for the main one */
    public record Member(int index, String word) {}

    private record Key(Path parent, String folder, String rest) {}

    private record Candidate(Key key, String word) {}

    public Kin {
        members = List.copyOf(members);
    }

    public boolean isFamily() {
        return members.size() > 1;
    }

    /** The one that stands for all: the main one, or the latest version. */
    public Member leading() {
        return areVersions() ? members.getLast() : members.getFirst();
    }

    /** Whether they are versions of one thing. */
    public boolean areVersions() {
        return members.stream().allMatch(m -> NameWords.isVersion(m.word));
    }

    /** Whether what lies in two folders beside each other may be kin, as far as the folders' own names go. */
    public static boolean mayLieIn(String folder, String other) {
        return !Collections.disjoint(rests(folder), rests(other));
    }

    private static Set<String> rests(String folder) {
        List<String> words = words(folder);
        Set<String> rests = new LinkedHashSet<>(Set.of(String.join(" ", words)));
        words.stream().filter(Kin::setsApart).forEach(w -> rests.add(without(words, w)));
        return rests;
    }

    /** Groups sources; the order of families is that of their first members, {@code index} counts in {@code sources}. */
    public static List<Kin> group(List<Location> sources) {
        List<List<Candidate>> candidates = sources.stream().map(Kin::candidates).toList();
        Map<Key, Map<String, Integer>> words = new HashMap<>();
        for (int i = 0; i < candidates.size(); i++) {
            for (Candidate candidate : candidates.get(i)) {
                words.computeIfAbsent(candidate.key, _ -> new TreeMap<>()).putIfAbsent(candidate.word, i);
            }
        }
        Map<Object, List<Member>> families = new LinkedHashMap<>();
        Map<Object, Key> keys = new HashMap<>();
        for (int i = 0; i < candidates.size(); i++) {
            int index = i;
            // Of all words that could be left out, the one that finds the most kin is what sets this source apart.
            Candidate best = candidates.get(i).stream()
                    .filter(c -> words.get(c.key).size() > 1 && words.get(c.key).get(c.word) == index)
                    .max(Comparator.comparingInt(c -> words.get(c.key).size())).orElse(null);
            Object family = best == null ? index : best.key;
            families.computeIfAbsent(family, _ -> new ArrayList<>()).add(new Member(i, best == null ? "" : best.word));
            if (best != null) {
                keys.put(family, best.key);
            }
        }
        List<Kin> kin = new ArrayList<>();
        families.forEach((family, members) -> {
            members.sort(Comparator.comparing(Member::word));
            SequencePattern first = sources.get(members.getFirst().index).pattern();
            boolean related = members.size() > 1;
            kin.add(related ? new Kin(shared(keys.get(family), first), members)
                    : new Kin(first.name(), List.of(new Member(members.getFirst().index, ""))));
        });
        return kin;
    }

    private static String shared(Key key, SequencePattern first) {
        String words = key.rest.isEmpty() ? key.folder : key.rest;
        return words.isEmpty() ? first.baseName() : words;
    }

    /** Every way to see a source as something shared and one word; the last is the source without any word left out. */
    private static List<Candidate> candidates(Location source) {
        Path folder = source.folder().getFileName() == null ? source.folder() : source.folder().getFileName();
        Path parent = source.folder().getParent();
        SequencePattern pattern = source.pattern();
        List<String> folderWords = words(folder.toString());
        String end = pattern.isSingle() ? "" : pattern.after().replaceFirst("\\.[^.]*$", "");
        List<String> nameWords = words(pattern.isSingle() ? pattern.baseName() : pattern.before() + "." + end);
        List<Candidate> candidates = new ArrayList<>();
        for (String word : distinct(folderWords, nameWords)) {
            // Stills and sounds lie together for all kinds of reasons: only versions of one are kin.
            if (!setsApart(word) || (source.isStill() || source.isSound()) && !NameWords.isVersion(word)) {
                continue;
            }
            // A folder may be named by one of the words that its files differ in, or by none of them.
            Key everywhere = new Key(parent, without(folderWords, word), without(nameWords, word));
            Key inName = new Key(parent, String.join(" ", folderWords), without(nameWords, word));
            if (!everywhere.folder.isEmpty() || saysMoreThanAVersion(everywhere.rest)) {
                candidates.add(new Candidate(everywhere, word));
            }
            if (nameWords.contains(word) && !inName.equals(everywhere) && !inName.rest.isEmpty()) {
                candidates.add(new Candidate(inName, word));
            }
        }
        candidates.add(new Candidate(new Key(parent, String.join(" ", folderWords), String.join(" ", nameWords)), ""));
        return candidates;
    }

    /** {@code pier/pier_v001} and {@code tower/tower_v001} have nothing in common. */
    private static boolean saysMoreThanAVersion(String rest) {
        return words(rest).stream().anyMatch(w -> !NameWords.isVersion(w));
    }

    private static Set<String> distinct(List<String> folder, List<String> name) {
        Set<String> words = new LinkedHashSet<>(name);
        words.addAll(folder);
        return words;
    }

    private static List<String> words(String text) {
        return NameWords.of(text).toList();
    }

    private static boolean setsApart(String word) {
        return NameWords.isVersion(word) || word.chars().noneMatch(Character::isDigit);
    }

    private static String without(List<String> words, String word) {
        return String.join(" ", words.stream().filter(w -> !w.equals(word)).toList());
    }
}
