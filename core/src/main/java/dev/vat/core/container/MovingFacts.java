package dev.vat.core.container;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;

/**
 * What a file of stills that move says of itself.
 *
 * @param frames pictures that are in it @param seconds how long they are shown together
 * @param tick the finest time that it counts, in seconds
 * @param loops how often it is played, 0 for ever
 */
public record MovingFacts(Size size, long frames, Rational seconds, Rational tick, int loops) {}
