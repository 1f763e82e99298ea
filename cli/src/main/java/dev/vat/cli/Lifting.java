package dev.vat.cli;

import dev.vat.core.finding.Finding;
import dev.vat.core.setting.CommandOption;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.setting.Setting;
import java.util.List;
import java.util.Map;

/** The options of {@code make} that take out of the way what stands there. */
final class Lifting {

    /** What settings of files have nothing to do with. */
    static final Map<String, List<String>> OWN = Map.ofEntries(
            Map.entry("rate-unknown", List.of("--rate 25")),
            Map.entry("frames-wanted", List.of("--gap hold", "--gap blend", "--gap card", "--range FIRST-LAST")),
            Map.entry("hold-no-start", List.of("--range FIRST-LAST", "--gap card")),
            Map.entry("numbers-apart", List.of("--range FIRST-LAST", "--expect FIRST-LAST")),
            Map.entry("nothing-good", List.of("--range FIRST-LAST")),
            Map.entry("range-outside", List.of("--range FIRST-LAST")),
            Map.entry("layer-unknown", List.of("--layer NAME")),
            Map.entry("no-target", List.of("--target ID")),
            Map.entry("name-pattern", List.of("--name PATTERN")),
            Map.entry("name-clash", List.of("--name PATTERN")),
            Map.entry("folder-refused", List.of("--out DIR")),
            Map.entry("space-short", List.of("--out DIR")),
            Map.entry("timecode-illegal", List.of("--start TIMECODE")),
            Map.entry("draft-material", List.of("--accept draft-material")),
            Map.entry("far-enlarged", List.of("--accept far-enlarged", "--size WxH")));

    private Lifting() {}

    /** As they are typed; empty where no option does it. @param finding that stands in the way */
    static List<String> options(Finding finding) {
        List<String> own = OWN.get(finding.id());
        return own != null ? own
                : DeliverableSettings.judgedBy(finding.id()).map(Setting::options).orElse(List.of()).stream().map(Lifting::typed).toList();
    }

    private static String typed(CommandOption option) {
        return option.value() == null ? option.name() : option.name() + " " + option.value();
    }
}
