package dev.vat.core.run;

import java.util.List;

/**
 * A delivered file of which some frames are made anew; the rest is taken over.
 *
 * @param file where it lies, absolute
 * @param sha256 of the whole file
 * @param frames of the file that changed, as text: {@code 118-120, 131}; empty where only its sound is another
 * @param taken numbers of the parts that are taken over
 */
public record Remade(String file, String sha256, String frames, List<Integer> taken) {
    public Remade {
        taken = List.copyOf(taken);
    }
}
