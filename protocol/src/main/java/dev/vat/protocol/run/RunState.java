package dev.vat.protocol.run;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** How far a run is, by what its journal says and nothing else. */
public final class RunState {

    private final Map<String, TreeMap<Integer, JournalEntry.PartClosed>> closed = new HashMap<>();
    private final Map<String, JournalEntry.Delivered> delivered = new HashMap<>();
    private final Map<String, JournalEntry.Unproven> unproven = new HashMap<>();
    private final Map<String, String> givenUp = new HashMap<>();
    private final Map<String, Long> shortened = new HashMap<>();
    private String trying;
    private final Set<String> firstPassed = new HashSet<>();
    private int starts;
    private boolean goesOn;

    private RunState() {}

    public static RunState of(List<JournalEntry> journal) {
        RunState state = new RunState();
        journal.forEach(state::add);
        return state;
    }

    private void add(JournalEntry entry) {
        goesOn = !(entry instanceof JournalEntry.Ended);
        switch (entry) {
            case JournalEntry.Started _ -> starts++;
            case JournalEntry.PartClosed part -> closed.computeIfAbsent(part.target(), _ -> new TreeMap<>()).put(part.part(), part);
            case JournalEntry.FirstPassed(String target) -> firstPassed.add(target);
            case JournalEntry.Delivered made -> {
                delivered.put(made.target(), made);
                unproven.remove(made.target());
            }
            case JournalEntry.Unproven kept -> unproven.put(kept.target(), kept);
            case JournalEntry.Shortened(String target, long frames) -> shortened.put(target, frames);
            case JournalEntry.Trying(String target) -> trying = target;
            case JournalEntry.GivenUp(String target, String why) -> {
                givenUp.put(target, why);
                trying = null;
            }
            case JournalEntry.Ended _ -> {
                givenUp.clear();
                trying = null;
            }
            case JournalEntry.Proven _ -> {}
            case JournalEntry.Failed _ -> {}
        }
    }

    /** Parts that were closed, in their order; of one that was closed twice, the later. */
    public List<JournalEntry.PartClosed> closed(String target) {
        return closed.containsKey(target) ? List.copyOf(closed.get(target).values()) : List.of();
    }

    public Optional<JournalEntry.Delivered> delivered(String target) {
        return Optional.ofNullable(delivered.get(target));
    }

    /** Made, but not as planned: it waits for somebody to take or discard it. */
    public Optional<JournalEntry.Unproven> unproven(String target) {
        return Optional.ofNullable(unproven.get(target));
    }

    /** Why a file isn't tried any more in this start, if that is so. */
    public Optional<String> givenUp(String target) {
        return Optional.ofNullable(givenUp.get(target));
    }

    /** The file that was made alone when the journal ends, if one was. */
    public Optional<String> trying() {
        return Optional.ofNullable(trying).filter(t -> !delivered.containsKey(t));
    }

    /** The plan's files as they are to be made: some were told to end early. */
    public List<RunFile> files(RunPlan plan) {
        return plan.files().stream().map(f -> shortened.containsKey(f.target()) ? f.shortened(shortened.get(f.target())) : f).toList();
    }

    public boolean isFirstPassed(String target) {
        return firstPassed.contains(target);
    }

    /** How far a run is. @param frames that are closed @param of all of its file's */
    public record Reached(long frames, long of) {}

    /** Of the file that lacks most; empty if all are delivered. */
    public Optional<Reached> reached(RunPlan plan) {
        return files(plan).stream().filter(f -> !f.isSound() && !delivered.containsKey(f.target()))
                .map(f -> new Reached(closed(f.target()).stream().mapToLong(JournalEntry.PartClosed::frames).sum(), f.expected().frames()))
                .min(Comparator.comparingDouble(r -> (double) r.frames() / r.of()));
    }

    /** The files that aren't delivered, in the plan's order. */
    List<RunFile> undelivered(RunPlan plan) {
        List<RunFile> files = new ArrayList<>(plan.files());
        files.removeIf(f -> delivered.containsKey(f.target()));
        return files;
    }

    /** How often the run was begun or gone on with. */
    int starts() {
        return starts;
    }

    /** Whether its last start had no end of its own. */
    boolean wasCutOff() {
        return goesOn;
    }
}
