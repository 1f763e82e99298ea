package dev.vat.core.reel;

/** A place of the reel where something stands in for the wanted frame. */
public record ReelFill(long reelFrame, ReelFrame frame) {}
