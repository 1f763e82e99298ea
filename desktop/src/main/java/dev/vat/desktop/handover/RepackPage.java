package dev.vat.desktop.handover;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
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

    private enum Task {
        SPLIT("Split", "One movie into pieces, where frames stand alone. Joined again they are the same."),
        JOIN("Join", "Parts of one file, in their order. What they share or lack is found by their pictures; a broken one is cut at "
                + "its last whole frame."),
        REWRAP("Re-wrap", "Another container, other ends, another sound or other tags. Every packet stays as it is, unless tags "
                + "inside of it change."),
        RECOVER("Recover", "What stands whole in a broken movie, into a new file. The broken one stays as it is.");

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
        DropPlace.on(this, "Add to what is split, joined or rewrapped", files -> files.forEach(this::add));
        getStyleClass().addAll("receipt", "hand-over");
        Label title = new Label("Movies as they are packed");
        title.getStyleClass().add("receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(title, Parts.space(), Parts.button("close-repack", "Back to the picture", close));
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
        rows.add(field(task == Task.JOIN ? "Parts" : "Movie", "", chosen()));
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
                Button up = Parts.small("part-up-" + i, "Earlier", () -> {
                    files.add(index - 1, files.remove(index));
                    show();
                });
                up.setDisable(i == 0);
                row.getChildren().addAll(up, Parts.small("part-out-" + i, "Remove", () -> {
                    files.remove(index);
                    show();
                }));
            }
            list.getChildren().add(row);
        }
        list.getChildren().add(Parts.small("repack-choose", task == Task.JOIN ? "Another part\u2026" : "Choose a movie\u2026",
                () -> ask.file("A movie", "Movies", FileKind.movieExtensions()).ifPresent(this::add)));
        return list;
    }

    // ---- split

    private List<Node> split() {
        TextField every = text("split-every", "10", 5, _ -> {});
        TextField marks = text("split-marks", "", 12, _ -> {});
        return List.of(field("Pieces", "Either so long each, or beginning with these frames, counted from 0. The nearest frame before "
                + "that stands alone begins one.", named("seconds", every), named("or at frames", marks)),
                act("Split it",
                        () -> new RepackOrder.Split(files.getFirst().toString(), String.valueOf(files.getFirst().getParent()),
                                marks.getText().isBlank() ? Rational.parse(every.getText()) : null,
                                marks.getText().isBlank() ? List.of()
                                        : Arrays.stream(marks.getText().strip().split("[ ,]+")).map(t -> Fields.whole(t, 1)).toList())));
    }

    // ---- join

    private List<Node> join() {
        TextField name = text("join-name", beside(files.getFirst(), "_joined"), 22, _ -> {});
        return List.of(field("New file", "Beside the first part; its ending says the container.", name),
                act("Join them", () -> new RepackOrder.Join(files.stream().map(Path::toString).toList(), target(name))));
    }

    // ---- rewrap

    private List<Node> rewrap() {
        TextField name = text("rewrap-name", beside(files.getFirst(), "_new"), 22, _ -> {});
        TextField from = text("rewrap-from", "", 5, _ -> {});
        TextField to = text("rewrap-to", "", 5, _ -> {});
        TextField aspect = text("rewrap-aspect", "", 5, _ -> {});
        TextField colours = text("rewrap-colours", "", 9, _ -> {});
        CheckBox silent = Controls.check("Without its sound");
        silent.setId("rewrap-silent");
        Path[] sound = {null};
        Button other = Parts.small("rewrap-sound", "Another sound\u2026", () -> {});
        other.setOnAction(_ -> ask.file("The sound that goes along", "Sounds and movies", List.of("*")).ifPresent(s -> {
            sound[0] = s;
            other.setText(s.getFileName().toString());
        }));
        return List.of(field("New file", "Its ending says the container: mp4, mov, mkv, webm, avi or mxf.", name),
                field("Ends", "Frames from 0, both included; nothing for all.", named("from", from), named("to", to)),
                field("Sound", "The other one is taken as it is packed.", silent, other),
                field("State", "Colours: rec709, rec601-625, rec601-525, rec2020-pq, rec2020-hlg or srgb. Nothing for what is stated now.",
                        named("pixels", aspect), named("colours", colours)),
                act("Write it",
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
        return List.of(field("New file", "", name),
                field("Rate", "For a movie that doesn't say it any more.", named("frames a second", rate)),
                act("Recover it", () -> new RepackOrder.Recover(files.getFirst().toString(), target(name), Rate.parse(rate.getText()))));
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
                    said.getChildren().add(Parts.small("repack-reveal", "Show folder", () -> ask.reveal(made.getFirst())));
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
