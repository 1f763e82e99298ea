package dev.vat.desktop.window;

import dev.vat.core.handover.ContactSheet;
import dev.vat.desktop.band.FrameTrack;
import java.util.Optional;

/** Contact sheets of what is shown. */
final class ContactSheets {

    private ContactSheets() {}

    /** By the numbers that the band has; empty while no size is known. */
    static Optional<ContactSheet> of(FrameTrack strip) {
        return strip.size().filter(_ -> strip.count() > 0)
                .map(size -> ContactSheet.of(strip.title(), strip.count(), strip.pixelAspect().seen(size), ContactSheet.Grid.USUAL,
                        place -> new ContactSheet.Cell(strip.number(place) + strip.timecode(place).map(t -> "  " + t).orElse(""),
                                strip.recipe(place).orElse(null))));
    }
}
