package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.delivery.Deliverable;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.session.Session;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;

/** What can be done with a project as a whole: what goes in, what is made of it, and what becomes of that. */
final class ProjectCommands {

    private final Session session;
    private final Dialogs ask;
    private final LookedAt looked;
    private final Documents documents;
    private final PreviewActs previews;
    private final Player player;
    private final Supplier<Optional<Deliverable>> column;
    private final Runnable make;

    /** @param column the deliverable in focus @param make takes what was typed, then makes the files */
    ProjectCommands(Session session, Dialogs ask, LookedAt looked, Documents documents, PreviewActs previews, Player player,
            Supplier<Optional<Deliverable>> column, Runnable make) {
        this.session = session;
        this.ask = ask;
        this.looked = looked;
        this.documents = documents;
        this.previews = previews;
        this.player = player;
        this.column = column;
        this.make = make;
    }

    void addTo(Commands commands) {
        commands.under("Make")
                .add("make", "Make the files", control(KeyCode.ENTER), () -> session.making().canMake() || session.making().isArmed(),
                        make)
                .add("make-every-reel", "Make the files of every reel", null,
                        () -> session.project().reels().size() > 1 && session.making().canMake(), () -> session.making().makeEveryReel())
                .add("make-later", "Put the files into the queue, to be made later", control(KeyCode.ENTER, KeyCombination.SHIFT_DOWN),
                        () -> session.making().canMake(),
                        () -> ask
                                .text("Not to start before (18:30, or 2031-05-04T18:30); leave it empty to hold it until you release it",
                                        "")
                                .ifPresent(session.making()::makeLater))
                .add("try-files", "Test encode: forecast file size, encode time and picture quality of every file", control(KeyCode.T),
                        () -> session.foretelling().canStart(), () -> session.foretelling().start())
                .add("try-steps", "Compare qualities of the column in focus", control(KeyCode.T, KeyCombination.SHIFT_DOWN),
                        () -> session.foretelling().canStart(), this::tryQualities)
                .under("Project").add("open-files", "Add frames, movies or sounds", control(KeyCode.I),
                        () -> add(ask.files("Add frames, movies or sounds")))
                .add("open-frames", "Add a folder of frames", control(KeyCode.I, KeyCombination.SHIFT_DOWN),
                        () -> add(ask.frames("Add a folder of frames")))
                .add("open-project", "Open a project", control(KeyCode.O),
                        () -> ask.project("Open a project").ifPresent(session::open))
                .add("save-as", "Save the project under a name", control(KeyCode.S), () -> !session.project().isEmpty(),
                        () -> ask.saveProject("Save the project", session.project().name()).ifPresent(session::saveAs))
                .add("show-project", "Show the project's folder", null, () -> session.file() != null && !session.isUntitled(),
                        () -> ask.reveal(session.file()))
                .add("new", "Start a new project", control(KeyCode.N), () -> !session.project().isEmpty(), session::startAnew)
                .add("stop-looking", "Stop looking into folders", key(KeyCode.ESCAPE), () -> session.search().isGoing(),
                        () -> session.search().stop())
                .under("Edit").add("undo", "Undo", control(KeyCode.Z), () -> session.undoName().isPresent(), session::undo)
                .add("redo", "Redo", control(KeyCode.Z, KeyCombination.SHIFT_DOWN), () -> session.redoName().isPresent(), session::redo)
                .under("Hand over").add("still", "Make a still of this frame", control(KeyCode.K), this::hasPicture,
                        () -> looked.keepStill(player.strip(), player.place()))
                .add("hand-over-set", "Put a hand-over set together: files, sheets, timeline, manifest", null, () -> documents.handOver())
                .add("repack", "Split, join, rewrap or repair files without re-encoding", null, () -> documents.repack(null))
                .add("contacts", "Write a contact sheet of what is shown", null, () -> looked.strip().isPresent(), this::contacts)
                .add("history", "Show what was delivered before", control(KeyCode.H), () -> documents.history())
                .under("Previews")
                .add("start-scene", "Start the stand-in scene, to take previews of", null, () -> session.scenes().standIn().isEmpty(),
                        () -> session.scenes().startStandIn())
                .add("director-reel", "A reel of the latest previews, for the director", null, () -> !session.previews().latest().isEmpty(),
                        () -> previews.director())
                .add("stop-capture", "Stop capturing, and keep what is there", null, () -> session.previews().isGoing(),
                        () -> session.previews().stop())
                .under("Make").add("cores", "How many of the machine's cores runs may use", null, documents::settings);
    }

    private boolean hasPicture() {
        return player.strip() != null && player.strip().count() > 0;
    }

    private void add(List<Path> chosen) {
        if (!chosen.isEmpty()) {
            session.bringIn(chosen);
        }
    }

    /** Of the column in focus, or of all that are on where there is none. */
    private void tryQualities() {
        documents.ladders(column.get().filter(d -> !d.off()).map(List::of).orElseGet(() -> session.project().deliverablesOn()));
    }

    private void contacts() {
        looked.strip().flatMap(ContactSheets::of).ifPresentOrElse(
                sheet -> ask
                        .save("Contact sheet: .pdf, .png or .jpg",
                                sheet.title().replaceAll("[\\\\/:*?\"<>|#\\[\\]]+", "") + " contacts.pdf", "Contact sheets")
                        .ifPresent(file -> session.handOver().contacts(sheet, file)),
                () -> session.fail("There is nothing to make a contact sheet of."));
    }
}
