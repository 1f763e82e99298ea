package dev.vat.desktop.preview;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Choice;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.source.LeadIn;
import dev.vat.core.source.RenderForecast;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.LiveScene;
import dev.vat.desktop.session.Scenes;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.feed.FeedPicture;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is to be captured of one camera, a test frame of it, and the button that does it. */
final class CapturePane extends VBox {

    private static final Words WORDS = Words.of(CapturePane.class);

    private static final Integer[] PERCENTS = {25, 50, 75, 100};
    private static final double TEST_WIDTH = 300;
    private static final int MILLION = 1_000_000;

    private final Session session;
    private final LiveScene live;
    private final SceneFacts scene;
    private final CameraFacts camera;
    private final CaptureWish wish;
    private final Supplier<Optional<FrameRange>> selection;
    private final Function<FeedPicture, Image> images;

    CapturePane(Session session, LiveScene live, SceneFacts scene, CameraFacts camera, Supplier<Optional<FrameRange>> selection,
            Function<FeedPicture, Image> images) {
        this.session = session;
        this.live = live;
        this.scene = scene;
        this.camera = camera;
        this.selection = selection;
        this.images = images;
        this.wish = live.wish(camera);
        setId("capture");
        getStyleClass().add("reading");
        // A click on the form isn't one on the row around it.
        setOnMouseClicked(e -> e.consume());
        getChildren().addAll(acts(), test());
        CaptureAdvice.of(scene, wish).forEach(advice -> getChildren().add(advice(advice)));
        getChildren().addAll(range(), size(), step(), shading(), drawn(), before(), written());
    }

    private void set(CaptureWish other) {
        session.scenes().setWish(live, other);
    }

    private HBox acts() {
        Button capture = Parts.button("capture-now", WORDS.say("captureFrames", wish.drawn()),
                () -> session.previews().captures().capture(live, List.of(wish)));
        capture.getStyleClass().add("capture-now");
        Button test = Parts.button("capture-test", WORDS.say("testFrame"), () -> session.scenes().test(live, wish,
                Math.clamp((wish.range().first() + wish.range().last()) / 2, scene.timeline().first(), scene.timeline().last())));
        Label length = Parts.label(
                WORDS.say("framesSAt", wish.shown(), scene.rate().seconds(wish.shown()).toFixed(2), scene.rate().label()), "mono");
        length.setId("capture-length");
        return Parts.row(capture, test, length);
    }

    private VBox test() {
        VBox box = new VBox(4);
        session.scenes().tested(wish).ifPresent(tested -> {
            Label words = Parts.wrapped(words(tested), "note");
            words.setId("capture-forecast");
            box.getChildren().add(words);
            if (tested.picture() != null) {
                ImageView view = new ImageView(images.apply(tested.picture()));
                view.setId("capture-picture");
                view.setPreserveRatio(true);
                view.setFitWidth(Math.min(TEST_WIDTH, tested.picture().width()));
                box.getChildren().add(view);
            }
        });
        return box;
    }

    private String words(Scenes.Tested tested) {
        if (tested.trouble() != null) {
            return tested.trouble() + ".";
        }
        if (tested.picture() == null) {
            return WORDS.say("theSceneIsDrawingATestFrame");
        }
        Rational seconds = Rational.of(Math.max(1, Math.round(tested.seconds() * MILLION)), MILLION);
        return WORDS.say("frameAsItWillBeCaptured", CaptureAdvice.number(tested.picture().frame()),
                RenderForecast.of(wish.drawn(), seconds).formula());
    }

    private HBox advice(CaptureAdvice advice) {
        Label text = Parts.wrapped(advice.text(), "warn");
        text.setGraphic(Icon.WARNING.node());
        text.setMinWidth(0);
        HBox row = Parts.row(text, Parts.space());
        if (advice.remedy() != null) {
            row.getChildren().add(Parts.small("advice-" + advice.remedy().replaceAll("[^A-Za-z0-9]+", "-").toLowerCase(Locale.ROOT),
                    advice.remedy(), () -> set(advice.then())));
        }
        return row;
    }

