package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;
import java.util.function.UnaryOperator;

/**
 * One of the values that a setting offers.
 *
 * @param id stable, for controls
 * @param family under whose heading it stands, or null
 * @param refusal why it can't be chosen now, or null
 * @param chosen whether it is what the deliverable has
 * @param change what choosing it does
 */
public record Choice(String id, String family, String title, String refusal, boolean chosen, UnaryOperator<Deliverable> change) {

    public static Choice of(String id, String title, boolean chosen, UnaryOperator<Deliverable> change) {
        return new Choice(id, null, title, null, chosen, change);
    }

    public Choice refused(String why) {
        return new Choice(id, family, title, why, chosen, change);
    }

    public Choice under(String heading) {
        return new Choice(id, heading, title, refusal, chosen, change);
    }
}
