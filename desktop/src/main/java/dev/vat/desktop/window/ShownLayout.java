package dev.vat.desktop.window;

import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.reel.View;
import dev.vat.desktop.picture.LaidOut;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;

/** The chosen item's views, while one of its pictures is shown; a view that is moved makes the arrangement a free one. */
final class ShownLayout implements LaidOut {

    private final Session session;
    private final SheetPane sheet;
    private final LongSupplier place;

    /** @param place the reel frame that is shown */
    ShownLayout(Session session, SheetPane sheet, LongSupplier place) {
        this.session = session;
        this.sheet = sheet;
        this.place = place;
    }

    private Optional<Layout> layout() {
        int chosen = sheet.chosenItem();
        return session.programme().filter(_ -> chosen >= 0).flatMap(programme -> programme.plan().spans().stream()
                .filter(span -> span.place() == chosen && isShown(span)).findFirst()
                .map(_ -> programme.reel().items().get(chosen).layout()));
    }

    private boolean isShown(ReelSpan span) {
        return place.getAsLong() >= span.start() && place.getAsLong() < span.end();
    }

    @Override
    public List<Area> areas() {
        return layout().map(l -> l.arrangement().areas(l.views().size())).orElse(List.of());
    }

    @Override
    public String name(int view) {
        return layout().map(l -> l.views().get(view).item().source()).flatMap(session.project()::source).map(Source::name).orElse("");
    }

    @Override
    public Area crop(int view) {
        return layout().map(l -> l.views().get(view).crop()).orElse(Area.ALL);
    }

    @Override
    public void move(int view, Area area) {
        layout().ifPresent(l -> session.edit(ReelEdits.layItem(sheet.chosenItem(),
                l.withArrangement(new Arrangement.Free(l.arrangement().areas(l.views().size())).with(view, area)))));
    }

    @Override
    public void crop(int view, Area area) {
        layout().ifPresent(l -> {
            List<View> views = new ArrayList<>(l.views());
            views.set(view, views.get(view).withCrop(area));
            session.edit(ReelEdits.layItem(sheet.chosenItem(), l.withViews(views)));
        });
    }
}
