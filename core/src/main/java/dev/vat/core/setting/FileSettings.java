package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.GroupLength;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.Settings;
import dev.vat.core.setting.Setting.Group;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** How a deliverable's file is made. */
final class FileSettings {

    private static final String WORDS_OF_LOUDNESS = "-23 LUFS, at most -1 dBTP";

    private static final Setting LOUDNESS = Setting.of("loudness", Group.SOUND, "Loudness",
            "As the sound is; or Enter types what the programme is brought to (EBU R 128): -23, or -16 LUFS, at most -2 dBTP. "
                    + "Broadcast in Europe asks for -23, the web is usual at -14.")
            .showing((view, d) -> view.heard().filter(_ -> d.settings().container().carriesSound())
                    .map(_ -> d.loudness() == null ? "as it is" : d.loudness().toString()))
            .absent("no sound")
            .where(d -> d.settings().container().carriesSound()).judgedBy("loudness-open")
            .typed((_, d) -> d.loudness() == null ? WORDS_OF_LOUDNESS : d.loudness().toString(),
                    (_, d, text) -> d.withLoudness(text.isBlank() ? null : LoudnessTarget.parse(text)))
            .back(d -> d.withLoudness(null))
            .option("--loudness", "LUFS", "What sound is brought to: -23, or '-16 LUFS, at most -2 dBTP'.",
                    (_, d, text) -> d.withLoudness(LoudnessTarget.parse(text)));

    private static final Setting EFFORT = Setting.of("effort", Group.FORMAT, "Effort", "Time against bytes at the same quality: quick, "
            + "normal, thorough. Enter chooses.")
            .showing((_, d) -> d.settings().codec().hasEffort() ? Optional.of(d.settings().effort().title()) : Optional.empty())
            .absent("none to choose")
            .where(d -> d.settings().codec().hasEffort())
            .chosen((_, d) -> Arrays.stream(Effort.values())
                    .map(e -> Choice.of("effort-" + e.title(), e.title(), e == d.settings().effort(), x -> x.withEffort(e))).toList())
            .back(d -> d.withEffort(null))
            .option("--effort", "HOW", "Time against bytes: quick, normal or thorough.", (_, d, text) -> d.withEffort(Effort.parse(text)));

    private static final Setting KEY_FRAMES = Setting.of("group", Group.FORMAT, "Key frames",
            "From one self-contained frame to the next: shorter is quicker to step through, longer is smaller. Enter types 2 "
                    + "s or 48 frames.")
            .showing((view, d) -> d.settings().codec().everyFrameStandsAlone() ? Optional.empty() : Optional.of(group(view, d.settings())))
            .absent("every frame")
            .where(d -> d.settings().codec().mayChooseGroup())
            .typed((_, d) -> seconds(d.settings()).toDecimal(2) + " s",
                    (view, d, text) -> d.withGroup(text.isBlank() ? null : GroupLength.parse(text, view.reelRate().orElse(null))))
            .back(d -> d.withGroup(null))
            .option("--group", "LENGTH", "From one self-contained frame to the next: '2 s' or '48 frames'.",
                    (view, d, text) -> d.withGroup(GroupLength.parse(text, view.reelRate().orElse(null))));

    private static final Setting FIRST_NUMBER = Setting.of("first-number", Group.FILE, "First number", "The number of the first "
            + "still. It follows the source's; Enter types another.")
            .named("the first number").absent("one file").where(d -> d.settings().container().isFolder())
            .showing((_, d) -> d.settings().container().isFolder()
                    ? Optional.of(d.firstNumber() == null ? "as the source" : d.firstNumber().toString()) : Optional.empty())
            .typed((_, d) -> d.firstNumber() == null ? "" : d.firstNumber().toString(), (_, d, text) -> number(d, text))
            .back(d -> d.withFirstNumber(null))
            .option("--first-number", "N", "The number of the first still, where frames come out.", (_, d, text) -> number(d, text));

    private static final Setting LOOPS = Setting.of("loops", Group.FILE, "Loops", "How often a moving still is played. Enter types a "
            + "number; 0 is for ever.")
            .named("how often it is played").absent("by its player").where(d -> d.settings().container().isMovingStill())
            .showing((_, d) -> d.settings().container().isMovingStill() ? Optional.of(times(d.settings().loops())) : Optional.empty())
            .typed((_, d) -> Integer.toString(d.settings().loops()), (_, d, text) -> loops(d, text)).back(d -> d.withLoops(null));

    static final List<Setting> ALL = List.of(LOUDNESS, EFFORT, KEY_FRAMES, FIRST_NUMBER, LOOPS);

    private FileSettings() {}

    private static Rational seconds(Settings settings) {
        return settings.group() != null ? settings.group() : Rational.of(settings.codec().groupSeconds());
    }

    private static String group(SettingView view, Settings settings) {
        return seconds(settings).toDecimal(2) + " s" + view.known().flatMap(r -> r.rate())
                .map(r -> ", " + settings.groupFrames(settings.framing().scanInUse().rate(r)) + " frames").orElse("");
    }

    private static String times(int loops) {
        return loops == 0 ? "for ever" : loops == 1 ? "once" : loops + " times";
    }

    private static Deliverable number(Deliverable d, String text) {
        if (!text.strip().matches("\\d{0,9}")) {
            throw new IllegalArgumentException("'" + text + "' is no frame number");
        }
        return d.withFirstNumber(text.isBlank() ? null : Long.valueOf(text.strip()));
    }

    private static Deliverable loops(Deliverable d, String text) {
        if (!text.strip().matches("\\d{1,5}")) {
            throw new IllegalArgumentException("'" + text + "' is no number of times: write 0 for ever, or 1 and on");
        }
        return d.withLoops(Integer.valueOf(text.strip()));
    }
}
