package dev.vat.core.layout;

import dev.vat.core.delivery.Placement.Box;
import java.util.ArrayList;
import java.util.List;

/** How much of a box is seen when others lie over it. */
public final class Covered {

    private Covered() {}

    /** Pixels of it that no other one covers. */
    public static long seen(Box box, List<Box> over) {
        List<Box> left = List.of(box);
        for (Box cover : over) {
            List<Box> next = new ArrayList<>();
            left.forEach(piece -> without(piece, cover, next));
            left = next;
        }
        return left.stream().mapToLong(b -> (long) b.width() * b.height()).sum();
    }

    /** What is left of a piece around a cover: above, below, left and right of it. */
    private static void without(Box piece, Box cover, List<Box> left) {
        int x = Math.max(piece.x(), cover.x());
        int y = Math.max(piece.y(), cover.y());
        int right = Math.min(end(piece.x(), piece.width()), end(cover.x(), cover.width()));
        int bottom = Math.min(end(piece.y(), piece.height()), end(cover.y(), cover.height()));
        if (x >= right || y >= bottom) {
            left.add(piece);
            return;
        }
        add(left, piece.x(), piece.y(), piece.width(), y - piece.y());
        add(left, piece.x(), bottom, piece.width(), end(piece.y(), piece.height()) - bottom);
        add(left, piece.x(), y, x - piece.x(), bottom - y);
        add(left, right, y, end(piece.x(), piece.width()) - right, bottom - y);
    }

    private static int end(int at, int length) {
        return at + length;
    }

    private static void add(List<Box> boxes, int x, int y, int width, int height) {
        if (width > 0 && height > 0) {
            boxes.add(new Box(x, y, width, height));
        }
    }
}
