package dev.vat.engine.storage;

import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;

/**
 * Where files go as long as a project names no folder.
 *
 * @param text a name or a path that is taken from beside the first source's folder, or a whole path; {@code {project}} stands for the
 *     project's name
 */
public record FolderRule(String text) {

    private static final Words WORDS = Words.of(FolderRule.class);

    /** {@code delivered}, beside the first source's folder. */
    public static final FolderRule USUAL = new FolderRule("delivered");

    private static final String PROJECT = "{project}";

    /**
     * @param typed blank for the usual rule
     * @throws IllegalArgumentException with what can't be used, if no folder can be called so
     */
    public static FolderRule parse(String typed) {
        String text = typed == null ? "" : typed.strip();
        if (text.isEmpty()) {
            return USUAL;
        }
        String rest;
        try {
            rest = Path.of(text.replace(PROJECT, "")).toString();
        } catch (InvalidPathException e) {
            throw new IllegalArgumentException(WORDS.say("cantBeAFolder", text), e);
        }
        if (rest.contains("{") || rest.contains("}")) {
            throw new IllegalArgumentException(WORDS.say("onlyTheProjectIsFilledIn", text));
        }
        return new FolderRule(text);
    }

    /** A project's own folder, or the one by this rule; null as long as neither it nor a source tells. */
    public Path folderOf(Project project) {
        if (project.folder() != null) {
            return project.folder().path();
        }
        Path wanted = Path.of(text.replace(PROJECT, project.name().replaceAll("[/\\\\]", "_")));
        if (wanted.isAbsolute()) {
            return wanted;
        }
        Path first = project.currentReel().flatMap(r -> r.items().stream().flatMap(i -> i.sources().stream()).findFirst())
                .flatMap(project::source).map(s -> s.folder().path()).orElse(null);
        return first == null ? null : (first.getParent() == null ? first : first.getParent()).resolve(wanted).normalize();
    }
}
