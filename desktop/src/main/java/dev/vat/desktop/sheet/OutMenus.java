package dev.vat.desktop.sheet;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.project.Edits;
import dev.vat.core.run.ReelSound;
import dev.vat.core.time.Rational;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.session.Session;
import java.util.List;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What a cell or a column's heading offers to choose from. What can't be chosen stands there with its reason. */
final class OutMenus {

    private final Session studio;
    private final Dialogs ask;

    OutMenus(Session studio, Dialogs ask) {
        this.studio = studio;
        this.ask = ask;
    }

    ContextMenu codecs(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("codec-menu");
        Codec now = deliverable.settings().codec();
        for (Catalogue.Family family : Catalogue.families()) {
            Menu of = new Menu(family.title());
            of.setId("family-" + family.codecs().getFirst().id());
            for (Codec codec : family.codecs()) {
                CheckMenuItem item = new CheckMenuItem(codec.title() + "   " + codec.depthText() + " " + codec.chroma().label()
                        + (codec.hasAlpha() ? ", alpha" : "") + (codec.unwise().isEmpty() ? "" : "   (" + codec.unwise() + ")"));
                item.setId("codec-" + codec.id());
                item.setSelected(codec == now);
                item.setOnAction(_ -> studio.edit(Edits.setCodec(deliverable.id(), codec)));
                of.getItems().add(item);
            }
            menu.getItems().add(of);
        }
        return menu;
    }

    ContextMenu containers(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("container-menu");
        Codec codec = deliverable.settings().codec();
        for (Container container : Container.values()) {
            String refusal = Legality.reason(codec, container).orElse(null);
            CheckMenuItem item = new CheckMenuItem(refusal == null ? container.title() : "Not " + container.title() + ": " + refusal);
            item.setId("container-" + container.extension());
            item.setSelected(container == deliverable.settings().container());
            item.setDisable(refusal != null);
            item.setOnAction(_ -> studio.edit(Edits.setContainer(deliverable.id(), container)));
            menu.getItems().add(item);
        }
        return menu;
    }

    ContextMenu sounds(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("sound-menu");
        int channels = studio.sound().map(ReelSound::channels).orElse(1);
        for (SoundCodec codec : SoundCodec.values()) {
            String refusal = codec.against(deliverable.settings().container(), channels).orElse(null);
            CheckMenuItem item = new CheckMenuItem(refusal == null ? codec.title() : refusal);
            item.setSelected(codec == deliverable.settings().sound());
            item.setDisable(refusal != null);
            item.setOnAction(_ -> studio.edit(Edits.setSound(deliverable.id(), codec)));
            menu.getItems().add(item);
        }
        return menu;
    }

    /** What the samples may mean; what the container can't say stands there with its reason. */
    ContextMenu colours(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("colour-menu");
        Settings settings = deliverable.settings();
        menu.getItems().add(choice("colour-usual", "As usual for the size", settings.colour() == null, () -> studio.edit(Edits.setColour(deliverable.id(), null))));
        for (ColourCoding colour : settings.codec().colours()) {
            String refusal = Legality.against(settings.codec(), settings.container(), colour).orElse(null);
            CheckMenuItem item = choice("colour-" + colour.id(), refusal == null ? colour.title() : refusal, colour.equals(settings.colour()), () -> studio.edit(Edits.setColour(deliverable.id(), colour)));
            item.setDisable(refusal != null);
            menu.getItems().add(item);
        }
        return menu;
    }

    ContextMenu scans(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("scan-menu");
        Framing framing = deliverable.settings().framing();
        for (Scan scan : Scan.values()) {
            if (scan.isInterlaced() && !deliverable.settings().codec().interlaced().contains(scan)) {
                continue;
            }
            menu.getItems().add(choice("scan-" + scan.ordinal(), scan.title(), scan == framing.scanInUse(), () -> studio.edit(Edits.setFraming(deliverable.id(), framing.withScan(scan)))));
        }
        return menu;
    }

    ContextMenu efforts(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("effort-menu");
        for (Effort effort : Effort.values()) {
            menu.getItems().add(choice("effort-" + effort.title(), effort.title(), effort == deliverable.settings().effort(), () -> studio.edit(Edits.follow(deliverable.id(), d -> d.withEffort(effort)))));
        }
        return menu;
    }

