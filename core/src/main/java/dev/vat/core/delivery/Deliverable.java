package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rational;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;

/**
 * One file to be made from a reel: a column of the Out face. What is null follows the target.
 *
 * @param id stable name of the column in its project; that of the target, with a number where the target stands twice
 * @param target id in the {@link Catalogue}
 * @param off whether it is left out for now
 * @param codec id in the catalogue of the codec chosen in place of the target's, or null
 * @param container chosen in place of the target's, or null
 * @param control how bits are ruled, chosen in place of the target's, or null
 * @param framing size and shape chosen in place of the target's, or null
 * @param sound how sound is packed, chosen in place of what is usual in the container, or null
 * @param tracks how the channels of its sound are shared out, chosen in place of the target's, or null
 * @param soundFiles the WAV files that go beside it, and which channels each of them has, or null for none
 * @param loudness that its sound is brought to, or null for as it is
 * @param colour id of the {@link ColourCoding} chosen in place of the target's, or null
 * @param mastering the display on which its pictures in PQ were judged, or null where nobody said
 * @param look a table of colours for this file alone, or null
 * @param flatten what shows through where the source is transparent, if the codec carries no alpha
 * @param loops how often a moving still is played, 0 for ever, or null for the target's
 * @param effort chosen in place of the target's, or null
 * @param compression of stills, chosen in place of what is usual, or null
 * @param group seconds from one self-contained frame to the next, chosen in place of what is usual, or null
 * @param firstNumber of numbered frames, or null to follow the source
 * @param matte whether alpha goes into a second file beside this one, which is flattened
 * @param burnIn what is written into its pictures in place of the reel's burn-in, or null
 * @param clean whether nothing is written into its pictures, whatever the reel has
 * @param draft whether it is made at half size, with a mark in name and picture
 * @param accepted ids of findings that stand in the way and were said yes to all the same
 * @param pass the pass of a shot that it shows by itself, or null for the whole picture
 * @param cropToGrid whether an odd size loses its last column or row, so that it falls on the chroma grid
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Deliverable(String id, String target, boolean off, String codec, Container container, RateControl control,
        Framing framing, SoundCodec sound, SoundTracks tracks, SoundTracks soundFiles,
        LoudnessTarget loudness, String colour, MasteringDisplay mastering,
        Look look, Ground flatten,
        Integer loops,
        Effort effort, Compression compression, Rational group, Long firstNumber,
        @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean matte, boolean cropToGrid,
        BurnIn burnIn, @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean clean,
        @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean draft, @JsonInclude(JsonInclude.Include.NON_EMPTY) Set<String> accepted,
        String pass, @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Deliverable {
        id = id == null ? target : id;
        flatten = flatten == null ? Ground.BLACK : flatten;
        accepted = accepted == null ? Set.of() : Collections.unmodifiableSortedSet(new TreeSet<>(accepted));
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Deliverable of(Target target) {
        return new DeliverableDraft().finished(target.id(), Map.of());
    }

    private Deliverable with(Consumer<DeliverableDraft> change) {
        DeliverableDraft draft = DeliverableDraft.of(this);
        change.accept(draft);
        return draft.finished(target, extra);
    }

    /** @param other null for the whole picture */
    public Deliverable withPass(String other) {
        return with(d -> d.pass = other);
    }

    public Deliverable withId(String other) {
        return with(d -> d.id = other);
    }

    public Deliverable withOff(boolean other) {
        return with(d -> d.off = other);
    }

    /**
     * With a codec, in the container it had if that is legal, else in the first that is; its bits are ruled as is usual for it, and its
     * colours stay if it may have them.
     */
    public Deliverable withCodec(Codec other) {
        return with(ChosenSettings.codec(this, other));
    }

    /** @throws IllegalArgumentException if the codec can't stand in it */
    public Deliverable withContainer(Container other) {
        refuse(Legality.against(codecInUse(), other));
        return with(d -> d.container = other == targetInCatalogue().container() ? null : other);
    }

    /** @throws IllegalArgumentException if the codec has no such setting, or not that far */
    public Deliverable withControl(RateControl other) {
        refuse(Legality.against(codecInUse(), other));
        RateControl usual = codec == null ? targetInCatalogue().settings().control() : codecInUse().usualControl();
        return with(d -> d.control = other.equals(usual) ? null : other);
    }

    /**
     * @param other null for the target's
     * @throws IllegalArgumentException if codec or container can't have it
     */
    public Deliverable withColour(ColourCoding other) {
        if (other != null) {
            refuse(Legality.against(codecInUse(), settings().container(), other));
        }
        return with(d -> d.colour = other == null || other.equals(targetInCatalogue().settings().colour()) ? null : other.id());
    }

    /** @param other null for nothing to be said of it @throws IllegalArgumentException if the file has no place for it */
    public Deliverable withMastering(MasteringDisplay other) {
        refuse(Legality.against(settings(), other));
        return with(d -> d.mastering = other);
    }

    private static void refuse(Optional<String> reason) {
        reason.ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
    }

    /** @param other null for none */
    public Deliverable withLook(Look other) {
        return with(d -> d.look = other);
    }

    public Deliverable withFlatten(Ground ground) {
        return with(d -> d.flatten = ground);
    }

    /** @param times 0 for ever; null for the target's */
    public Deliverable withLoops(Integer times) {
        return with(d -> d.loops = ChosenSettings.loops(times));
    }

    /** @param other null for the target's */
    public Deliverable withEffort(Effort other) {
        return with(d -> d.effort = other == targetInCatalogue().settings().effort() ? null : other);
    }

    /** @param other null for what is usual @throws IllegalArgumentException if the codec doesn't offer it */
    public Deliverable withCompression(Compression other) {
        refuse(other == null ? Optional.empty() : Legality.against(codecInUse(), other));
        return with(d -> d.compression = other == null || codecInUse().compressions().getFirst() == other ? null : other);
    }

    /** @param seconds null for what is usual */
    public Deliverable withGroup(Rational seconds) {
        return with(d -> d.group = seconds);
    }

    /** @param number null to follow the source */
    public Deliverable withFirstNumber(Long number) {
        return with(d -> d.firstNumber = ChosenSettings.firstNumber(number));
    }

    public Deliverable withMatte(boolean beside) {
        return with(d -> d.matte = beside);
    }

    public Deliverable withCropToGrid(boolean crop) {
        return with(d -> d.cropToGrid = crop);
    }

    /** @param own in place of the reel's; null for that */
    public Deliverable withBurnIn(BurnIn own) {
        return with(d -> {
            d.burnIn = own;
            d.clean = false;
        });
    }

    /** With nothing written into its pictures. */
    public Deliverable withCleanPictures() {
        return with(d -> {
            d.burnIn = null;
            d.clean = true;
        });
    }

    /** @param on whether it is made at half size, with a mark in name and picture */
    public Deliverable withDraft(boolean on) {
        return with(d -> d.draft = on);
    }

    /** With an explicit yes to something that stands in the way; its receipt keeps it. @param finding its id */
    public Deliverable withAccepted(String finding) {
        Set<String> more = new TreeSet<>(accepted);
        more.add(finding);
        return with(d -> d.accepted = more);
    }

    /** With its bits ruled as the target, or the codec, usually has them. */
    public Deliverable withUsualControl() {
        return with(d -> d.control = null);
    }

    /** @param other null for the target's */
    public Deliverable withFraming(Framing other) {
        return with(d -> d.framing = other != null && other.equals(targetInCatalogue().settings().framing()) ? null : other);
    }

    /** @param other null for what is usual */
    public Deliverable withSound(SoundCodec other) {
        return with(d -> d.sound = other);
    }

    /** @param other null for the target's @throws IllegalArgumentException if the container has one track */
    public Deliverable withTracks(SoundTracks other) {
        refuse(other == null ? Optional.empty() : Legality.against(settings().container(), other));
        return with(d -> d.tracks = other == null || other.equals(targetInCatalogue().settings().tracks()) ? null : other);
    }

    /** @param other null for no sound beside it */
    public Deliverable withSoundFiles(SoundTracks other) {
        return with(d -> d.soundFiles = other);
    }

    /** @param other null for as it is */
    public Deliverable withLoudness(LoudnessTarget other) {
        return with(d -> d.loudness = other);
    }

    /** As the target has it, apart from what it is called and whether it is on. */
    public Deliverable asTarget() {
        return Deliverable.of(targetInCatalogue()).withId(id).withOff(off).withDraft(draft);
    }

    /** The same without what holds for one project only, any path of this machine above all, to be handed on. */
    public Deliverable withoutPaths() {
        return with(d -> {
            d.look = null;
            d.flatten = flatten instanceof Ground.Still ? Ground.BLACK : flatten;
            d.burnIn = burnIn == null ? null : burnIn.withWatermark(null).withFace(null);
            d.draft = false;
            d.accepted = Set.of();
        });
    }

    @JsonIgnore
    public Target targetInCatalogue() {
        return Catalogue.target(target);
    }

    /**
     * Whether this Vat has its target, codec and colours: a project may come from a newer one. Nothing else may be asked of it otherwise.
     */
    @JsonIgnore
    public boolean isKnown() {
        return Catalogue.find(target).isPresent() && (codec == null || Catalogue.findCodec(codec).isPresent())
                && (colour == null || ColourCoding.find(colour).isPresent());
    }

    Codec codecInUse() {
        return codec == null ? targetInCatalogue().codec() : Catalogue.codec(codec);
    }

    /** All that the file is made by. Its container may be one in which the codec can't stand: findings tell. */
    @JsonIgnore
    public Settings settings() {
        return ChosenSettings.of(this);
    }

    /** Heading in plain words. */
    @JsonIgnore
    public String title() {
        return Heading.of(this);
    }

    /** The number behind the target's id where it stands in a project more than once. */
    @JsonIgnore
    public Optional<String> number() {
        return id.equals(target) ? Optional.empty() : Optional.of(id.substring(id.lastIndexOf('-') + 1));
    }

    /** Under which a run knows the matte that goes beside its file. */
    public String matteId() {
        return id + "-matte";
    }

    /** Whether anything of it is heard: in it, or beside it. */
    @JsonIgnore
    public boolean isHeard() {
        return soundFiles != null || settings().container().carriesSound();
    }

    /** Whether alpha goes into a second file: not where the first one carries it. */
    @JsonIgnore
    public boolean makesMatte() {
        return matte && !codecInUse().hasAlpha();
    }

    /** What becomes of the reel's pictures. @param frame of the file */
    public Treatment treatment(Frame frame) {
        return new Treatment(frame.placement(), settings().colourFor(frame.size()), flatten, look, Treatment.Content.PICTURE,
                settings().framing().scanInUse(), draft).withPass(pass);
    }

    /**
     * What is written into its pictures besides what items have of their own: empty where they are to be clean.
     *
     * @param ofReel the reel's burn-in, or null
     */
    public Optional<BurnIn> burnInWith(BurnIn ofReel) {
        return clean ? Optional.empty() : Optional.of(burnIn != null ? burnIn : ofReel == null ? BurnIn.NOTHING : ofReel);
    }

    /** The file's picture for a reel's; see {@link #fitsGrid}. */
    public Frame frameFor(Size reel, PixelAspect reelPixel) {
        Settings settings = settings();
        Frame frame = settings.framing().frame(settings.codec(), reel, reelPixel, cropToGrid);
        return draft && settings.codec().limits().sizes().isEmpty() ? frame.halved(settings.codec(), settings.framing(), reel, reelPixel)
                : frame;
    }

    /** Whether a size falls on the codec's chroma grid. */
    public boolean fitsGrid(Size size) {
        return codecInUse().chroma().fits(size);
    }
}
