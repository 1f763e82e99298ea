package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Project;
import dev.vat.core.setting.DeliverableSettings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PresetTest {

    private static Deliverable column() {
        return Deliverable.of(Catalogue.WEB_H264).withId("web-h264-3").withContainer(Container.MOV)
                .withControl(new RateControl.Constant(24))
                .withFraming(Framing.of(Size.of(1280, 720), Fit.BARS)).withSound(SoundCodec.PCM_16)
                .withFlatten(new Ground.Colour(Rgb.WHITE));
    }

    @Test
    void aPresetComesBackFromItsTextAndSaysWhatItChanges() {
        Preset preset = Preset.of("Kite Week rushes", column());
        Preset back = Preset.parse(preset.toText());
        assertThat(back).isEqualTo(preset);
        assertThat(back.column().id()).as("no column of some project").isEqualTo("web-h264");
        assertThat(DeliverableSettings.changes(back.column())).as("in the order of the sheet").containsExactly("Container: MOV",
                "Size: 1280x720", "Alpha: FFFFFF", "Sound: PCM 16-bit", "Quality: fair (24)", "Fit: whole, with bars");
        assertThat(DeliverableSettings.changes(Preset.of("plain", Deliverable.of(Catalogue.WEB_H264)).column())).isEmpty();
    }

    @Test
    void itIsAddedBesideItsTargetUnderAnIdOfItsOwn() {
        Project project = DeliverableEdits.addPreset(Preset.of("a", column()))
                .apply(DeliverableEdits.addTarget(Catalogue.WEB_H264).apply(Project.EMPTY));
        assertThat(project.deliverables()).extracting(Deliverable::id).containsExactly("web-h264", "web-h264-2");
        assertThat(project.deliverables().getLast().settings().container()).isEqualTo(Container.MOV);
    }

    @Test
    void whatANewerVatAddedIsKeptAndWhatIsntThereIsNamed() {
        String text = Preset.of("a", Deliverable.of(Catalogue.WEB_H264)).toText().replace("\"target\" : \"web-h264\"", "\"target\" : "
                + "\"hologram\", \"depth\" : 3");
        Preset strange = Preset.parse(text);
        assertThat(strange.toText()).contains("\"depth\" : 3").contains("hologram");
        assertThat(DeliverableSettings.changes(strange.column())).containsExactly("asks for what this Vat doesn't have");
        assertThat(strange.column().isKnown()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "not json at all | not a preset", "{\"version\": 2, \"name\": \"a\", \"column\": {\"target\": \"web-h264\"}} | newer Vat",
        "{\"version\": 1, \"name\": \"\", \"column\": {\"target\": \"web-h264\"}} | from 1 to 80", "[] | not a preset",
        "{\"version\": 1} | not a preset",
    })
    void badTextIsRefusedInWords(String text, String words) {
        assertThatIllegalArgumentException().isThrownBy(() -> Preset.parse(text)).withMessageContaining(words);
    }
}
