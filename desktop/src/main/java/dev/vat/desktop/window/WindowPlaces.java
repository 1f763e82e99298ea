package dev.vat.desktop.window;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.words.Words;
import dev.vat.desktop.help.HelpPage;
import dev.vat.desktop.session.Session;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Sources, deliverables, targets, settings and help, as places that the search for commands goes to. */
final class WindowPlaces {

    private static final Words WORDS = Words.of(WindowPlaces.class);

    private final Session session;
    private final SheetPane sheet;
    private final Documents documents;
    private final Consumer<String> goToSource;
    private final Runnable showDeliverables;

    /** @param goToSource told of the id of a source @param showDeliverables brings their face to the front */
    WindowPlaces(Session session, SheetPane sheet, Documents documents, Consumer<String> goToSource, Runnable showDeliverables) {
        this.session = session;
        this.sheet = sheet;
        this.documents = documents;
        this.goToSource = goToSource;
        this.showDeliverables = showDeliverables;
    }

    List<Command> all() {
        return Stream.of(sources(), deliverables(), targets(), settings(), help()).flatMap(s -> s).toList();
    }

    private static Command place(String id, String group, String text, Runnable act) {
        return new Command(id, group, text, null, () -> true, act);
    }

    private Stream<Command> sources() {
        return session.project().sources().stream().map(s -> place("source-" + s.id(), WORDS.say("sources"),
                WORDS.say("source", s.name()), () -> goToSource.accept(s.id())));
    }

    private Stream<Command> deliverables() {
        return session.project().deliverables().stream().map(d -> place("deliverable-" + d.id(), WORDS.say("deliverables"),
                WORDS.say("deliverable", d.title()), () -> {
                    showDeliverables.run();
                    sheet.out().goToColumn(d.id());
                }));
    }

    /** Those that aren't there yet. */
    private Stream<Command> targets() {
        return Catalogue.targets().stream()
                .filter(t -> session.project().deliverables().stream().noneMatch(d -> d.target().equals(t.id())))
                .map(t -> place("add-" + t.id(), WORDS.say("deliverables"), WORDS.say("addADeliverable", t.title()),
                        () -> session.edit(DeliverableEdits.addTarget(t))));
    }

    private Stream<Command> settings() {
        return session.project().deliverables().isEmpty() ? Stream.of() : sheet.out().rows().entrySet().stream()
                .map(row -> place("setting-" + row.getKey(), WORDS.say("settings"), WORDS.say("setting", row.getValue()), () -> {
                    showDeliverables.run();
                    sheet.out().goTo(row.getKey());
                }));
    }

    private Stream<Command> help() {
        return HelpPage.topics().entrySet().stream().map(topic -> place("help-" + topic.getKey(), WORDS.say("help"),
                WORDS.say("help2", topic.getValue()), () -> documents.help(topic.getKey())));
    }
}
