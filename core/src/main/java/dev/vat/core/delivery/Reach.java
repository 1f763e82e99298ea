package dev.vat.core.delivery;

/** How far a codec reaches, from the widest on. */
public enum Reach {
    /** Browsers, telephones, desktops, old ones too. */
    ANYWHERE,
    /** Current browsers and devices. */
    BROWSERS,
    /** Programs made for such files. */
    PROGRAMS
}
