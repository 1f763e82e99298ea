package dev.vat.desktop.window;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.desktop.handover.HandOverPage;
import dev.vat.desktop.handover.RepackPage;
import dev.vat.desktop.help.HelpPage;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.past.HistoryPage;
import dev.vat.desktop.preview.StoryPage;
import dev.vat.desktop.runs.FilePictures;
import dev.vat.desktop.runs.ReceiptPage;
import dev.vat.desktop.session.DeliveryHistory;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.settings.SettingsPage;
import dev.vat.desktop.trial.LadderPage;
import dev.vat.protocol.run.ReceiptFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.Region;

/** What is read in the picture's place: a receipt, or the history. */
final class Documents {

    private static final Words WORDS = Words.of(Documents.class);

    /** The window around. */
    interface DocumentHost {
        /** Shows a frame of a finished file. */
        void watch(Path file, Receipt receipt, long place);

        void watch(RunPlan plan, String target, Path file);

        /** Something else is open. */
        void changed();
    }

    private final Session session;
    private final Dialogs ask;
    private final DocumentHost window;
    private final Supplier<List<HelpPage.Key>> keys;
    private HandOverPage handOver;
    private Path handedOver;
    private Region open;

    /** @param keys all there are, with what they do */
    Documents(Session session, Dialogs ask, Supplier<List<HelpPage.Key>> keys, DocumentHost window) {
        this.keys = keys;
        this.session = session;
        this.ask = ask;
        this.window = window;
    }

    /** What is open, or null. */
    Region open() {
        return open;
    }

    /** The picture is to be seen again. */
    void close() {
        open = null;
    }

    /** Leaves the page that is open as its own button does: a receipt of the history leads back there. */
    void leave() {
        closing().fire();
    }

    private Button closing() {
        return open.lookupAll(".button").stream().filter(b -> b.getId() != null && b.getId().startsWith("close-")).map(Button.class::cast)
                .findFirst().orElseThrow(() -> new IllegalStateException("The page " + open.getId() + " has no button that closes it"));
    }

    /** Brings the keyboard to the page: to where one types first, else to the button that leads back, which does no harm. */
    void takeKeyboard() {
        open.applyCss();
        open.lookupAll(".text-field").stream().filter(Node::isVisible).findFirst().orElseGet(this::closing).requestFocus();
    }

    private void show(Region page) {
        // It would lie over what can be pressed there.
        session.notices().movedOn();
        open = page;
        window.changed();
    }

    /** @param fromHistory whether closing it leads back there */
    void receipt(Path path, boolean fromHistory) {
        CompletableFuture.supplyAsync(() -> {
            try {
                return ReceiptFile.read(path);
            } catch (IOException e) {
                throw new IllegalStateException(e.getMessage(), e);
            }
        }).whenComplete((read, failure) -> Platform.runLater(() -> {
            if (failure != null) {
                session.fail(WORDS.say("theReceiptCantBeShown", failure.getCause().getMessage()));
                return;
            }
            Path file = path.resolveSibling(read.file());
            show(new ReceiptPage(read, new FilePictures(session.viewer(), file, read.planned()),
                    fromHistory ? WORDS.say("backToTheHistory") : WORDS.say("backToThePicture"), place -> {
                        if (read.planned().stills() != null) {
                            session.say(WORDS.say("theseAreFramesBringTheFolder"));
                        } else {
                            window.watch(file, read, place);
                        }
                    }, () -> session.deliveries().writeSheet(file), () -> {
                        if (fromHistory) {
                            history();
                        } else {
                            show(null);
                        }
                    }));
        }));
    }

    /** Steps of quality of some files, once they were tried. */
    void ladders(List<Deliverable> deliverables) {
        session.forecasts().ladders(deliverables, found -> {
            if (found.isEmpty()) {
                session.fail(WORDS.say("noneOfTheQualitiesCould"));
            } else {
                show(new LadderPage(session, found, () -> ladders(session.project().deliverablesOn()), () -> show(null)));
            }
        });
    }

    /** All previews of a camera through time. */
    void story(String scene, String camera, StoryPage.StoryActions previews) {
        show(new StoryPage(session, scene, camera, previews));
    }

    /** Previews may have come or gone. */
    void refresh() {
        switch (open) {
            case StoryPage story -> story.show();
            case SettingsPage settings -> settings.show();
            case null, default -> {}
        }
    }

    /** What leaves the house; what was typed there is still there. */
    void handOver() {
        handOver(null);
    }

    /** @param chosen which files are to go in, or null: as they were ticked */
    void handOver(List<Path> chosen) {
        if (handOver == null || !Objects.equals(handedOver, session.files().file())) {
            handedOver = session.files().file();
            handOver = new HandOverPage(session, ask, () -> show(null));
        }
        handOver.look(chosen);
        show(handOver);
    }

    /** Movies split, joined, wrapped anew and recovered. @param file to begin with, or null */
    void repack(Path file) {
        RepackPage page = new RepackPage(session, ask, () -> show(null));
        if (file != null) {
            page.add(file);
        }
        show(page);
    }

    void settings() {
        show(new SettingsPage(session, ask, () -> show(null)));
    }

    /** @param topic of the help, by its id, or null for the first */
    void help(String topic) {
        show(new HelpPage(topic, keys, () -> show(null)));
    }

    void history() {
        show(new HistoryPage(session.deliveries(), ask, new HistoryPage.HistoryActions() {
            @Override
            public void receipt(Path file) {
                Documents.this.receipt(file, true);
            }

            @Override
            public void repack(DeliveryHistory.Line line) {
                Documents.this.repack(line.file());
            }

            @Override
            public void handOver(List<Path> files) {
                Documents.this.handOver(files);
            }

            @Override
            public void watch(DeliveryHistory.Line line) {
                window.watch(line.entry().plan(), line.entry().target(), line.file());
            }

            @Override
            public void close() {
                show(null);
            }
        }));
    }
}
