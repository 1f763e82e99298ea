package dev.vat.protocol.demo;

import dev.vat.core.source.Location;
import dev.vat.core.source.SequencePattern;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What lies where in the demo's folder: known to the worker that draws it and to the side that opens it. */
public record DemoFolder(Path path) {

    /** Ids of the passes of shot 010. */
    public static final List<String> PASSES = List.of("colour", "shadow", "haze", "depth", "matte");
    public static final int PASS_FRAMES = 12;
    public static final int RETAKE_FRAMES = 48;
    public static final int DRAFT_FRAMES = 40;

    public Path shot(DemoShot shot) {
        return path.resolve(shot.id());
    }

    public Location pass(String id) {
        return new Location(path.resolve("sh010_passes"), new SequencePattern("sh010_" + id + ".", 4, ".png"));
    }

    /** A retake of shot 010 in which every file is sound and some pictures aren't. */
    public Location retake() {
        return new Location(path.resolve("sh015"), new SequencePattern("sh015.", 4, ".png"));
    }

    /** A small viewport preview. */
    public Location draft() {
        return new Location(path.resolve("draft"), new SequencePattern("draft.", 3, ".png"));
    }

    /** A clip with pixels that aren't square. */
    public Path archive() {
        return path.resolve("archive.mov");
    }

    public Path wind() {
        return path.resolve("wind.wav");
    }

    /** What is brought in beside the opening, in that order. */
    public List<Location> besideTheOpening() {
        List<Location> all = new ArrayList<>(PASSES.stream().map(this::pass).toList());
        all.add(retake());
        all.add(new Location(path, SequencePattern.single(archive().getFileName().toString())));
        all.add(draft());
        all.add(new Location(path, SequencePattern.single(wind().getFileName().toString())));
        return all;
    }

    /** Whether all of it was drawn, by the last file of each kind. */
    public boolean isThere() {
        return Arrays.stream(DemoShot.values())
                .allMatch(s -> Files.exists(shot(s).resolve(s.pattern().fileName(s.first() + s.frames() - 1L))))
                && PASSES.stream().allMatch(p -> has(pass(p), DemoShot.DUNES.first() + PASS_FRAMES - 1L))
                && has(retake(), RETAKE_FRAMES) && has(draft(), DRAFT_FRAMES) && Files.exists(archive()) && Files.exists(wind());
    }

    private static boolean has(Location location, long frame) {
        return Files.exists(location.folder().resolve(location.pattern().fileName(frame)));
    }
}
