package dev.vat.engine.process;

/**
 * A worker process has ended without being told to, or fallen silent.
 *
 * @param why in words
 */
public record WorkerLost(String why) {}
