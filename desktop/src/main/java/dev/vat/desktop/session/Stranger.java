package dev.vat.desktop.session;

import java.util.List;

/**
 * Something that was made elsewhere and waits for a word.
 *
 * @param outside places that it names and that nobody has said yes to
 * @param open what a yes does
 */
public record Stranger(String name, List<String> outside, Runnable open) {}
