package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.SettingView;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.session.Session;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What follows from settings, from the reel or from test encodes, as a row of the sheet. */
enum FactRow implements OutRow {
    RATE(Group.PICTURE, "size", Words.of(FactRow.class).say("frameRate"), Words.of(FactRow.class).say("framesASecondExactlyItIs"),
            Words.of(FactRow.class).say("chooseARate"),
            "rate-illegal"),
    DEPTH(Group.COLOUR, "colour", Words.of(FactRow.class).say("depth"), Words.of(FactRow.class).say("bitsInEachSampleDeeperSources"),
            Words.of(FactRow.class).say("notKnownYet"), "depth-reduced"),
    CHROMA(Group.COLOUR, "colour", Words.of(FactRow.class).say("chroma"), Words.of(FactRow.class).say("howFinelyColourIsSampled"),
            Words.of(FactRow.class).say("notKnownYet")),
    NAME(Group.FILE, null, Words.of(FactRow.class).say("name"), Words.of(FactRow.class).say("theFilesNameItsPatternIs"),
            Words.of(FactRow.class).say("notKnownYet"), "name-clash"),
    STOP(Group.FILE, null, Words.of(FactRow.class).say("ifStopped"), Words.of(FactRow.class).say("whetherAStopCostsTheWork"),
            Words.of(FactRow.class).say("notKnownYet"), "made-whole"),
    FORECAST(Group.FORECAST, null, Words.of(FactRow.class).say("fileSize"), Words.of(FactRow.class).say("whatTheFileWillWeighByTest"),
            Words.of(FactRow.class).say("notKnownYet")),
    LIKENESS(Group.FORECAST, null, Words.of(FactRow.class).say("pictureQuality"), Words.of(FactRow.class).say("howNearTheFilesFramesWill"),
            Words.of(FactRow.class).say("notTriedYet")),
    MAKING(Group.FORECAST, null, Words.of(FactRow.class).say("encodeTime"), Words.of(FactRow.class).say("howLongMakingAndProving"),
            Words.of(FactRow.class).say("notTriedYet"));

    static final String UNKNOWN = Words.of(FactRow.class).say("thisVatDoesntKnowWhatThe");

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
                    : Words.of(FactRow.class).say("bitReadAs", codec.codedBits(), codec.readBits()));
            case CHROMA -> Optional.of(codec.chroma().label());
            case STOP -> Optional.of(codec.partForm(settings.control()) == PartForm.WHOLE ? Words.of(FactRow.class).say("beginsAgain")
                    : Words.of(FactRow.class).say("madeInParts"));
            case NAME -> Optional.of(name(session.project(), programme, deliverable));
            case FORECAST -> session.forecasts().of(deliverable).map(f -> ForecastWords.bytes(f.bytes()))
                    .or(() -> programme.forecast(deliverable).map(RoughForecast::range));
            case LIKENESS -> session.forecasts().of(deliverable).map(ForecastWords::likeness);
            case MAKING -> session.forecasts().of(deliverable).map(f -> ForecastWords.time(f.makeSeconds().plus(f.proofSeconds())));
        };
    }

    private static String name(Project project, ResolvedReel programme, Deliverable deliverable) {
        try {
            return FileNaming.parse(project.naming()).fileName(deliverable,
                    new FileNaming.Context(project.name(), programme.reel().name(), programme.range(), LocalDate.now(),
                            programme.frame(deliverable).map(Frame::size).orElse(Size.of(1, 1)), programme.rate().orElse(null)));
        } catch (IllegalArgumentException e) {
            return Words.of(FactRow.class).say("thePatternCantBeUsed");
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
