package dev.vat.core.run;

/** The samples in which pictures are composed: red, green and blue, full range, with alpha where a source has it. */
public enum WorkingFormat {
    /** Eight bits, display-coded, for display-coded sources that go to conversion untouched. */
    W8,
    /** Sixteen bits, display-coded, for everything else; linear light comes here through 32-bit float and the view curve. */
    W16,
    /** Sixteen bits by the PQ curve over Rec.2020 primaries, ordinary white at 203 candelas: for files with room above white. */
    HIGH
}
