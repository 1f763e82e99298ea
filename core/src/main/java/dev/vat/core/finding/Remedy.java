package dev.vat.core.finding;

import dev.vat.core.project.Edit;
import java.util.function.Function;

/** Something that mends a finding, as a button with {@code label}. */
public sealed interface Remedy {

    String label();

    /** An edit of the project. */
    record Apply(String label, Edit edit) implements Remedy {}

    /** Text for the clipboard, such as the ranges to render again. */
    record CopyText(String label, String text) implements Remedy {}

    /** Asks for another destination folder. */
    record ChooseFolder(String label) implements Remedy {}

    /** Asks for the colour behind transparent places of one deliverable. */
    record ChooseColour(String label, String target) implements Remedy {}

    /** Asks for another font file. @param with what becomes of its path */
    record ChooseFace(String label, Function<String, Edit> with) implements Remedy {}

    /** Shows a source at a frame, and the reel that takes it beside it, in step. */
    record HoldAgainstReel(String label, String source, long frame) implements Remedy {}

    /** Shows a source at a frame. */
    record GoTo(String label, String source, long frame) implements Remedy {}
}
