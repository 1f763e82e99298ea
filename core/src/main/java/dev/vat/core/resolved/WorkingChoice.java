package dev.vat.core.resolved;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.GapPolicy;
import java.util.List;

/**
 * The samples in which pictures of a reel are composed that a file takes as they are: eight bits only where every item has eight
 * display-coded bits and nothing has to be blended, scaled or drawn.
 */
final class WorkingChoice {

    private WorkingChoice() {}

    static WorkingFormat of(ResolvedReel programme) {
        List<ReelEntry> entries = programme.entries();
        boolean eight = entries.stream().flatMap(e -> e.format().stream())
                .allMatch(f -> f.depth().bits() <= 8 && !f.linear());
        boolean kept = entries.stream().allMatch(e -> e.picture().colour().kind() == ColourReading.Kind.DISPLAY);
        boolean alpha = entries.stream().anyMatch(e -> e.table().alpha() != AlphaKind.NONE);
        boolean blended = entries.stream()
                .anyMatch(e -> e.source().reading().gap() == GapPolicy.BLEND || e.use().playingInUse().conformInUse() == Conform.BLEND
                        || programme.placement(e).isPresent())
                || programme.reel().items().stream().anyMatch(i -> i.joint() != null || i.layout() != null || i.passes() != null
                        || i.drawn() != null && i.drawn().at(0) instanceof ReelFrame.Drawing);
        return eight && kept && !alpha && !blended ? WorkingFormat.W8 : WorkingFormat.W16;
    }
}
