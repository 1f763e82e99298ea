package dev.vat.desktop.window;

import dev.vat.core.preview.Preview;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.band.PreviewStrip;
import dev.vat.desktop.band.SourceStrip;
import dev.vat.desktop.compare.Side;
import dev.vat.desktop.picture.PictureArea;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.preview.StoryPage;
import dev.vat.desktop.session.Session;
import java.util.Optional;

/** What the window does with previews: plays a fresh one at once, shows those of a camera through time, holds two against each other. */
final class PreviewActs implements ScenesPane.CameraActions, StoryPage.StoryActions {

    /** The window around. */
    interface PreviewHost {
        void source(String id);

        void reel();

        void story(String scene, String camera);

        /** Shows something that is no source, at once. */
        void watch(FrameTrack strip, String title);

        /** Shows the picture again. */
        void picture();
    }

    private final Session session;
    private final Player player;
    private final PictureArea picture;
    private final PreviewHost window;
    /** A preview that is to be played as soon as it is there, or null. */
    private String fresh;

    PreviewActs(Session session, Player player, PictureArea picture, PreviewHost window) {
        this.session = session;
        this.player = player;
        this.picture = picture;
        this.window = window;
    }

    /** Frames of the scene that are selected on the band, where it shows a preview. */
    Optional<FrameRange> selected() {
        if (!player.hasLoopRange() || !(player.strip() instanceof SourceStrip shown) || session.previews().of(shown.source()).isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(FrameRange.of(shown.frame(player.first()), shown.frame(player.last())));
    }

    /** @param source that a preview is */
    void play(String source) {
        fresh = source;
        player.clearLoopRange();
        window.source(source);
    }

    /** Told of what is shown now. */
    void showing(FrameTrack strip) {
        if (fresh != null && strip instanceof SourceStrip shown && shown.source().id().equals(fresh) && strip.count() > 0
                && strip.size().isPresent()) {
            fresh = null;
            picture.playback().seek(0);
            if (!player.isPlaying()) {
                picture.playback().toggle();
            }
        }
    }

    @Override
    public void story(String scene, String camera) {
        window.story(scene, camera);
    }

    @Override
    public void director() {
        if (session.previews().reelForDirector()) {
            fresh = null;
            window.reel();
        }
    }

    @Override
    public void take(Preview preview) {
        session.previews().take(preview);
    }

    @Override
    public void compare(Preview first, Preview second) {
        window.watch(strip(first), first.file());
        picture.comparison().begin(new Side(strip(second), second.file(), null, null));
    }

    @Override
    public void close() {
        window.picture();
    }

    private PreviewStrip strip(Preview preview) {
        return new PreviewStrip(session.previews().movie(preview), preview);
    }
}
