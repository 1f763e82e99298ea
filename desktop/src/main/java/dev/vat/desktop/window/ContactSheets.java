package dev.vat.desktop.window;

import dev.vat.desktop.strip.Strip;
import dev.vat.engine.picture.ContactSheet;
import java.util.Optional;

/** Contact sheets of what is shown. */
final class ContactSheets {

    private ContactSheets() { }

    /** By the numbers that the band has; empty while no size is known. */
    static Optional<ContactSheet> of(Strip strip) {
        return strip.size().filter(_ -> strip.count() > 0).map(size -> ContactSheet.of(strip.title(), strip.count(), strip.pixelAspect().seen(size), ContactSheet.Grid.USUAL,
                place -> new ContactSheet.Cell(strip.number(place) + strip.timecode(place).map(t -> "  " + t).orElse(""), strip.subject(place).orElse(null))));
    }
}
