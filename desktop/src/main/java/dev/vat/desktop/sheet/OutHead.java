package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.FileProgress;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The heading of one column: what it is in plain words, what can be done with it, and how far its file is. */
final class OutHead extends VBox {

    private static final Words WORDS = Words.of(OutHead.class);

    private final Deliverable deliverable;
    private final Label status = Parts.wrapped("", "note");

    OutHead(Session session, OutMenus menus, Deliverable deliverable) {
        this.deliverable = deliverable;
        Label label = Parts.wrapped(deliverable.title(), "strong");
        HBox.setHgrow(label, Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        Button more = Parts.button("column-menu-" + deliverable.id(), "", () -> {});
        Menus.opens(more, () -> menus.column(session.deliverable(deliverable.id()).orElse(deliverable)));
        more.getStyleClass().add("small");
        more.setAccessibleText(WORDS.say("whatCanBeDoneWith", deliverable.title()));
        Button out = Parts.button("drop-" + deliverable.id(), "", () -> session.edit(DeliverableEdits.removeDeliverable(deliverable.id())));
        out.setGraphic(Icon.CLOSE.node());
        out.getStyleClass().add("small");
        out.setAccessibleText(WORDS.say("remove", deliverable.title()));
        HBox line = new HBox(label, more, out);
        line.setAlignment(Pos.TOP_LEFT);
        status.setId("column-status-" + deliverable.id());
        getStyleClass().add("cell-head");
        getChildren().addAll(line, status);
        Tooltip.install(this, new Tooltip(deliverable.isKnown() ? deliverable.targetInCatalogue().why() : deliverable.target()));
        if (deliverable.off()) {
            getStyleClass().add("off");
        }
    }

    /** Whether it says of a deliverable what it has to. */
    boolean isOf(Deliverable now) {
        return now.id().equals(deliverable.id()) && now.title().equals(deliverable.title()) && now.target().equals(deliverable.target())
                && now.off() == deliverable.off();
    }

    /** @param progress of its file while it is made, or null; then {@code forecast} stands there */
    void show(FileProgress progress, String forecast) {
        status.setText(progress == null ? forecast : words(progress));
    }

    private static String words(FileProgress p) {
        long percent = p.frames() == 0 ? 0 : 100 * p.done() / p.frames();
        return switch (p.stage()) {
            case WAITING -> WORDS.say("waiting");
            case JOINING -> WORDS.say("joining");
            case FAILED -> WORDS.say("failed");
            case UNPROVEN -> WORDS.say("unproven");
            case STOPPED -> WORDS.say("stopped");
            case FIRST_PASS -> WORDS.say("firstPass", percent);
            case ENCODING -> WORDS.say("encoding", percent);
            case PROVING -> WORDS.say("proving", percent);
            case DELIVERED -> p.why() == null ? WORDS.say("proven", RoughForecast.bytes(p.bytes())) : p.why();
        };
    }
}
