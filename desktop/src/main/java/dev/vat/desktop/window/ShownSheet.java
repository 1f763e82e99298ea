package dev.vat.desktop.window;

import dev.vat.desktop.session.Session;
import java.util.EnumMap;
import java.util.Map;

/** Keeps the sheet as things are: it isn't built anew for a run's progress, nor for findings alone, nor when nothing is new on a face. */
final class ShownSheet {

    /** What the sheet was last built for. */
    private record Seen(long revision, long judgement, SheetPane.Face face, String source) {

        /** Whether nothing but findings has changed since. */
        boolean differsByFindings(Seen before) {
            return before != null && equals(new Seen(before.revision, judgement, before.face, before.source));
        }
    }

    private final Session session;
    private final SheetPane sheet;
    private final Map<SheetPane.Face, Seen> shownOn = new EnumMap<>(SheetPane.Face.class);
    private Seen last;

    ShownSheet(Session session, SheetPane sheet) {
        this.session = session;
        this.sheet = sheet;
    }

    /** It is shown anew the next time. */
    void forget() {
        last = null;
    }

    /** @param source that is looked at, or null @return whether what had the keyboard is gone */
    boolean show(String source) {
        Seen seen = new Seen(session.revision(), session.judgement(), sheet.face(), source);
        if (seen.equals(last)) {
            return false;
        }
        boolean onlyFindings = seen.differsByFindings(last);
        boolean asBefore = seen.equals(shownOn.put(seen.face, seen));
        last = seen;
        if (onlyFindings) {
            sheet.showFindings();
            return false;
        }
        return asBefore ? sheet.turn() : sheet.show(source);
    }
}
