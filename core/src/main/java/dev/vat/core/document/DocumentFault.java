package dev.vat.core.document;

/** A document isn't what it should be; the message says in words where and why. */
public final class DocumentFault extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    DocumentFault(String message, Throwable cause) {
        super(message, cause);
    }
}
