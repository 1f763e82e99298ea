package dev.vat.core.trial;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.Quality;
import dev.vat.core.delivery.RateControl;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * The files that are tried in a deliverable's place. Where bits are ruled over the whole file, excerpts of it can't be made: two
 * qualities are tried instead, and what lies between them tells of it.
 */
public final class Variants {

    /** Between a deliverable's id and what is tried of it. */
    private static final String MARK = "~";

    private Variants() {}

    /** The id of a deliverable that a variant stands for. */
    public static String deliverable(String variant) {
        int mark = variant.indexOf(MARK);
        return mark < 0 ? variant : variant.substring(0, mark);
    }

    /** What has to be tried to forecast a file. */
    public static List<Deliverable> of(Deliverable deliverable) {
        if (isTriedAsItIs(deliverable)) {
            return List.of(deliverable);
        }
        Quality scale = deliverable.settings().codec().quality();
        return List.of(at(deliverable, scale.fine()), at(deliverable, scale.fair()));
    }

    static boolean isTriedAsItIs(Deliverable deliverable) {
        Codec codec = deliverable.settings().codec();
        return switch (deliverable.settings().control()) {
            case RateControl.Average _ -> codec.quality() == null || !codec.controls().contains(RateControl.Kind.QUALITY);
            case RateControl.TwoPass _ -> codec.quality() == null || !codec.controls().contains(RateControl.Kind.QUALITY);
            case RateControl.FileSize _ -> codec.quality() == null || !codec.controls().contains(RateControl.Kind.QUALITY);
            default -> true;
        };
    }

    /** With one quality all through. */
    public static Deliverable at(Deliverable deliverable, int number) {
        return deliverable.withControl(new RateControl.Constant(number)).withId(deliverable.id() + MARK + number);
    }

    private static Deliverable at(Deliverable deliverable, int number, Effort effort) {
        return deliverable.withControl(new RateControl.Constant(number)).withEffort(effort)
                .withId(deliverable.id() + MARK + number + MARK + effort.title());
    }

    /**
     * Qualities from better to worse than the one that is chosen, and efforts where the codec has any; empty where there is nothing to
     * choose.
     */
    public static List<Deliverable> ladder(Deliverable deliverable) {
        Codec codec = deliverable.settings().codec();
        if (codec.quality() == null || !codec.controls().contains(RateControl.Kind.QUALITY)) {
            return List.of();
        }
        List<Deliverable> steps = new ArrayList<>();
        for (int number : numbers(codec.quality(),
                deliverable.settings().control() instanceof RateControl.Constant(int now) ? now : codec.quality().good())) {
            steps.add(at(deliverable, number, deliverable.settings().effort()));
        }
        if (codec.hasEffort()) {
            int middle = deliverable.settings().control() instanceof RateControl.Constant(int now) ? now : codec.quality().good();
            for (Effort effort : Effort.values()) {
                if (effort != deliverable.settings().effort()) {
                    steps.add(at(deliverable, middle, effort));
                }
            }
        }
        return steps.stream().filter(s -> Legality.against(codec, s.settings().control()).isEmpty()).toList();
    }

    /** The names on the scale, what is chosen, and what lies between: seven at most. */
    private static List<Integer> numbers(Quality scale, int chosen) {
        TreeSet<Integer> numbers = new TreeSet<>(List.of(scale.fine(), scale.good(), scale.fair(), chosen));
        int step = Math.max(1, (scale.fair() - scale.fine()) / 4);
        for (int number : new int[] {chosen - step, chosen + step, scale.fine() - step, scale.fair() + step}) {
            if (number >= scale.best() && number <= scale.worst() && numbers.size() < 7) {
                numbers.add(number);
            }
        }
        return List.copyOf(numbers);
    }
}
