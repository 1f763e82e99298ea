package dev.vat.desktop.session;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.handover.EdlText;
import dev.vat.core.handover.OtioReader;
import dev.vat.core.handover.OtioWriter;
import dev.vat.core.handover.Timeline;
import dev.vat.core.handover.WholeReel;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.engine.handover.HandOverSet;
import dev.vat.engine.handover.SetCheck;
import dev.vat.engine.process.Task;
import dev.vat.engine.viewer.ContactSheetFile;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/** Reels as other programs can take them, OpenTimelineIO or an edit decision list, and theirs. */
public final class HandOver {

    private static final Words WORDS = Words.of(HandOver.class);

    public static final String OTIO = ".otio";
    public static final String EDL = ".edl";

    private final Session session;
    private final Places places;
    private final Executor ui;
    private final Executor background;

    HandOver(Session session, Places places, Executor ui, Executor background) {
        this.places = places;
        this.session = session;
        this.ui = ui;
        this.background = background;
    }

    static boolean isTimeline(Path path) {
        return path.toString().toLowerCase(Locale.ROOT).endsWith(OTIO) || isList(path);
    }

    private static boolean isList(Path path) {
        return path.toString().toLowerCase(Locale.ROOT).endsWith(EDL);
    }

    /** Writes the current reel; by the name's ending as the one or the other. */
    public void write(Path file) {
        ResolvedReel programme = session.programme().orElse(null);
        if (programme == null || programme.rate().isEmpty() || programme.plan().count() == 0) {
            session.fail(WORDS.say("thereIsNoReelYetThatCould"));
            return;
        }
        Project project = session.project();
        background.execute(() -> {
            try {
                Timeline timeline = Timeline.of(programme);
                List<String> left = isList(file) ? EdlText.leftOut(timeline) : timeline.left();
                Durable.write(file,
                        isList(file) ? EdlText.write(timeline) : OtioWriter.write(timeline, WholeReel.of(project, programme.reel())));
                ui.execute(() -> session.say(
                        WORDS.say("handedOver", file, (left.isEmpty() ? "" : WORDS.say("otherProgramsWontSee", String.join("; ", left))))));
            } catch (IOException | RuntimeException e) {
                ui.execute(() -> session.fail(WORDS.say("theReelCantBeHandedOver", e.getMessage())));
            }
        });
    }

    /** The current reel as others can read it; empty while it has no frames or no rate. */
    public Optional<Timeline> timeline() {
        return session.programme().filter(p -> p.rate().isPresent() && p.plan().count() > 0).map(Timeline::of);
    }

