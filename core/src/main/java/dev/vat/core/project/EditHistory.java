package dev.vat.core.project;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/** The present project with what can be undone and redone. Not for use by several threads. */
public final class EditHistory {

    private static final int LONGEST = 500;

    private record Step(String name, Project project) {}

    private final Deque<Step> past = new ArrayDeque<>();
    private final Deque<Step> future = new ArrayDeque<>();
    private Project present;
    private Project saved;

    public EditHistory(Project start) {
        present = start;
        saved = start;
    }

    public Project present() {
        return present;
    }

    /** Applies an edit to the newest value; an edit that changes nothing leaves no step behind. */
    public boolean apply(Edit edit) {
        Project next = edit.apply(present);
        if (next.equals(present)) {
            return false;
        }
        past.push(new Step(edit.name(), present));
        if (past.size() > LONGEST) {
            past.removeLast();
        }
        future.clear();
        present = next;
        return true;
    }

    public Optional<String> undoName() {
        return Optional.ofNullable(past.peek()).map(Step::name);
    }

    public Optional<String> redoName() {
        return Optional.ofNullable(future.peek()).map(Step::name);
    }

    public boolean undo() {
        return step(past, future);
    }

    public boolean redo() {
        return step(future, past);
    }

    private boolean step(Deque<Step> from, Deque<Step> to) {
        if (from.isEmpty()) {
            return false;
        }
        Step step = from.pop();
        to.push(new Step(step.name, present));
        present = step.project;
        return true;
    }

    public void markSaved() {
        saved = present;
    }

    public boolean isSaved() {
        return saved.equals(present);
    }
}
