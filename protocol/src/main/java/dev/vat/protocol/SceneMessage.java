package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.feed.StandInBehaviour;

/** What is said to the stand-in scene where its owner started it, and by it. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = SceneMessage.Serve.class, name = "serve"),
    @JsonSubTypes.Type(value = SceneMessage.Serving.class, name = "serving"),
    @JsonSubTypes.Type(value = SceneMessage.SetTake.class, name = "take"),
})
public sealed interface SceneMessage extends Message {

    /**
     * Asks the stand-in scene to be there for whoever asks.
     *
     * @param folder where it says how it is reached
     * @param take how the kites are flown, from 1
     */
    record Serve(long id, String folder, int take, StandInBehaviour behaviour) implements SceneMessage {}

    record Serving(long id, SceneNotice notice) implements SceneMessage {}

    /** Asks the stand-in scene to be another take of itself. */
    record SetTake(long id, int number) implements SceneMessage {}
}
