package dev.vat.protocol.feed;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.preview.SceneFacts;

/** One line from a scene, with the id of its question; what nobody asked for has the id 0. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "answer")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Answer.Welcome.class, name = "welcome"),
    @JsonSubTypes.Type(value = Answer.Scene.class, name = "scene"),
    @JsonSubTypes.Type(value = Answer.Picture.class, name = "picture"),
    @JsonSubTypes.Type(value = Answer.Filed.class, name = "filed"),
    @JsonSubTypes.Type(value = Answer.Busy.class, name = "busy"),
    @JsonSubTypes.Type(value = Answer.Changed.class, name = "changed"),
    @JsonSubTypes.Type(value = Answer.Refused.class, name = "refused"),
})
@JsonInclude(JsonInclude.Include.NON_NULL)
public sealed interface Answer {

    long id();

    record Welcome(long id, int feed, String scene) implements Answer {}

    record Scene(long id, SceneFacts scene) implements Answer {}

    /** Followed at once by {@code bytes} bytes. */
    record Picture(long id, long frame, int width, int height, RawFormat format, long bytes) implements Answer {}

    /** The picture lies in the file that was asked for. */
    record Filed(long id, long frame, int width, int height) implements Answer {}

    /** It is being worked at. */
    record Busy(long id) implements Answer {}

    /** The scene isn't what it was. */
    record Changed(long id, long revision) implements Answer {}

    /** @param why for people */
    record Refused(long id, String why) implements Answer {}
}
