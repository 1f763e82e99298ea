package dev.vat.core.setting;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.SizeWish;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.setting.Setting.Group;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/** What is seen of a deliverable at once. */
final class OpenSettings {

    private static final Words WORDS = Words.of(OpenSettings.class);

    private static final String MATTE = WORDS.say("matteBeside");

    private static final Setting CONTAINER = Setting
            .of("container", Group.FORMAT, WORDS.say("container"), WORDS.say("theKindOfFileEnterChooses"))
            .showing(d -> d.settings().container().title()).chosen((_, d) -> containers(d)).judgedBy("container-illegal", "container-full")
            .back(d -> d.settings().codec().containers().contains(d.targetInCatalogue().container())
                    ? d.withContainer(d.targetInCatalogue().container()) : d)
            .option("--container", "KIND", WORDS.say("inPlaceOfTheTargetsContainer"),
                    (_, d, text) -> d.withContainer(Container.parse(text)));

    private static final Setting CODEC = Setting.of("codec", Group.FORMAT, WORDS.say("codec"), WORDS.say("howPicturesArePackedEnter"))
            .showing(d -> d.settings().codec().title()).chosen((_, d) -> codecs(d)).saying((_, d) -> " " + d.settings().codec().plays())
            .judgedBy("unwise", "codec-unknown", "lossy-again", "target-changed")
            .back(d -> d.codec() == null ? d : d.withCodec(d.targetInCatalogue().codec()))
            .option("--codec", "ID", WORDS.say("inPlaceOfTheTargetsCodec"),
                    (_, d, text) -> d.withCodec(Catalogue.codec(text)));

    private static final Setting SIZE = Setting.of("size", Group.PICTURE, WORDS.say("size"),
            WORDS.say("widthAndHeightInPixelsAs"))
            .showing((view, d) -> view.frame(d).map(f -> f.size().toString()))
            .judgedBy("size-odd", "size-illegal", "enlarged", "far-enlarged", "draft-material")
            .saying((view, d) -> view.frame(d).filter(f -> f.headroom() > 1)
                    .map(f -> WORDS.say("zoomHeadroomTimes", Words.decimal(f.headroom(), 2)))
                    .orElse(""))
            .typed((view, d) -> view.frame(d).map(f -> f.size().toString()).orElse(Objects.toString(framing(d).size(), "")),
                    (view, d, text) -> d
                            .withFraming(framing(d).withSize(SizeWish.parse(text, view.known().flatMap(ResolvedReel::shape).orElse(null)))))
            .back(d -> d.withCropToGrid(false).withFraming(framing(d).withSize(d.targetInCatalogue().settings().framing().size())))
            .option("--size", "WxH", WORDS.say("widthAndHeightInPlaceOf"),
                    (view, d, text) -> d
                            .withFraming(
                                    framing(d).withSize(SizeWish.parse(text, view.known().flatMap(ResolvedReel::shape).orElse(null)))));

    private static final Setting ALPHA = Setting.of("alpha", Group.COLOUR, WORDS.say("alpha"),
            WORDS.say("whetherTheFileCanBeSeen"))
            .named(WORDS.say("whatBecomesOfAlpha")).showing((view, d) -> view.known().map(reel -> alpha(reel, d)))
            .judgedBy("alpha-flattened", "ground-unusable", "matte-beside", "alpha-empty")
            .where(d -> !d.settings().codec().hasAlpha())
            .typed((_, d) -> d.flatten() + (d.matte() ? MATTE : ""), (_, d, text) -> ground(d, text))
            .back(d -> d.withFlatten(Ground.BLACK).withMatte(false))
            .option("--flatten", "GROUND", WORDS.say("behindTransparentPlaces"),
                    (_, d, text) -> d.withFlatten(Ground.parse(text)))
            .option("--matte", null, WORDS.say("alphaAsASecondFileWhere"), (_, d, _) -> d.withMatte(true));

    private static final Setting SOUND = Setting.of("sound", Group.SOUND, WORDS.say("sound"),
            WORDS.say("howSoundIsPackedAClipsSound"))
            .showing((view, d) -> Optional.of(sound(view, d)))
            .chosen(OpenSettings::sounds).judgedBy("sound-illegal", "sound-not-carried").back(d -> d.withSound(null))
            .option("--sound-codec", "ID", WORDS.say("howSoundIsPackedInPlaceOf"), (_, d, text) -> d.withSound(SoundCodec.parse(text)));

