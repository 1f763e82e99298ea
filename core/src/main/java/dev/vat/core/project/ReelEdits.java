package dev.vat.core.project;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Fit;
import dev.vat.core.pass.PassMix;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.Reel;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;

/** All that can be done to the items of the current reel, each as a named edit; items are named by their number in it, from 0. */
public final class ReelEdits {

    private static final Words WORDS = Words.of(ReelEdits.class);

    private ReelEdits() {}

    public static Edit addItem(String source) {
        return new Edit(WORDS.say("addingToTheReel"), project -> project.currentReel().isPresent()
                ? project.withCurrentReel(r -> r.with(Item.of(source)))
                : Edits.withReel(project, project.source(source).orElseThrow().pattern().baseName(),
                        List.of(Item.of(source)), true));
    }

    public static Edit removeItem(int index) {
        return new Edit(WORDS.say("takingAnItemOut"), project -> project.withCurrentReel(r -> r.without(index)));
    }

    public static Edit moveItem(int from, int to) {
        return new Edit(WORDS.say("movingAnItem"), project -> project.withCurrentReel(r -> r.moved(from, to)));
    }

    /** What Vat draws, before the item at {@code index}. */
    public static Edit addDrawn(int index, GeneratedItem drawn) {
        return new Edit(WORDS.say("adding", drawn.title().toLowerCase(Locale.ROOT)),
                project -> project.withCurrentReel(r -> r.with(index, Item.of(drawn))));
    }

    /** The same use once more, after itself. */
    public static Edit repeatItem(int index) {
        return new Edit(WORDS.say("anItemOnceMore"),
                project -> project.withCurrentReel(r -> r.with(index + 1, r.items().get(index).withJoint(null))));
    }

    /** @param range null for all that the source's reading takes */
    public static Edit trimItem(int index, FrameRange range) {
        return item(WORDS.say("trimmingAnItem"), index, i -> i.withRange(range));
    }

    /**
     * Other frames of the source at the same place and of the same length.
     *
     * @param range that is taken now
     * @param by frames later, or earlier if negative
     */
    public static Edit slipItem(int index, FrameRange range, long by) {
        return item(WORDS.say("slippingAnItem"), index, i -> i.withRange(FrameRange.of(range.first() + by, range.last() + by)));
    }

    public static Edit playItem(int index, Playing playing) {
        return item(WORDS.say("changeOfHowAnItemPlays"), index, i -> i.withPlaying(playing));
    }

    /** @param joint null for a cut */
    public static Edit joinItem(int index, Joint joint) {
        return item(joint == null ? WORDS.say("aCut") : "a " + joint.words(), index, i -> i.withJoint(joint));
    }

    public static Edit fitItem(int index, Fit fit) {
        return item(WORDS.say("changeOfFit"), index, i -> i.withFit(fit));
    }

    /** Another version in an item's place. @param version id of its source */
    public static Edit swapItem(int index, String version) {
        return item(WORDS.say("anotherVersion"), index, i -> i.swapped(version));
    }

    /** The reel's own rate, whatever its sources have. @param rate null for the first source's */
    public static Edit setRate(Rate rate) {
        return new Edit(rate == null ? WORDS.say("theFirstSourcesRate") : WORDS.say("changeOfTheReelsRateTo", rate.label()),
                project -> project.withCurrentReel(r -> r.withRate(rate)));
    }

    /** A sound from the reel's start on. @param source its id */
    public static Edit addSound(String source) {
        return new Edit(WORDS.say("addingSound"), project -> project.withCurrentReel(r -> {
            List<SoundUse> more = new ArrayList<>(r.sounds());
            more.add(SoundUse.of(source));
            return r.withSounds(more);
        }));
    }

    public static Edit changeSound(int index, SoundUse use) {
        return new Edit(WORDS.say("changeOfSound"), project -> project.withCurrentReel(r -> {
            List<SoundUse> changed = new ArrayList<>(r.sounds());
            changed.set(index, use);
            return r.withSounds(changed);
        }));
    }

    public static Edit removeSound(int index) {
        return new Edit(WORDS.say("takingASoundOut"), project -> project.withCurrentReel(r -> {
            List<SoundUse> fewer = new ArrayList<>(r.sounds());
            fewer.remove(index);
            return r.withSounds(fewer);
        }));
    }

