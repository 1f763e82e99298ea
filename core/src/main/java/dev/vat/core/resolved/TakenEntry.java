package dev.vat.core.resolved;

import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;

/** An entry as recipes take frames of it. */
record TakenEntry(ReelEntry entry, PictureReading picture, Size size, Placement placement) implements Recipes.Source {

    @Override
    public String name() {
        return entry.table().sequence().name();
    }

    @Override
    public Location location() {
        return entry.table().sequence().location();
    }

    @Override
    public FileKind kind() {
        return entry.table().sequence().kind();
    }

    @Override
    public boolean has(long number) {
        return entry.table().sequence().has(number);
    }

    @Override
    public FrameStamp stamp(long number) {
        Sequence sequence = entry.table().sequence();
        int index = sequence.indexOf(number);
        return index < 0 ? null : new FrameStamp(number, sequence.size(index), sequence.modified(index), null, sequence.ending(index));
    }
}
