package dev.vat.core.setting;

import dev.vat.core.delivery.Compression;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.GroupLength;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.Settings;
import dev.vat.core.setting.Setting.Group;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** How a deliverable's file is made. */
final class FileSettings {

    private static final Words WORDS = Words.of(FileSettings.class);

    private static final String WORDS_OF_LOUDNESS = WORDS.say("23LUFSAtMost1DBTP");

    private static final String NO_FILES = "none";

    private static final Setting LOUDNESS = Setting.of("loudness", Group.SOUND, WORDS.say("loudness"),
            WORDS.say("asTheSoundIsOrEnterTypes"))
            .showing((view, d) -> view.heard().filter(_ -> d.isHeard())
                    .map(_ -> d.loudness() == null ? WORDS.say("asItIs") : d.loudness().toString()))
            .absent(WORDS.say("noSound"))
            .where(Deliverable::isHeard).judgedBy("loudness-open")
            .typed((_, d) -> d.loudness() == null ? WORDS_OF_LOUDNESS : d.loudness().toString(),
                    (_, d, text) -> d.withLoudness(text.isBlank() ? null : LoudnessTarget.parse(text)))
            .back(d -> d.withLoudness(null))
            .option("--loudness", "LUFS", WORDS.say("whatSoundIsBroughtTo23Or"),
                    (_, d, text) -> d.withLoudness(LoudnessTarget.parse(text)));

    private static final Setting TRACKS = Setting.of("tracks", Group.SOUND, WORDS.say("soundTracks"), WORDS.say("howChannelsAreSharedOut"))
            .named(WORDS.say("theSoundTracks"))
            .showing((view, d) -> view.heard().filter(_ -> d.settings().container().carriesSound())
                    .map(sound -> tracks(d.settings().tracks(), sound.channels())))
            .absent(WORDS.say("noSound")).where(d -> d.settings().container().carriesSeveralSounds()).judgedBy("sound-tracks")
            .typed((_, d) -> d.settings().tracks().toString(),
                    (_, d, text) -> d.withTracks(text.isBlank() ? null : SoundTracks.parse(text)))
            .back(d -> d.withTracks(null))
            .option("--tracks", "TRACKS", WORDS.say("howChannelsAreSharedOut2"), (_, d, text) -> d.withTracks(SoundTracks.parse(text)));

    private static final Setting SOUND_FILES = Setting
            .of("sound-files", Group.SOUND, WORDS.say("soundFiles"), WORDS.say("wavFilesBesideIt"))
            .named(WORDS.say("theSoundFiles"))
            .showing((view, d) -> view.heard().map(sound -> soundFiles(d.soundFiles(), sound.channels())))
            .absent(WORDS.say("noSound")).judgedBy("sound-files")
            .typed((_, d) -> d.soundFiles() == null ? NO_FILES : d.soundFiles().toString(), (_, d, text) -> soundFiles(d, text))
            .back(d -> d.withSoundFiles(null))
            .option("--sound-files", "TRACKS", WORDS.say("wavFilesBesideIt2"), (_, d, text) -> soundFiles(d, text));

    private static final Setting EFFORT = Setting.of("effort", Group.FORMAT, WORDS.say("effort"), WORDS.say("timeAgainstBytesAtTheSame"))
            .showing((_, d) -> d.settings().codec().hasEffort() ? Optional.of(d.settings().effort().title()) : Optional.empty())
            .absent(WORDS.say("noneToChoose"))
            .where(d -> d.settings().codec().hasEffort())
            .chosen((_, d) -> Arrays.stream(Effort.values())
                    .map(e -> Choice.of("effort-" + e.title(), e.title(), e == d.settings().effort(), x -> x.withEffort(e))).toList())
            .back(d -> d.withEffort(null))
            .option("--effort", "HOW", WORDS.say("timeAgainstBytesQuickNormal"), (_, d, text) -> d.withEffort(Effort.parse(text)));

    private static final Setting COMPRESSION = Setting
            .of("compression", Group.FORMAT, WORDS.say("compression"), WORDS.say("howStillsArePacked"))
            .named(WORDS.say("theCompression"))
            .showing((_, d) -> Optional.ofNullable(d.settings().compression()).map(Compression::title))
            .absent(WORDS.say("noneToChoose"))
            .where(d -> !d.settings().codec().compressions().isEmpty())
            .chosen((_, d) -> d.settings().codec().compressions().stream()
                    .map(c -> Choice.of("compression-" + c.id(), c.title(), c == d.settings().compression(), x -> x.withCompression(c)))
                    .toList())
            .back(d -> d.withCompression(null))
            .option("--compression", "HOW", WORDS.say("howStillsArePacked2"),
                    (_, d, text) -> d.withCompression(Compression.parse(text)));

