package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Line;
import dev.vat.core.delivery.Placement;
import dev.vat.core.layout.DayCount;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import java.util.List;

/** How several pictures become one, in pixels and figures: what a layout or a mix of passes comes to for one reel. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "how")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Assembly.Views.class, name = "views"),
    @JsonSubTypes.Type(value = Assembly.Passes.class, name = "passes"),
})
public sealed interface Assembly {

    /**
     * Each picture in its place, later ones over earlier ones.
     *
     * @param size of the whole picture
     * @param days a calendar for captions, or null
     * @param rate of the reel
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Views(Size size, Rgb ground, List<Laid> laid, DayCount days, Rate rate) implements Assembly {

        /**
         * One of them.
         *
         * @param box where it lies
         * @param placement what of its picture goes where in the box; null where it is drawn for that
         * @param border width in pixels, 0 for none
         * @param caption or null
         */
        @JsonInclude(JsonInclude.Include.NON_NULL)
        public record Laid(Placement.Box box, Placement placement, int border, Rgb borderColour, Line caption) {}

        public Views {
            laid = List.copyOf(laid);
        }

        /**
         * What is written into a view.
         *
         * @param place of the layout, from 0
         * @param shown what stands in the view
         * @param source of that, or null
         */
        public Lettering letteringAt(int view, long place, ReelFrame shown, Location source) {
            Line caption = laid.get(view).caption;
            if (caption == null) {
                return Lettering.NOTHING;
            }
            FrameFacts facts = source == null ? FrameFacts.none() : shown.facts(FrameFacts.none(), source);
            if (days != null && rate != null) {
                facts = days.facts(facts, place, rate);
            }
            double size = caption.size() * this.size.height() / laid.get(view).box.height();
            return new Lettering(caption.words().filled(facts)
                    .map(text -> new Lettering.Written(text, caption.at(), size, caption.ground())).stream().toList(), null, null);
        }
    }

    /** Put together in linear light, from the lowest up. @param colour how the sum comes to be shown */
    record Passes(List<Pass> passes, ColourReading colour) implements Assembly {
        public Passes {
            passes = List.copyOf(passes);
        }
    }
}