    ContextMenu burnIns(Deliverable deliverable, BurnIn ofReel) {
        ContextMenu menu = new ContextMenu();
        menu.setId("burn-in-menu");
        menu.getItems().addAll(choice("burn-in-reel", "As the reel has it", !deliverable.clean() && deliverable.burnIn() == null, () -> studio.edit(Edits.follow(deliverable.id(), d -> d.withBurnIn(null)))),
                choice("burn-in-clean", "Nothing: clean pictures", deliverable.clean(), () -> studio.edit(Edits.follow(deliverable.id(), Deliverable::withCleanPictures))),
                choice("burn-in-own", "Its own", deliverable.burnIn() != null,
                        () -> studio.edit(Edits.follow(deliverable.id(), d -> d.withBurnIn(ofReel == null || ofReel.isNothing() ? BurnIn.forReview() : ofReel)))));
        return menu;
    }

    /** Asks for the file of a look. */
    void look(Deliverable deliverable) {
        ask.file("A table of colours for " + deliverable.title(), "Tables of colours", List.of("cube"))
                .ifPresent(file -> studio.edit(Edits.setLook(deliverable.id(), Look.of(file))));
    }

    ContextMenu fits(Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId("fit-menu");
        for (Fit fit : Fit.values()) {
            CheckMenuItem item = new CheckMenuItem(fit.title());
            item.setSelected(fit == deliverable.settings().framing().fitInUse());
            item.setOnAction(_ -> studio.edit(Edits.setFraming(deliverable.id(), deliverable.settings().framing().withFit(fit))));
            menu.getItems().add(item);
        }
        if (deliverable.settings().framing().fitInUse() == Fit.FILL || deliverable.settings().framing().fitInUse() == Fit.PIXELS) {
            menu.getItems().addAll(new SeparatorMenuItem(), look(deliverable, "Keep the left or the top", Rational.ZERO),
                    look(deliverable, "Keep the middle", Rational.of(1, 2)), look(deliverable, "Keep the right or the bottom", Rational.ONE), item("keep-at", "Keep a place between\u2026", () -> keepAt(deliverable)));
        }
        return menu;
    }

    /** Which end of a picture stays when the rest is cut off; only one of the two directions ever is. */
    private MenuItem look(Deliverable deliverable, String text, Rational where) {
        CheckMenuItem item = new CheckMenuItem(text);
        Framing framing = deliverable.settings().framing();
        item.setSelected((framing.across() == null ? Rational.of(1, 2) : framing.across()).equals(where));
        item.setOnAction(_ -> studio.edit(Edits.setFraming(deliverable.id(), framing.withLook(where, where))));
        return item;
    }

    /** Asks for a place by its percentage; dragging the picture does the same. */
    private void keepAt(Deliverable deliverable) {
        Framing framing = deliverable.settings().framing();
        Rational now = framing.across() == null ? Rational.of(1, 2) : framing.across();
        ask.text("Which place to keep, in percent of the way from the left or the top", now.times(100).toDecimal(1)).ifPresent(text -> {
            try {
                Rational where = Rational.parse(text.strip().replace(',', '.').replace("%", "").strip()).dividedBy(Rational.of(100));
                if (where.signum() < 0 || where.compareTo(Rational.ONE) > 0) {
                    throw new IllegalArgumentException("'" + text + "' is no place from 0 to 100 percent");
                }
                studio.edit(Edits.setFraming(deliverable.id(), framing.withLook(where, where)));
            } catch (IllegalArgumentException e) {
                studio.say(e.getMessage() + ".");
            }
        });
    }

    /** What can be done with a whole column. */
    ContextMenu column(Deliverable deliverable) {
        String id = deliverable.id();
        return new ContextMenu(item("off", deliverable.off() ? "Switch it on" : "Switch it off for now", () -> studio.edit(Edits.switchOff(id, !deliverable.off()))),
                item("duplicate", "Duplicate", () -> studio.edit(Edits.duplicate(id))),
                item("left", "Move left", () -> studio.edit(Edits.moveDeliverable(id, -1))),
                item("right", "Move right", () -> studio.edit(Edits.moveDeliverable(id, 1))),
                item("as-target", "All as the target has it", () -> studio.edit(Edits.setAsTarget(id))),
                item("keep-preset", "Keep as a preset\u2026", () -> ask.text("Keep this column as a preset", deliverable.title()).ifPresent(name -> studio.presets().keep(name, deliverable))),
                item("copy-preset", "Copy as text", () -> Clips.copy(Preset.of(deliverable.title(), deliverable).toText())),
                item("remove", "Remove", () -> studio.edit(Edits.removeDeliverable(id))));
    }

    private static CheckMenuItem choice(String id, String text, boolean selected, Runnable act) {
        CheckMenuItem item = new CheckMenuItem(text);
        item.setId(id);
        item.setSelected(selected);
        item.setOnAction(_ -> act.run());
        return item;
    }

    private static MenuItem item(String id, String text, Runnable act) {
        MenuItem item = new MenuItem(text);
        item.setId("column-" + id);
        item.setOnAction(_ -> act.run());
        return item;
    }
}
