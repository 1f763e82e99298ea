package dev.vat.core.trial;

import java.util.List;

/**
 * What was tried of one file.
 *
 * @param excerpts in their order
 * @param proofSeconds that reading them again took
 * @param parts folder in which the excerpts lie as files that can be watched, one each in their order
 */
public record FileTrial(List<Excerpt> excerpts, double proofSeconds, String parts) {
    public FileTrial {
        excerpts = List.copyOf(excerpts);
    }

    long frames() {
        return excerpts.stream().mapToLong(e -> e.frames().size()).sum();
    }
}
