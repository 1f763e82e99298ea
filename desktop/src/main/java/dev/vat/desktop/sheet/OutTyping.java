package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.SizeWish;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.run.Programme;
import dev.vat.core.time.Rate;
import dev.vat.desktop.studio.Studio;

/** What stands in a cell's editor to begin with, and what is made of what was typed there. */
final class OutTyping {

    private final Studio studio;

    OutTyping(Studio studio) {
        this.studio = studio;
    }

    String text(OutRow row, Deliverable deliverable) {
        return switch (row) {
            case ALPHA -> deliverable.flatten().toString();
            case SIZE -> studio.programme().flatMap(p -> p.frame(deliverable)).map(f -> f.size().toString()).orElse("");
            case PIXEL_ASPECT -> studio.programme().flatMap(p -> p.frame(deliverable)).map(f -> f.pixelAspect().toString()).orElse("");
            case QUALITY -> deliverable.settings().codec().words(deliverable.settings().control());
            default -> studio.programme().flatMap(Programme::rate).map(Rate::toString).orElse("");
        };
    }

    /** @throws IllegalArgumentException saying in words why the text can't be used */
    Edit edit(OutRow row, Deliverable deliverable, String typed) {
        Framing framing = deliverable.settings().framing();
        return switch (row) {
            case SIZE -> Edits.setFraming(deliverable.id(), framing.withSize(SizeWish.parse(typed, studio.programme().flatMap(Programme::shape).orElse(null))));
            case PIXEL_ASPECT -> Edits.setFraming(deliverable.id(), framing.withPixelAspect(PixelAspect.parse(typed)));
            case ALPHA -> Edits.setFlatten(deliverable.id(), Rgb.parse(typed));
            case QUALITY -> Edits.setControl(deliverable.id(), deliverable.settings().codec().control(typed));
            default -> Edits.setRateEverywhere(Rate.parse(typed));
        };
    }
}
