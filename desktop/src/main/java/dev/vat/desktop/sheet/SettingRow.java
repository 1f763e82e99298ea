package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Edit;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.Setting;
import dev.vat.core.setting.SettingView;
import dev.vat.desktop.session.Session;
import java.util.Optional;

/** A setting as a row of the sheet. */
record SettingRow(Setting setting) implements OutRow {

    @Override
    public String id() {
        return setting.id().replace('-', '_');
    }

    @Override
    public String title() {
        return setting.title();
    }

    @Override
    public String sentence(SettingView view, Deliverable deliverable) {
        return deliverable.isKnown() ? setting.sentence(view, deliverable) : FactRow.UNKNOWN;
    }

    @Override
    public Optional<String> value(Session session, ResolvedReel programme, Deliverable deliverable) {
        return deliverable.isKnown()
                ? setting.value(new SettingView(programme, session.observing().sound().orElse(null), null), deliverable)
                : Optional.empty();
    }

    @Override
    public String absence() {
        return setting.absence();
    }

    @Override
    public boolean isEditable(Deliverable deliverable) {
        return setting.isEditable(deliverable);
    }

    @Override
    public String text(SettingView view, Deliverable deliverable) {
        return setting.text(view, deliverable);
    }

    @Override
    public Edit typed(SettingView view, Deliverable deliverable, String words) {
        // Tried first: what can't be used is no edit.
        setting.typed(view, deliverable, words);
        return setting.edit(deliverable.id(), d -> setting.typed(view, d, words));
    }

    @Override
    public boolean isJudgedBy(String finding) {
        return setting.isJudgedBy(finding);
    }

    @Override
    public boolean differs(Deliverable deliverable) {
        return setting.differs(deliverable);
    }
}
