package dev.vat.desktop.session;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.ForeignKinds;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.source.Versions;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Looks for sources on disk, away from the interface's thread, and brings what it finds into the project. */
public final class Search {

    private static final Logger LOG = LoggerFactory.getLogger(Search.class);

    private final Session session;
    private final Executor background;
    private final Executor ui;
    private final BooleanSupplier closed;
    private int going;
    private List<Sequence> soFar = List.of();
    private volatile boolean stopped;

    /** @param closed whether nobody waits for anything any more */
    Search(Session session, Executor background, Executor ui, BooleanSupplier closed) {
        this.session = session;
        this.background = background;
        this.ui = ui;
        this.closed = closed;
    }

    void bringIn(List<Path> paths) {
        going++;
        session.working("Looking into " + names(paths) + ".");
        session.changed();
        background.execute(() -> {
            try {
                SourceFinder.Found found = SourceFinder.find(paths, this::tell);
                ended(() -> found(found, paths));
            } catch (NoSuchFileException e) {
                ended(() -> session.fail("There is nothing at " + e.getFile() + "."));
            } catch (IOException e) {
                ended(() -> session.fail("Can't be read: " + e.getMessage()));
            } catch (CancellationException e) {
                LOG.debug("Nobody waits for this search any more", e);
                ended(() -> session.say("The search was stopped; nothing was added."));
            }
        });
    }

    private void tell(SourceFinder.Found found) {
        if (closed.getAsBoolean() || stopped) {
            SourceFinder.stop();
        }
        ui.execute(() -> {
            soFar = found.sequences();
            session.working("Looking: %,d names, %d sequences so far.".formatted(found.names(), found.sequences().size()));
            session.changed();
        });
    }

    private void ended(Runnable outcome) {
        ui.execute(() -> {
            going--;
            soFar = List.of();
            stopped &= going > 0;
            outcome.run();
            session.changed();
        });
    }

    private void found(SourceFinder.Found found, List<Path> paths) {
        String passedOver = Stream.concat(
                found.closed().isEmpty() ? Stream.of() : Stream.of("Passed over: " + String.join("; ", found.closed())),
                ForeignKinds.words(found.foreign()).stream()).map(w -> w + ".").collect(Collectors.joining(" "));
        List<Location> locations = found.locations();
        session.say(passedOver);
        if (locations.isEmpty()) {
            session.fail("No frames, movies or sounds in " + names(paths) + ". Vat reads " + FileKind.stillTitles()
                    + " files with and without numbers, movies, and sounds." + (passedOver.isEmpty() ? "" : " " + passedOver));
        } else if (Kin.group(locations.stream().filter(l -> !l.isSound()).toList()).size() <= 1) {
            session.edit(Edits.bringIn(locations, Edits.Layout.ONE_PROGRAMME));
        } else {
            session.ask(locations);
        }
    }

    private static String names(List<Path> paths) {
        return paths.stream().map(p -> p.getFileName() == null ? p.toString() : p.getFileName().toString())
                .collect(Collectors.joining(", "));
    }

    /** Whether folders are being searched. */
    public boolean isGoing() {
        return going > 0;
    }

    /** What a search that goes on has found by now. */
    public List<Sequence> soFar() {
        return soFar;
    }

    public void stop() {
        stopped = going > 0;
    }

    /** Finds a source's files in a folder where they lie now; other lost sources are found along with it. */
    public void relink(Source lost, Path folder) {
        in(folder, found -> {
            int count = 0;
            for (Source source : session.project().sources()) {
                Optional<Location> match = found.stream().filter(l -> l.pattern().equals(source.pattern())).findFirst();
                boolean meant = source.id().equals(lost.id()) || session.watch().trouble(source.id()).isPresent();
                if (match.isPresent() && meant) {
                    session.edit(SourceEdits.relink(source.id(), match.get()));
                    count++;
                }
            }
            session.fail(count == 0 ? "There is no " + lost.name() + " in " + folder.getFileName() + "."
                    : count == 1 ? lost.name() + " was found again." : count + " sources were found again.");
        });
    }

    /** Puts the one sequence or file of a folder in a source's place; reading and uses stay. */
    public void replace(Source source, Path folder) {
        in(folder, all -> {
            List<Location> found = all.stream().filter(l -> l.isSound() == source.location().isSound()).toList();
            List<Location> fit = found.size() == 1 ? found : found.stream().filter(l -> l.pattern().equals(source.pattern())).toList();
            if (fit.size() == 1) {
                session.edit(SourceEdits.relink(source.id(), fit.getFirst()));
                session.say(source.name() + " was replaced by " + fit.getFirst().name() + "; undo brings it back.");
            } else {
                session.fail(found.isEmpty() ? "There is nothing in " + folder.getFileName() + " that could take its place."
                        : found.size() + " sources lie in " + folder.getFileName() + ": choose a folder with one.");
            }
        });
    }

    private interface Outcome {
        void of(List<Location> found);
    }

    private void in(Path folder, Outcome outcome) {
        background.execute(() -> {
            try {
                List<Location> found = SourceFinder.find(folder).locations();
                ui.execute(() -> outcome.of(found));
            } catch (IOException e) {
                ui.execute(() -> session.fail("Can't be read: " + e.getMessage()));
            }
        });
    }

    /** Brings other versions of a source in that lie beside it on disk. */
    public void forVersions(Source source) {
        background.execute(() -> {
            try {
                List<Location> found = Versions.beside(source.location());
                ui.execute(() -> {
                    List<Location> fresh = found.stream()
                            .filter(l -> session.project().sources().stream().noneMatch(s -> s.location().equals(l))).toList();
                    if (fresh.isEmpty()) {
                        session.say("No other version of " + source.name() + " lies beside it.");
                    } else {
                        session.edit(SourceEdits.bringInVersions(source.id(), fresh));
                        session.say(fresh.stream().map(Location::name).collect(Collectors.joining(", "))
                                + (fresh.size() == 1 ? " was" : " were") + " found: press it to swap it in.");
                    }
                });
            } catch (IOException e) {
                ui.execute(() -> session.fail("Versions of " + source.name() + " can't be looked for: " + e.getMessage()));
            }
        });
    }
}
