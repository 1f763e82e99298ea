package dev.vat.core.layout;

import dev.vat.core.words.Words;

/** By what several views are kept together. */
public enum InStep {
    FRAMES(Words.of(InStep.class).say("frameByFrame"), Words.of(InStep.class).say("everyViewShowsItsNextFrame")),
    TIMECODE(Words.of(InStep.class).say("byTimecode"), Words.of(InStep.class).say("framesOfTheSameLabelStand")),
    SECONDS(Words.of(InStep.class).say("bySeconds"), Words.of(InStep.class).say("viewsBeginTogetherAndKeep"));

    private final String title;
    private final String sentence;

    InStep(String title, String sentence) {
        this.title = title;
        this.sentence = sentence;
    }

    public String title() {
        return title;
    }

    public String sentence() {
        return sentence;
    }
}
