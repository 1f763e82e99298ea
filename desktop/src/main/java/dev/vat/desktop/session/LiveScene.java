package dev.vat.desktop.session;

import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.SceneFacts;
import dev.vat.protocol.feed.FeedPicture;
import dev.vat.protocol.feed.SceneNotice;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** A scene that runs on this machine, with what is known of it and what somebody wishes of its cameras. */
public final class LiveScene {

    final SceneNotice notice;
    final Map<String, FeedPicture> pictures = new HashMap<>();
    final Map<String, String> unseen = new HashMap<>();
    final Map<String, CaptureWish> wishes = new HashMap<>();
    SceneFacts facts;
    String trouble;

    LiveScene(SceneNotice notice) {
        this.notice = notice;
    }

    public String name() {
        return notice.scene();
    }

    public SceneNotice notice() {
        return notice;
    }

    /** What it says of itself; empty until it has said it. */
    public Optional<SceneFacts> facts() {
        return Optional.ofNullable(facts);
    }

    /** Why nothing can be had of it, in words. */
    public Optional<String> trouble() {
        return Optional.ofNullable(trouble);
    }

    /** What a camera sees in the middle of its frames. */
    public Optional<FeedPicture> picture(String camera) {
        return Optional.ofNullable(pictures.get(camera));
    }

    /** Why there is no such picture, in words. */
    public Optional<String> unseen(String camera) {
        return Optional.ofNullable(unseen.get(camera));
    }

    /** What is to be captured of a camera. */
    public CaptureWish wish(CameraFacts camera) {
        return wishes.computeIfAbsent(camera.id(), _ -> CaptureWish.of(facts, camera));
    }
}
