package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;
import static dev.vat.desktop.look.Fields.whole;

import dev.vat.core.content.ContentFault;
import dev.vat.core.delivery.Fit;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.Relatives;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Folds;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.function.LongSupplier;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;

/** How one item of the reel is taken, in groups: which frames, how they play, how it begins, how it fits. */
final class ItemGroups {

    private static final Words WORDS = Words.of(ItemGroups.class);

    private static final long HANDLES = 12;
    private static final long USUAL_JOINT = 12;

    private final Session session;
    private final Dialogs ask;
    private final ResolvedReel programme;
    private final ReelSpan span;
    private final LongSupplier playhead;
    private final Item item;
    private final Playing playing;
    private final int place;

    /** @param playhead the reel frame that is shown */
    ItemGroups(Session session, Dialogs ask, ResolvedReel programme, ReelSpan span, LongSupplier playhead) {
        this.session = session;
        this.ask = ask;
        this.programme = programme;
        this.span = span;
        this.playhead = playhead;
        this.item = programme.plan().part(span.item()).item();
        this.playing = item.playingInUse();
        this.place = span.place();
    }

    List<Folds.Group> groups() {
        List<Folds.Group> groups = new ArrayList<>();
        Folds.Group begins = Folds.Group.of("begins", WORDS.say("transitionIn"),
                item.joint() == null ? WORDS.say("cut") : item.joint().words(),
                () -> List.of(begins()));
        ReelEntry entry = programme.entry(span.item()).orElse(null);
        if (entry == null) {
            // As it was written: in what the plan has, fields are filled in.
            Item drawn = programme.reel().items().get(place);
            groups.add(drawn.layout() != null
                    ? Folds.Group.of("views", WORDS.say("views"),
                            WORDS.say("views2", drawn.layout().views().size(), drawn.layout().arrangement().title()),
                            () -> List.of(new LayoutPane(session, programme, span)))
                    : Folds.Group.of("drawn", drawn.drawn().title(), WORDS.say("frames", span.count()),
                            () -> List.of(new DrawnFields(drawn.drawn(), programme.rate().orElse(null),
                                    d -> edit(ReelEdits.drawItem(place, d))))));
            groups.add(begins);
            return groups;
        }
        groups.add(Folds.Group.of("frames", WORDS.say("rangeAndSpeed"), rangeWords(entry), () -> List.of(frames(entry), plays(entry))));
        groups.add(Folds.Group.of("holds", WORDS.say("holds"), holdWords(), () -> List.of(held())));
        groups.add(begins);
        programme.placement(entry)
                .ifPresent(_ -> groups.add(Folds.Group.of("fit", WORDS.say("fit"), item.fitInUse().title(), () -> List.of(fit(entry)))));
        PassPane passes = new PassPane(session, programme, span, entry);
        if (!passes.getChildren().isEmpty()) {
            groups.add(Folds.Group.of("passes", WORDS.say("passes"), item.passes() == null ? WORDS.say("notPutTogether")
                    : WORDS.say("putTogether", item.passes().on().passes().size()), () -> List.of(passes)));
        }
        int lines = item.burnIn() == null ? 0 : item.burnIn().lines().size();
        groups.add(Folds.Group.of("burn-in", WORDS.say("burnIn"),
                lines == 0 ? WORDS.say("noneOfItsOwn") : WORDS.say("linesOfBurnIn", lines),
                () -> List.of(field(WORDS.say("burnIn"), WORDS.say("writtenIntoThisItemAlone"),
                        new BurnInPane(ask, "item-burn-in", item.burnIn(), b -> edit(ReelEdits.burnInItem(place, b)))))));
        groups.add(Folds.Group.of("version", WORDS.say("version"), entry.source().name(), () -> List.of(versions(entry))));
        return groups;
    }

    private String rangeWords(ReelEntry entry) {
        List<String> words = new ArrayList<>(List.of(entry.reading().rangeIn(entry.table().sequence()).toString()));
        words.add(playing.reversed() ? WORDS.say("backwards2") : WORDS.say("forwards"));
        words.add(playing.speedInUse() + "x");
        if (playing.conform() != null) {
            words.add(playing.conform().title());
        }
        return String.join(", ", words);
    }

    private String holdWords() {
        List<String> words = new ArrayList<>();
        if (playing.head() > 0) {
            words.add(WORDS.say("firstFor", playing.head()));
        }
        if (playing.tail() > 0) {
            words.add(WORDS.say("lastFor", playing.tail()));
        }
        playing.holds().forEach(hold -> words.add(WORDS.say("for", hold.number(), hold.places())));
        return words.isEmpty() ? WORDS.say("noHold") : String.join(", ", words);
    }

