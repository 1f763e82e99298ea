package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.stream.Collectors;

/** What is to stand where a frame is missing or can't be used. */
public enum GapPolicy {
    REFUSE("refuse", Words.of(GapPolicy.class).say("refuse"), Words.of(GapPolicy.class).say("nothingIsMadeUntilEvery")),
    HOLD("hold", Words.of(GapPolicy.class).say("holdPrevious"), Words.of(GapPolicy.class).say("theFrameBeforeTheHoleIs")),
    NEAREST("nearest", Words.of(GapPolicy.class).say("holdNearest"), Words.of(GapPolicy.class).say("eachPlaceShowsTheGoodFrame")),
    BLEND("blend", Words.of(GapPolicy.class).say("blend"), Words.of(GapPolicy.class).say("theGoodFramesBeforeAndAfter")),
    CARD("card", Words.of(GapPolicy.class).say("labelledCard"), Words.of(GapPolicy.class).say("aCardWithTheFramesNumber")),
    CLOSE("close", Words.of(GapPolicy.class).say("closeUp"), Words.of(GapPolicy.class).say("theHoleIsLeftOutWhatFollows"));

    private final String id;
    private final String title;
    private final String sentence;

    GapPolicy(String id, String title, String sentence) {
        this.id = id;
        this.title = title;
        this.sentence = sentence;
    }

    /** @throws IllegalArgumentException carrying the id, if there is no such policy; it lists those that are */
    @JsonCreator
    public static GapPolicy parse(String id) {
        return Arrays.stream(values()).filter(p -> p.id.equals(id)).findFirst().orElseThrow(
                () -> new IllegalArgumentException(Words.of(GapPolicy.class).say("isNotAGapPolicyUse", id,
                        Arrays.stream(values()).map(GapPolicy::id).collect(Collectors.joining(", ")))));
    }

    @JsonValue
    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    public String sentence() {
        return sentence;
    }
}
