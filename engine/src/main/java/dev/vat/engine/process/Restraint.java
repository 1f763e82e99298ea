package dev.vat.engine.process;

/**
 * How a long-lasting worker keeps out of people's way.
 *
 * @param cores how many of the machine's cores it may use, or null for all
 */
public record Restraint(Integer cores) {}
