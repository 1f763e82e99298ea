package dev.vat.desktop.sheet;

import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.session.Session;
import java.util.List;
import java.util.function.Function;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What can be done with one source or with several at once: the same from a row, from its menu and by keys. */
final class SourceMenu {

    private static final Words WORDS = Words.of(SourceMenu.class);

    private final Session session;
    private final Dialogs ask;
    private final List<Source> chosen;

    SourceMenu(Session session, Dialogs ask, List<Source> chosen) {
        this.session = session;
        this.ask = ask;
        this.chosen = chosen;
    }

    ContextMenu menu() {
        ContextMenu menu = new ContextMenu();
        List<MenuItem> items = menu.getItems();
        if (!pictures().isEmpty()) {
            items.add(Controls.item("add-item", WORDS.say("addToReelEnter"), this::addToReel));
            items.add(rates());
            items.add(watched());
            if (pictures().stream().anyMatch(s -> session.watch().isWatched(s.id())) && !session.project().deliverables().isEmpty()) {
                items.add(whenComplete());
            }
            items.add(new SeparatorMenuItem());
            if (pictures().stream().anyMatch(s -> session.watch().isChecking(s.id()))) {
                items.add(Controls.item("stop-check", WORDS.say("stopChecking"),
                        () -> pictures().forEach(s -> session.watch().cancel(s.id()))));
            } else {
                items.add(Controls.item("check-again", WORDS.say("checkAgain"), () -> pictures().forEach(session.watch()::again)));
            }
            copies(items);
        }
        if (chosen.size() == 1) {
            Source source = chosen.getFirst();
            items.add(Controls.item("reveal-source", WORDS.say("showFolder"), () -> ask.reveal(source.folder().path())));
            items.add(Controls.item("replace-source", WORDS.say("replace"), () -> ask.folder(WORDS.say("whatIsReplacedBy", source.name()),
                    source.folder().path()).ifPresent(folder -> session.search().replace(source, folder))));
            if (session.watch().table(source.id()) == null) {
                items.add(Controls.item("find-source", WORDS.say("findItAgain"), () -> ask.folder(WORDS.say("whereLiesNow", source.name()),
                        source.folder().path().getParent()).ifPresent(folder -> session.search().relink(source, folder))));
            }
        }
        items.add(new SeparatorMenuItem());
        items.add(Controls.item("remove-source", WORDS.say("removeDelete"), this::remove));
        return menu;
    }

    /** Those that have pictures. */
    private List<Source> pictures() {
        return chosen.stream().filter(s -> session.watch().table(s.id()) != null).toList();
    }

    boolean canAdd() {
        return !pictures().isEmpty();
    }

    void addToReel() {
        all(WORDS.say("addingSourcesToTheReel", pictures().size()), pictures(), s -> ReelEdits.addItem(s.id()));
        session.say(pictures().size() == 1 ? WORDS.say("standsAtTheReelsEnd", pictures().getFirst().name())
                : WORDS.say("sourcesStandAtTheReelsEnd", pictures().size()));
    }

    void remove() {
        all(WORDS.say("removingSources", chosen.size()), chosen, s -> Edits.removeSource(s.id()));
    }

    void setRate(Rate rate) {
        all(WORDS.say("changeOfFrameRate"), pictures(), s -> SourceEdits.setSourceRate(s.id(), rate));
    }

    boolean isWatched() {
        return pictures().stream().allMatch(s -> session.watch().isWatched(s.id()));
    }

    void watch(boolean on) {
        pictures().forEach(s -> session.watch().watch(s, on));
    }

    /** One edit of all of them, undone as one. */
    private void all(String name, List<Source> sources, Function<Source, Edit> edit) {
        if (!sources.isEmpty()) {
            List<Edit> edits = sources.stream().map(edit).toList();
            session.edit(edits.size() == 1 ? edits.getFirst() : Edit.together(name, edits));
        }
    }

    private Menu rates() {
        Menu rates = Controls.menu(WORDS.say("frameRate"));
        rates.setId("source-rates");
        for (Rate rate : Rate.USUAL) {
            rates.getItems().add(Controls.item("set-rate-" + rate.label(), WORDS.say("fps", rate.label()), () -> setRate(rate)));
        }
        return rates;
    }

    private CheckMenuItem watched() {
        CheckMenuItem watch = Controls.checked(WORDS.say("watchTheFolder"));
        watch.setId("watch-source");
        watch.setSelected(isWatched());
        watch.setOnAction(_ -> watch(watch.isSelected()));
        return watch;
    }

    private CheckMenuItem whenComplete() {
        CheckMenuItem arm = Controls.checked(WORDS.say("makeItWhenComplete"));
        arm.setId("make-when-complete");
        arm.setSelected(session.making().waitsForFrames());
        arm.setOnAction(_ -> {
            if (arm.isSelected()) {
                session.making().makeWhenComplete();
            } else {
                session.making().disarm();
            }
        });
        return arm;
    }

    private void copies(List<MenuItem> items) {
        if (pictures().size() != 1 || pictures().getFirst().location().pattern().isSingle()) {
            return;
        }
        Source source = pictures().getFirst();
        FrameTable table = session.watch().table(source.id());
        ResumeAdvice advice = session.watch().advice(source);
        if (!advice.wanted().isEmpty()) {
            items.add(Controls.item("copy-ranges", WORDS.say("copyWhatToRenderAgainAs"),
                    () -> copy(advice.toText(table.sequence().pattern()))));
            items.add(Controls.item("copy-list", WORDS.say("copyWhatToRenderAgainAs2"),
                    () -> copy(advice.toList(table.sequence().pattern()))));
        }
    }

    private void copy(String numbers) {
        Clips.copy(numbers);
        session.say(WORDS.say("copied", numbers));
    }
}
