package dev.vat.media.mux;

import java.time.Instant;

/**
 * Where a file comes from.
 *
 * @param program that made it @param version of that program
 * @param name what tells it from any other file: the same name always gives the same identifiers
 * @param made when
 */
public record Origin(String program, String version, String name, Instant made) {}