    private static final Setting KEY_FRAMES = Setting.of("group", Group.FORMAT, WORDS.say("keyFrames"),
            WORDS.say("fromOneSelfContainedFrame"))
            .showing((view, d) -> d.settings().codec().everyFrameStandsAlone() ? Optional.empty() : Optional.of(group(view, d.settings())))
            .absent(WORDS.say("everyFrame"))
            .where(d -> d.settings().codec().mayChooseGroup())
            .typed((_, d) -> seconds(d.settings()).toDecimal(2) + " s",
                    (view, d, text) -> d.withGroup(text.isBlank() ? null : GroupLength.parse(text, view.reelRate().orElse(null))))
            .back(d -> d.withGroup(null))
            .option("--group", "LENGTH", WORDS.say("fromOneSelfContainedFrame2"),
                    (view, d, text) -> d.withGroup(GroupLength.parse(text, view.reelRate().orElse(null))));

    private static final Setting FIRST_NUMBER = Setting
            .of("first-number", Group.FILE, WORDS.say("firstNumber"), WORDS.say("theNumberOfTheFirstStill"))
            .named(WORDS.say("theFirstNumber")).absent(WORDS.say("oneFile")).where(d -> d.settings().container().isFolder())
            .showing((_, d) -> d.settings().container().isFolder()
                    ? Optional.of(d.firstNumber() == null ? WORDS.say("asTheSource") : d.firstNumber().toString()) : Optional.empty())
            .typed((_, d) -> d.firstNumber() == null ? "" : d.firstNumber().toString(), (_, d, text) -> number(d, text))
            .back(d -> d.withFirstNumber(null))
            .option("--first-number", "N", WORDS.say("theNumberOfTheFirstStill2"), (_, d, text) -> number(d, text));

    private static final Setting LOOPS = Setting.of("loops", Group.FILE, WORDS.say("loops"), WORDS.say("howOftenAMovingStillIsPlayed"))
            .named(WORDS.say("howOftenItIsPlayed")).absent(WORDS.say("byItsPlayer")).where(d -> d.settings().container().isMovingStill())
            .showing((_, d) -> d.settings().container().isMovingStill() ? Optional.of(times(d.settings().loops())) : Optional.empty())
            .typed((_, d) -> Integer.toString(d.settings().loops()), (_, d, text) -> loops(d, text)).back(d -> d.withLoops(null))
            .option("--loops", "N", WORDS.say("howOftenItIsPlayed0ForEver"), (_, d, text) -> loops(d, text));

    static final List<Setting> ALL = List.of(LOUDNESS, TRACKS, SOUND_FILES, EFFORT, COMPRESSION, KEY_FRAMES, FIRST_NUMBER, LOOPS);

    private FileSettings() {}

    /** {@code one track}, {@code 4 mono tracks}, or as they are listed. */
    private static String tracks(SoundTracks tracks, int channels) {
        return switch (tracks.way()) {
            case TOGETHER -> WORDS.say("oneTrack");
            case MONO -> WORDS.say("monoTracks", channels);
            case LISTED -> tracks.toString();
        };
    }

    /** {@code one WAV}, {@code 4 mono WAVs}, or what each has. */
    private static String soundFiles(SoundTracks files, int channels) {
        return files == null ? WORDS.say("none") : switch (files.way()) {
            case TOGETHER -> WORDS.say("oneWav");
            case MONO -> channels == 1 ? WORDS.say("oneWav") : WORDS.say("monoWavs", channels);
            case LISTED -> files.toString();
        };
    }

    private static Deliverable soundFiles(Deliverable d, String text) {
        boolean none = text.isBlank() || text.strip().equalsIgnoreCase(NO_FILES);
        return d.withSoundFiles(none ? null : SoundTracks.parse(text));
    }

    private static Rational seconds(Settings settings) {
        return settings.group() != null ? settings.group() : Rational.of(settings.codec().groupSeconds());
    }

    private static String group(SettingView view, Settings settings) {
        return seconds(settings).toDecimal(2) + " s" + view.known().flatMap(r -> r.rate())
                .map(r -> WORDS.say("frames", settings.groupFrames(settings.framing().scanInUse().rate(r)))).orElse("");
    }

    private static String times(int loops) {
        return loops == 0 ? WORDS.say("forEver") : loops == 1 ? WORDS.say("once") : WORDS.say("times", loops);
    }

    private static Deliverable number(Deliverable d, String text) {
        if (!text.strip().matches("\\d{0,9}")) {
            throw new IllegalArgumentException(WORDS.say("isNoFrameNumber", text));
        }
        return d.withFirstNumber(text.isBlank() ? null : Long.valueOf(text.strip()));
    }

    private static Deliverable loops(Deliverable d, String text) {
        if (!text.strip().matches("\\d{1,5}")) {
            throw new IllegalArgumentException(WORDS.say("isNoNumberOfTimesWrite0", text));
        }
        return d.withLoops(Integer.valueOf(text.strip()));
    }
}
