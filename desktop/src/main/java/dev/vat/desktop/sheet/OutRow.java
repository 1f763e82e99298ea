package dev.vat.desktop.sheet;

import java.util.Map;
import java.util.LinkedHashMap;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Edit;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.setting.Setting;
import dev.vat.core.setting.SettingView;
import dev.vat.core.words.Words;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A row of the Out face: a setting of deliverables, or a fact that follows from these. */
sealed interface OutRow permits SettingRow, FactRow {

    /** Headings under which rows stand, each foldable. */
    enum Group {
        FORMAT(Words.of(OutRow.class).say("format")), PICTURE(Words.of(OutRow.class).say("picture")),
        COLOUR(Words.of(OutRow.class).say("colourAlpha")), SOUND(Words.of(OutRow.class).say("sound")),
        FILE(Words.of(OutRow.class).say("file")), FORECAST(Words.of(OutRow.class).say("forecast"));

        private final String title;

        Group(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }

        /** The settings of the group in their order, each with the facts that stand behind it, then the other facts. */
        List<OutRow> rows() {
            List<OutRow> rows = new ArrayList<>();
            for (Setting setting : DeliverableSettings.all()) {
                if (setting.group().name().equals(name())) {
                    rows.add(new SettingRow(setting));
                    facts().filter(f -> setting.id().equals(f.behind())).forEach(rows::add);
                }
            }
            facts().filter(f -> f.behind() == null).forEach(rows::add);
            return rows;
        }

        private Stream<FactRow> facts() {
            return Arrays.stream(FactRow.values()).filter(f -> f.group() == this);
        }
    }

    /** What settings are looked at with now. */
    static SettingView view(Session session) {
        return new SettingView(session.programme().orElse(null), session.observing().sound().orElse(null), null);
    }

    /** Stable, for cells. */
    String id();

    String title();

    /** The row in one sentence, and what holds for a deliverable. */
    String sentence(SettingView view, Deliverable deliverable);

    /** What a cell shows; empty where there is nothing to show. */
    Optional<String> value(Session session, ResolvedReel programme, Deliverable deliverable);

    /** Why there is nothing to show. */
    String absence();

    boolean isEditable(Deliverable deliverable);

    /** What stands in an editor to begin with. */
    String text(SettingView view, Deliverable deliverable);

    /** What is made of what was typed. @throws IllegalArgumentException saying in words why the text can't be used */
    Edit typed(SettingView view, Deliverable deliverable, String words);

    /** Whether a finding is about it. @param finding its id */
    boolean isJudgedBy(String finding);

    /** Whether the deliverable has something else here than its target. */
    default boolean differs(Deliverable deliverable) {
        return false;
    }

    /** What the rows are called, by their ids. */
    public static Map<String, String> titles() {
        Map<String, String> rows = new LinkedHashMap<>();
        Arrays.stream(Group.values()).flatMap(g -> g.rows().stream()).forEach(row -> rows.put(row.id(), row.title()));
        return rows;
    }
}