    private HBox fit(ReelEntry entry) {
        return field(WORDS.say("fit"),
                WORDS.say("howGoesIntoTheReels", entry.format().orElseThrow().size(), programme.size().orElseThrow()),
                choice("item-fit", Fit.values(), item.fitInUse(), Fit::title, fit -> edit(ReelEdits.fitItem(place, fit))));
    }

    private void edit(Edit edit) {
        session.edit(edit);
    }

    // ---- which frames

    private HBox frames(ReelEntry entry) {
        Sequence sequence = entry.table().sequence();
        FrameRange now = entry.reading().rangeIn(sequence);
        FrameRange all = entry.source().reading().rangeIn(sequence);
        List<Node> values = new ArrayList<>();
        values.add(text("item-range", now.toString(), 10, typed -> trim(typed.isBlank() ? null : FrameRange.parse(typed), all)));
        values.add(Parts.small("item-in", WORDS.say("beginAtWhatIsShown"),
                () -> shown().ifPresentOrElse(n -> trim(FrameRange.of(n, Math.max(n, now.last())), all), this::sayNotShown)));
        values.add(Parts.small("item-end", WORDS.say("endAtWhatIsShown"),
                () -> shown().ifPresentOrElse(n -> trim(FrameRange.of(Math.min(n, now.first()), n), all), this::sayNotShown)));
        values.add(Parts.small("slip-earlier", WORDS.say("slipEarlier"), () -> edit(ReelEdits.slipItem(place, now, -sequence.step()))));
        values.add(Parts.small("slip-later", WORDS.say("slipLater"), () -> edit(ReelEdits.slipItem(place, now, sequence.step()))));
        FrameRange wide = FrameRange.of(Math.max(sequence.first(), now.first() - HANDLES), Math.min(sequence.last(), now.last() + HANDLES));
        if (!wide.equals(now)) {
            values.add(Parts.small("handles", WORDS.say("handlesOf", HANDLES), () -> trim(wide, all)));
        }
        if (item.range() != null) {
            values.add(Parts.small("item-all", WORDS.say("allOfIt"), () -> trim(null, all)));
        }
        ends(entry, now, all, values);
        String words = item.range() == null ? WORDS.say("asTheSourcesSettingsTake")
                : WORDS.say("ofTheThatTheSourcesSettings", now.count(), all.count());
        return field(WORDS.say("frames2"), words, values.toArray(Node[]::new));
    }

    /** Still or unsettled ends, as the content checks found them, each off by one press. */
    private void ends(ReelEntry entry, FrameRange now, FrameRange all, List<Node> values) {
        for (ContentFault fault : session.watch().review(entry.source().id()).faults()) {
            long first = fault.frames().getFirst();
            long last = fault.frames().getLast();
            FrameRange left = switch (fault.kind()) {
                case STILL_HEAD, UNSETTLED -> last < now.last() && last > now.first() ? FrameRange.of(last, now.last()) : now;
                case STILL_TAIL -> first > now.first() && first < now.last() ? FrameRange.of(now.first(), first) : now;
                default -> now;
            };
            if (!left.equals(now)) {
                values.add(Parts.small("trim-" + fault.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        WORDS.say("trimWhatIs", fault.kind().label(), (now.count() - left.count())), () -> trim(left, all)));
            }
        }
    }

    private void trim(FrameRange range, FrameRange all) {
        edit(ReelEdits.trimItem(place, range == null || range.equals(all) ? null : range));
    }

    /** The source frame of this item that is shown. */
    private OptionalLong shown() {
        long at = playhead.getAsLong();
        return at >= span.start() && at < span.end() ? OptionalLong.of(programme.plan().shown(span, at - span.start()))
                : OptionalLong.empty();
    }

    private void sayNotShown() {
        session.say(WORDS.say("theFrameThatIsShownIsnt"));
    }

    // ---- how they play

    private HBox plays(ReelEntry entry) {
        Rate own = entry.rate().orElse(null);
        Rate reel = programme.rate().orElse(null);
        Rational ratio = own == null || reel == null ? Rational.ONE : own.perSecond().dividedBy(reel.perSecond());
        Conform[] fitting = Arrays.stream(Conform.values()).filter(c -> c.fits(ratio)).toArray(Conform[]::new);
        boolean oneToOne = ratio.equals(Rational.ONE) && playing.speed() == null && playing.conform() == null;
        List<Node> values = new ArrayList<>();
        if (!oneToOne) {
            values.addAll(
                    Arrays.asList(choice("conform", fitting, playing.conformInUse(), Conform::title, c -> play(playing.withConform(c)))));
        }
        values.add(named(WORDS.say("speed"),
                text("item-speed", playing.speedInUse().toString(), 6, typed -> play(playing.withSpeed(Rational.parse(typed))))));
        ToggleButton back = Controls.toggle(WORDS.say("backwards"));
        back.setId("item-reversed");
        back.setSelected(playing.reversed());
        back.setOnAction(_ -> play(playing.withReversed(back.isSelected())));
        values.add(back);
        String tally = programme.plan().tally(span.item()).words();
        String rates = ratio.equals(Rational.ONE) ? "" : WORDS.say("inAReelOf", own.label(), reel.label());
        return field(WORDS.say("plays"),
                WORDS.say("framesGive", rates + span.range().count(), span.count(), (tally.isEmpty() ? "." : ", " + tally + ".")),
                values.toArray(Node[]::new));
    }

