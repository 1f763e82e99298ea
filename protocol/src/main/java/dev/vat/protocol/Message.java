package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/**
 * One line between a worker process and its owner: {@code {"v":1,"type":...,"id":n,...}}. Answers carry the id of their
 * question; what nobody asked for has the id 0.
 * Each role has a protocol of its own; what every worker says stands here.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Message.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = Message.Heartbeat.class, name = "heartbeat"),
    @JsonSubTypes.Type(value = Message.Broken.class, name = "broken"),
    @JsonSubTypes.Type(ViewerMessage.class),
    @JsonSubTypes.Type(RunMessage.class),
    @JsonSubTypes.Type(TaskMessage.class),
    @JsonSubTypes.Type(TrialMessage.class),
    @JsonSubTypes.Type(CaptureMessage.class),
    @JsonSubTypes.Type(SceneMessage.class),
})
public sealed interface Message permits Message.Hello, Message.Heartbeat, Message.Broken, ViewerMessage, RunMessage, TaskMessage,
        TrialMessage, CaptureMessage, SceneMessage {

    int VERSION = 1;

    long id();

    /** A worker's first line. */
    record Hello(long id, String vat, String library, long pid) implements Message {}

    /** A worker's sign of life, each second. */
    record Heartbeat(long id) implements Message {}

    /** The worker couldn't do what it was asked and says why. */
    record Broken(long id, String why) implements Message {}
}
