package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.List;

/** What is said to a run and by it. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = RunMessage.Make.class, name = "make"),
    @JsonSubTypes.Type(value = RunMessage.Pause.class, name = "pause"),
    @JsonSubTypes.Type(value = RunMessage.Stop.class, name = "stop"),
    @JsonSubTypes.Type(value = RunMessage.FinishEarly.class, name = "finish-early"),
    @JsonSubTypes.Type(value = RunMessage.Progress.class, name = "progress"),
    @JsonSubTypes.Type(value = RunMessage.Ended.class, name = "ended"),
})
public sealed interface RunMessage extends Message {

    /** Tells a run worker to make what the plan in a run's home says. */
    record Make(long id, String home, Way way) implements RunMessage {
        /** How the files are made. */
        public enum Way {
            /** From one read. */
            TOGETHER,
            /** One after the other: something ends the process, and it is to be found out which. */
            ONE_BY_ONE,
            /** Nothing more is read: files of what is closed already. */
            OF_WHAT_IS_DONE
        }
    }

    /** Nothing more is read until it is taken back; what is open stays open. */
    record Pause(long id, boolean on) implements RunMessage {}

    /** Open parts are dropped, closed ones kept. */
    record Stop(long id) implements RunMessage {}

    /** Nothing more is read; what was read becomes whole files, shorter than planned. */
    record FinishEarly(long id) implements RunMessage {}

    /**
     * How far a run and each of its files is.
     *
     * @param held why the run holds still by itself for now, or null
     * @param paused nothing is read any more, as somebody wanted
     * @param secondsLeft until all of it is proven, or -1 while too little is known
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Progress(long id, long framesRead, List<FileProgress> files, String held, boolean paused, double secondsLeft)
            implements RunMessage {}

    /** A run has come to its end, whatever it was. */
    record Ended(long id, boolean stopped, List<FileProgress> files) implements RunMessage {}
}
