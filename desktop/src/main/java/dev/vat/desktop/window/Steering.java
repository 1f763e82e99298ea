package dev.vat.desktop.window;

import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.picture.PictureArea;
import dev.vat.desktop.session.Session;
import java.util.Optional;

/** Works the window from outside, as presses do, and reads what came of it: for what isn't a person, such as a tour that makes pictures. */
public final class Steering {

    private final Session session;
    private final Player player;
    private final PictureArea picture;
    private final SheetPane sheet;
    private final Navigation navigation;

    Steering(Session session, Player player, PictureArea picture, SheetPane sheet, Navigation navigation) {
        this.session = session;
        this.player = player;
        this.picture = picture;
        this.sheet = sheet;
        this.navigation = navigation;
    }

    /** What plays, once a frame of it is on the screen. */
    public Optional<String> playing() {
        return Optional.ofNullable(player.strip()).filter(_ -> player.isPlaying() && picture.isShowing()).map(FrameTrack::title);
    }

    /** Holds the picture against what the menu offers under an id. */
    public void compare(String offered) {
        new CompareMenu(session, picture.comparison()::begin).choose(offered);
    }

    /** Whether a comparison that goes on has been measured through; so is none. */
    public boolean isMeasured() {
        return picture.comparison().bar().map(CompareBar::isMeasured).orElse(true);
    }

    /** Whether the waveform of what is heard is drawn; so is none. */
    public boolean isSoundDrawn() {
        return picture.isSoundDrawn();
    }

    /** Chooses a source by its id, as a press on its row does. */
    public void selectSource(String id) {
        navigation.choose(id);
    }

    /** Chooses an item of the reel by its place, or with -1 the whole reel, as a press on its row does. */
    public void selectItem(int place) {
        sheet.chooseItem(place);
    }

    /** Opens a group of the settings of what is chosen. */
    public void openGroup(String id) {
        sheet.open(id);
    }
}
