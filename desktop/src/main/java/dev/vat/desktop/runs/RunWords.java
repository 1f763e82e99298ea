package dev.vat.desktop.runs;

import dev.vat.protocol.FileProgress;
import java.util.Locale;

/** How far a file is, in words. */
final class RunWords {

    private RunWords() {}

    /** @param planned frames that the file was to have */
    static String of(FileProgress p, long planned) {
        return switch (p.stage()) {
            case WAITING -> "waiting";
            case FIRST_PASS -> "first pass, frame " + p.done() + " of " + p.frames() + pace(p);
            case ENCODING -> "frame " + p.done() + " of " + p.frames() + ", " + percent(p) + pace(p);
            case JOINING -> "joining its parts";
            case PROVING -> "written, proving " + percent(p) + pace(p);
            case DELIVERED -> p.why() != null ? p.why() : p.frames() < planned
                    ? "made and proven, ended early with " + p.frames() + " of " + planned + " frames" : "made and proven";
            case UNPROVEN -> "made but not proven: " + p.why();
            case FAILED -> "failed: " + p.why();
            case STOPPED -> "stopped at frame " + p.done();
        };
    }

    private static String percent(FileProgress p) {
        return (p.frames() == 0 ? 0 : 100 * p.done() / p.frames()) + " %";
    }

    private static String pace(FileProgress p) {
        return p.speed() <= 0 ? "" : String.format(Locale.ROOT, ", %.1f frames a second", p.speed())
                + (p.secondsLeft() < 0 ? "" : ", " + left(Math.round(p.secondsLeft())) + " left");
    }

    /** {@code 48 s}, {@code 12 min}, {@code 3 h 42 min}. */
    static String left(long seconds) {
        return seconds < 90 ? seconds + " s" : seconds < 5400 ? (seconds + 30) / 60 + " min"
                : seconds / 3600 + " h " + seconds % 3600 / 60 + " min";
    }
}
