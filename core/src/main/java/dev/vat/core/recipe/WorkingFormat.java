package dev.vat.core.recipe;

import dev.vat.core.delivery.Treatment;

/** The samples in which pictures are composed: red, green and blue, full range, with alpha where a source has it. */
public enum WorkingFormat {
    /** Eight bits, display-coded, for display-coded sources that go to conversion untouched. */
    W8,
    /** Sixteen bits, display-coded, for everything else; linear light comes here through 32-bit float and the view curve. */
    W16,
    /** Sixteen bits by the PQ curve over Rec.2020 primaries, ordinary white at 203 candelas: for files with room above white. */
    HIGH;

    /**
     * Of the pictures for a file, where this one holds those that a file takes as they are: eight bits only if nothing has to be scaled,
     * looked up or marked.
     */
    public WorkingFormat with(Treatment treatment) {
        return treatment.colour().isHighRange() ? HIGH : this == W8 && treatment.changesSamples() ? W16 : this;
    }
}
