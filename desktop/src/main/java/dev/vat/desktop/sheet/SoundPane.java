package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.Channels;
import dev.vat.core.reel.Fade;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.resolved.Sounding;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Moment;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The sounds that are laid to a reel, and those that could be. */
final class SoundPane extends VBox {

    private static final Words WORDS = Words.of(SoundPane.class);

    private final Session session;
    private final ResolvedReel programme;
    private final Rate rate;

    SoundPane(Session session, ResolvedReel programme) {
        this.session = session;
        this.programme = programme;
        this.rate = programme.rate().orElse(Rate.FPS_25);
        setId("reel-sound");
        List<Source> free = session.project().sources().stream()
                .filter(s -> s.location().isSound() && programme.sounds().stream().noneMatch(u -> u.source().id().equals(s.id()))).toList();
        if (free.isEmpty() && programme.sounds().isEmpty()) {
            getChildren().add(Parts.wrapped(WORDS.say("thatOfItsClipsIfTheyHave"), "note"));
        }
        FlowPane choices = Parts.choices();
        free.forEach(s -> choices.getChildren()
                .add(Parts.small("add-sound-" + s.id(), WORDS.say("layUnderIt", s.name()),
                        () -> session.edit(ReelEdits.addSound(s.id())))));
        if (!free.isEmpty()) {
            getChildren().add(choices);
        }
        programme.sounds().forEach(sounding -> getChildren().add(row(sounding)));
        if (session.observing().sound().isPresent()) {
            List<SoundLayout> layouts = new ArrayList<>(SoundLayout.USUAL);
            layouts.addFirst(null);
            HBox field = field(WORDS.say("channels"), WORDS.say("whatTheChannelsOfEveryFile"),
                    choice("layout", layouts.toArray(SoundLayout[]::new), programme.reel().layout(),
                            l -> l == null ? WORDS.say("asTheFirstSound", session.observing().sound().orElseThrow().layout())
                                    : l.toString(),
                            l -> session.edit(ReelEdits.setLayout(l))));
            getChildren().add(field);
        }
    }

    private VBox row(Sounding sounding) {
        SoundUse use = sounding.use();
        int place = sounding.place();
        Optional<ClipFacts> facts = session.watch().clip(sounding.source().id());
        String figures = facts.map(f -> f.seconds().toFixed(3) + " s   " + f.sounds().getFirst().describe()).orElse("");
        HBox head = Parts.row(Parts.label(sounding.source().name(), "strong"), Parts.label(figures, "note"), Parts.space(),
                Parts.small("out-sound-" + place, WORDS.say("remove"), () -> session.edit(ReelEdits.removeSound(place))));
        List<Node> when = new ArrayList<>();
        when.add(named("at", time("sound-at-" + place, use.at(), typed -> use.withAt(Moment.parse(typed, rate)), place)));
        when.add(named("from", time("sound-from-" + place, use.from() == null ? Rational.ZERO : use.from(),
                typed -> use.withTrim(orNull(Moment.parse(typed, rate)), use.to()), place)));
        when.add(named("to", time("sound-to-" + place, use.to(),
                typed -> use.withTrim(use.from(), typed.isBlank() ? null : Moment.parse(typed, rate)), place)));
        List<Node> how = new ArrayList<>();
        how.add(named(WORDS.say("gainDB"),
                text("sound-gain-" + place, Double.toString(use.gain()), 4, typed -> change(place, use.withGain(decibels(typed))))));
        how.add(named(WORDS.say("inOver"), time("sound-in-" + place, use.fadeIn() == null ? Rational.ZERO : use.fadeIn().seconds(),
                typed -> use.withFades(fade(typed, use.fadeIn()), use.fadeOut()), place)));
        how.add(named(WORDS.say("outOver"), time("sound-out-" + place, use.fadeOut() == null ? Rational.ZERO : use.fadeOut().seconds(),
                typed -> use.withFades(use.fadeIn(), fade(typed, use.fadeOut())), place)));
        if (use.fadeIn() != null || use.fadeOut() != null) {
            Fade.Shape now = use.fadeIn() != null ? use.fadeIn().shape() : use.fadeOut().shape();
            how.addAll(Arrays.asList(choice("sound-shape-" + place, Fade.Shape.values(), now, Fade.Shape::title,
                    shape -> change(place, use.withFades(shaped(use.fadeIn(), shape), shaped(use.fadeOut(), shape))))));
        }
        VBox settings = new VBox(field(WORDS.say("time"), WORDS.say("framesSeconds05SSamples"),
                when.toArray(Node[]::new)), field(WORDS.say("level"), "", how.toArray(Node[]::new)));
        if (facts.filter(f -> f.sounds().getFirst().channels() > 1).isPresent()) {
            settings.getChildren()
                    .add(field(WORDS.say("channels"), "", choice("sound-channels-" + place, Channels.values(), use.channelsInUse(),
                            Channels::title, c -> change(place, use.withChannels(c)))));
        }
        settings.getChildren().add(field(WORDS.say("goesTo"), WORDS.say("whichOfItsChannelsEachOf"),
                text("sound-map-" + place, use.map() == null ? "" : use.map().toString(), 12,
                        typed -> change(place, use.withMap(typed.isBlank() ? null : ChannelMap.parse(typed))))));
        settings.getStyleClass().add("reading");
        VBox row = new VBox(head, settings);
        row.setId("sound-" + place);
        row.getStyleClass().add("source-row");
        return row;
    }

    private interface Typed {
        SoundUse apply(String typed);
    }

    private TextField time(String id, Rational seconds, Typed entered, int place) {
        return text(id, seconds == null ? "" : Moment.words(seconds, rate), 7, typed -> change(place, entered.apply(typed)));
    }

    private void change(int place, SoundUse use) {
        session.edit(ReelEdits.changeSound(place, use));
    }

    private static Rational orNull(Rational seconds) {
        return seconds.signum() == 0 ? null : seconds;
    }

    private Fade fade(String typed, Fade before) {
        Rational seconds = Moment.parse(typed, rate);
        return seconds.signum() == 0 ? null : new Fade(seconds, before == null ? null : before.shape());
    }

    private static Fade shaped(Fade fade, Fade.Shape shape) {
        return fade == null ? null : new Fade(fade.seconds(), shape);
    }

    private static double decibels(String typed) {
        try {
            return Math.round(Double.parseDouble(typed.strip().replace(',', '.')) * 100) / 100.0;
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("isNoGainWriteDecibelsSuch", typed), e);
        }
    }
}
