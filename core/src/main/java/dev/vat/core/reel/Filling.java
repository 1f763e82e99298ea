package dev.vat.core.reel;

import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rational;
import java.util.OptionalLong;

/** What stands in for a frame that is missing or can't be used. */
final class Filling {

    private Filling() {}

    /** What stands in for a frame that can't be used; a card where the policy finds nothing. */
    static ReelFrame.Content of(ReelPart part, ReelSpan span, long wanted) {
        FrameTable table = part.table();
        OptionalLong before = switch (part.gap()) {
            case HOLD, NEAREST, BLEND -> goodBefore(table, wanted, span);
            default -> OptionalLong.empty();
        };
        OptionalLong after = switch (part.gap()) {
            case NEAREST, BLEND -> goodAfter(table, wanted, span);
            default -> OptionalLong.empty();
        };
        if (before.isPresent() && after.isPresent()) {
            long low = before.getAsLong();
            long high = after.getAsLong();
            return part.gap() == GapPolicy.BLEND
                    ? new ReelFrame.Blend(low, high, Rational.of(wanted - low, high - low))
                    : new ReelFrame.SourceFrame(wanted - low <= high - wanted ? low : high);
        }
        if (before.isPresent() || after.isPresent()) {
            return new ReelFrame.SourceFrame(before.isPresent() ? before.getAsLong() : after.getAsLong());
        }
        return new ReelFrame.Card(describe(table, wanted, table.state(wanted)));
    }

    private static String describe(FrameTable table, long wanted, FrameState state) {
        return table.reason(wanted).map(why -> state.label() + ": " + why).orElse(state.label());
    }

    /** The nearest usable frame before {@code wanted} in the item's range. */
    private static OptionalLong goodBefore(FrameTable table, long wanted, ReelSpan span) {
        Sequence sequence = table.sequence();
        for (int i = sequence.indexBefore(wanted); i >= 0 && sequence.number(i) >= span.range().first(); i--) {
            if (!table.stateAt(i).isFault()) {
                return OptionalLong.of(sequence.number(i));
            }
        }
        return OptionalLong.empty();
    }

    private static OptionalLong goodAfter(FrameTable table, long wanted, ReelSpan span) {
        Sequence sequence = table.sequence();
        for (int i = sequence.indexBefore(wanted + 1) + 1; i < sequence.count() && sequence.number(i) <= span.range().last(); i++) {
            if (!table.stateAt(i).isFault()) {
                return OptionalLong.of(sequence.number(i));
            }
        }
        return OptionalLong.empty();
    }
}
