package dev.vat.protocol.feed;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;

/** One line to a scene, see docs/scene-feed.md: {@code {"ask":"frame","id":3,...}}. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "ask")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Question.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = Question.Scene.class, name = "scene"),
    @JsonSubTypes.Type(value = Question.Frame.class, name = "frame"),
    @JsonSubTypes.Type(value = Question.Cancel.class, name = "cancel"),
})
@JsonInclude(JsonInclude.Include.NON_NULL)
public sealed interface Question {

    /** What this version speaks. */
    int FEED = 1;

    long id();

    /** The first line. @param token as the scene's notice says it */
    record Hello(long id, int feed, String token) implements Question {}

    /** What the scene holds. */
    record Scene(long id) implements Question {}

    /**
     * A picture.
     *
     * @param run how many frames the scene shall have run before this one
     * @param shading null for the scene's usual one
     * @param classes what is drawn of those that can be left out
     * @param pass null for the full picture
     * @param into absolute path of the file that it shall write; null for raw samples behind the answer
     */
    record Frame(long id, String camera, long frame, long run, int width, int height, String shading, List<String> classes, String pass,
            String into) implements Question {
        public Frame withId(long other) {
            return new Frame(other, camera, frame, run, width, height, shading, classes, pass, into);
        }

        public Frame into(String path) {
            return new Frame(id, camera, frame, run, width, height, shading, classes, pass, path);
        }
    }

    /** Nobody wants the answer to a question any more. */
    record Cancel(long id, long question) implements Question {}
}