    /**
     * Puts a set together.
     *
     * @param doing told in words what goes on, and in the end what came of it
     * @param made told where it is
     * @param failed told if there is none
     */
    public void makeSet(HandOverSet.Wish wish, Consumer<String> doing, Consumer<Path> made, Runnable failed) {
        background.execute(() -> {
            try {
                Path set = HandOverSet.make(places, wish,
                        words -> ui.execute(() -> doing.accept(Character.toUpperCase(words.charAt(0)) + words.substring(1) + "\u2026")));
                ui.execute(() -> {
                    doing.accept(WORDS.say("handedOverAndReadAgainWhole", set));
                    made.accept(set);
                });
            } catch (IOException | RuntimeException e) {
                ui.execute(() -> {
                    doing.accept(WORDS.say("theSetCantBePutTogether", e.getMessage()));
                    failed.run();
                });
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Holds a set against its manifest. @param said told in words what came of it */
    public void checkSet(Path set, Consumer<String> said) {
        said.accept(WORDS.say("readingAllOf", set.getFileName()));
        background.execute(() -> {
            String words;
            try {
                SetCheck.Result result = SetCheck.check(set);
                words = result.holds() ? WORDS.say("allOfItsFilesAreWhatWas", set.getFileName(), result.files())
                        : WORDS.say("isntWhatWasHandedOver", set.getFileName(), String.join("; ", result.reasons()));
            } catch (IOException e) {
                words = WORDS.say("cantBeChecked", set.getFileName(), e.getMessage());
            }
            String told = words;
            ui.execute(() -> said.accept(told));
        });
    }

    /**
     * Has something done with finished movies.
     *
     * @param said told in words what goes on, and in the end what came of it, line by line
     * @param made told of the new files
     * @param failed told if there are none
     */
    public void repack(RepackOrder order, Consumer<String> said, Consumer<List<Path>> made, Runnable failed) {
        background.execute(() -> {
            try {
                TaskMessage.Repacked done = (TaskMessage.Repacked) Task.ask(places, new TaskMessage.Repack(1, order), message -> {
                    if (message instanceof TaskMessage.Repacking(long _, String doing)) {
                        ui.execute(() -> said.accept(Character.toUpperCase(doing.charAt(0)) + doing.substring(1) + "\u2026"));
                    }
                }, TaskMessage.Repacked.class::isInstance);
                ui.execute(() -> {
                    said.accept(String.join("\n", done.said()));
                    made.accept(done.paths().stream().map(Path::of).toList());
                });
            } catch (IOException e) {
                ui.execute(() -> {
                    said.accept(WORDS.say("nothingWasWritten", e.getMessage()));
                    failed.run();
                });
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Writes a contact sheet of what is shown. @param sheet of it @param file its name's ending says what kind */
    public void contacts(ContactSheet sheet, Path file) {
        session.notices().working(WORDS.say("theContactSheetIsBeingWritten"));
        background.execute(() -> {
            try {
                ContactSheetFile.write(session.viewer(), sheet, file);
                ui.execute(() -> session.say(WORDS.say("contactSheet", file)));
            } catch (IOException e) {
                ui.execute(() -> session.fail(WORDS.say("theContactSheetCantBeWritten", e.getMessage())));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Takes a timeline for a reel of its own; places that it names and the project doesn't are shown before one of them is looked at. */
    void read(Path file) {
        Rate rate = session.programme().flatMap(ResolvedReel::rate).orElse(session.settings().lastRate());
        background.execute(() -> {
            try {
                String text = Files.readString(file);
                ui.execute(() -> taken(file, text, rate));
            } catch (IOException e) {
                ui.execute(() -> session.fail(WORDS.say("theTimelineCantBeRead", e.getMessage())));
            }
        });
    }

    private void taken(Path file, String text, Rate rate) {
        try {
            Optional<WholeReel> whole = isList(file) ? Optional.empty() : OtioReader.whole(text);
            Timeline timeline = whole.isPresent() ? null : isList(file) ? EdlText.read(text, rate == null ? Rate.FPS_25 : rate, this::known)
                    : OtioReader.read(text, file.toAbsolutePath().getParent());
            Edit edit = whole.map(WholeReel::edit).orElseGet(() -> timeline.edit());
            Project after = edit.apply(session.project());
            List<String> fresh = after.sources().stream().filter(s -> session.project().source(s.id()).isEmpty())
                    .map(s -> s.folder().path().toString()).distinct().toList();
            Runnable take = () -> {
                session.edit(edit);
                session.say(WORDS.say("takenOverFrom", file.getFileName(), (timeline == null || timeline.left().isEmpty() ? "."
                        : WORDS.say("leftOut", String.join("; ", timeline.left())))));
            };
            if (fresh.isEmpty()) {
                take.run();
            } else {
                session.files().askAbout(new Stranger(file.getFileName().toString(), fresh, take));
            }
        } catch (IllegalArgumentException e) {
            session.fail(WORDS.say("cantBeTakenOver", file.getFileName(), e.getMessage()));
        }
    }

    /** A source by its name, or by the name without what tells one frame from the next. */
    private Optional<Timeline.Media> known(String name) {
        for (Source source : session.project().sources()) {
            FrameTable table = session.watch().table(source.id());
            String base = source.location().pattern().baseName();
            if (table != null && (name.endsWith(source.name()) || name.equalsIgnoreCase(base)
                    || base.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "").equals(name))) {
                return Optional.of(Timeline.Media.of(source, table, source.reading().rateOf(table).orElse(Rate.FPS_25)));
            }
        }
        return Optional.empty();
    }
}