    /** The last item stands still at its end, until a sound that goes on longer has ended. @param frames that are wanting */
    public static Edit holdForSound(int index, long frames) {
        return item(WORDS.say("holdingTheLastFrame"), index,
                i -> i.drawn() != null ? i.withDrawn(i.drawn().withFrames(i.drawn().frames() + frames))
                        : i.withPlaying(i.playingInUse().withTail(i.playingInUse().tail() + frames)));
    }

    /** What the channels of the reel's sound are. @param layout null for those of the first sound */
    public static Edit setLayout(SoundLayout layout) {
        return new Edit(layout == null ? WORDS.say("theFirstSoundsChannels") : WORDS.say("changeOfChannelsTo", layout),
                project -> project.withCurrentReel(r -> r.withLayout(layout)));
    }

    /** The timecode of the reel's first frame. @param label null for none */
    public static Edit setStart(String label) {
        return new Edit(label == null ? WORDS.say("noStartTimecode") : WORDS.say("startTimecode", label),
                project -> project.withCurrentReel(r -> r.withStart(label)));
    }

    /** What is written into the reel's pictures. @param burnIn null for nothing */
    public static Edit burnIn(BurnIn burnIn) {
        return new Edit(WORDS.say("changeOfTheBurnIn"), project -> project.withCurrentReel(r -> r.withBurnIn(orNull(burnIn))));
    }

    /** What is written into an item's pictures besides. @param burnIn null for nothing */
    public static Edit burnInItem(int index, BurnIn burnIn) {
        return item(WORDS.say("changeOfAnItemsBurnIn"), index, i -> i.withBurnIn(orNull(burnIn)));
    }

    private static BurnIn orNull(BurnIn burnIn) {
        return burnIn == null || burnIn.isNothing() ? null : burnIn;
    }

    /** Something else drawn in an item's place. */
    public static Edit drawItem(int index, GeneratedItem drawn) {
        return item(WORDS.say("changeOf", drawn.title().toLowerCase(Locale.ROOT)), index, i -> i.withDrawn(drawn));
    }

    /** Another layout in an item's place. */
    public static Edit layItem(int index, Layout layout) {
        return item(WORDS.say("changeOf", layout.name()), index, i -> i.withLayout(layout));
    }

    /** Several sources in one picture, at the reel's end; the reel is a new one where there is none. */
    public static Edit addLayout(Layout layout) {
        return new Edit(WORDS.say("adding", layout.name()),
                project -> project.currentReel().isPresent() ? project.withCurrentReel(r -> r.with(Item.of(layout)))
                        : Edits.withReel(project, layout.name(), List.of(Item.of(layout)), true));
    }

    /** What an item's picture is made of again. @param passes null for the source's own picture */
    public static Edit mixItem(int index, PassMix passes) {
        return item(passes == null ? WORDS.say("theSourcesOwnPicture") : WORDS.say("changeOfPasses"), index, i -> i.withPasses(passes));
    }

    /** What a broadcaster wants before a programme, and the timecode that goes with it; sounds stay with their pictures. */
    public static Edit addHead(BroadcastHead head) {
        return new Edit(WORDS.say("aBroadcastHead"), project -> project.withCurrentReel(r -> {
            List<Item> all = new ArrayList<>(head.items().stream().map(Item::of).toList());
            all.addAll(r.items());
            long frames = head.items().stream().mapToLong(GeneratedItem::frames).sum();
            return later(r.withItems(all).withStart(head.start().toString()), head.start().rate().seconds(frames));
        }));
    }

    /** What Vat draws in front of everything; sounds stay with their pictures. @param rate of the reel */
    public static Edit addInFront(GeneratedItem drawn, Rate rate) {
        return new Edit(WORDS.say("adding", drawn.title().toLowerCase(Locale.ROOT)),
                project -> project.withCurrentReel(r -> later(r.with(0, Item.of(drawn)), rate.seconds(drawn.frames()))));
    }

    private static Reel later(Reel reel, Rational seconds) {
        return reel.withSounds(reel.sounds().stream().map(s -> s.withAt(s.at().plus(seconds))).toList());
    }

    private static Edit item(String name, int index, UnaryOperator<Item> change) {
        return new Edit(name, project -> project.withCurrentReel(r -> r.withItem(index, change)));
    }
}
