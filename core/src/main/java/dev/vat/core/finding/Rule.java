package dev.vat.core.finding;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What is looked for: each finding is of one of these, and each says what it means and what to do. */
public enum Rule {
    RATE_UNKNOWN(Group.FRAMES),
    RATE_AGAINST_FILE(Group.FRAMES),
    RATE_UNEVEN(Group.FRAMES),
    UNCHECKED(Group.FRAMES),
    SOURCE_GONE(Group.FRAMES),
    NOTHING_GOOD(Group.FRAMES),
    NOTHING_IN(Group.FRAMES),
    RANGE_OUTSIDE(Group.FRAMES),
    FRAMES_WANTED(Group.FRAMES),
    FRAMES_FILLED(Group.FRAMES),
    FRAMES_MARKED(Group.FRAMES),
    HOLD_NO_START(Group.FRAMES),
    NUMBERS_APART(Group.FRAMES),
    NUMBERS_IN_STEPS(Group.FRAMES),
    FEWER_THAN_APPROVED(Group.FRAMES),
    FEWER_THAN_KIN(Group.FRAMES),
    APPROVED_FRAMES(Group.FRAMES),
    APPROVED_RATE(Group.FRAMES),
    APPROVED_SHAPE(Group.FRAMES),
    APPROVED_LEAD_IN(Group.FRAMES),
    CONTENT_BLANK(Group.PICTURES),
    CONTENT_REPEATED(Group.PICTURES),
    CONTENT_CADENCE(Group.PICTURES),
    CONTENT_TORN(Group.PICTURES),
    CONTENT_POP(Group.PICTURES),
    CONTENT_NOISE(Group.PICTURES),
    CONTENT_OVERWRITTEN(Group.PICTURES),
    CONTENT_SESSIONS(Group.PICTURES),
    CONTENT_STILL_HEAD(Group.PICTURES),
    CONTENT_STILL_TAIL(Group.PICTURES),
    CONTENT_UNSETTLED(Group.PICTURES),
    CONTENT_EDGE(Group.PICTURES),
    CONTENT_EIGHT_BIT(Group.PICTURES),
    CONTENT_ODD_VALUES(Group.PICTURES),
    INTERLACED(Group.PICTURES),
    FLASHES(Group.PICTURES),
    ALPHA_KIND(Group.COLOUR),
    ALPHA_EMPTY(Group.COLOUR),
    ALPHA_FLATTENED(Group.COLOUR),
    GROUND_UNUSABLE(Group.COLOUR),
    MATTE_BESIDE(Group.COLOUR),
    LINEAR_LIGHT(Group.COLOUR),
    TAGS_MISSING(Group.COLOUR),
    COLOUR_STATED(Group.COLOUR),
    COLOUR_ILLEGAL(Group.COLOUR),
    NOTHING_ABOVE_WHITE(Group.COLOUR),
    LOOK_UNUSABLE(Group.COLOUR),
    LOOK_ABOVE_WHITE(Group.COLOUR),
    LAYER_UNKNOWN(Group.COLOUR),
    DEPTH_REDUCED(Group.COLOUR),
    LOSSY_AGAIN(Group.COLOUR),
    JOINT_SHORT(Group.REEL),
    TIMECODE_ILLEGAL(Group.REEL),
    SIZE_DIFFERS(Group.REEL),
    CONFORM_UNFIT(Group.REEL),
    SPEED_CHANGED(Group.REEL),
    RATE_DIFFERS(Group.REEL),
    RATE_CONFORMED(Group.REEL),
    PASS_GONE(Group.REEL),
    PASSES_NONE(Group.REEL),
    PASS_LOWEST(Group.REEL),
    PASS_SUM(Group.REEL),
    PASS_SIZE(Group.REEL),
    PASS_LAYER(Group.REEL),
    PASS_RANGE(Group.REEL),
    VIEW_COVERED(Group.REEL),
    VIEW_COVERED_PART(Group.REEL),
    VIEW_EMPTY(Group.REEL),
    VIEW_SHORTER(Group.REEL),
    VIEW_LATER(Group.REEL),
    VIEW_ENLARGED(Group.REEL),
    VIEW_RATE(Group.REEL),
    CAPTION_LETTERS(Group.REEL),
    CAPTION_SMALL(Group.REEL),
    CAPTION_DAYS(Group.REEL),
    BURN_IN_SMALL(Group.REEL),
    WATERMARK_UNUSABLE(Group.REEL),
    FACE_UNUSABLE(Group.REEL),
    LETTERS_MISSING(Group.REEL),
    LEADER_RATE(Group.REEL),
    SLATE_LETTERS(Group.REEL),
    SOUND_GONE(Group.SOUND),
    SOUND_SILENT(Group.SOUND),
    SOUND_DAMAGED(Group.SOUND),
    SOUND_LONGER(Group.SOUND),
    SOUND_LEFT_OUT(Group.SOUND),
    SOUND_NOT_CARRIED(Group.SOUND),
    SOUND_ILLEGAL(Group.SOUND),
    SOUND_TRACKS(Group.SOUND),
    SOUND_FILES(Group.SOUND),
    LOUDNESS_OPEN(Group.SOUND),
    NO_TARGET(Group.FILE),
    TARGET_CHANGED(Group.FILE),
    CODEC_UNKNOWN(Group.FILE),
    UNWISE(Group.FILE),
    CONTAINER_ILLEGAL(Group.FILE),
    CONTROL_ILLEGAL(Group.FILE),
    SIZE_ILLEGAL(Group.FILE),
    SIZE_ODD(Group.FILE),
    SHAPE_ILLEGAL(Group.FILE),
    SCAN_ILLEGAL(Group.FILE),
    RATE_ILLEGAL(Group.FILE),
    RESHAPED(Group.FILE),
    SQUASHED(Group.FILE),
    ENLARGED(Group.FILE),
    FAR_ENLARGED(Group.FILE),
    TIMECODE_UNWRITTEN(Group.FILE),
    DRAFT(Group.FILE),
    DRAFT_MATERIAL(Group.FILE),
    NAME_PATTERN(Group.FILE),
    NAME_CLASH(Group.FILE),
    FILE_SIZE_SMALL(Group.FILE),
    CONTAINER_FULL(Group.FILE),
    MADE_WHOLE(Group.FILE),
    FOLDER_REFUSED(Group.FILE),
    SPACE_SHORT(Group.FILE),
    SPACE_TIGHT(Group.FILE);

    /** What a rule is about, in the order in which they are told. */
    public enum Group {
        FRAMES, PICTURES, COLOUR, REEL, SOUND, FILE;

        public String title() {
            return Words.of(Rule.class).say("group." + name().toLowerCase(Locale.ROOT));
        }
    }

    private final Group group;

    Rule(Group group) {
        this.group = group;
    }

    /** Stable, the same in every language, as it stands in JSON: {@code rate-unknown}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The rule with an id, if there is one. */
    public static Optional<Rule> find(String id) {
        return Arrays.stream(values()).filter(r -> r.id().equals(id)).findFirst();
    }

    public Group group() {
        return group;
    }

    /** What is the matter, in a few words: {@code Frame rate not known}. */
    public String title() {
        return Words.of(Rule.class).say(id());
    }

    /** Why it matters and what to do, in a few sentences. */
    public String meaning() {
        return Words.of(Rule.class).say(id() + ".means");
    }
}
