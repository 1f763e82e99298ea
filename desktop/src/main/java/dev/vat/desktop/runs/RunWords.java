package dev.vat.desktop.runs;

import dev.vat.core.words.Words;
import dev.vat.protocol.FileProgress;

/** How far a file is, in words. */
final class RunWords {

    private static final Words WORDS = Words.of(RunWords.class);

    private RunWords() {}

    /** @param planned frames that the file was to have */
    static String of(FileProgress p, long planned) {
        return switch (p.stage()) {
            case WAITING -> "waiting";
            case FIRST_PASS -> WORDS.say("firstPassFrameOf", p.done(), p.frames(), pace(p));
            case ENCODING -> WORDS.say("frameOf", p.done(), p.frames(), percent(p), pace(p));
            case JOINING -> WORDS.say("joiningItsParts");
            case PROVING -> WORDS.say("writtenProving", percent(p), pace(p));
            case DELIVERED -> p.why() != null ? p.why() : p.frames() < planned
                    ? WORDS.say("madeAndProvenEndedEarly", p.frames(), planned) : WORDS.say("madeAndProven");
            case UNPROVEN -> WORDS.say("madeButNotProven", p.why());
            case FAILED -> WORDS.say("failed", p.why());
            case STOPPED -> WORDS.say("stoppedAtFrame", p.done());
        };
    }

    private static String percent(FileProgress p) {
        return (p.frames() == 0 ? 0 : 100 * p.done() / p.frames()) + " %";
    }

    private static String pace(FileProgress p) {
        return p.speed() <= 0 ? "" : WORDS.say("framesASecond", Words.decimal(p.speed(), 1))
                + (p.secondsLeft() < 0 ? "" : WORDS.say("left", left(Math.round(p.secondsLeft()))));
    }

    /** {@code 48 s}, {@code 12 min}, {@code 3 h 42 min}. */
    static String left(long seconds) {
        return seconds < 90 ? seconds + " s" : seconds < 5400 ? WORDS.say("min", (seconds + 30) / 60)
                : WORDS.say("hMin", seconds / 3600, seconds % 3600 / 60);
    }
}
