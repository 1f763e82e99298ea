package dev.vat.desktop.look;

import dev.vat.core.picture.Rgb;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Nobody is there to be asked: every question stays without an answer. For windows that go through something by themselves. */
public final class NoDialogs implements Dialogs {

    @Override
    public Optional<Path> folder(String title, Path from) {
        return Optional.empty();
    }

    @Override
    public List<Path> frames(String title) {
        return List.of();
    }

    @Override
    public List<Path> files(String title) {
        return List.of();
    }

    @Override
    public Optional<Path> project(String title) {
        return Optional.empty();
    }

    @Override
    public Optional<Path> saveProject(String title, String name) {
        return Optional.empty();
    }

    @Override
    public Optional<Path> save(String title, String name, String kind) {
        return Optional.empty();
    }

    @Override
    public Optional<Path> file(String title, String kind, List<String> endings) {
        return Optional.empty();
    }

    @Override
    public Optional<Rgb> colour(String title, Rgb now) {
        return Optional.empty();
    }

    @Override
    public Leaving leaving() {
        return Leaving.STOP;
    }

    @Override
    public boolean reveal(Path path) {
        return false;
    }

    @Override
    public Optional<String> text(String title, String proposal) {
        return Optional.empty();
    }
}
