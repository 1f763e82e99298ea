package dev.vat.desktop.window;

import dev.vat.core.picture.Rgb;
import dev.vat.desktop.look.Dialogs;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Answers in place of the system's dialogs. */
final class Answers implements Dialogs {

    Path folder;
    Rgb colour;
    Path file;
    Path project;
    Leaving leaving = Leaving.STOP;
    String text;
    final List<Path> revealed = new ArrayList<>();

    @Override
    public Optional<Path> folder(String title, Path from) {
        return Optional.ofNullable(folder);
    }

    @Override
    public List<Path> frames(String title) {
        return folder == null ? List.of() : List.of(folder);
    }

    @Override
    public List<Path> files(String title) {
        return file == null ? List.of() : List.of(file);
    }

    @Override
    public Optional<Path> project(String title) {
        return Optional.ofNullable(project);
    }

    @Override
    public Optional<Path> saveProject(String title, String name) {
        return Optional.ofNullable(project);
    }

    @Override
    public Optional<Path> save(String title, String name, String kind) {
        return Optional.ofNullable(folder).map(f -> f.resolve(name));
    }

    @Override
    public Optional<Path> file(String title, String kind, List<String> endings) {
        return Optional.ofNullable(file);
    }

    @Override
    public Optional<Rgb> colour(String title, Rgb now) {
        return Optional.ofNullable(colour);
    }

    @Override
    public Optional<String> text(String title, String proposal) {
        return Optional.ofNullable(text);
    }

    @Override
    public Leaving leaving() {
        return leaving;
    }

    @Override
    public boolean reveal(Path path) {
        return revealed.add(path);
    }
}
