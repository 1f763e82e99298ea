package dev.vat.desktop.sheet;

import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.picture.Size;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.IntConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;

/** What can be added to a reel besides sources: what Vat draws, and several sources in one picture. */
final class ReelAdds {

    private static final Words WORDS = Words.of(ReelAdds.class);

    private static final int SLATE_SECONDS = 5;
    private static final int BARS_SECONDS = 10;
    /** As many as one makes out beside each other. */
    private static final int MOST_VIEWS = 9;
    private static final int WIDEST = 3840;

    private final Session session;
    private final ResolvedReel programme;
    private final int chosen;
    private final IntConsumer added;

    /** @param chosen the place of the item that is chosen, or -1 @param added told of the place of a layout that was added */
    ReelAdds(Session session, ResolvedReel programme, int chosen, IntConsumer added) {
        this.session = session;
        this.programme = programme;
        this.chosen = chosen;
        this.added = added;
    }

    /** What Vat draws goes before the item that is chosen, or in front; black behind it, or to the end. */
    List<Node> drawn() {
        Rate rate = programme.rate().orElse(Rate.FPS_25);
        int second = rate.timecodeBase();
        int items = programme.reel().items().size();
        int before = chosen >= 0 && chosen < items ? chosen : 0;
        int behind = chosen >= 0 && chosen < items ? chosen + 1 : items;
        String today = LocalDate.now().toString();
        List<Node> ways = new ArrayList<>();
        ways.add(Parts.label(WORDS.say("add"), "note"));
        ways.add(Parts.small("add-black", WORDS.say("black"),
                () -> session.edit(ReelEdits.addDrawn(behind, GeneratedItem.Plain.black(second)))));
        ways.add(Parts.small("add-slate", WORDS.say("slate"),
                () -> add(before, BroadcastHead.slate(today, SLATE_SECONDS * (long) second), rate)));
        ways.add(Parts.small("add-leader", WORDS.say("countdownLeader"), () -> add(before, GeneratedItem.Leader.of(second), rate)));
        ways.add(Parts.small("add-bars", WORDS.say("barsAndTone"), () -> add(before,
                new GeneratedItem.Bars(BarPattern.BARS_75, GeneratedItem.Bars.EBU_LEVEL, BARS_SECONDS * (long) second), rate)));
        programme.shape().ifPresent(shape -> {
            Button broadcast = Parts.small("add-head", WORDS.say("broadcastHead"),
                    () -> session.edit(ReelEdits.addHead(BroadcastHead.of(rate, shape.size(), shape.pixelAspect(), today))));
            broadcast.setTooltip(new Tooltip(WORDS.say("barsAndToneSlateCountdown")));
            ways.add(broadcast);
        });
        return ways;
    }

    /** Several sources in one picture: those of the reel, or all there are. */
    List<Node> views() {
        List<String> ofReel = programme.reel().items().stream().map(Item::source).filter(Objects::nonNull).distinct().toList();
        List<String> all = session.project().sources().stream().filter(s -> !s.location().isSound()).map(Source::id).toList();
        List<Item> items = (ofReel.size() > 1 ? ofReel : all).stream().limit(MOST_VIEWS).map(Item::of).toList();
        List<Node> ways = new ArrayList<>();
        if (items.size() > 1) {
            List<View> views = items.stream().map(i -> View.of(i).withCaption(Line.of(Wording.parse("{source} {frame}"), Spot.BOTTOM_LEFT)))
                    .toList();
            int across = (int) Math.ceil(Math.sqrt(views.size()));
            ways.add(
                    Parts.small("add-views", WORDS.say("sideBySide", items.size()),
                            () -> layOut(Layout.of(WORDS.say("views"),
                                    programme.size().map(s -> side(s, across, Math.ceilDiv(views.size(), across))).orElse(null),
                                    new Arrangement.Grid(across), views))));
            session.layouts().all().forEach(kept -> ways.add(
                    Parts.small("add-layout-" + kept.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"),
                            WORDS.say("asIn", kept.name()),
                            () -> layOut(kept.withItems(items)))));
        }
        return ways;
    }

    /** So large that every view is as large as its source, if such a picture is of a usual size. */
    private static Size side(Size one, int across, int down) {
        return one.width() * across > WIDEST ? one : Size.of(one.width() * across, one.height() * down);
    }

    private void layOut(Layout layout) {
        int last = session.project().currentReel().map(r -> r.items().size()).orElse(0);
        session.edit(ReelEdits.addLayout(layout));
        added.accept(last);
    }

    private void add(int before, GeneratedItem drawn, Rate rate) {
        session.edit(before == 0 ? ReelEdits.addInFront(drawn, rate) : ReelEdits.addDrawn(before, drawn));
    }
}
