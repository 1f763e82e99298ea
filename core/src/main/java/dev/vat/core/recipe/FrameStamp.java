package dev.vat.core.recipe;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * A frame's file as it was when it was checked.
 *
 * @param bytes its length
 * @param modified milliseconds of Unix time
 * @param print fingerprint of its decoded samples, or null where it wasn't decoded by itself
 * @param ending what its name ends in after the number, where the names of others end otherwise: {@code .PNG}; else null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FrameStamp(long number, long bytes, long modified, Integer print, String ending) {}
