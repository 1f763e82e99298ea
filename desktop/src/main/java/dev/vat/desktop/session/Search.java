package dev.vat.desktop.session;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.ForeignKinds;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.project.ProjectFile;
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

    private static final Words WORDS = Words.of(Search.class);

    private static final Logger LOG = LoggerFactory.getLogger(Search.class);

    private final Session session;
    private final Executor background;
    private final Executor ui;
    private final BooleanSupplier closed;
    private int going;
    private List<Sequence> soFar = List.of();
    private List<Location> question = List.of();
    private volatile boolean stopped;

    /** @param closed whether nobody waits for anything any more */
    Search(Session session, Executor background, Executor ui, BooleanSupplier closed) {
        this.session = session;
        this.background = background;
        this.ui = ui;
        this.closed = closed;
    }

    /** Frames or folders that were dropped or chosen; a project file is opened, a timeline read. */
    public void bringIn(List<Path> paths) {
        Path only = paths.size() == 1 ? paths.getFirst() : null;
        if (only != null && only.toString().endsWith(ProjectFile.EXTENSION)) {
            session.files().open(only);
        } else if (only != null && HandOver.isTimeline(only)) {
            session.handOver().read(only);
        } else {
            find(paths);
        }
    }

    private void find(List<Path> paths) {
        going++;
        session.notices().working(WORDS.say("lookingInto", names(paths)));
        session.changed();
        background.execute(() -> {
            try {
                SourceFinder.Found found = SourceFinder.find(paths, this::tell);
                ended(() -> found(found, paths));
            } catch (NoSuchFileException e) {
                ended(() -> session.fail(WORDS.say("thereIsNothingAt", e.getFile())));
            } catch (IOException e) {
                ended(() -> session.fail(WORDS.say("cantBeRead", e.getMessage())));
            } catch (CancellationException e) {
                LOG.debug("Nobody waits for this search any more", e);
                ended(() -> session.say(WORDS.say("theSearchWasStoppedNothing")));
            }
        });
    }

    private void tell(SourceFinder.Found found) {
        if (closed.getAsBoolean() || stopped) {
            SourceFinder.stop();
        }
        ui.execute(() -> {
            soFar = found.sequences();
            session.notices().working(WORDS.say("lookingNamesSequencesSo", "%,d".formatted(found.names()), found.sequences().size()));
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
                found.closed().isEmpty() ? Stream.of() : Stream.of(WORDS.say("passedOver", String.join("; ", found.closed()))),
                ForeignKinds.words(found.foreign()).stream()).map(w -> w + ".").collect(Collectors.joining(" "));
        List<Location> locations = found.locations();
        session.say(passedOver);
        if (locations.isEmpty()) {
            session.fail(WORDS.say("noFramesMoviesOrSoundsIn", names(paths), FileKind.stillTitles(),
                    (passedOver.isEmpty() ? "" : " " + passedOver)));
        } else if (Kin.group(locations.stream().filter(l -> !l.isSound()).toList()).size() <= 1) {
            session.edit(Edits.bringIn(locations, Edits.Layout.ONE_PROGRAMME));
        } else {
            question = locations;
            session.changed();
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

    /** Sources that were found and wait for a word on how they are meant; empty if there is no such question. */
    public List<Location> question() {
        return question;
    }

    /** @param layout null to leave the sequences out */
    public void answer(Edits.Layout layout) {
        List<Location> asked = question;
        question = List.of();
        if (layout != null) {
            session.edit(Edits.bringIn(asked, layout));
        }
        session.changed();
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
            if (count == 0) {
                session.fail(WORDS.say("thereIsNoIn", lost.name(), folder.getFileName()));
            } else {
                session.say(count == 1 ? WORDS.say("wasFoundAgain", lost.name()) : WORDS.say("sourcesWereFoundAgain", count));
            }
        });
    }

    /** Puts the one sequence or file of a folder in a source's place; reading and uses stay. */
    public void replace(Source source, Path folder) {
        in(folder, all -> {
            List<Location> found = all.stream().filter(l -> l.isSound() == source.location().isSound()).toList();
            List<Location> fit = found.size() == 1 ? found : found.stream().filter(l -> l.pattern().equals(source.pattern())).toList();
            if (fit.size() == 1) {
                session.edit(SourceEdits.relink(source.id(), fit.getFirst()));
                session.say(WORDS.say("wasReplacedByUndoBrings", source.name(), fit.getFirst().name()));
            } else {
                session.fail(found.isEmpty() ? WORDS.say("thereIsNothingInThatCould", folder.getFileName())
                        : WORDS.say("sourcesLieInChooseAFolder", found.size(), folder.getFileName()));
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
                ui.execute(() -> session.fail(WORDS.say("cantBeRead", e.getMessage())));
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
                        session.say(WORDS.say("noOtherVersionOfLiesBeside", source.name()));
                    } else {
                        session.edit(SourceEdits.bringInVersions(source.id(), fresh));
                        session.say(WORDS.say("versionsFound",
                                fresh.stream().map(Location::name).collect(Collectors.joining(", ")), fresh.size()));
                    }
                });
            } catch (IOException e) {
                ui.execute(() -> session.fail(WORDS.say("versionsOfCantBeLookedFor", source.name(), e.getMessage())));
            }
        });
    }
}
