package dev.vat.desktop.handover;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.DropPlace;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.RepackOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What can be done with finished movies without encoding them anew. Files are chosen or dropped; nothing is ever written over. */
public final class RepackPage extends BorderPane {

    private static final Words WORDS = Words.of(RepackPage.class);

    private enum Task {
        SPLIT(Words.of(RepackPage.class).say("split"), Words.of(RepackPage.class).say("oneMovieIntoPiecesWhere")),
        JOIN(Words.of(RepackPage.class).say("join"), Words.of(RepackPage.class).say("partsOfOneFileInTheirOrder")),
        REWRAP(Words.of(RepackPage.class).say("reWrap"), Words.of(RepackPage.class).say("anotherContainerOtherEnds")),
        RECOVER(Words.of(RepackPage.class).say("recover"), Words.of(RepackPage.class).say("whatStandsWholeInABroken"));

        private final String title;
        private final String sentence;

        Task(String title, String sentence) {
            this.title = title;
            this.sentence = sentence;
        }
    }

    private final Session session;
    private final Dialogs ask;
    private final VBox fields = new VBox(8);
    private final VBox said = new VBox(3);
    private final List<Path> files = new ArrayList<>();
    private Task task = Task.SPLIT;
    private boolean busy;

    public RepackPage(Session session, Dialogs ask, Runnable close) {
        this.session = session;
        this.ask = ask;
        setId("repack");
        DropPlace.on(this, WORDS.say("addToWhatIsSplitJoinedOr"), files -> files.forEach(this::add));
        getStyleClass().addAll("receipt", "hand-over");
        Label title = new Label(WORDS.say("moviesAsTheyArePacked"));
        title.getStyleClass().add("receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(title, Parts.space(), Parts.button("close-repack", WORDS.say("backToThePicture"), close));
        head.getStyleClass().add("receipt-head");
        fields.getStyleClass().add("hand-over-fields");
        said.setId("repack-said");
        ScrollPane scroll = new ScrollPane(fields);
        scroll.setFitToWidth(true);
        setTop(head);
        setCenter(scroll);
        show();
    }

    /** One more movie; where only one is worked on, it takes the other's place. */
    public void add(Path file) {
        if (task != Task.JOIN) {
            files.clear();
        }
        if (Files.isRegularFile(file) && !files.contains(file)) {
            files.add(file);
        }
        show();
    }

    public void remove(Path file) {
        files.remove(file);
        show();
    }

    private void show() {
        List<Node> rows = new ArrayList<>();
        rows.add(field("Do", task.sentence, choice("repack", Task.values(), task, t -> t.title, t -> {
            task = t;
            while (task != Task.JOIN && files.size() > 1) {
                files.removeLast();
            }
            said.getChildren().clear();
            show();
        })));
        rows.add(field(task == Task.JOIN ? WORDS.say("parts") : WORDS.say("movie"), "", chosen()));
        if (!files.isEmpty()) {
            rows.addAll(switch (task) {
                case SPLIT -> split();
                case JOIN -> join();
                case REWRAP -> rewrap();
                case RECOVER -> recover();
            });
        }
        rows.add(said);
        fields.getChildren().setAll(rows);
    }

    private Node chosen() {
        VBox list = new VBox(3);
        for (int i = 0; i < files.size(); i++) {
            Path file = files.get(i);
            int index = i;
            Label name = Parts.label(file.getFileName().toString(), "mono");
            HBox row = Parts.row(name, Parts.label(String.valueOf(file.getParent()), "note"));
            if (task == Task.JOIN) {
                Button up = Parts.small("part-up-" + i, WORDS.say("earlier"), () -> {
                    files.add(index - 1, files.remove(index));
                    show();
                });
                up.setDisable(i == 0);
                row.getChildren().addAll(up, Parts.small("part-out-" + i, WORDS.say("remove"), () -> {
                    files.remove(index);
                    show();
                }));
            }
            list.getChildren().add(row);
        }
        list.getChildren().add(Parts.small("repack-choose", task == Task.JOIN ? WORDS.say("anotherPart") : WORDS.say("chooseAMovie"),
                () -> ask.file("A movie", WORDS.say("movies"), FileKind.movieExtensions()).ifPresent(this::add)));
        return list;
    }

    // ---- split

    private List<Node> split() {
        TextField every = text("split-every", "10", 5, _ -> {});
        TextField marks = text("split-marks", "", 12, _ -> {});
        return List.of(
                field(WORDS.say("pieces"), WORDS.say("eitherSoLongEachOrBeginning"), named("seconds", every),
                        named(WORDS.say("orAtFrames"), marks)),
                act(WORDS.say("splitIt"),
                        () -> new RepackOrder.Split(files.getFirst().toString(), String.valueOf(files.getFirst().getParent()),
                                marks.getText().isBlank() ? Rational.parse(every.getText()) : null,
                                marks.getText().isBlank() ? List.of()
                                        : Arrays.stream(marks.getText().strip().split("[ ,]+")).map(t -> Fields.whole(t, 1)).toList())));
    }

    // ---- join

    private List<Node> join() {
        TextField name = text("join-name", beside(files.getFirst(), "_joined"), 22, _ -> {});
        return List.of(field(WORDS.say("newFile"), WORDS.say("besideTheFirstPartItsEnding"), name),
                act(WORDS.say("joinThem"), () -> new RepackOrder.Join(files.stream().map(Path::toString).toList(), target(name))));
    }

    // ---- rewrap

    private List<Node> rewrap() {
        TextField name = text("rewrap-name", beside(files.getFirst(), "_new"), 22, _ -> {});
        TextField from = text("rewrap-from", "", 5, _ -> {});
        TextField to = text("rewrap-to", "", 5, _ -> {});
        TextField aspect = text("rewrap-aspect", "", 5, _ -> {});
        TextField colours = text("rewrap-colours", "", 9, _ -> {});
        CheckBox silent = Controls.check(WORDS.say("withoutItsSound"));
        silent.setId("rewrap-silent");
        Path[] sound = {null};
        Button other = Parts.small("rewrap-sound", WORDS.say("anotherSound"), () -> {});
        other.setOnAction(_ -> ask.file(WORDS.say("theSoundThatGoesAlong"), WORDS.say("soundsAndMovies"), List.of("*")).ifPresent(s -> {
            sound[0] = s;
            other.setText(s.getFileName().toString());
        }));
        return List.of(field(WORDS.say("newFile"), WORDS.say("itsEndingSaysTheContainer"), name),
                field(WORDS.say("ends"), WORDS.say("framesFrom0BothIncluded"), named("from", from), named("to", to)),
                field(WORDS.say("sound"), WORDS.say("theOtherOneIsTakenAsItIs"), silent, other),
                field(WORDS.say("state"), WORDS.say("coloursRec709Rec601625Rec601"),
                        named("pixels", aspect), named("colours", colours)),
                act(WORDS.say("writeIt"),
                        () -> new RepackOrder.Rewrap(files.getFirst().toString(), target(name), frame(from), frame(to),
                                sound[0] == null ? null : sound[0].toString(), silent.isSelected(),
                                aspect.getText().isBlank() ? null : PixelAspect.parse(aspect.getText()),
                                colours.getText().isBlank() ? null : colours.getText().strip())));
    }

    private static Long frame(TextField field) {
        return field.getText().isBlank() ? null : Long.valueOf(Fields.whole(field.getText(), 0));
    }

    // ---- recover

    private List<Node> recover() {
        TextField name = text("recover-name", beside(files.getFirst(), "_recovered"), 22, _ -> {});
        TextField rate = text("recover-rate", "25", 6, _ -> {});
        return List.of(field(WORDS.say("newFile"), "", name),
                field(WORDS.say("rate"), WORDS.say("forAMovieThatDoesntSayIt"), named(WORDS.say("framesASecond"), rate)),
                act(WORDS.say("recoverIt"),
                        () -> new RepackOrder.Recover(files.getFirst().toString(), target(name), Rate.parse(rate.getText()))));
    }

    // ---- all of them

    private interface Wish {
        /** @throws IllegalArgumentException in words, if it can't be understood */
        RepackOrder order();
    }

    private Node act(String title, Wish wish) {
        Button button = Parts.button("repack-go", title, () -> {});
        button.setDisable(busy || task == Task.JOIN && files.size() < 2);
        button.setOnAction(_ -> {
            try {
                RepackOrder order = wish.order();
                busy = true;
                button.setDisable(true);
                tell("Working\u2026");
                session.handOver().repack(order, this::tell, made -> {
                    busy = false;
                    button.setDisable(false);
                    said.getChildren().add(Parts.small("repack-reveal", WORDS.say("showFolder"), () -> ask.reveal(made.getFirst())));
                }, () -> {
                    busy = false;
                    button.setDisable(false);
                });
            } catch (IllegalArgumentException e) {
                tell(e.getMessage() + ".");
            }
        });
        return field("", "", button);
    }

    private void tell(String words) {
        said.getChildren().setAll(words.lines().map(l -> (Node) Parts.wrapped(l, "note")).toList());
    }

    private static String beside(Path file, String what) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot < 0 ? name + what : name.substring(0, dot) + what + name.substring(dot);
    }

    private String target(TextField name) {
        return files.getFirst().resolveSibling(name.getText().strip()).normalize().toString();
    }
}
