package dev.vat.desktop.picture;

import dev.vat.desktop.band.ComparedStrip;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.Side;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.layout.Pane;

/** The picture held against another one, in step: begun, ended and told of. */
public final class PictureComparison {

    private final CompareBar bar;
    private final SecondPicture second;
    private final Player player;
    private final Pane above;
    private final Supplier<Side> main;
    private final Runnable again;
    private Runnable onChange = () -> {};

    /** @param above where its bar comes @param main what is shown @param again told to show it anew */
    PictureComparison(CompareBar bar, SecondPicture second, Player player, Pane above, Supplier<Side> main, Runnable again) {
        this.bar = bar;
        this.second = second;
        this.player = player;
        this.above = above;
        this.main = main;
        this.again = again;
    }

    /** Told when more of a comparison was measured, or when it begins or ends. */
    public void setOnChange(Runnable listener) {
        onChange = listener;
    }

    /** Holds what is shown against another picture. */
    public void begin(Side other) {
        if (player.strip() == null) {
            return;
        }
        if (!above.getChildren().contains(bar)) {
            above.getChildren().add(bar);
        }
        bar.start(main.get(), other);
        bar.setPlace(player.place());
        again.run();
        onChange.run();
    }

    /** Shows one picture again. */
    public void end() {
        if (bar.isGoing()) {
            bar.stop();
            above.getChildren().remove(bar);
            again.run();
            onChange.run();
        }
    }

    /** Something else is shown. */
    void follow() {
        if (player.strip() == null) {
            end();
        } else if (bar.isGoing()) {
            bar.setMain(main.get());
        }
    }

    void measured() {
        onChange.run();
    }

    /** What is done with the two pictures; empty while there is one. */
    public Optional<CompareBar> bar() {
        return bar.isGoing() ? Optional.of(bar) : Optional.empty();
    }

    /** Turns the line of a wipe. @param degrees clockwise */
    public void turnWipe(double degrees) {
        second.turn(degrees);
        again.run();
    }

    /** What the band shows: with how like each frame is to the other one. */
    public FrameTrack onBand(FrameTrack strip) {
        return strip != null && bar.isGoing() ? new ComparedStrip(strip, bar.likeness(), bar.likeness().size()) : strip;
    }
}
