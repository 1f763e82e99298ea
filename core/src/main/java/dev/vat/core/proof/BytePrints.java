package dev.vat.core.proof;

import java.util.List;

/**
 * Fingerprints of stretches of a file, so that a change can be placed.
 *
 * @param each bytes of every stretch but the last
 * @param crc CRC32C of each, eight hexadecimal digits
 */
public record BytePrints(long each, List<String> crc) {
    public BytePrints {
        crc = List.copyOf(crc);
    }
}