    private HBox held() {
        List<Node> values = new ArrayList<>();
        values.add(
                named(WORDS.say("firstFor2"),
                        text("hold-head", Long.toString(playing.head()), 4, typed -> play(playing.withHead(whole(typed, 0))))));
        values.add(
                named(WORDS.say("lastFor2"),
                        text("hold-tail", Long.toString(playing.tail()), 4, typed -> play(playing.withTail(whole(typed, 0))))));
        values.add(named(WORDS.say("whatIsShownFor"), text("hold-shown", "", 4, typed -> {
            long number = shown().orElseThrow(() -> new IllegalArgumentException(WORDS.say("theFrameThatIsShownIsnt2")));
            play(playing.withHold(number, whole(typed, 0)));
        })));
        playing.holds()
                .forEach(hold -> values.add(Parts.small("unhold-" + hold.number(), WORDS.say("forRemove", hold.number(), hold.places()),
                        () -> play(playing.withHold(hold.number(), 0)))));
        return field(WORDS.say("hold"), "", values.toArray(Node[]::new));
    }

    private void play(Playing other) {
        edit(ReelEdits.playItem(place, other));
    }

    // ---- how it begins

    private HBox begins() {
        Joint joint = item.joint();
        List<Node> values = new ArrayList<>();
        Joint.Kind[] kinds = {null, Joint.Kind.DISSOLVE, Joint.Kind.DIP};
        values.addAll(Arrays.asList(choice("joint", kinds, joint == null ? null : joint.kind(),
                k -> k == null ? WORDS.say("cut") : k.title(),
                k -> edit(
                        ReelEdits.joinItem(place, k == null ? null : new Joint(k, joint == null ? USUAL_JOINT : joint.frames(), null))))));
        if (joint != null) {
            values.add(named(WORDS.say("frames3"), text("joint-frames", Long.toString(joint.frames()), 5,
                    typed -> edit(ReelEdits.joinItem(place, new Joint(joint.kind(), whole(typed, 1), joint.colour()))))));
        }
        if (joint != null && joint.kind() == Joint.Kind.DIP) {
            values.add(named("through", text("joint-colour", joint.colour() == null ? "000000" : joint.colour().toString(), 7,
                    typed -> edit(ReelEdits.joinItem(place, Joint.dip(joint.frames(), Rgb.parse(typed)))))));
        }
        String words = joint == null ? "" : joint.kind() == Joint.Kind.DISSOLVE ? WORDS.say("itLiesOverTheEndOfTheItem")
                : WORDS.say("theItemBeforeGoesIntoThe");
        return field(WORDS.say("kind"), words, values.toArray(Node[]::new));
    }

    // ---- versions

    private HBox versions(ReelEntry entry) {
        List<Node> values = new ArrayList<>();
        for (Source other : new Relatives(session.project().sources(), session.watch().tables()).versions(entry.source())) {
            values.add(Parts.small("version-" + other.id(), other.name(), () -> swap(entry, other)));
        }
        if (item.earlier() != null && session.project().source(item.earlier()).isPresent()) {
            Source earlier = session.project().source(item.earlier()).get();
            values.add(Parts.small("version-back", WORDS.say("backTo", earlier.name()), () -> swap(entry, earlier)));
        }
        values.add(Parts.small("look-versions", WORDS.say("lookForVersionsBesideIt"), () -> session.search().forVersions(entry.source())));
        return field(WORDS.say("version"), values.size() == 1 ? "" : WORDS.say("takesThisOnesPlaceAsItIs"),
                values.toArray(Node[]::new));
    }

    private void swap(ReelEntry entry, Source other) {
        long before = span.count();
        edit(ReelEdits.swapItem(place, other.id()));
        session.programme().flatMap(p -> p.plan().spans().stream().filter(s -> s.place() == place).findFirst())
                .filter(s -> s.count() != before).ifPresent(s -> session.say(WORDS.say(s.count() > before ? "isLonger" : "isShorter",
                        other.name(), Math.abs(s.count() - before), entry.source().name())));
    }
}
