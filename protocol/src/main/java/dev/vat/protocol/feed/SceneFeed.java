package dev.vat.protocol.feed;

import dev.vat.core.preview.SceneFacts;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongConsumer;

/**
 * Vat's end of the talk with a scene. Nothing that a scene does makes it hang: who says nothing for too long, sends what can't be
 * understood or what wasn't asked for, ends the talk or the question with the reason in words.
 */
public final class SceneFeed implements AutoCloseable {

    private static final Words WORDS = Words.of(SceneFeed.class);

    /** A scene that draws says so every few seconds. */
    private static final Duration USUAL_PATIENCE = Duration.ofSeconds(20);
    private static final Duration TO_CONNECT = Duration.ofSeconds(3);

    private final FeedWire wire;
    private final Duration patience;
    private final LongConsumer changed;
    private final AtomicLong ids = new AtomicLong();
    private final Map<Long, Asked> open = new ConcurrentHashMap<>();
    private volatile FeedException ended;
    private String name = WORDS.say("theScene");

    /** A question that waits for its answer. @param frame null unless it is for a picture */
    private record Asked(Question.Frame frame, CompletableFuture<Object> answer) {}

    private SceneFeed(Socket socket, Duration patience, LongConsumer changed) throws IOException {
        this.wire = new FeedWire(socket);
        this.patience = patience;
        this.changed = changed;
    }

    /** With as much patience as the protocol promises scenes. */
    public static SceneFeed connect(SceneNotice notice, LongConsumer changed) throws IOException {
        return connect(notice, USUAL_PATIENCE, changed);
    }

