package dev.vat.desktop.session;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.engine.standin.SceneProcess;
import dev.vat.protocol.feed.FeedException;
import dev.vat.protocol.feed.FeedPicture;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.SceneFeed;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;

/**
 * Scenes that run on this machine: looked for every second, asked what they hold, and what their cameras see. Called on the interface's
 * thread.
 */
public final class Scenes {

    private static final Words WORDS = Words.of(Scenes.class);

    private static final long LOOK_MILLIS = 1000;
    private static final long AGAIN_MILLIS = 3000;
    private static final int THUMBNAIL_ROWS = 108;
    /** A test frame that takes no longer is drawn twice to foretell the time of all. */
    private static final double QUICK_SECONDS = 1;

    private final Session session;
    private final Places places;
    private final Executor background;
    private final Executor ui;
    private final Map<SceneNotice, LiveScene> live = new LinkedHashMap<>();
    private SceneProcess own;
    private boolean starting;
    private boolean looking;
    private volatile boolean closed;
    private Tested tested;

    /**
     * One frame of a camera that was drawn to see what comes of the wish.
     *
     * @param picture null while it is being drawn
     * @param seconds that it took
     * @param trouble why there is none, or null
     */
    public record Tested(CaptureWish wish, FeedPicture picture, double seconds, String trouble) {}

    Scenes(Session session, Places places, Executor background, Executor ui) {
        this.session = session;
        this.places = places;
        this.background = background;
        this.ui = ui;
    }

    public List<LiveScene> all() {
        return List.copyOf(live.values());
    }

    public boolean isStarting() {
        return starting;
    }

    /** From now on scenes are looked for. */
    public void look() {
        if (!looking) {
            looking = true;
            tick();
        }
    }

    private void tick() {
        background.execute(() -> {
            List<SceneNotice> found = SceneNotice.in(places.scenes());
            ui.execute(() -> found(found));
            try {
                Thread.sleep(LOOK_MILLIS);
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return;
            }
            ui.execute(() -> {
                if (!closed) {
                    tick();
                }
            });
        });
    }

    private void found(List<SceneNotice> found) {
        boolean changed = live.keySet().retainAll(found);
        for (SceneNotice notice : found) {
            if (!live.containsKey(notice)) {
                LiveScene scene = new LiveScene(notice);
                live.put(notice, scene);
                background.execute(() -> talk(scene));
                changed = true;
            }
        }
        if (changed) {
            session.changed();
        }
    }

