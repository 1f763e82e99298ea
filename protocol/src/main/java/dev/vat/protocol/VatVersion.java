package dev.vat.protocol;

/** Vat's own version, as plans and receipts name it. */
public final class VatVersion {

    private static final String CURRENT = "0.1.0";

    private VatVersion() {}

    public static String current() {
        return CURRENT;
    }
}
