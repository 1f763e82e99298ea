package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import dev.vat.core.trial.Trial;

/** What is said to a trial and by it. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = TrialMessage.Try.class, name = "try"),
    @JsonSubTypes.Type(value = TrialMessage.Trying.class, name = "trying"),
    @JsonSubTypes.Type(value = TrialMessage.Tried.class, name = "tried"),
})
public sealed interface TrialMessage extends Message {

    /**
     * Asks to try the files of the plan in a run's home.
     *
     * @param looked whether the costs of its frames lie there already
     */
    record Try(long id, String home, boolean looked) implements TrialMessage {}

    /** How far a trial is. @param doing in words */
    record Trying(long id, String doing, long done, long frames) implements TrialMessage {}

    /** What came of a trial. */
    record Tried(long id, Trial trial) implements TrialMessage {}
}
