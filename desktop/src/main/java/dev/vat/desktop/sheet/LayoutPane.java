package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;
import static dev.vat.desktop.look.Fields.whole;

import dev.vat.core.burnin.Spot;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.DayCount;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.VBox;

/** What can be chosen about several views in one picture: how they lie, by what they keep step, and each of them. */
final class LayoutPane extends VBox {

    private static final Words WORDS = Words.of(LayoutPane.class);

    private static final Rational USUAL_SHARE = Rational.of(3, 10);
    private static final int HUNDRED = 100;

    private enum Kind {
        GRID("grid"), ROWS("rows"), INSET("inset"), FREE("free");

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        static Kind of(Arrangement arrangement) {
            return switch (arrangement) {
                case Arrangement.Grid _ -> GRID;
                case Arrangement.Rows _ -> ROWS;
                case Arrangement.Inset _ -> INSET;
                case Arrangement.Free _ -> FREE;
            };
        }
    }

    private final Session session;
    private final ResolvedReel programme;
    private final ReelSpan span;
    private final Layout now;

    LayoutPane(Session session, ResolvedReel programme, ReelSpan span) {
        this.session = session;
        this.programme = programme;
        this.span = span;
        this.now = programme.reel().items().get(span.place()).layout();
        getStyleClass().add("reading-part");
        getChildren().addAll(name(), arrangement(), looks(), step(), length(), days());
        for (int i = 0; i < now.views().size(); i++) {
            getChildren().add(new ViewFields(session, programme, now, i, this::change));
        }
        getChildren().addAll(more(), fits());
    }

    private void change(Layout other) {
        session.edit(ReelEdits.layItem(span.place(), other));
    }

    private Node name() {
        return field(WORDS.say("layout"), WORDS.say("keptByItsNameItComesWithout"),
                text("layout-name", now.name(), 12, typed -> change(now.withName(typed))),
                Parts.small("layout-keep", WORDS.say("keepForOtherReels"), () -> session.layouts().keep(now)));
    }

    private Node arrangement() {
        List<Node> values = new ArrayList<>(
                Arrays.asList(choice("arrangement", Kind.values(), Kind.of(now.arrangement()), k -> k.title, this::arrange)));
        switch (now.arrangement()) {
            case Arrangement.Grid grid -> values.add(named("across", text("grid-across", Integer.toString(grid.across()), 3,
                    typed -> change(now.withArrangement(Arrangement.Grid.parse(typed))))));
            case Arrangement.Rows rows -> values.add(named(WORDS.say("viewsInEachRow"),
                    text("rows-counts", String.join(" ", rows.counts().stream().map(String::valueOf).toList()), 6,
                            typed -> change(now.withArrangement(Arrangement.Rows.parse(typed))))));
            case Arrangement.Inset inset -> {
                values.add(BurnInPane.spots("inset", inset.at(),
                        spot -> change(now.withArrangement(new Arrangement.Inset(spot, inset.share())))));
                values.add(named(WORDS.say("ofThePicture"), text("inset-share", inset.share().times(HUNDRED).toDecimal(1), 4,
                        typed -> change(now.withArrangement(new Arrangement.Inset(inset.at(), percent(typed)))))));
            }
            case Arrangement.Free _ -> {}
        }
        return field(WORDS.say("arranged"), now.arrangement() instanceof Arrangement.Free ? WORDS.say("eachViewHasItsOwnLeftEdge") : "",
                values.toArray(Node[]::new));
    }

    private void arrange(Kind kind) {
        int views = now.views().size();
        change(now.withArrangement(switch (kind) {
            case GRID -> new Arrangement.Grid((int) Math.ceil(Math.sqrt(views)));
            case ROWS -> new Arrangement.Rows(views == 1 ? List.of(1) : List.of(1, views - 1));
            case INSET -> new Arrangement.Inset(Spot.BOTTOM_RIGHT, USUAL_SHARE);
            case FREE -> new Arrangement.Free(now.arrangement().areas(views));
        }));
    }

    private static Rational percent(String typed) {
        return Rational.parse(typed.replace("%", "").strip()).dividedBy(Rational.of(HUNDRED));
    }

