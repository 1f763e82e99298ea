package dev.vat.core.reel;

import dev.vat.core.time.Rational;
import java.util.List;
import java.util.Optional;

/**
 * How each item goes over into the next, in places of its own. A dissolve of {@code n} frames shows {@code k / (n + 1)} of the later item
 * at its {@code k}-th; a dip is all colour once, at the last frame before the cut.
 */
final class Joints {

    /** What stands at a place of an item by itself. */
    interface Alone {
        ReelFrame at(int item, long place);
    }

    private final List<Joint> joints;
    private final long[] counts;
    private final long[] overlap;
    private final long[] intoColour;
    private final long[] outOfColour;

    private Joints(List<Joint> joints, long[] counts) {
        this.joints = joints;
        this.counts = counts;
        overlap = new long[counts.length];
        intoColour = new long[counts.length];
        outOfColour = new long[counts.length];
        for (int i = 0; i < counts.length; i++) {
            if (joints.get(i) != null && counts[i] > 0) {
                lay(i, joints.get(i));
            }
        }
    }

    /** @param joints of each item with the one before, null for a cut */
    static Joints of(List<Joint> joints, long[] counts) {
        return new Joints(joints, counts);
    }

    private void lay(int item, Joint joint) {
        int before = before(item);
        long room = before < 0 ? 0 : counts[before] - overlap[before] - outOfColour[before];
        if (joint.kind() == Joint.Kind.DISSOLVE) {
            overlap[item] = Math.min(joint.frames(), Math.min(room, counts[item]));
            return;
        }
        long first = before < 0 ? 0 : joint.frames() / 2;
        if (before >= 0) {
            intoColour[before] = Math.min(first, room);
        }
        outOfColour[item] = Math.min(joint.frames() - first, counts[item]);
    }

    private int before(int item) {
        int before = item - 1;
        while (before >= 0 && counts[before] == 0) {
            before--;
        }
        return before;
    }

    private int after(int item) {
        int after = item + 1;
        while (after < counts.length && counts[after] == 0) {
            after++;
        }
        return after;
    }

    long overlap(int item) {
        return overlap[item];
    }

    ReelFrame at(int item, long place, Alone alone) {
        ReelFrame own = alone.at(item, place);
        if (place < overlap[item]) {
            int before = before(item);
            ReelFrame from = alone.at(before, counts[before] - overlap[item] + place);
            return mixed(own, from, own, Rational.of(place + 1, overlap[item] + 1));
        }
        if (place < outOfColour[item]) {
            return mixed(own, plain(own, joints.get(item)), own, Rational.of(place + 1, outOfColour[item] + 1));
        }
        long left = counts[item] - place;
        if (left <= intoColour[item]) {
            return mixed(own, own, plain(own, joints.get(after(item))), Rational.of(intoColour[item] - left + 1, intoColour[item]));
        }
        return own;
    }

    private static ReelFrame plain(ReelFrame own, Joint joint) {
        return new ReelFrame(own.item(), own.wanted(), new ReelFrame.Plain(joint.colourInUse()), false);
    }

    private static ReelFrame mixed(ReelFrame own, ReelFrame from, ReelFrame to, Rational share) {
        return share.equals(Rational.ONE) ? to
                : new ReelFrame(own.item(), own.wanted(), new ReelFrame.Cross(from, to, share), from.filled() || to.filled());
    }

    /** How an item begins, where that takes less time than was asked for. */
    Optional<Joint> shortened(int item) {
        Joint joint = joints.get(item);
        if (joint == null || counts[item] == 0) {
            return Optional.empty();
        }
        int before = before(item);
        long laid = joint.kind() == Joint.Kind.DISSOLVE ? overlap[item] : outOfColour[item] + (before < 0 ? 0 : intoColour[before]);
        return laid < joint.frames() ? Optional.of(joint) : Optional.empty();
    }
}
