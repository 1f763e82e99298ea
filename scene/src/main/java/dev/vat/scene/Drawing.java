package dev.vat.scene;

import java.util.Map;

/**
 * A drawn picture as plain arrays, rows from the top.
 *
 * @param channels by name ({@code R}, {@code A}, {@code haze.G}); display-coded values from 0 to 1, or linear light where the shot says
 *     so; alpha is straight for display-coded shots and premultiplied for linear ones
 */
public record Drawing(int width, int height, Map<String, float[]> channels) {

    public float[] channel(String name) {
        return channels.get(name);
    }
}
