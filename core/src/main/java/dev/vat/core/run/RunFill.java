package dev.vat.core.run;

import dev.vat.core.reel.ReelFrame;

/** A reel frame at which something else stands than its span says; its item is the number of a source. */
public record RunFill(long reelFrame, ReelFrame frame) {}
