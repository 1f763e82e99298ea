package dev.vat.core.pass;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What a pass is, by the trade's words for it in names of files, folders and layers. */
public final class PassWords {

    /** What a pass holds, from the lowest in a picture up: what shadows fall on comes before them, what shines by itself after. */
    public enum Role {
        FULL(null),
        /** Colours of surfaces, unlit. */
        BASE(Operation.ADD),
        /** Light on surfaces, without their colours. */
        LIGHT(Operation.MULTIPLY),
        /** What surfaces scatter, lit and with their colours: one for each lamp, or for light that comes straight and by detours. */
        LIT(Operation.ADD),
        SHADOW(Operation.MULTIPLY),
        /** Light of its own, as of lamps and reflections. */
        GLOW(Operation.ADD),
        HAZE(Operation.OVER),
        MATTE(Operation.MATTE),
        DEPTH(Operation.MATTE);

        private final Operation operation;

        Role(Operation operation) {
            this.operation = operation;
        }
    }

    private static final Map<String, Role> ROLES = words();

    /** A pass that was found, with where it lies. @param source id, or null for the item's own @param layer or null */
    public record Found(String name, String source, String layer) {}

    private PassWords() {}

    private static Map<String, Role> words() {
        Map<String, Role> words = new LinkedHashMap<>();
        put(words, Role.FULL, "full", "beauty", "combined", "rgb", "rgba", "final", "image");
        put(words, Role.BASE, "base", "albedo", "colour", "color", "diffusecolour", "diffusecolor", "basecolour", "basecolor");
        put(words, Role.LIGHT, "light", "lights", "lighting", "illumination");
        put(words, Role.LIT, "diffuse", "diff", "direct", "indirect", "gi", "bounce", "key", "fill", "rim");
        put(words, Role.SHADOW, "shadow", "shadows", "occlusion", "ambientocclusion", "ao");
        put(words, Role.GLOW, "glow", "emission", "emissive", "specular", "spec", "reflection", "reflections", "refl", "refraction", "refr",
                "transmission", "subsurface", "sss", "coat", "sheen", "selfillumination", "caustics", "volume");
        put(words, Role.HAZE, "haze", "fog", "mist", "smoke", "atmosphere", "over");
        put(words, Role.MATTE, "matte", "mask", "holdout");
        put(words, Role.DEPTH, "depth", "z", "distance");
        return words;
    }

    private static void put(Map<String, Role> words, Role role, String... names) {
        Arrays.stream(names).forEach(n -> words.put(n, role));
    }

    /** By the last word of a name that says something: of {@code flats_light} the light. */
    public static Optional<Role> role(String name) {
        List<String> parts = Arrays.asList(name.toLowerCase(Locale.ROOT).split("[._ -]+"));
        return parts.reversed().stream().map(ROLES::get).filter(r -> r != null).findFirst();
    }

    /**
     * How passes are put together as a rule, the lowest first; depth and mattes are there and left out. What has no known name is left out
     * where others are known; where hardly one is, all of them are taken for light that is added.
     */
    public static PassMix mix(List<Found> found) {
        List<Found> parts = new ArrayList<>(found.stream().filter(f -> role(f.name()).orElse(Role.GLOW) != Role.FULL).toList());
        parts.sort(Comparator.comparing(f -> role(f.name()).orElse(Role.DEPTH)));
        boolean known = parts.stream().filter(f -> role(f.name()).isPresent() && !isBeside(f)).count() > 1;
        long lights = count(parts, Role.LIGHT);
        boolean lit = count(parts, Role.LIT) > 0;
        int surfaces = (int) count(parts, Role.BASE);
        List<Pass> passes = new ArrayList<>();
        for (Found part : parts) {
            Role role = known || isBeside(part) ? role(part.name()).orElse(null) : null;
            passes.add(
                    Pass.of(part.name(), part.source(), part.layer(), role == null ? Operation.ADD : operation(role, surfaces > 0, lights))
                            .withOff(role == null ? known : isLeftOut(role, surfaces > 0 && lights > 0, lit)));
        }
        if (surfaces > 0 && lights > 1) {
            // Several lights are one light on a surface: they are added first.
            Collections.rotate(passes.subList(0, surfaces + (int) lights), -surfaces);
        }
        full(found).ifPresent(f -> passes.add(Pass.of(f.name(), f.source(), f.layer(), Operation.ALPHA)));
        return new PassMix(passes);
    }

    private static long count(List<Found> parts, Role role) {
        return parts.stream().filter(f -> role(f.name()).filter(role::equals).isPresent()).count();
    }

    /** Light without a surface to fall on is a picture already, and is added. */
    private static Operation operation(Role role, boolean surfaces, long lights) {
        return switch (role) {
            case LIGHT -> surfaces && lights == 1 ? Operation.MULTIPLY : Operation.ADD;
            case BASE -> lights > 1 ? Operation.MULTIPLY : Operation.ADD;
            default -> role.operation;
        };
    }

    /** What surfaces scatter is counted once. @param inParts whether it is there as surfaces and their light @param lit or whole */
    private static boolean isLeftOut(Role role, boolean inParts, boolean lit) {
        return role == Role.MATTE || role == Role.DEPTH || role == Role.BASE && lit && !inParts || role == Role.LIT && inParts;
    }

    /** Whether it is no light, by its name. */
    private static boolean isBeside(Found part) {
        return role(part.name()).filter(r -> r == Role.MATTE || r == Role.DEPTH).isPresent();
    }

    /** The full picture among them, against which the sum is held. */
    public static Optional<Found> full(List<Found> found) {
        return found.stream().filter(f -> role(f.name()).filter(Role.FULL::equals).isPresent()).findFirst();
    }

    /** Whether some of them are the passes of one picture: two at least whose names say so. */
    public static boolean areThere(List<Found> found) {
        return found.stream().filter(f -> role(f.name()).filter(r -> r != Role.FULL).isPresent()).count() >= 2;
    }
}
