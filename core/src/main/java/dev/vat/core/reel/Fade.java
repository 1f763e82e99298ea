package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Locale;

/** How sound comes or goes. @param seconds how long that takes */
public record Fade(Rational seconds, Shape shape) {

    private static final Words WORDS = Words.of(Fade.class);

    /** How loud it is on its way, from nothing to all. */
    public enum Shape {
        /** The gain grows evenly. */
        LINEAR("linear"),
        /** A quarter of a sine: two such fades across each other keep the power of sounds that have nothing in common. */
        EQUAL_POWER(Words.of(Fade.class).say("equalPower")),
        /** Half a cosine: it starts and ends gently. */
        SMOOTH("smooth");

        private final String title;

        Shape(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        /** The gain at a part of the way. @param way from 0 to 1 */
        public double gain(double way) {
            return switch (this) {
                case LINEAR -> way;
                case EQUAL_POWER -> Math.sin(way * Math.PI / 2);
                case SMOOTH -> (1 - Math.cos(way * Math.PI)) / 2;
            };
        }

        @JsonValue
        String text() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        @JsonCreator
        static Shape parse(String text) {
            return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
        }
    }

    public Fade {
        if (seconds.signum() <= 0) {
            throw new IllegalArgumentException(WORDS.say("aFadeTakesTimeNotS", seconds));
        }
        shape = shape == null ? Shape.LINEAR : shape;
    }
}
