package dev.vat.desktop.window;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.MovieStrip;
import dev.vat.desktop.band.ReelStrip;
import dev.vat.desktop.band.SourceStrip;
import dev.vat.desktop.band.TrialStrip;
import dev.vat.desktop.compare.Side;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.session.DeliveryHistory;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.FileProgress;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;

/** What the picture can be held against: the reel, the reel as each file, test encodes, sources, and files that were made. */
final class CompareMenu {

    private static final Words WORDS = Words.of(CompareMenu.class);

    private static final int MOST_PAST = 12;

    private final Session session;
    private final Consumer<Side> chosen;

    CompareMenu(Session session, Consumer<Side> chosen) {
        this.session = session;
        this.chosen = chosen;
    }

    /** @param beside where it opens @param shown what is on the screen, which isn't offered */
    void show(Node beside, FrameTrack shown) {
        ContextMenu menu = menu();
        Menu past = Controls.menu(WORDS.say("aFileThatWasDelivered"));
        past.setId("compare-past");
        menu.getItems().add(past);
        session.deliveries().load(lines -> past.getItems().setAll(past(lines)));
        if (shown != null) {
            Menus.below(beside, menu);
        }
    }

    /** Takes what is offered under an id. */
    void choose(String id) {
        menu().getItems().stream().flatMap(item -> item instanceof Menu inner ? inner.getItems().stream() : Stream.of(item))
                .filter(item -> id.equals(item.getId())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(WORDS.say("nothingIsOfferedAs", id))).getOnAction().handle(null);
    }

    private ContextMenu menu() {
        ContextMenu menu = new ContextMenu();
        menu.setId("compare-menu");
        session.programme().filter(p -> p.plan().count() > 0).ifPresent(programme -> {
            menu.getItems().add(item("compare-reel", WORDS.say("theReel"), new Side(reel(programme, null), WORDS.say("reel"), null, null)));
            for (Deliverable deliverable : session.project().deliverables().stream().filter(Deliverable::isKnown).toList()) {
                LookedAt.as(session, deliverable)
                        .ifPresent(as -> menu.getItems()
                                .add(item("compare-as-" + deliverable.id(), WORDS.say("theReelAsIn", deliverable.title()),
                                        new Side(reel(programme, deliverable), WORDS.say("asIn", deliverable.title()),
                                                LookedAt.ground(deliverable), as))));
            }
        });
        for (Deliverable deliverable : session.project().deliverables()) {
            session.forecasts().excerpts(deliverable)
                    .ifPresent(tried -> menu.getItems().add(item("compare-trial-" + deliverable.id(),
                            WORDS.say("testEncodeOf", deliverable.title()),
                            new Side(TrialStrip.of(tried.file(), tried.trial()), WORDS.say("testEncodeOf2", deliverable.title()), null,
                                    null))));
        }
        menu.getItems().addAll(made());
        Menu sources = Controls.menu(WORDS.say("aSource"));
        sources.setId("compare-sources");
        for (Source source : session.project().sources()) {
            if (session.watch().table(source.id()) != null) {
                sources.getItems().add(item("compare-source-" + source.id(), source.name(),
                        new Side(new SourceStrip(source, session.watch().table(source.id()), session.watch().review(source.id())),
                                source.name(),
                                null, null)));
            }
        }
        if (!sources.getItems().isEmpty()) {
            menu.getItems().add(sources);
        }
        return menu;
    }

    private ReelStrip reel(ResolvedReel programme, Deliverable as) {
        return new ReelStrip(programme, null, PictureWords.of(programme, as, LocalDate.now(ZoneOffset.UTC).toString()).orElse(null),
                as == null ? null : as.pass());
    }

    /** Files of the runs at the window's foot. */
    private List<MenuItem> made() {
        List<MenuItem> items = new ArrayList<>();
        for (RunLine line : session.runs().lines()) {
            for (FileProgress file : line.files()) {
                if (file.path() != null && file.stage() == FileProgress.Stage.DELIVERED) {
                    line.run().plan().files().stream().filter(f -> f.target().equals(file.target()) && !f.isFolder() && !f.isSound())
                            .forEach(f -> items
                                    .add(item("compare-made-" + f.target(), WORDS.say("theFile", Path.of(file.path()).getFileName()),
                                            movie(Path.of(file.path()), f))));
                }
            }
        }
        return items;
    }

    private List<MenuItem> past(List<DeliveryHistory.Line> lines) {
        List<MenuItem> items = new ArrayList<>();
        for (DeliveryHistory.Line line : lines.stream().filter(DeliveryHistory.Line::there).limit(MOST_PAST).toList()) {
            line.entry().plan().files().stream().filter(f -> f.target().equals(line.entry().target()) && !f.isFolder() && !f.isSound())
                    .forEach(f -> items.add(item("compare-past-" + items.size(), line.file().getFileName() + ", " + line.entry().day(),
                            movie(line.file(), f))));
        }
        if (items.isEmpty()) {
            MenuItem none = Controls.item(WORDS.say("noneThatIsStillThere"));
            none.setDisable(true);
            items.add(none);
        }
        return items;
    }

    private static Side movie(Path path, RunFile file) {
        return new Side(new MovieStrip(path, file.expected()), WORDS.say("file", path.getFileName()), null, null);
    }

    private MenuItem item(String id, String text, Side side) {
        MenuItem item = Controls.item(text);
        item.setId(id);
        item.setOnAction(_ -> chosen.accept(side));
        return item;
    }
}
