package dev.vat.core.project;

import java.util.function.UnaryOperator;

/** A named change of a project, as the undo menu shows it: {@code Undo change of frame rate}. */
public record Edit(String name, UnaryOperator<Project> change) {

    public Project apply(Project project) {
        return change.apply(project);
    }
}
