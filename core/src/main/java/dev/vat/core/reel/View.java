package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.Line;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Border;
import java.util.Objects;

/**
 * What one place of a layout shows.
 *
 * @param item what is taken, how it plays, and how it fits into its place
 * @param crop the part of its picture that is taken, or null for all
 * @param border around it, or null
 * @param caption in it, its letters in percent of the whole layout's height; or null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record View(Item item, Area crop, Border border, Line caption) {

    public View {
        Objects.requireNonNull(item, "an item");
        crop = Area.ALL.equals(crop) ? null : crop;
    }

    public static View of(Item item) {
        return new View(item, null, null, null);
    }

    public View withItem(Item other) {
        return new View(other, crop, border, caption);
    }

    public View withCrop(Area other) {
        return new View(item, other, border, caption);
    }

    /** @param other null for none */
    public View withBorder(Border other) {
        return new View(item, crop, other, caption);
    }

    /** @param other null for none */
    public View withCaption(Line other) {
        return new View(item, crop, border, other);
    }
}
