package dev.vat.media.read;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.compose.Composer;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The samples of a picture from 0 to 1, before anything is made of alpha or colour: as Vat reads them, or as a reader that nobody here
 * wrote does.
 *
 * @param channels in the order of the file, at most four; row by row
 */
record Samples(int width, int height, float[][] channels) {

    private static final Pattern PIXEL = Pattern.compile(" *Pixel \\((-?\\d+), (-?\\d+)\\): (.*)");

    /** How far apart the two are at most. @throws IllegalArgumentException if they aren't of one size */
    double from(Samples theirs) {
        if (width != theirs.width || height != theirs.height) {
            throw new IllegalArgumentException("read as " + width + "x" + height + ", written as " + theirs.width + "x" + theirs.height);
        }
        int shared = theirs.channels.length;
        double most = 0;
        for (int c = 0; c < 4; c++) {
            float[] wanted = shared >= 3 ? c < shared ? theirs.channels[c] : null
                    : c < 3 ? theirs.channels[0] : shared == 2 ? theirs.channels[1] : null;
            for (int i = 0; i < channels[0].length; i++) {
                double value = wanted == null ? 1 : wanted[i];
                double own = c < channels.length ? channels[c][i] : 1;
                // Floating-point values of any size are as exact as their digits.
                most = Math.max(most, own == value ? 0 : Math.abs(own - value) / Math.max(1, Math.abs(value)));
            }
        }
        return most;
    }

    /** As values are taken: what is no number or below 0 as 0, what is above everything that is light as the highest. */
    Samples clamped(float highest) {
        float[][] own = new float[channels.length][];
        for (int c = 0; c < own.length; c++) {
            own[c] = channels[c].clone();
            for (int i = 0; i < own[c].length; i++) {
                own[c][i] = own[c][i] > 0 ? Math.min(own[c][i], highest) : 0;
            }
        }
        return new Samples(width, height, own);
    }

    /** The same as if nothing could be seen through. */
    Samples opaque() {
        return new Samples(width, height, channels.length == 2 ? new float[][] {channels[0]} : Arrays.copyOf(channels, Math.min(3,
                channels.length)));
    }

    /** How far apart the colours of two pictures with alpha are, as far as they are seen. */
    double fromSeen(Samples theirs) {
        double most = 0;
        for (int c = 0; c < 3 && channels.length == 4 && theirs.channels.length == 4; c++) {
            for (int i = 0; i < channels[c].length; i++) {
                most = Math.max(most, Math.abs(channels[c][i] * channels[3][i] - theirs.channels[c][i] * theirs.channels[3][i]));
            }
        }
        return channels.length == 4 && theirs.channels.length == 4 ? most : 1;
    }

    /** How far apart the two are on average, where each has red, green and blue. */
    double meanFrom(Samples theirs) {
        double sum = 0;
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < channels[0].length; i++) {
                sum += Math
                        .abs(channels[Math.min(c, channels.length - 1)][i] - theirs.channels[Math.min(c, theirs.channels.length - 1)][i]);
            }
        }
        return sum / 3 / channels[0].length;
    }

    /** Stored samples: whole numbers through the composer that a run uses, floating ones as they lie in the decoded picture. */
    static Samples ours(Picture picture, PictureFormat format) {
        if (FloatSamples.isFloat(picture)) {
            try (Picture planar = FloatSamples.sound(picture, 1)) {
                return planes(planar, true);
            }
        }
        boolean alpha = format.alpha() != AlphaKind.NONE;
        try (Composer composer = new Composer(WorkingFormat.W16, alpha);
                Picture composed = composer.compose(picture, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false))) {
            return planes(composed, false);
        }
    }

    private static Samples planes(Picture planar, boolean floating) {
        int[] order = {2, 0, 1, 3};
        float[][] channels = new float[planar.planes()][planar.width() * planar.height()];
        for (int c = 0; c < channels.length; c++) {
            for (int y = 0, i = 0; y < planar.height(); y++) {
                for (int x = 0; x < planar.width(); x++, i++) {
                    long at = (long) y * planar.stride(order[c]) + (floating ? 4L : 2L) * x;
                    channels[c][i] = floating ? planar.plane(order[c]).get(ValueLayout.JAVA_FLOAT_UNALIGNED, at)
                            : (planar.plane(order[c]).get(ValueLayout.JAVA_SHORT_UNALIGNED, at) & 0xffff) / 65535f;
                }
            }
        }
        return new Samples(planar.width(), planar.height(), channels);
    }

    /** Rows of red, green, blue and alpha in 16 bits, little-endian. @throws IllegalArgumentException if it isn't of this size */
    static Samples raw(Path file, int width, int height) throws IOException {
        byte[] rows = Files.readAllBytes(file);
        if (rows.length != 8L * width * height) {
            throw new IllegalArgumentException("read as " + width + "x" + height + ", which isn't " + rows.length / 8 + " pixels");
        }
        ShortBuffer codes = ByteBuffer.wrap(rows).order(ByteOrder.LITTLE_ENDIAN).asShortBuffer();
        float[][] channels = new float[4][width * height];
        for (int i = 0; i < codes.limit(); i++) {
            channels[i % 4][i / 4] = (codes.get(i) & 0xffff) / 65535f;
        }
        return new Samples(width, height, channels);
    }

    /** As OpenImageIO reads it. */
    static Samples theirs(Path file) throws IOException, InterruptedException {
        List<float[]> pixels = new ArrayList<>();
        int width = 0;
        int height = 0;
        int left = Integer.MAX_VALUE;
        int top = Integer.MAX_VALUE;
        for (String line : ZooCase.run(file.getParent(), "oiiotool --no-autopremult --dumpdata --info '" + file + "'").split("\n")) {
            Matcher pixel = PIXEL.matcher(line);
            if (pixel.matches()) {
                left = Math.min(left, Integer.parseInt(pixel.group(1)));
                top = Math.min(top, Integer.parseInt(pixel.group(2)));
                width = Math.max(width, Integer.parseInt(pixel.group(1)) - left + 1);
                height = Math.max(height, Integer.parseInt(pixel.group(2)) - top + 1);
                String values = pixel.group(3).replaceAll(".*\\((.*)\\).*", "$1").strip();
                float[] parsed = new float[values.split(" +").length];
                for (int i = 0; i < parsed.length; i++) {
                    parsed[i] = values.split(" +")[i].contains("nan") ? Float.NaN : Float.parseFloat(values.split(" +")[i]);
                }
                pixels.add(parsed);
            }
        }
        if (pixels.isEmpty()) {
            throw new IOException("the independent reader reads nothing of " + file);
        }
        float[][] channels = new float[pixels.getFirst().length][pixels.size()];
        for (int i = 0; i < pixels.size(); i++) {
            for (int c = 0; c < channels.length; c++) {
                channels[c][i] = pixels.get(i)[c];
            }
        }
        return new Samples(width, height, Arrays.copyOf(channels, Math.min(4, channels.length)));
    }
}