    /** Stays with a scene for as long as it is there; one that ended the talk is asked again after a while. */
    private void talk(LiveScene scene) {
        try {
            while (scene.notice.isThere() && !closed) {
                listen(scene);
                Thread.sleep(AGAIN_MILLIS);
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    /** Asks whenever the scene says that it is another one, until it hangs up. */
    private void listen(LiveScene scene) throws InterruptedException {
        // The feed's own thread tells of changes: what is asked because of them is asked here.
        BlockingQueue<Long> changes = new LinkedBlockingQueue<>();
        changes.add(0L);
        try (SceneFeed feed = SceneFeed.connect(scene.notice, changes::add)) {
            while (scene.notice.isThere() && !closed) {
                if (changes.poll(LOOK_MILLIS, TimeUnit.MILLISECONDS) != null) {
                    ask(scene, feed);
                }
                feed.requireGoing();
            }
        } catch (IOException e) {
            ui.execute(() -> {
                scene.trouble = e.getMessage();
                session.changed();
            });
        }
    }

    private void ask(LiveScene scene, SceneFeed feed) throws IOException, InterruptedException {
        SceneFacts facts = feed.describe();
        ui.execute(() -> {
            scene.facts = facts;
            scene.trouble = null;
            scene.wishes.keySet().removeIf(id -> facts.camera(id).isEmpty());
            session.changed();
        });
        for (CameraFacts camera : facts.cameras()) {
            FrameRange keyed = camera.keyed() == null ? facts.timeline() : camera.keyed();
            CaptureWish usual = CaptureWish.of(facts, camera);
            Size size = Size.of(Math.max(1, facts.size().width() * THUMBNAIL_ROWS / facts.size().height()), THUMBNAIL_ROWS);
            long middle = (keyed.first() + keyed.last()) / 2;
            Question.Frame question = new Question.Frame(0, camera.id(), middle, usual.run(middle - usual.range().first()), size.width(),
                    size.height(), usual.shading(), usual.classes(), null, null);
            try {
                FeedPicture picture = feed.picture(question, facts, places.scratch());
                ui.execute(() -> {
                    scene.unseen.remove(camera.id());
                    scene.pictures.put(camera.id(), picture);
                    session.changed();
                });
            } catch (FeedException e) {
                // One camera that can't be seen is no reason to do without the others; a talk that is over is.
                feed.requireGoing();
                ui.execute(() -> {
                    scene.pictures.remove(camera.id());
                    scene.unseen.put(camera.id(), e.getMessage());
                    session.changed();
                });
            }
        }
    }

    public void setWish(LiveScene scene, CaptureWish wish) {
        scene.wishes.put(wish.camera(), wish);
        session.changed();
    }

    /** Draws one frame as a wish has it, to see what it will look like and how long it takes. @param frame of the scene */
    public void test(LiveScene scene, CaptureWish wish, long frame) {
        SceneFacts facts = scene.facts;
        tested = new Tested(wish, null, 0, null);
        session.changed();
        background.execute(() -> {
            Tested result;
            try (SceneFeed feed = SceneFeed.connect(scene.notice, _ -> {})) {
                long since = System.nanoTime();
                FeedPicture picture = feed.picture(question(wish, frame), facts, places.scratch());
                double first = (System.nanoTime() - since) / 1e9;
                result = new Tested(wish, picture, first < QUICK_SECONDS ? usual(first, feed, facts, wish, frame) : first, null);
            } catch (IOException e) {
                result = new Tested(wish, null, 0, e.getMessage());
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return;
            }
            Tested told = result;
            ui.execute(() -> {
                tested = told;
                session.changed();
            });
        });
    }

    private static Question.Frame question(CaptureWish wish, long frame) {
        return new Question.Frame(0, wish.camera(), frame, wish.leadIn() + Math.max(0, frame - wish.range().first()), wish.size().width(),
                wish.size().height(), wish.shading(), wish.classes(), null, null);
    }

    /**
     * What a scene does for the first time takes longer than what follows: the seconds of the frame beside it, where that can be had and
     * takes less.
     */
    private double usual(double first, SceneFeed feed, SceneFacts facts, CaptureWish wish, long frame)
            throws IOException, InterruptedException {
        long other = frame < wish.range().last() ? frame + 1 : frame - 1;
        if (!wish.range().contains(other)) {
            return first;
        }
        long since = System.nanoTime();
        try {
            feed.picture(question(wish, other), facts, places.scratch());
            return Math.min(first, (System.nanoTime() - since) / 1e9);
        } catch (FeedException e) {
            feed.requireGoing();
            return first;
        }
    }

    /** What the last test frame of a wish showed. */
    public Optional<Tested> tested(CaptureWish wish) {
        return Optional.ofNullable(tested).filter(t -> t.wish.equals(wish));
    }

    /** Starts the scene that ships with Vat, as a process of its own. */
    public void startStandIn() {
        if (starting || own != null) {
            return;
        }
        starting = true;
        look();
        session.changed();
        background.execute(() -> {
            try {
                SceneProcess started = SceneProcess.start(places, loss -> ui.execute(() -> {
                    own = null;
                    session.fail(WORDS.say("theStandInSceneHasGone", loss.why()));
                }));
                ui.execute(() -> {
                    starting = false;
                    own = started;
                    session.changed();
                });
            } catch (IOException e) {
                ui.execute(() -> {
                    starting = false;
                    session.fail(WORDS.say("theStandInSceneCantBeStarted", e.getMessage()));
                });
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** The stand-in that this window has started, if there is one. */
    public Optional<SceneProcess> standIn() {
        return Optional.ofNullable(own);
    }

    void close() {
        closed = true;
        if (own != null) {
            own.close();
        }
    }
}
