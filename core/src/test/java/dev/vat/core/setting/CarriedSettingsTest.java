package dev.vat.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Target;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What one deliverable has, given to another: copied cells and values given to all columns. */
class CarriedSettingsTest {

    private static final SettingView NOWHERE = SettingView.of(null);

    private static Stream<Setting> settings() {
        return DeliverableSettings.all().stream();
    }

    /** Each choice that any target has, carried to each target: it is there afterwards, or it is said why it can't be. */
    @ParameterizedTest
    @MethodSource("settings")
    void whatIsCarriedIsThereOrIsRefusedInWords(Setting setting) {
        Set<String> tried = new HashSet<>();
        for (Target source : Catalogue.targets()) {
            for (Choice choice : setting.choices(NOWHERE, Deliverable.of(source))) {
                if (choice.refusal() == null && setting.isEditable(Deliverable.of(source)) && tried.add(choice.id())) {
                    Deliverable from = choice.change().apply(Deliverable.of(source));
                    for (Target target : Catalogue.targets()) {
                        carried(setting, from, Deliverable.of(target));
                    }
                }
            }
        }
    }

    private static void carried(Setting setting, Deliverable from, Deliverable to) {
        String what = setting + " of " + from.title() + " to " + to.title();
        Deliverable got;
        try {
            got = setting.carry(NOWHERE, from, to);
        } catch (IllegalArgumentException e) {
            assertThat(e.getMessage()).as(what).contains(to.title());
            return;
        }
        assertThat(got.id()).as(what).isEqualTo(to.id());
        assertThat(chosen(setting, got)).as(what).isEqualTo(chosen(setting, from));
    }

    private static String chosen(Setting setting, Deliverable deliverable) {
        return setting.choices(NOWHERE, deliverable).stream().filter(Choice::chosen).map(Choice::id).findFirst().orElse("none");
    }

    @ParameterizedTest(name = "{0}: {3}")
    @CsvSource(delimiter = '|', value = {
        // setting | of       | to             | typed
        "quality   | web-h264 | web-h264       | 8 Mbit/s",
        "group     | web-h264 | web-h264       | 3",
        "size      | web-h264 | edit-prores-hq | 1280x720"})
    void whatWasTypedIsCarriedAsItWasTyped(String id, String of, String to, String typed) {
        Setting setting = DeliverableSettings.of(id);
        Deliverable from = setting.typed(NOWHERE, Deliverable.of(Catalogue.target(of)), typed);
        Deliverable fresh = Deliverable.of(Catalogue.target(to));
        Deliverable got = setting.carry(NOWHERE, from, fresh);
        assertThat(setting.text(NOWHERE, got)).isEqualTo(setting.text(NOWHERE, from)).isNotEqualTo(setting.text(NOWHERE, fresh));
        assertThat(DeliverableSettings.differing(got)).as("and nothing else").containsExactly(setting);
    }

    @Test
    void aTableOfColoursAndItsAbsenceAreCarried() {
        Setting setting = DeliverableSettings.of("look");
        Deliverable web = Deliverable.of(Catalogue.WEB_H264);
        Deliverable with = Deliverable.of(Catalogue.EDIT_PRORES_HQ).withLook(Look.of(Path.of("kite-week.cube")));
        assertThat(setting.carry(NOWHERE, with, web).look()).isEqualTo(with.look());
        assertThat(setting.carry(NOWHERE, web, with).look()).isNull();
    }

    @Test
    void aBurnInOfItsOwnAndCleanPicturesAreCarried() {
        Setting setting = DeliverableSettings.of("burn-in");
        Deliverable web = Deliverable.of(Catalogue.WEB_H264);
        BurnIn own = DeliverableSettings.all().stream().flatMap(s -> s.options().stream()).filter(o -> o.name().equals("--burn-in"))
                .findFirst().orElseThrow().said().on(NOWHERE, web, "{source} {frame}@bottom-left").burnIn();
        Deliverable edit = Deliverable.of(Catalogue.EDIT_PRORES_HQ);
        assertThat(setting.carry(NOWHERE, edit.withBurnIn(own), web).burnIn()).isEqualTo(own);
        assertThat(setting.carry(NOWHERE, edit.withCleanPictures(), web.withBurnIn(own)).clean()).isTrue();
    }

    @Test
    void whatADeliverableHasntIsRefusedByItsName() {
        Deliverable web = Deliverable.of(Catalogue.WEB_H264);
        Deliverable edit = Deliverable.of(Catalogue.EDIT_PRORES_HQ);
        assertThatThrownBy(() -> DeliverableSettings.of("effort").carry(NOWHERE, web, edit))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining(edit.title());
        assertThatThrownBy(() -> DeliverableSettings.of("loops").carry(NOWHERE, web, edit)).hasMessage(
                edit.title() + " has no loops to set");
    }
}