    private static final Setting QUALITY = Setting.of("quality", Group.FORMAT, WORDS.say("quality"), WORDS.say("howMuchIsGivenUpForSize"))
            .showing(d -> d.settings().codec().words(d.settings().control())).judgedBy("control-illegal", "file-size-small")
            .saying((_, d) -> !d.settings().codec().leavesBitsOpen() ? WORDS.say("thisCodecLeavesNothingTo")
                    : WORDS.say("enterTakesANumberABitRate"))
            .where(d -> d.settings().codec().leavesBitsOpen())
            .typed((_, d) -> d.settings().codec().words(d.settings().control()),
                    (_, d, text) -> d.withControl(d.settings().codec().control(text)))
            .back(Deliverable::withUsualControl)
            .option("--quality", "TEXT", WORDS.say("inPlaceOfTheTargetsANumber"),
                    (_, d, text) -> d.withControl(d.settings().codec().control(text)));

    static final List<Setting> ALL = List.of(CONTAINER, CODEC, SIZE, ALPHA, SOUND, QUALITY);

    private OpenSettings() {}

    private static String sound(SettingView view, Deliverable d) {
        return view.heard().filter(_ -> d.settings().container().carriesSound()).map(s -> d.settings().sound().title() + ", " + s.layout())
                .orElse(WORDS.say("none"));
    }

    static Framing framing(Deliverable deliverable) {
        return deliverable.settings().framing();
    }

    private static List<Choice> containers(Deliverable d) {
        return Arrays.stream(Container.values()).filter(c -> !c.isSoundAlone()).map(c -> {
            String refusal = Legality.reason(d.settings().codec(), c).orElse(null);
            return Choice.of("container-" + c.extension(), refusal == null ? c.title() : WORDS.say("not", c.title(), refusal),
                    c == d.settings().container(), x -> x.withContainer(c)).refused(refusal);
        }).toList();
    }

    private static List<Choice> codecs(Deliverable d) {
        List<Choice> all = new ArrayList<>();
        for (Catalogue.Family family : Catalogue.families()) {
            for (Codec codec : family.codecs()) {
                all.add(Choice.of("codec-" + codec.id(),
                        codec.title() + "   " + codec.depthText() + " " + codec.chroma().label() + (codec.hasAlpha() ? ", alpha" : "")
                                + (codec.unwise().isEmpty() ? "" : "   (" + codec.unwise() + ")"),
                        codec == d.settings().codec(), x -> x.withCodec(codec)).under(family.title()));
            }
        }
        return all;
    }

    private static List<Choice> sounds(SettingView view, Deliverable d) {
        int channels = view.heard().map(ReelSound::channels).orElse(1);
        return Arrays.stream(SoundCodec.values()).map(codec -> {
            String refusal = codec.against(d.settings().container(), channels).orElse(null);
            return Choice.of("sound-" + codec.ordinal(), refusal == null ? codec.title() : refusal, codec == d.settings().sound(),
                    x -> x.withSound(codec)).refused(refusal);
        }).toList();
    }

    private static String alpha(ResolvedReel reel, Deliverable d) {
        Codec codec = d.settings().codec();
        if (codec.hasAlpha()) {
            return reel.transparent()
                    ? codec.alphaBits() + "-bit "
                            + (ColourCoding.LINEAR.equals(codec.ownColour()) ? WORDS.say("premultiplied") : WORDS.say("straight"))
                    : WORDS.say("opaque");
        }
        return !reel.transparent() ? WORDS.say("none") : WORDS.say("flattenedOn", d.flatten().words(), (d.matte() ? MATTE : ""));
    }

    /** What lies under, and whether alpha goes into a second file. */
    private static Deliverable ground(Deliverable d, String text) {
        boolean matte = text.strip().matches("(?i).*\\bmatte( beside)?");
        String rest = text.strip().replaceFirst("(?i),?\\s*\\bmatte( beside)?$", "");
        return d.withFlatten(rest.isBlank() ? d.flatten() : Ground.parse(rest)).withMatte(matte);
    }
}