    private HBox range() {
        List<Node> values = new ArrayList<>();
        values.add(
                Fields.text("capture-range", CaptureAdvice.range(wish.range()), 9, typed -> set(wish.withRange(FrameRange.parse(typed)))));
        if (camera.keyed() != null) {
            values.add(choice("capture-keyed", WORDS.say("usedByThisCamera"), wish.range().equals(camera.keyed()),
                    () -> set(wish.withRange(camera.keyed()))));
        }
        values.add(choice("capture-whole", WORDS.say("wholeTimeline"), wish.range().equals(scene.timeline()),
                () -> set(wish.withRange(scene.timeline()))));
        selection.get().ifPresent(selected -> values.add(choice("capture-selected", WORDS.say("asSelected", CaptureAdvice.range(selected)),
                wish.range().equals(selected), () -> set(wish.withRange(selected)))));
        String keys = camera.keyed() == null ? WORDS.say("thisCameraHasNoKeys")
                : WORDS.say("keysFromTimeline", CaptureAdvice.range(camera.keyed()), CaptureAdvice.range(scene.timeline()));
        String notes = scene.notes().stream().filter(n -> wish.range().contains(n.frame()))
                .map(n -> CaptureAdvice.number(n.frame()) + " " + n.text()).collect(Collectors.joining(", "));
        return Fields.field(WORDS.say("range"), notes.isEmpty() ? keys : WORDS.say("theSceneNotes", keys, notes),
                values.toArray(Node[]::new));
    }

    private static ToggleButton choice(String id, String text, boolean on, Runnable act) {
        ToggleButton button = Controls.toggle(text);
        button.setId(id);
        button.setSelected(on);
        button.setOnAction(_ -> act.run());
        return button;
    }

    private HBox size() {
        List<Node> values = new ArrayList<>();
        for (int percent : PERCENTS) {
            Size size = CaptureWish.scaled(scene.size(), percent);
            values.add(choice("capture-percent-" + percent, percent + " % = " + size, wish.size().equals(size),
                    () -> set(wish.withSize(size))));
        }
        values.add(Fields.text("capture-size", wish.size().toString(), 9, typed -> set(wish.withSize(even(Size.parse(typed))))));
        return Fields.field(WORDS.say("size"), WORDS.say("thePixelsThatTheFileWill", scene.size()),
                values.toArray(Node[]::new));
    }

    private static Size even(Size size) {
        if (size.width() % 2 != 0 || size.height() % 2 != 0) {
            throw new IllegalArgumentException(
                    WORDS.say("h264TakesEvenSizesAlone", size, (size.width() + size.width() % 2), (size.height() + size.height() % 2)));
        }
        return size;
    }

    private HBox step() {
        String sentence = wish.every() == 1 ? "" : WORDS.say("byIs", wish.range().count(), wish.every(), wish.drawn(),
                (wish.keepLength() ? WORDS.say("eachShownForFrames", wish.every()) : WORDS.say("whichPlaysFaster")));
        return Fields.field(WORDS.say("step"), sentence,
                Fields.named(WORDS.say("every"),
                        Fields.text("capture-step", Long.toString(wish.every()), 3, typed -> set(wish.withEvery(Fields.whole(typed, 1))))),
                choice("capture-keep-length", WORDS.say("keepTheLength"), wish.keepLength(),
                        () -> set(wish.withKeepLength(!wish.keepLength()))));
    }

    private HBox shading() {
        String[] ids = scene.shadings().stream().map(Choice::id).toArray(String[]::new);
        Consumer<String> chosen = id -> set(wish.withShading(id));
        return Fields.field(WORDS.say("shading"), WORDS.say("whatTheSceneWorksOutLess"),
                Fields.choice("capture-shading", ids, wish.shading(),
                        id -> scene.shadings().stream().filter(s -> s.id().equals(id)).findFirst().map(Choice::title).orElse(id), chosen));
    }

    private HBox drawn() {
        List<Node> values = new ArrayList<>();
        for (Choice thing : scene.classes()) {
            boolean on = wish.classes().contains(thing.id());
            values.add(choice("capture-class-" + thing.id(), thing.title(), on, () -> {
                List<String> classes = new ArrayList<>(wish.classes());
                if (!classes.remove(thing.id())) {
                    classes.add(thing.id());
                }
                set(wish.withClasses(classes));
            }));
        }
        return Fields.field(WORDS.say("drawn"), WORDS.say("constructionMarksAreLeft"), values.toArray(Node[]::new));
    }

    private HBox before() {
        return Fields.field(WORDS.say("runBefore"), wish.leadIn() == 0 ? WORDS.say("framesThatTheSceneRunsBefore")
                : WORDS.say("sThatArentDrawnBeforeFrame", scene.rate().seconds(wish.leadIn()).toDecimal(2),
                        CaptureAdvice.number(wish.range().first())),
                Fields.text("capture-lead-in", Long.toString(wish.leadIn()), 6,
                        typed -> set(wish.withLeadIn(LeadIn.parse(typed, scene.rate())))),
                Parts.label(WORDS.say("framesOrSecondsSuchAs8S"), "note"));
    }

    private HBox written() {
        return Fields.field(WORDS.say("writtenIn"), "",
                choice("capture-named", WORDS.say("cameraAndFrame"), wish.named(), () -> set(wish.withNamed(!wish.named()))),
                choice("capture-draft", WORDS.say("draftMark"), wish.draft(), () -> set(wish.withDraft(!wish.draft()))));
    }
}
