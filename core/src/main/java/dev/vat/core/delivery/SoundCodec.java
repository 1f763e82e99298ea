package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** How sound is packed: always at 48 kHz, with the layout of what was brought in. */
public enum SoundCodec {
    PCM_16("PCM 16-bit", "pcm_s16le", 0, 16, Container.MOV, Container.MKV, Container.AVI, Container.MXF),
    PCM_24("PCM 24-bit", "pcm_s24le", 0, 16, Container.MOV, Container.MKV, Container.AVI, Container.MXF, Container.WAV),
    AAC("AAC", "aac", 96_000, 8, Container.MP4, Container.MOV, Container.MKV, Container.TS),
    OPUS("Opus", "opus", 80_000, 8, Container.WEBM, Container.MKV, Container.MP4),
    FLAC("FLAC", "flac", 0, 8, Container.MKV, Container.MP4),
    MP3("MP3", "mp3", 128_000, 2, Container.MP4, Container.MKV),
    /** MPEG-1 Audio Layer II. */
    MP2("MPEG Layer II", "mp2", 128_000, 2, Container.TS),
    AC3("AC-3", "ac3", 96_000, 6, Container.MP4, Container.MOV, Container.MKV, Container.TS);

    /** Samples a second of every track that is written. */
    public static final int RATE = 48_000;

    private final String title;
    private final String reportedName;
    private final int bitsPerChannel;
    private final int mostChannels;
    private final Set<Container> containers;

    SoundCodec(String title, String reportedName, int bitsPerChannel, int mostChannels, Container... containers) {
        this.title = title;
        this.reportedName = reportedName;
        this.bitsPerChannel = bitsPerChannel;
        this.mostChannels = mostChannels;
        this.containers = Set.of(containers);
    }

    public String title() {
        return title;
    }

    /** By the words of the command line: {@code pcm-24}, {@code aac}. @throws IllegalArgumentException naming those there are */
    public static SoundCodec parse(String text) {
        return Arrays.stream(values()).filter(c -> c.id().equals(text.strip().toLowerCase(Locale.ROOT))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(SoundCodec.class).say("noSuchSoundCodec", text,
                        Arrays.stream(values()).map(SoundCodec::id).collect(Collectors.joining(", ")))));
    }

    private String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The one that the media library reports so. @throws IllegalArgumentException if there is none */
    public static SoundCodec ofReportedName(String name) {
        return Arrays.stream(values()).filter(c -> c.reportedName.equals(name)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(SoundCodec.class).say("noSoundCodecIsReportedAs", name)));
    }

    /** As the media library reports it. */
    public String reportedName() {
        return reportedName;
    }

    /** Bits a second for a number of channels; 0 where every sample is kept. */
    public int bitsPerSecond(int channels) {
        return bitsPerChannel * channels;
    }

    public boolean isLossless() {
        return bitsPerChannel == 0;
    }

    /** Whether it carries channels that have no places in front of a listener. */
    public boolean carriesDiscrete() {
        return this == PCM_16 || this == PCM_24;
    }

    public Set<Container> containers() {
        return containers;
    }

    /** What is usual in a container; of what carries none, what would be usual beside them. */
    public static SoundCodec usualIn(Container container) {
        return switch (container) {
            case MP4 -> AAC;
            case MOV, MXF, FRAMES, WAV, GIF, APNG, WEBP, AVIF -> PCM_24;
            case MKV -> FLAC;
            case WEBM -> OPUS;
            case AVI -> PCM_16;
            case TS -> AC3;
        };
    }

    /** Why it can't stand in a container, or can't carry so many channels. */
    public Optional<String> against(Container container, int channels) {
        if (!containers.contains(container)) {
            return Optional.of(Words.of(SoundCodec.class).say("soundCantStandInThereIt", title, container.title(), Arrays.stream(values())
                    .filter(c -> c.containers.contains(container)).map(SoundCodec::title).collect(Collectors.joining(", "))));
        }
        return channels > mostChannels
                ? Optional.of(Words.of(SoundCodec.class).say("carriesUpToChannelsNot", title, mostChannels, channels))
                : Optional.empty();
    }
}
