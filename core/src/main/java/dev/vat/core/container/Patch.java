package dev.vat.core.container;

/** Bytes to be written in place. @param at first of them in the file */
public record Patch(long at, byte[] value) {}