    private Node looks() {
        Size size = programme.size().orElse(null);
        List<Node> values = new ArrayList<>();
        values.add(named("size", text("layout-size", now.size() == null ? "" : now.size().toString(), 9,
                typed -> change(now.withSize(typed.isBlank() ? null : Size.parse(typed))))));
        if (now.arrangement().isSideBySide()) {
            values.add(named("% between", text("layout-between", now.between() == null ? "0" : now.between().toDecimal(2), 4,
                    typed -> change(now.withBetween(Rational.parse(typed))))));
        }
        values.add(
                named("ground", text("layout-ground", now.groundInUse().toString(), 7, typed -> change(now.withGround(Rgb.parse(typed))))));
        boolean shapes = size != null && size.equals(now.size());
        return field(WORDS.say("picture"), shapes || size == null ? WORDS.say("theReelIsOfThisSizeWhile")
                : WORDS.say("hereItFillsTheReels", size), values.toArray(Node[]::new));
    }

    private Node step() {
        return field(WORDS.say("inStep"), now.stepInUse().sentence(),
                choice("in-step", InStep.values(), now.stepInUse(), InStep::title, s -> change(now.withStep(s))));
    }

    private Node length() {
        List<Node> values = new ArrayList<>();
        values.add(named(WORDS.say("frames"), text("layout-frames", now.frames() == null ? "" : now.frames().toString(), 6,
                typed -> change(now.withFrames(typed.isBlank() ? null : whole(typed, 1))))));
        values.addAll(Arrays.asList(choice("after-end", new Boolean[] {false, true}, now.endsEmpty(),
                e -> e ? WORDS.say("aViewThatIsOverLeavesIts") : WORDS.say("itsLastFrameStays"), e -> change(now.withEndsEmpty(e)))));
        return field(WORDS.say("length"), now.frames() == null ? WORDS.say("asLongAsItsLongestViewFrames", span.count()) : "",
                values.toArray(Node[]::new));
    }

    private Node days() {
        DayCount days = now.days();
        List<Node> values = new ArrayList<>();
        values.add(named(WORDS.say("firstDay"),
                text("days-start", days == null ? "" : days.start(), 9, typed -> change(now.withDays(typed.isBlank() ? null
                        : new DayCount(typed, days == null ? Rational.ONE : days.perSecond()))))));
        if (days != null) {
            values.add(named(WORDS.say("daysASecond"), text("days-speed", days.perSecond().toString(), 5,
                    typed -> change(now.withDays(new DayCount(days.start(), Rational.parse(typed)))))));
        }
        return field(WORDS.say("calendar"), WORDS.say("forCaptionsThatTellCalendar"), values.toArray(Node[]::new));
    }

    /** A further view, of any source that has pictures. */
    private Node more() {
        return Parts.small("view-more", WORDS.say("anotherView"), () -> menu("view-more", source -> change(now.with(
                View.of(Item.of(source.id())).withBorder(now.views().getLast().border()).withCaption(now.views().getLast().caption())))));
    }

    private void menu(String at, Consumer<Source> chosen) {
        Menus.below(lookup("#" + at), sources(session, chosen));
    }

    /** Sources that have pictures, to choose one. */
    static ContextMenu sources(Session session, Consumer<Source> chosen) {
        ContextMenu menu = new ContextMenu();
        session.project().sources().stream().filter(s -> !s.location().isSound()).forEach(source -> {
            MenuItem item = Controls.item(source.name());
            item.setMnemonicParsing(false);
            item.setOnAction(_ -> chosen.accept(source));
            menu.getItems().add(item);
        });
        return menu;
    }

    /** Says which captions had to be made smaller; that is known when their letters were measured. */
    private Node fits() {
        Label words = Parts.wrapped("", "note");
        words.setId("captions-fit");
        Parts.present(words, false);
        if (programme.recipe(programme.plan().by(span, 0)).orElse(null) instanceof Recipe.Views views) {
            session.viewer().fit(views).whenComplete((said, failure) -> Platform.runLater(() -> {
                words.setText(failure != null ? failure.getMessage() : said);
                Parts.present(words, !words.getText().isEmpty());
            }));
        }
        return words;
    }

    /** An area of a free arrangement changes. */
    static Layout placed(Layout layout, int view, Area area) {
        return layout.withArrangement(new Arrangement.Free(layout.arrangement().areas(layout.views().size())).with(view, area));
    }
}
