package dev.vat.desktop.picture;

import dev.vat.core.layout.Area;
import java.util.List;

/** The views of a layout in the picture that is shown, which can be moved there. */
public interface LaidOut {

    /** The views' places; nothing where no layout is shown. */
    List<Area> areas();

    /** What a view is called. */
    String name(int view);

    /** The part of its picture that a view shows. */
    Area crop(int view);

    void move(int view, Area area);

    void crop(int view, Area area);
}
