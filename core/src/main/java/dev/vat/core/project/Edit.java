package dev.vat.core.project;

import java.util.List;
import java.util.function.UnaryOperator;

/** A named change of a project, as the undo menu shows it: {@code Undo change of frame rate}. */
public record Edit(String name, UnaryOperator<Project> change) {

    /**
     * Edits done one after the other as one, that are undone as one.
     *
     * @param edits at least one
     */
    public static Edit together(String name, List<Edit> edits) {
        return new Edit(name, project -> {
            Project changed = project;
            for (Edit edit : edits) {
                changed = edit.apply(changed);
            }
            return changed;
        });
    }

    /** The same under the name of the first one. @param edits at least one */
    public static Edit together(List<Edit> edits) {
        return edits.size() == 1 ? edits.getFirst() : together(edits.getFirst().name(), edits);
    }

    public Project apply(Project project) {
        return change.apply(project);
    }
}
