package dev.vat.worker.run;

import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import java.io.IOException;
import java.util.List;

/** What becomes of a run's files where somebody ends it early: shorter ones, as far as their pictures were read. */
final class EarlyEnd {

    private EarlyEnd() {}

    /** What was read of a file is all that it is to have; where nothing was, or only for the first of two passes, it stays unmade. */
    static void shorten(OutputPipeline lane, long next, Journal journal) throws IOException {
        long frames = lane.reach(next);
        if (!lane.isFirstPass() && frames > 0 && frames < lane.file().expected().frames()) {
            journal.write(new JournalEntry.Shortened(lane.file().target(), frames));
            lane.shorten(frames);
        }
    }

    /** Sound beside pictures that end early ends with them. */
    static void shortenSounds(List<OutputPipeline> lanes, Journal journal) throws IOException {
        for (OutputPipeline sound : lanes.stream().filter(l -> l.file().isSound()).toList()) {
            long pictures = lanes.stream().filter(l -> l.file().hasBeside(sound.file())).mapToLong(l -> l.file().expected().frames())
                    .findFirst().orElse(sound.file().expected().frames());
            if (pictures < sound.file().expected().frames()) {
                journal.write(new JournalEntry.Shortened(sound.file().target(), pictures));
                sound.shorten(pictures);
            }
        }
    }

    /** Whether it is sound beside pictures of which nothing is made any more. */
    static boolean leavesBehind(OutputPipeline lane, List<OutputPipeline> lanes) {
        return lanes.stream().anyMatch(l -> l.file().hasBeside(lane.file()) && !l.isComplete());
    }
}