    /**
     * @param patience how long a scene may be silent while something is asked of it
     * @param changed told, on a thread of the feed's own, of each new revision that the scene says it has
     * @throws FeedException with the reason in words
     */
    static SceneFeed connect(SceneNotice notice, Duration patience, LongConsumer changed) throws IOException {
        Socket socket = new Socket();
        try {
            socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), notice.port()), (int) TO_CONNECT.toMillis());
            socket.setSoTimeout((int) patience.toMillis());
            SceneFeed feed = new SceneFeed(socket, patience, changed);
            feed.name = notice.scene();
            feed.greet(notice.token());
            Thread.ofPlatform().daemon().name("scene-feed").start(feed::listen);
            return feed;
        } catch (FeedException e) {
            socket.close();
            throw e;
        } catch (IOException e) {
            socket.close();
            throw new FeedException(
                    WORDS.say("cantBeReached", notice.scene(),
                            (e instanceof SocketTimeoutException ? WORDS.say("itDoesntAnswer") : e.getMessage())),
                    e);
        }
    }

    private void greet(String token) throws IOException {
        wire.write(new Question.Hello(0, Question.FEED, token));
        switch (wire.read(Answer.class).orElseThrow(() -> new FeedException(WORDS.say("hungUp", name)))) {
            case Answer.Welcome welcome when welcome.feed() == Question.FEED -> {}
            case Answer.Welcome welcome -> throw new FeedException(
                    WORDS.say("speaksVersionOfTheFeedThis", name, welcome.feed(), Question.FEED));
            case Answer.Refused refused -> throw new FeedException(WORDS.say("sentUsAway", name, refused.why()));
            case Answer other -> throw new FeedException(WORDS.say("greetedWith", name, other.getClass().getSimpleName()));
        }
    }

    private void listen() {
        FeedException why;
        try {
            while (true) {
                Optional<Answer> next;
                try {
                    next = wire.read(Answer.class);
                } catch (SocketTimeoutException e) {
                    if (open.isEmpty()) {
                        // Nobody asks, so nobody has to answer.
                        continue;
                    }
                    why = new FeedException(WORDS.say("hasSaidNothingForS", name, patience.toSeconds()), e);
                    break;
                }
                if (next.isEmpty()) {
                    why = new FeedException(WORDS.say("hasGone", name));
                    break;
                }
                take(next.get());
            }
        } catch (FeedException e) {
            why = e;
        } catch (IOException e) {
            why = new FeedException(WORDS.say("hasGone2", name, (e.getMessage() == null ? "" : " (" + e.getMessage() + ")")), e);
        }
        end(why);
    }

    private void end(FeedException why) {
        if (ended == null) {
            ended = why;
        }
        open.values().forEach(asked -> asked.answer.completeExceptionally(ended));
        open.clear();
        try {
            wire.close();
        } catch (IOException _) {
            // It is gone already.
        }
    }

    private void take(Answer answer) throws IOException {
        switch (answer) {
            case Answer.Changed now -> changed.accept(now.revision());
            case Answer.Busy _ -> {}
            case Answer.Picture picture -> picture(picture);
            case Answer.Filed filed -> answered(filed.id()).ifPresent(asked -> {
                if (asked.frame == null || asked.frame.into() == null) {
                    asked.answer.completeExceptionally(new FeedException(WORDS.say("wroteAFileThatNobodyAsked", name)));
                } else {
                    complete(asked, FeedPicture.filed(filed));
                }
            });
            case Answer.Scene scene -> answered(scene.id()).ifPresent(asked -> asked.answer.complete(scene.scene()));
            case Answer.Refused refused -> answered(refused.id())
                    .ifPresent(asked -> asked.answer.completeExceptionally(new FeedException(name + ": " + refused.why())));
            case Answer.Welcome _ -> throw new FeedException(WORDS.say("greetedTwice", name));
        }
    }

    private Optional<Asked> answered(long id) {
        return Optional.ofNullable(open.remove(id));
    }

    private void picture(Answer.Picture picture) throws IOException {
        Asked asked = open.get(picture.id());
        if (asked == null || asked.frame == null) {
            // One that was cancelled: its bytes are in the way.
            if (picture.bytes() < 0 || picture.bytes() > Integer.MAX_VALUE) {
                throw new FeedException(WORDS.say("sendsBytesThatNobodyAsked", name, picture.bytes()));
            }
            wire.skip(picture.bytes());
            return;
        }
        RawFormat format = picture.format();
        long wanted = format == null ? 0 : format.bytes(asked.frame.width(), asked.frame.height());
        if (format == null || picture.bytes() != wanted) {
            // What follows can't be told from the next answer.
            throw new FeedException(WORDS.say("sentFrameAsXOfBytesWhere", name, asked.frame.frame(), picture.width(), picture.height(),
                    format, picture.bytes(), asked.frame.width(), asked.frame.height(), wanted));
        }
        byte[] samples = wire.bytes((int) wanted);
        answered(picture.id())
                .ifPresent(a -> complete(a, new FeedPicture(picture.frame(), picture.width(), picture.height(), format, samples)));
    }

    private void complete(Asked asked, FeedPicture picture) {
        if (picture.width() != asked.frame.width() || picture.height() != asked.frame.height()) {
            asked.answer.completeExceptionally(new FeedException(WORDS.say("drewFrameAsXWhereXWasAsked", name, asked.frame.frame(),
                    picture.width(), picture.height(), asked.frame.width(), asked.frame.height())));
        } else if (picture.frame() != asked.frame.frame()) {
            asked.answer.completeExceptionally(
                    new FeedException(WORDS.say("sentFrameWhereWasAskedFor", name, picture.frame(), asked.frame.frame())));
        } else {
            asked.answer.complete(picture);
        }
    }

    private CompletableFuture<Object> ask(long id, Question question, Question.Frame frame) {
        Asked asked = new Asked(frame, new CompletableFuture<>());
        open.put(id, asked);
        try {
            wire.write(question);
        } catch (IOException e) {
            open.remove(id);
            asked.answer.completeExceptionally(ended != null ? ended : new FeedException(WORDS.say("hasGone", name), e));
        }
        if (ended != null) {
            asked.answer.completeExceptionally(ended);
        }
        return asked.answer;
    }

    /** Waits for what the scene says of itself. */
    public SceneFacts describe() throws IOException, InterruptedException {
        long id = ids.incrementAndGet();
        SceneFacts facts = (SceneFacts) await(ask(id, new Question.Scene(id), null));
        if (facts == null) {
            throw new FeedException(WORDS.say("saysNothingOfItself", name));
        }
        return facts;
    }

    /** Asks for a picture; several may be asked for before the first one is there. */
    public CompletableFuture<FeedPicture> frame(Question.Frame wanted) {
        long id = ids.incrementAndGet();
        Question.Frame frame = wanted.withId(id);
        CompletableFuture<FeedPicture> picture = ask(id, frame, frame).thenApply(FeedPicture.class::cast);
        picture.whenComplete((_, _) -> {
            if (picture.isCancelled() && open.remove(id) != null) {
                try {
                    wire.write(new Question.Cancel(ids.incrementAndGet(), id));
                } catch (IOException _) {
                    // A scene that is gone draws nothing anyway.
                }
            }
        });
        return picture;
    }

    /**
     * Waits for a picture with its samples, from scenes that write files too.
     *
     * @param scratch folder in which such a scene writes it; it is gone when this returns
     * @throws IOException with the reason in words
     */
    public FeedPicture picture(Question.Frame wanted, SceneFacts scene, Path scratch) throws IOException, InterruptedException {
        if (!scene.files()) {
            return await(frame(wanted));
        }
        Files.createDirectories(scratch);
        Path folder = Files.createTempDirectory(scratch, "feed-");
        try {
            Path file = folder.resolve(wanted.frame() + ".png");
            return FiledPicture.read(file, await(frame(wanted.into(file.toString()))), name);
        } finally {
            Durable.deleteTree(folder);
        }
    }

    /** @throws FeedException with the reason in words, if the talk is over */
    public void requireGoing() throws FeedException {
        if (ended != null) {
            throw ended;
        }
    }

    /** Waits for an answer. @throws IOException with the reason in words */
    public static <T> T await(CompletableFuture<T> answer) throws IOException, InterruptedException {
        try {
            return answer.get();
        } catch (ExecutionException e) {
            Throwable cause = e.getCause();
            throw cause instanceof IOException io ? io : new IOException(cause.getMessage(), cause);
        }
    }

    @Override
    public void close() {
        end(new FeedException(WORDS.say("theTalkWithIsOver", name)));
    }
}
