package dev.vat.core.run;

/** The samples in which pictures are composed: display-coded RGB, full range, with alpha where a source has it. */
public enum WorkingFormat {
    /** Eight bits, for display-coded sources that go to conversion untouched. */
    W8,
    /** Sixteen bits, for everything else; linear light comes here through 32-bit float and the view curve. */
    W16
}
