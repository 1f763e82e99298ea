package dev.vat.core.reel;

/**
 * A frame that stands still.
 *
 * @param number of the source frame
 * @param places for how many reel frames more than it would
 */
public record Hold(long number, long places) {
    public Hold {
        Playing.requirePlaces(places);
    }
}
