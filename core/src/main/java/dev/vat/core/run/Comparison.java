package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.delivery.RoughForecast;
import java.util.ArrayList;
import java.util.List;

/** Planned against found, line by line. */
public record Comparison(List<Line> lines) {

    /** One property of a file; {@code agrees} is the verdict. */
    public record Line(String name, String planned, String found, @JsonProperty("agrees") boolean agrees) { }

    public Comparison {
        lines = List.copyOf(lines);
    }

    public static Comparison of(Expectation planned, FileFacts found) {
        List<Line> lines = new ArrayList<>();
        line(lines, "frames", planned.frames(), found.frames());
        line(lines, "spacing", "every frame alike", found.evenSpacing() ? "every frame alike" : "uneven");
        line(lines, "rate", planned.rate() + " a second", found.rate() + " a second");
        line(lines, "start", "0 s", found.startSeconds() + " s");
        line(lines, "duration", planned.seconds() + " s", found.durationSeconds() + " s");
        line(lines, "size", planned.size(), found.size());
        line(lines, "pixel aspect", planned.pixelAspect(), found.pixelAspect());
        line(lines, "container", planned.container().title(), found.container());
        line(lines, "codec", planned.codec(), found.codec());
        line(lines, "profile", planned.profile(), found.profile());
        String depth = planned.codedBits() == planned.readBits() ? planned.codedBits() + "-bit"
                : planned.codedBits() + " coded, read as " + planned.readBits();
        lines.add(new Line("depth", depth, found.bits() == planned.readBits() ? depth : found.bits() + "-bit",
                found.bits() == planned.readBits()));
        line(lines, "chroma", planned.chroma().label(), found.chroma());
        line(lines, "matrix", planned.matrix(), found.matrix());
        line(lines, "primaries", planned.primaries(), found.primaries());
        line(lines, "transfer", planned.transfer(), found.transfer());
        line(lines, "range", planned.range(), found.range());
        line(lines, "alpha", alpha(planned.alphaBits()), alpha(found.alphaBits()));
        line(lines, "sound tracks", planned.soundTracks() == 0 ? "none" : planned.soundTracks(),
                found.soundTracks() == 0 ? "none" : found.soundTracks());
        if (planned.indexInFront()) {
            line(lines, "index", "in front", found.indexInFront() ? "in front" : "at the end");
        }
        lines.add(new Line("bytes", "more than 0", RoughForecast.bytes(found.bytes()), found.bytes() > 0));
        return new Comparison(lines);
    }

    private static String alpha(int bits) {
        return bits == 0 ? "none" : bits + "-bit, straight";
    }

    private static void line(List<Line> lines, String name, Object planned, Object found) {
        lines.add(new Line(name, planned.toString(), found.toString(), planned.toString().equals(found.toString())));
    }

    public boolean allAgree() {
        return lines.stream().allMatch(Line::agrees);
    }

    public List<Line> disagreements() {
        return lines.stream().filter(l -> !l.agrees()).toList();
    }
}
