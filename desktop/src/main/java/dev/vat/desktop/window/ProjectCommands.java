package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(ProjectCommands.class);

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
        commands.under(WORDS.say("make"))
                .add("make", WORDS.say("makeTheFiles"), control(KeyCode.ENTER),
                        () -> session.making().canMake() || session.making().isArmed(),
                        make)
                .add("make-every-reel", WORDS.say("makeTheFilesOfEveryReel"), null,
                        () -> session.project().reels().size() > 1 && session.making().canMake(), () -> session.making().makeEveryReel())
                .add("make-later", WORDS.say("putTheFilesIntoTheQueue"), control(KeyCode.ENTER, KeyCombination.SHIFT_DOWN),
                        () -> session.making().canMake(),
                        () -> ask
                                .text(WORDS.say("notToStartBefore1830Or2031"),
                                        "")
                                .ifPresent(session.making()::makeLater))
                .add("try-files", WORDS.say("testEncodeForecastFileSize"), control(KeyCode.T),
                        () -> session.forecasts().canStart(), () -> session.forecasts().start())
                .add("try-steps", WORDS.say("compareQualitiesOfTheColumn"), control(KeyCode.T, KeyCombination.SHIFT_DOWN),
                        () -> session.forecasts().canStart(), this::tryQualities)
                .under(WORDS.say("project")).add("open-files", WORDS.say("addFramesMoviesOrSounds"), control(KeyCode.I),
                        () -> add(ask.files(WORDS.say("addFramesMoviesOrSounds"))))
                .add("open-frames", WORDS.say("addAFolderOfFrames"), control(KeyCode.I, KeyCombination.SHIFT_DOWN),
                        () -> add(ask.frames(WORDS.say("addAFolderOfFrames"))))
                .add("open-project", WORDS.say("openAProject"), control(KeyCode.O),
                        () -> ask.project(WORDS.say("openAProject")).ifPresent(session.files()::open))
                .add("save-as", WORDS.say("saveTheProjectUnderAName"), control(KeyCode.S), () -> !session.project().isEmpty(),
                        () -> ask.saveProject(WORDS.say("saveTheProject"), session.project().name()).ifPresent(session.files()::saveAs))
                .add("show-project", WORDS.say("showTheProjectsFolder"), null,
                        () -> session.files().file() != null && !session.files().isUntitled(),
                        () -> ask.reveal(session.files().file()))
                .add("new", WORDS.say("startANewProject"), control(KeyCode.N), () -> !session.project().isEmpty(),
                        session.files()::startAnew)
                .add("stop-looking", WORDS.say("stopLookingIntoFolders"), key(KeyCode.ESCAPE), () -> session.search().isGoing(),
                        () -> session.search().stop())
                .under(WORDS.say("edit"))
                .add("undo", WORDS.say("undo"), control(KeyCode.Z), () -> session.undoName().isPresent(), session::undo).repeating()
                .add("redo", WORDS.say("redo"), control(KeyCode.Z, KeyCombination.SHIFT_DOWN), () -> session.redoName().isPresent(),
                        session::redo)
                .repeating()
                .under(WORDS.say("handOver")).add("still", WORDS.say("makeAStillOfThisFrame"), control(KeyCode.K), this::hasPicture,
                        () -> looked.keepStill(player.strip(), player.place()))
                .add("hand-over-set", WORDS.say("putAHandOverSetTogether"), null, () -> documents.handOver())
                .add("repack", WORDS.say("splitJoinRewrapOrRepair"), null, () -> documents.repack(null))
                .add("contacts", WORDS.say("writeAContactSheetOfWhat"), null, () -> looked.strip().isPresent(), this::contacts)
                .add("history", WORDS.say("showWhatWasDeliveredBefore"), control(KeyCode.H), () -> documents.history())
                .under(WORDS.say("previews"))
                .add("start-scene", WORDS.say("startTheStandInSceneToTake"), null, () -> session.scenes().standIn().isEmpty(),
                        () -> session.scenes().startStandIn())
                .add("director-reel", WORDS.say("aReelOfTheLatestPreviews"), null, () -> !session.previews().latest().isEmpty(),
                        () -> previews.director())
                .add("stop-capture", WORDS.say("stopCapturingAndKeepWhat"), null, () -> session.previews().captures().isGoing(),
                        () -> session.previews().captures().stop())
                .under(WORDS.say("make")).add("cores", WORDS.say("howManyOfTheMachinesCores"), null, documents::settings);
    }

    private boolean hasPicture() {
        return player.strip() != null && player.strip().count() > 0;
    }

    private void add(List<Path> chosen) {
        if (!chosen.isEmpty()) {
            session.search().bringIn(chosen);
        }
    }

    /** Of the column in focus, or of all that are on where there is none. */
    private void tryQualities() {
        documents.ladders(column.get().filter(d -> !d.off()).map(List::of).orElseGet(() -> session.project().deliverablesOn()));
    }

    private void contacts() {
        looked.strip().flatMap(ContactSheets::of).ifPresentOrElse(
                sheet -> ask
                        .save(WORDS.say("contactSheetPdfPngOrJpg"),
                                FileNaming.legal(sheet.title().replaceAll("[#\\[\\]]+", "")) + " contacts.pdf", WORDS.say("contactSheets"))
                        .ifPresent(file -> session.handOver().contacts(sheet, file)),
                () -> session.fail(WORDS.say("thereIsNothingToMakeAContact")));
    }
}
