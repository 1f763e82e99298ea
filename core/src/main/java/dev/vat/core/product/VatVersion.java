package dev.vat.core.product;

/** Vat's own name and version, as plans, receipts and files have it. */
public final class VatVersion {

    public static final String NAME = "Vat";

    private static final String CURRENT = "0.1.0";

    private VatVersion() {}

    /** Both, as one field of a file has them. */
    public static String named() {
        return NAME + " " + CURRENT;
    }

    public static String current() {
        return CURRENT;
    }
}
