package dev.vat.testkit.torture;

import java.util.Set;

/** Under what a run is made. */
enum Circumstance {
    USUAL("", Set.of()),
    LONG_NAMES("names of 250 characters", Set.of()),
    /** What the rig itself would do to the folder would be done to the frames. */
    IN_THE_SOURCES_FOLDER("into the frames' own folder", Set.of(Fault.TAKE_FOLDER, Fault.LOSE_POWER)),
    /** What the rig does by itself while nobody runs would be done under the other run's feet. */
    BESIDE_ANOTHER_RUN("another run goes into the same folder", Set.of(Fault.TAKE_FOLDER, Fault.LOSE_POWER));

    private final String words;
    private final Set<Fault> spared;

    Circumstance(String words, Set<Fault> spared) {
        this.words = words;
        this.spared = spared;
    }

    String words() {
        return words;
    }

    boolean spares(Fault fault) {
        return spared.contains(fault);
    }
}
