package dev.vat.core.delivery;

/** Whether, and how, a deliverable can be made in parts that are closed one after the other. */
public enum PartForm {
    /** Closed stretches that join by copying packets. */
    STRETCH,
    /** Ranges of numbered files. */
    FILES,
    /** Can't be cut: a stop means starting again. */
    WHOLE
}
