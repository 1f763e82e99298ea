package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.SettingView;
import dev.vat.core.time.Rate;
import dev.vat.desktop.session.Session;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What follows from settings, from the reel or from test encodes, as a row of the sheet. */
enum FactRow implements OutRow {
    RATE(Group.PICTURE, "size", "Frame rate", "Frames a second, exactly. It is the reel's rate for every file.", "choose a rate",
            "rate-illegal"),
    DEPTH(Group.COLOUR, "colour", "Depth", "Bits in each sample. Deeper sources are dithered, so that smooth skies don't band.",
            "not known yet", "depth-reduced"),
    CHROMA(Group.COLOUR, "colour", "Chroma", "How finely colour is sampled beside brightness.", "not known yet"),
    NAME(Group.FILE, null, "Name", "The file's name. Its pattern is set above; a name that is taken gets a version number.",
            "not known yet", "name-clash"),
    STOP(Group.FILE, null, "If stopped", "Whether a stop costs the work so far: what is made in parts goes on at the first unfinished one.",
            "not known yet", "made-whole"),
    FORECAST(Group.FORECAST, null, "File size", "What the file will weigh: by test encodes, with the range that holds nine times of ten; "
            + "before, a wide guess from the codec alone.", "not known yet"),
    LIKENESS(Group.FORECAST, null, "Picture quality", "How near the file's frames will come to the source, by test encodes: PSNR in "
            + "decibels, and SSIM, where 1 is the same.", "not tried yet"),
    MAKING(Group.FORECAST, null, "Encode time", "How long making and proving this file will take of the whole run, by test encodes.",
            "not tried yet");

    static final String UNKNOWN = "This Vat doesn't know what the column asks for.";

    private final Group group;
    private final String behind;
    private final String title;
    private final String sentence;
    private final String absence;
    private final List<String> findings;

    FactRow(Group group, String behind, String title, String sentence, String absence, String... findings) {
        this.group = group;
        this.behind = behind;
        this.title = title;
        this.sentence = sentence;
        this.absence = absence;
        this.findings = List.of(findings);
    }

    Group group() {
        return group;
    }

    /** Id of the setting that it stands behind, or null for the end of its group. */
    String behind() {
        return behind;
    }

    @Override
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public String sentence(SettingView view, Deliverable deliverable) {
        return deliverable.isKnown() ? sentence : UNKNOWN;
    }

    @Override
    public Optional<String> value(Session session, ResolvedReel programme, Deliverable deliverable) {
        if (!deliverable.isKnown()) {
            return Optional.empty();
        }
        Settings settings = deliverable.settings();
        Codec codec = settings.codec();
        return switch (this) {
            case RATE -> programme.rate().map(r -> settings.framing().scanInUse().rate(r).label());
            case DEPTH -> Optional.of(codec.codedBits() == codec.readBits() ? codec.codedBits() + "-bit"
                    : codec.codedBits() + "-bit, read as " + codec.readBits());
            case CHROMA -> Optional.of(codec.chroma().label());
            case STOP -> Optional.of(codec.partForm(settings.control()) == PartForm.WHOLE ? "begins again" : "made in parts");
            case NAME -> Optional.of(name(session.project(), programme, deliverable));
            case FORECAST -> session.foretelling().of(deliverable).map(f -> ForecastWords.bytes(f.bytes()))
                    .or(() -> programme.forecast(deliverable).map(f -> f.toString().replace("rough: ", "")));
            case LIKENESS -> session.foretelling().of(deliverable).map(ForecastWords::likeness);
            case MAKING -> session.foretelling().of(deliverable).map(f -> ForecastWords.time(f.makeSeconds().plus(f.proofSeconds())));
        };
    }

    private static String name(Project project, ResolvedReel programme, Deliverable deliverable) {
        try {
            return FileNaming.parse(project.naming()).fileName(deliverable,
                    new FileNaming.Context(project.name(), programme.reel().name(), programme.range(), LocalDate.now(),
                            programme.frame(deliverable).map(Frame::size).orElse(Size.of(1, 1)), programme.rate().orElse(null)));
        } catch (IllegalArgumentException e) {
            return "the pattern can't be used";
        }
    }

    @Override
    public String absence() {
        return absence;
    }

    @Override
    public boolean isEditable(Deliverable deliverable) {
        return this == RATE && deliverable.isKnown();
    }

    @Override
    public String text(SettingView view, Deliverable deliverable) {
        return view.reelRate().map(Rate::toString).orElse("");
    }

    /** The rate is every file's. */
    @Override
    public Edit typed(SettingView view, Deliverable deliverable, String words) {
        return Edits.setRateEverywhere(Rate.parse(words));
    }

    @Override
    public boolean isJudgedBy(String finding) {
        return findings.contains(finding);
    }
}
