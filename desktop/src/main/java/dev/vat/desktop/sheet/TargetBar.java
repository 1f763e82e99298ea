package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Target;
import dev.vat.core.project.Edits;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.studio.Studio;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** Who the file is for: a press picks a target, another lets it go. */
public final class TargetBar extends FlowPane {

    private final Studio studio;

    public TargetBar(Studio studio) {
        this.studio = studio;
        setId("targets");
        getStyleClass().addAll("choices", "target-bar");
    }

    public void show() {
        getChildren().setAll(Parts.label("For", "field-name"));
        for (Target target : Catalogue.targets()) {
            ToggleButton button = new ToggleButton(target.title());
            button.setId("target-" + target.id());
            button.setSelected(studio.deliverable(target.id()).isPresent());
            button.setTooltip(new Tooltip(target.plays()));
            button.setOnAction(_ -> studio.edit(studio.deliverable(target.id()).isPresent() ? Edits.removeTarget(target.id())
                    : Edits.addTarget(target)));
            getChildren().add(button);
        }
    }
}
