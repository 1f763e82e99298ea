package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.protocol.feed.SceneNotice;
import java.util.List;

/** What is said to a process that takes previews, and by it. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = CaptureMessage.Rehearse.class, name = "rehearse"),
    @JsonSubTypes.Type(value = CaptureMessage.Rehearsed.class, name = "rehearsed"),
    @JsonSubTypes.Type(value = CaptureMessage.Capture.class, name = "capture"),
    @JsonSubTypes.Type(value = CaptureMessage.Capturing.class, name = "capturing"),
    @JsonSubTypes.Type(value = CaptureMessage.Captured.class, name = "captured"),
    @JsonSubTypes.Type(value = CaptureMessage.RecoverCaptures.class, name = "recover-captures"),
    @JsonSubTypes.Type(value = CaptureMessage.Recovered.class, name = "recovered"),
})
public sealed interface CaptureMessage extends Message {

    /** Asks to capture a blank scene and keep nothing of it, so that the capture that follows finds everything loaded and compiled. */
    record Rehearse(long id) implements CaptureMessage {}

    /** A rehearsal is over. */
    record Rehearsed(long id) implements CaptureMessage {}

    /** Asks to take a preview from a scene. @param store where previews are kept */
    record Capture(long id, SceneNotice notice, CaptureWish wish, String store) implements CaptureMessage {}

    /** How far a capture is. @param secondsLeft at the speed so far */
    record Capturing(long id, long drawn, long frames, double secondsLeft) implements CaptureMessage {}

    /** A capture is over. @param preview what came of it, or null @param why it isn't what was wished for, or null */
    record Captured(long id, Preview preview, String why) implements CaptureMessage {}

    /** Asks to make previews of what captures left behind that were cut off. @param store where previews are kept */
    record RecoverCaptures(long id, String store) implements CaptureMessage {}

    record Recovered(long id, List<Preview> previews) implements CaptureMessage {}
}
