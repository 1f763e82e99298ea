package dev.vat.protocol.run;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.proof.Receipt;
import java.util.List;

/** One line of a run's journal: something that is certain from then on. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
@JsonSubTypes({
    @JsonSubTypes.Type(value = JournalEntry.Started.class, name = "started"),
    @JsonSubTypes.Type(value = JournalEntry.PartClosed.class, name = "part-closed"),
    @JsonSubTypes.Type(value = JournalEntry.FirstPassed.class, name = "first-passed"),
    @JsonSubTypes.Type(value = JournalEntry.Trying.class, name = "trying"),
    @JsonSubTypes.Type(value = JournalEntry.GivenUp.class, name = "given-up"),
    @JsonSubTypes.Type(value = JournalEntry.Shortened.class, name = "shortened"),
    @JsonSubTypes.Type(value = JournalEntry.Proven.class, name = "proven"),
    @JsonSubTypes.Type(value = JournalEntry.Delivered.class, name = "delivered"),
    @JsonSubTypes.Type(value = JournalEntry.Unproven.class, name = "unproven"),
    @JsonSubTypes.Type(value = JournalEntry.Failed.class, name = "failed"),
    @JsonSubTypes.Type(value = JournalEntry.Ended.class, name = "ended"),
})
@JsonInclude(JsonInclude.Include.NON_NULL)
public sealed interface JournalEntry {

    /** @param when UTC, ISO 8601 */
    record Started(String when, String plan) implements JournalEntry {}

    /** A part is whole and on disk; CRC32C of its file, and what the inline check found of its frames. */
    record PartClosed(String target, int part, long first, long frames, long bytes, String crc,
            List<Receipt.FrameLine> checked) implements JournalEntry {}

    /** The first of two passes is over, and its notes are on disk. */
    record FirstPassed(String target) implements JournalEntry {}

    /** From here on one file is made alone, since something ended the process again and again. */
    record Trying(String target) implements JournalEntry {}

    /** A file that ended its process, made alone; it isn't tried again before the run's end. */
    record GivenUp(String target, String why) implements JournalEntry {}

    /** Somebody wants the file to end early, with what was done of it by then. */
    record Shortened(String target, long frames) implements JournalEntry {}

    /** The joined file agrees with its plan; it only has to get its name. */
    record Proven(String target, String work, String receipt) implements JournalEntry {}

    record Delivered(String target, String path) implements JournalEntry {}

    /** The joined file doesn't agree with its plan; it stays in the work folder. */
    record Unproven(String target, String work, String receipt, List<String> reasons) implements JournalEntry {}

    record Failed(String target, String why) implements JournalEntry {}

    /** Nothing more comes. */
    record Ended(String when, boolean stopped) implements JournalEntry {}
}
