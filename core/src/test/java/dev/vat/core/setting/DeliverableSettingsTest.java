package dev.vat.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Target;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.EditHistory;
import dev.vat.core.project.Project;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class DeliverableSettingsTest {

    private static final SettingView NOWHERE = SettingView.of(null);

    private static Stream<Setting> settings() {
        return DeliverableSettings.all().stream();
    }

    @Test
    void eachHasAnIdOptionsAndFindingsOfItsOwn() {
        assertThat(DeliverableSettings.all()).extracting(Setting::id).doesNotHaveDuplicates().hasSize(21);
        assertThat(settings().flatMap(s -> s.options().stream()).map(CommandOption::name)).doesNotHaveDuplicates()
                .allMatch(n -> n.matches("--[a-z-]+"));
        assertThatThrownBy(() -> DeliverableSettings.of("aperture")).hasMessageContaining("'aperture'").hasMessageContaining("quality");
    }

    @ParameterizedTest
    @MethodSource("settings")
    void aFreshColumnDiffersInNothingAndFollowsItsTarget(Setting setting) {
        for (Target target : Catalogue.targets()) {
            Deliverable fresh = Deliverable.of(target);
            assertThat(setting.differs(fresh)).as(target.id()).isFalse();
            assertThat(setting.asTarget(fresh)).as(target.id()).isEqualTo(fresh);
        }
    }

    @ParameterizedTest
    @MethodSource("settings")
    void whateverIsChosenIsWhatItDiffersByAndCanBeTakenBack(Setting setting) {
        for (Target target : Catalogue.targets()) {
            Deliverable fresh = Deliverable.of(target);
            for (Choice choice : setting.choices(NOWHERE, fresh)) {
                if (choice.refusal() == null && setting.isEditable(fresh)) {
                    Deliverable changed = choice.change().apply(fresh);
                    assertThat(setting.choices(NOWHERE, changed)).as(target.id() + " " + choice.title()).filteredOn(Choice::chosen)
                            .extracting(Choice::id).contains(choice.id());
                    assertThat(setting.differs(setting.asTarget(changed))).isFalse();
                    assertThat(setting.asked(changed)).as("whatever the reel is").isNotBlank().isNotEqualTo(setting.absence());
                }
            }
        }
    }

    /** Of those that stand at a column; a finding that no row is about would mark no cell. */
    @ParameterizedTest
    @ValueSource(strings = {"size-odd", "size-illegal", "enlarged", "far-enlarged", "draft-material", "scan-illegal", "colour-illegal",
        "nothing-above-white", "look-unusable", "look-above-white",
        "burn-in-small", "letters-missing", "face-unusable", "watermark-unusable", "sound-illegal", "sound-not-carried", "loudness-open",
        "container-illegal", "container-full", "unwise",
        "codec-unknown", "lossy-again", "control-illegal", "file-size-small", "alpha-flattened", "alpha-empty", "matte-beside",
        "ground-unusable", "shape-illegal", "squashed"})
    void everyFindingOnAColumnIsAboutASetting(String finding) {
        assertThat(DeliverableSettings.judgedBy(finding)).isPresent();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "effort|change of effort|effort as the target has it",
        "alpha|change of what becomes of alpha|what becomes of alpha as the target has it",
        "first-number|change of the first number|the first number as the target has it"})
    void undoSaysWhatWasChangedAndWhatWasTakenBack(String id, String change, String back) {
        Setting setting = DeliverableSettings.of(id);
        Project project = DeliverableEdits.addTarget(Catalogue.WEB_H264).apply(Project.EMPTY);
        EditHistory history = new EditHistory(project);
        // Something of everything, so that each has something to take back.
        history.apply(setting.edit("web-h264", d -> d.withEffort(Effort.THOROUGH).withMatte(true).withFirstNumber(7L)));
        assertThat(history.undoName()).contains(change);
        history.apply(setting.follow("web-h264"));
        assertThat(history.undoName()).contains(back);
        assertThat(setting.differs(history.present().deliverables().getFirst())).isFalse();
    }

    @Test
    void typedTextThatCantBeUsedIsRefusedInWords() {
        Deliverable web = Deliverable.of(Catalogue.WEB_H264);
        assertThatThrownBy(() -> DeliverableSettings.of("first-number").typed(NOWHERE, web, "twelve"))
                .hasMessage("'twelve' is no frame number");
        assertThatThrownBy(() -> DeliverableSettings.of("loops").typed(NOWHERE, web, "-1")).hasMessageContaining("0 for ever");
        assertThat(DeliverableSettings.differing(DeliverableSettings.of("quality").typed(NOWHERE, web, "8 Mbit/s"))).extracting(Setting::id)
                .containsExactly("quality");
    }
}
