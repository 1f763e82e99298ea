package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.List;

/** One question to a process that lives for it alone, and its answers. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = TaskMessage.JoinDone.class, name = "join-done"),
    @JsonSubTypes.Type(value = TaskMessage.JoinedDone.class, name = "joined-done"),
    @JsonSubTypes.Type(value = TaskMessage.Prove.class, name = "prove"),
    @JsonSubTypes.Type(value = TaskMessage.Proved.class, name = "proved"),
    @JsonSubTypes.Type(value = TaskMessage.WriteSheet.class, name = "write-sheet"),
    @JsonSubTypes.Type(value = TaskMessage.SheetWritten.class, name = "sheet-written"),
    @JsonSubTypes.Type(value = TaskMessage.Repack.class, name = "repack"),
    @JsonSubTypes.Type(value = TaskMessage.Repacking.class, name = "repacking"),
    @JsonSubTypes.Type(value = TaskMessage.Repacked.class, name = "repacked"),
    @JsonSubTypes.Type(value = TaskMessage.Render.class, name = "render"),
    @JsonSubTypes.Type(value = TaskMessage.Rendered.class, name = "rendered"),
    @JsonSubTypes.Type(value = TaskMessage.DrawDemo.class, name = "draw-demo"),
    @JsonSubTypes.Type(value = TaskMessage.Drawn.class, name = "drawn"),
})
public sealed interface TaskMessage extends Message {

    /** Asks for a file of what a run has closed so far of one of its files. @param folder where it goes */
    record JoinDone(long id, String home, String target, String folder) implements TaskMessage {}

    record JoinedDone(long id, String path) implements TaskMessage {}

    /** Asks to hold a finished file against its receipt. */
    record Prove(long id, String file) implements TaskMessage {}

    /** What doesn't agree; nothing if the file is what its receipt says. */
    record Proved(long id, List<String> reasons) implements TaskMessage {}

    /** Asks for a page to hand over with a finished file, beside it. */
    record WriteSheet(long id, String file) implements TaskMessage {}

    /** @param paths of what was written */
    record SheetWritten(long id, List<String> paths) implements TaskMessage {}

    /** Asks to do something with finished files without encoding anything. */
    record Repack(long id, RepackOrder order) implements TaskMessage {}

    /** @param doing in words */
    record Repacking(long id, String doing) implements TaskMessage {}

    /** @param paths of what was made @param said what there is to know of it */
    record Repacked(long id, List<String> paths, List<String> said) implements TaskMessage {}

    /** Asks the stand-in to render frames into a folder. */
    record Render(long id, RenderOrder order) implements TaskMessage {}

    /** A frame of a render is written. @param last whether it was the last one */
    record Rendered(long id, long frame, boolean last) implements TaskMessage {}

    /** Asks to draw the demo's frames into a folder; those that stand there are kept. */
    record DrawDemo(long id, String folder) implements TaskMessage {}

    /** A shot of the demo is whole, {@code last} if it was the last one. */
    record Drawn(long id, String shot, boolean last) implements TaskMessage {}
}
