package dev.vat.worker.standin;

import dev.vat.core.words.Words;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.feed.Answer;
import dev.vat.protocol.feed.FeedException;
import dev.vat.protocol.feed.FeedWire;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.scene.Drawing;
import dev.vat.scene.flats.MarramFlats;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The stand-in scene's end of the feed: listens on the loopback address, and tells everybody of this user's where. */
public final class StandInFeed implements AutoCloseable {

    private static final Words WORDS = Words.of(StandInFeed.class);

    private static final Logger LOG = LoggerFactory.getLogger(StandInFeed.class);
    private static final int TOKEN_BYTES = 16;
    private static final int GREETING_MILLIS = 5000;
    private static final int BUSY_SECONDS = 3;

    private final ServerSocket server;
    private final SceneNotice notice;
    private final Path posted;
    private final StandInBehaviour manners;
    private final ExecutorService drawing = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors(),
            Thread.ofPlatform().daemon().name("drawing-", 0).factory());
    private final ScheduledExecutorService signs = Executors
            .newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("busy").factory());
    private final Set<FeedWire> wires = ConcurrentHashMap.newKeySet();
    private volatile int take;
    private volatile boolean closed;

    private StandInFeed(ServerSocket server, Path folder, int take, StandInBehaviour manners) throws IOException {
        this.server = server;
        this.take = take;
        this.manners = manners;
        byte[] token = new byte[TOKEN_BYTES];
        new SecureRandom().nextBytes(token);
        notice = new SceneNotice(Question.FEED, MarramFlats.NAME, server.getLocalPort(), HexFormat.of().formatHex(token),
                ProcessHandle.current().pid());
        posted = notice.post(folder);
    }

    /** @param folder where scenes that run say how they are reached @param take how the kites are flown, from 1 */
    public static StandInFeed start(Path folder, int take, StandInBehaviour manners) throws IOException {
        StandInFeed feed = new StandInFeed(new ServerSocket(0, 0, InetAddress.getLoopbackAddress()), folder, take, manners);
        Thread.ofPlatform().daemon().name("stand-in").start(feed::listen);
        return feed;
    }

    public SceneNotice notice() {
        return notice;
    }

    /** Flies the kites otherwise from now on, and says so. */
    public void setTake(int other) {
        take = other;
        for (FeedWire wire : wires) {
            try {
                wire.write(new Answer.Changed(0, other));
            } catch (IOException e) {
                LOG.debug("Somebody doesn't listen any more", e);
            }
        }
    }

    private void listen() {
        while (!closed) {
            try {
                Socket socket = server.accept();
                Thread.ofPlatform().daemon().name("talk").start(() -> talk(socket));
            } catch (IOException e) {
                if (!closed) {
                    LOG.warn("Nobody can reach the scene any more", e);
                }
                return;
            }
        }
    }

    private void talk(Socket socket) {
        try (FeedWire wire = new FeedWire(socket)) {
            socket.setSoTimeout(GREETING_MILLIS);
            Optional<Question> hello = wire.read(Question.class);
            if (hello.isEmpty() || !(hello.get() instanceof Question.Hello greeting) || !notice.token().equals(greeting.token())) {
                wire.write(
                        new Answer.Refused(hello.map(Question::id).orElse(0L), WORDS.say("theFirstLineHasToSayHello")));
                return;
            }
            socket.setSoTimeout(0);
            wire.write(new Answer.Welcome(greeting.id(), Question.FEED, MarramFlats.NAME));
            wires.add(wire);
            try {
                answer(wire);
            } finally {
                wires.remove(wire);
            }
        } catch (IOException e) {
            LOG.debug("A talk ended", e);
        }
    }

    private void answer(FeedWire wire) throws IOException {
        Map<Long, Future<?>> going = new ConcurrentHashMap<>();
        try {
            for (Optional<Question> next = wire.read(Question.class); next.isPresent(); next = wire.read(Question.class)) {
                switch (next.get()) {
                    case Question.Hello hello -> wire.write(new Answer.Refused(hello.id(), WORDS.say("weHaveGreetedAlready")));
                    case Question.Scene scene -> wire.write(new Answer.Scene(scene.id(), StandIn.facts(take, manners.files())));
                    case Question.Frame frame -> going.put(frame.id(), drawing.submit(() -> draw(wire, frame, going)));
                    case Question.Cancel cancel -> Optional.ofNullable(going.remove(cancel.question())).ifPresent(f -> f.cancel(false));
                }
            }
        } catch (FeedException e) {
            wire.write(new Answer.Refused(0, e.getMessage()));
        } finally {
            going.values().forEach(f -> f.cancel(false));
        }
    }

    private void draw(FeedWire wire, Question.Frame wanted, Map<Long, Future<?>> going) {
        ScheduledFuture<?> sign = signs.scheduleAtFixedRate(() -> busy(wire, wanted.id()), BUSY_SECONDS, BUSY_SECONDS, TimeUnit.SECONDS);
        try {
            if (StandInBehaviour.is(manners.silent(), wanted.frame())) {
                return;
            }
            if (StandInBehaviour.is(manners.gone(), wanted.frame())) {
                wire.close();
                return;
            }
            Thread.sleep(manners.millis());
            if (StandInBehaviour.is(manners.absent(), wanted.frame())) {
                throw new IllegalArgumentException(WORDS.say("frameIsntToBeHad", wanted.frame()));
            }
            Question.Frame drawn = StandInBehaviour.is(manners.small(), wanted.frame())
                    ? new Question.Frame(wanted.id(), wanted.camera(), wanted.frame(), wanted.run(), wanted.width() / 2,
                            wanted.height() / 2, wanted.shading(), wanted.classes(), wanted.pass(), wanted.into())
                    : wanted;
            hand(wire, drawn, StandIn.draw(drawn, take));
        } catch (IllegalArgumentException e) {
            refuse(wire, wanted.id(), e.getMessage());
        } catch (IOException e) {
            refuse(wire, wanted.id(), WORDS.say("frameCouldntBeHandedOver", wanted.frame(), e.getMessage()));
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        } finally {
            sign.cancel(false);
            going.remove(wanted.id());
        }
    }

    private void hand(FeedWire wire, Question.Frame wanted, Drawing drawing) throws IOException {
        if (wanted.into() == null) {
            if (manners.files()) {
                throw new IllegalArgumentException(WORDS.say("picturesAreHandedOverAs"));
            }
            byte[] bytes = StandIn.samples(drawing);
            wire.write(new Answer.Picture(wanted.id(), wanted.frame(), drawing.width(), drawing.height(), StandIn.format(drawing),
                    bytes.length), bytes);
            return;
        }
        Path file = Path.of(wanted.into());
        Path fresh = file.resolveSibling("." + file.getFileName() + ".new");
        Files.write(fresh, StillWriter.PNG8.write(new Samples(drawing.width(), drawing.height(), drawing.channel("R"), drawing.channel("G"),
                drawing.channel("B"), drawing.channel("A"))));
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
        wire.write(new Answer.Filed(wanted.id(), wanted.frame(), drawing.width(), drawing.height()));
    }

    private static void refuse(FeedWire wire, long id, String why) {
        try {
            wire.write(new Answer.Refused(id, why));
        } catch (IOException e) {
            LOG.debug("Nobody waits for frame any more", e);
        }
    }

    private static void busy(FeedWire wire, long id) {
        try {
            wire.write(new Answer.Busy(id));
        } catch (IOException e) {
            LOG.debug("Nobody waits any more", e);
        }
    }

    @Override
    public void close() throws IOException {
        closed = true;
        Files.deleteIfExists(posted);
        server.close();
        for (FeedWire wire : wires) {
            wire.close();
        }
        drawing.shutdownNow();
        signs.shutdownNow();
    }
}
