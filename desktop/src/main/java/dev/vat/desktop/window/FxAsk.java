package dev.vat.desktop.window;

import dev.vat.core.picture.Rgb;
import dev.vat.core.product.OperatingSystem;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Dialogs;
import dev.vat.engine.project.ProjectFile;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Control;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The system's own dialogs. */
public final class FxAsk implements Dialogs {

    private static final Words WORDS = Words.of(FxAsk.class);

    private static final Insets ROUND_ANSWER = new Insets(8, 12, 4, 12);
    private static final Logger LOG = LoggerFactory.getLogger(FxAsk.class);

    private final Window owner;

    public FxAsk(Window owner) {
        this.owner = owner;
    }

    @Override
    public Optional<Path> folder(String title, Path from) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(title);
        for (Path at = from; at != null; at = at.getParent()) {
            if (Files.isDirectory(at)) {
                chooser.setInitialDirectory(at.toFile());
                break;
            }
        }
        return Optional.ofNullable(chooser.showDialog(owner)).map(File::toPath);
    }

    @Override
    public List<Path> frames(String title) {
        return folder(title, null).map(List::of).orElse(List.of());
    }

    @Override
    public List<Path> files(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        List<File> chosen = chooser.showOpenMultipleDialog(owner);
        return chosen == null ? List.of() : chosen.stream().map(File::toPath).toList();
    }

    @Override
    public Optional<Path> project(String title) {
        return Optional.ofNullable(projects(title).showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> saveProject(String title, String name) {
        FileChooser chooser = projects(title);
        chooser.setInitialFileName(name + ProjectFile.EXTENSION);
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath).map(FxAsk::withExtension);
    }

    private static Path withExtension(Path path) {
        return path.toString().endsWith(ProjectFile.EXTENSION) ? path : path.resolveSibling(path.getFileName() + ProjectFile.EXTENSION);
    }

    private static FileChooser projects(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(WORDS.say("vatProjects"), "*" + ProjectFile.EXTENSION));
        return chooser;
    }

    @Override
    public Optional<Path> save(String title, String name, String kind) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.setInitialFileName(name);
        String ending = name.substring(name.lastIndexOf('.'));
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, "*" + ending));
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath)
                .map(p -> p.toString().endsWith(ending) ? p : p.resolveSibling(p.getFileName() + ending));
    }

    @Override
    public Optional<Path> file(String title, String kind, List<String> endings) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, endings.stream().map(e -> "*." + e).toList()));
        return Optional.ofNullable(chooser.showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Rgb> colour(String title, Rgb now) {
        ColorPicker picker = new ColorPicker(Color.rgb(now.red(), now.green(), now.blue()));
        picker.setId("colour-picker");
        return asked(title, picker).map(_ -> {
            Color chosen = picker.getValue();
            return new Rgb((int) Math.round(chosen.getRed() * 255), (int) Math.round(chosen.getGreen() * 255),
                    (int) Math.round(chosen.getBlue() * 255));
        });
    }

    @Override
    public Optional<String> text(String title, String proposal) {
        TextField field = new TextField(proposal);
        field.setId("asked-text");
        field.setPrefColumnCount(36);
        return asked(title, field).map(_ -> field.getText().strip());
    }

    private Optional<ButtonType> asked(String title, Control answer) {
        Alert alert = new Alert(Alert.AlertType.NONE, "", ButtonType.CANCEL, ButtonType.OK);
        alert.initOwner(owner);
        alert.setTitle(title);
        alert.setHeaderText(title);
        VBox room = new VBox(answer);
        room.setPadding(ROUND_ANSWER);
        alert.getDialogPane().setContent(room);
        alert.setOnShown(_ -> answer.requestFocus());
        return alert.showAndWait().filter(ButtonType.OK::equals);
    }

    @Override
    public Leaving leaving() {
        ButtonType stop = new ButtonType(WORDS.say("stopNowGoOnLater"), ButtonBar.ButtonData.OK_DONE);
        ButtonType keep = new ButtonType(WORDS.say("keepWorking"), ButtonBar.ButtonData.CANCEL_CLOSE);
        Alert alert = new Alert(Alert.AlertType.NONE, WORDS.say("aRunIsGoingOnIfYouStopIt"), stop, keep);
        alert.initOwner(owner);
        alert.setTitle("Vat");
        return alert.showAndWait().filter(stop::equals).isPresent() ? Leaving.STOP : Leaving.KEEP_WORKING;
    }

    @Override
    public boolean reveal(Path path) {
        try {
            new ProcessBuilder(Reveal.command(path, OperatingSystem.here())).redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            return true;
        } catch (IOException e) {
            LOG.info("{} can't be shown", path, e);
            return false;
        }
    }
}
