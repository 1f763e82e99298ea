package dev.vat.testkit.torture;

/** What is done to a run. */
enum Fault {
    KILL_WORKER("the worker was killed"), KILL_APPLICATION("the application was killed"), KILL_BOTH("both were killed"),
    CUT_JOURNAL("both were killed, and the journal cut at a random byte"), CUT_OPEN("both were killed, and the open part cut"),
    LOSE_POWER("both were killed, and what was not synced was lost"), TAKE_FOLDER("both were killed, and the folder was away for a while"),
    FILL_DISK("the disk was full for a while"), TERMINATE("the application was asked to end"),
    INTERRUPT("all of them were interrupted, as by Ctrl+C");

    private final String words;

    Fault(String words) {
        this.words = words;
    }

    String words() {
        return words;
    }
}
