package dev.vat.desktop.band;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/** How the state of frames looks on the band: a shape and a colour for each, never colour alone. */
public final class Marks {

    private Marks() {}

    /** A small piece of the band with one mark, for explaining it. */
    public static void swatch(GraphicsContext g, FrameTrack.Mark mark, BandColours dyes) {
        ground(g, dyes, mark, 0, g.getCanvas().getWidth(), 0, g.getCanvas().getHeight());
        shape(g, dyes, mark, 0, g.getCanvas().getWidth(), 0, g.getCanvas().getHeight());
    }

    /** One stretch of equal frames; a fault is never narrower than three pixels. */
    private static double wide(FrameTrack.Mark mark, double width) {
        return mark.ordinal() > FrameTrack.Mark.GOOD.ordinal() ? Math.max(3, width) : width;
    }

    static void ground(GraphicsContext g, BandColours dyes, FrameTrack.Mark mark, double x, double width, double top, double tall) {
        g.setFill(dyes.ground(mark));
        g.fillRect(x, top, wide(mark, width), tall);
    }

    /** What stands on the ground; it may be wider than the stretch, so that all grounds are painted before. */
    static void shape(GraphicsContext g, BandColours dyes, FrameTrack.Mark mark, double x, double width, double top, double tall) {
        double wide = wide(mark, width);
        Color ink = dyes.ink(mark);
        g.setFill(ink);
        g.setStroke(ink);
        g.setLineWidth(1);
        switch (mark) {
            case MISSING -> {
                g.fillRect(x, top, wide, 3);
                g.fillRect(x, top + tall - 3, wide, 3);
            }
            case EMPTY -> g.strokeRect(x + .5, top + .5, Math.max(1, wide - 1), tall - 1);
            case CUT_SHORT -> g.fillRect(x, top + tall * .55, wide, tall * .45);
            case UNREADABLE -> hatch(g, x, wide, top, tall);
            case MISMATCH -> g.fillRect(x, top, wide, tall * .4);
            case FILLED -> g.fillRect(x, top + tall * .55, wide, tall * .45);
            case SUSPECT -> wedge(g, x, wide, top, tall);
            case MARKED -> lozenge(g, x + wide / 2, top + tall / 2);
            case TO_COME -> g.fillRect(x, top + tall / 2 - .5, wide, 1);
            case ARRIVING -> g.fillRect(x, top + tall / 2 - 1.5, wide, 3);
            case HELD -> g.fillRect(x, top + tall - 4, wide, 2);
            case SKIPPED -> g.fillRect(x, top, 2, tall / 3);
            case MIXED -> g.fillPolygon(new double[] {x, x + wide, x + wide}, new double[] {top + tall, top + tall, top}, 3);
            case UNCHECKED, GOOD -> {}
        }
    }

    /** Two notches that point at the frame from above and below. */
    private static void wedge(GraphicsContext g, double x, double wide, double top, double tall) {
        double middle = x + wide / 2;
        double half = Math.max(3, Math.min(6, wide / 2));
        g.fillPolygon(new double[] {middle - half, middle + half, middle}, new double[] {top, top, top + tall * .42}, 3);
        g.fillPolygon(new double[] {middle - half, middle + half, middle}, new double[] {top + tall, top + tall, top + tall * .58}, 3);
    }

    private static void lozenge(GraphicsContext g, double x, double y) {
        g.fillPolygon(new double[] {x - 4, x, x + 4, x}, new double[] {y, y - 6, y, y + 6}, 4);
    }

    private static void hatch(GraphicsContext g, double x, double wide, double top, double tall) {
        g.save();
        g.beginPath();
        g.rect(x, top, wide, tall);
        g.clip();
        for (double d = -tall; d < wide; d += 5) {
            g.strokeLine(x + d, top + tall, x + d + tall, top);
        }
        g.restore();
    }
}
