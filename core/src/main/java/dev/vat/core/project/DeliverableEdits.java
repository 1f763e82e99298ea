package dev.vat.core.project;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.delivery.Target;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Named edits of the deliverables of a project. */
public final class DeliverableEdits {

    private static final Words WORDS = Words.of(DeliverableEdits.class);

    private DeliverableEdits() {}

    /** Adds a column; a target that stands there already isn't added again. */
    public static Edit addTarget(Target target) {
        return new Edit(WORDS.say("adding", target.title()),
                project -> project.deliverables().stream().anyMatch(d -> d.target().equals(target.id()))
                        ? project
                        : withColumn(project, project.deliverables().size(), Deliverable.of(target).withDraft(project.isDraft())));
    }

    /** A column as a preset has it; a preset's target may stand there already. */
    public static Edit addPreset(Preset preset) {
        return new Edit(WORDS.say("adding", preset.name()), addColumn(preset.column())::apply);
    }

    /** A column beside those that are there, which may be for the same target. */
    public static Edit addColumn(Deliverable column) {
        return new Edit(WORDS.say("adding", column.title()), project -> withColumn(project, project.deliverables().size(),
                isTaken(project, column.target()) ? column.withId(freshColumn(project, column.target()))
                        : column.withId(column.target())));
    }

    /** A second column like one that is there, right beside it. */
    public static Edit duplicate(String deliverable) {
        return new Edit(WORDS.say("duplicatingAColumn"), project -> {
            List<Deliverable> all = project.deliverables();
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).id().equals(deliverable)) {
                    return withColumn(project, i + 1, all.get(i).withId(freshColumn(project, all.get(i).target())));
                }
            }
            return project;
        });
    }

    /** A pass of the reel's shots as a file of its own, like the first one that is made. @param pass as it is called in the reel */
    public static Edit addPassFile(String pass) {
        return new Edit(WORDS.say("aFileOf", pass), project -> {
            Deliverable like = project.deliverablesOn().isEmpty() ? Deliverable.of(Catalogue.target("edit-prores-hq"))
                    : project.deliverablesOn().getFirst();
            return withColumn(project, project.deliverables().size(),
                    like.withPass(pass).withId(isTaken(project, like.target()) ? freshColumn(project, like.target()) : like.target()));
        });
    }

    private static String freshColumn(Project project, String target) {
        int number = 2;
        while (isTaken(project, target + "-" + number)) {
            number++;
        }
        return target + "-" + number;
    }

    private static boolean isTaken(Project project, String id) {
        return project.deliverables().stream().anyMatch(d -> d.id().equals(id));
    }

    public static Edit removeDeliverable(String id) {
        return new Edit(WORDS.say("removingAColumn"), project -> project.withDeliverables(
                project.deliverables().stream().filter(d -> !d.id().equals(id)).toList()));
    }

    /** Removes every column of a target. */
    public static Edit removeTarget(String target) {
        return new Edit(WORDS.say("removing", Catalogue.target(target).title()), project -> project.withDeliverables(
                project.deliverables().stream().filter(d -> !d.target().equals(target)).toList()));
    }

    /** @param by columns to the right, or to the left if negative */
    public static Edit moveDeliverable(String id, int by) {
        return new Edit(WORDS.say("movingAColumn"), project -> {
            List<Deliverable> all = new ArrayList<>(project.deliverables());
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).id().equals(id)) {
                    all.add(Math.clamp(i + by, 0, all.size() - 1), all.remove(i));
                    return project.withDeliverables(all);
                }
            }
            return project;
        });
    }

    /** @param off whether the column is left out for now */
    public static Edit switchOff(String id, boolean off) {
        return new Edit(off ? WORDS.say("switchingAColumnOff") : WORDS.say("switchingAColumnOn"),
                project -> project.withDeliverable(id, d -> d.withOff(off)));
    }

    public static Edit setCodec(String id, Codec codec) {
        return new Edit(WORDS.say("changeOfCodecTo", codec.title()), project -> project.withDeliverable(id, d -> d.withCodec(codec)));
    }

    public static Edit setControl(String id, RateControl control) {
        return new Edit(WORDS.say("changeOfQuality"), project -> project.withDeliverable(id, d -> d.withControl(control)));
    }

    /** A quality and an effort at once, as they were tried together. */
    public static Edit setQuality(String id, RateControl control, Effort effort) {
        return new Edit("quality", project -> project.withDeliverable(id, d -> d.withControl(control).withEffort(effort)));
    }

    /** Lets one thing follow the target again. */
    public static Edit follow(String id, UnaryOperator<Deliverable> back) {
        return new Edit(WORDS.say("followingTheTargetAgain"), project -> project.withDeliverable(id, back));
    }

    /** One switch for all columns: half size, and a mark in name and picture. */
    public static Edit setDraft(boolean on) {
        return new Edit(on ? WORDS.say("draft") : WORDS.say("noDraftAnyMore"),
                project -> project.withDeliverables(project.deliverables().stream().map(d -> d.withDraft(on)).toList()));
    }

    /** Says yes to something that stands in a column's way. @param finding its id */
    public static Edit accept(String id, String finding) {
        return new Edit(WORDS.say("sayingYesTo", finding), project -> project.withDeliverable(id, d -> d.withAccepted(finding)));
    }

    /** @param sound null for what is usual */
    public static Edit setSound(String id, SoundCodec sound) {
        return new Edit(WORDS.say("changeOfSound"), project -> project.withDeliverable(id, d -> d.withSound(sound)));
    }

    /** @param framing null for the target's */
    public static Edit setFraming(String id, Framing framing) {
        return new Edit(WORDS.say("changeOfSizeOrShape"), project -> project.withDeliverable(id, d -> d.withFraming(framing)));
    }

    public static Edit setAsTarget(String id) {
        return new Edit(WORDS.say("takingAColumnBackToItsTarget"), project -> project.withDeliverable(id, Deliverable::asTarget));
    }

    public static Edit setFlatten(String id, Ground ground) {
        return new Edit(WORDS.say("changeOfWhatLiesUnder"), project -> project.withDeliverable(id, d -> d.withFlatten(ground)));
    }

    /** @param beside whether alpha goes into a second file */
    public static Edit setMatte(String id, boolean beside) {
        return new Edit(beside ? WORDS.say("matteAsASecondFile") : WORDS.say("noSecondFile"),
                project -> project.withDeliverable(id, d -> d.withMatte(beside)));
    }

    /** @param colour null for the target's */
    public static Edit setColour(String id, ColourCoding colour) {
        return new Edit(WORDS.say("changeOfColour"), project -> project.withDeliverable(id, d -> d.withColour(colour)));
    }

    /** @param look null for none */
    public static Edit setLook(String id, Look look) {
        return new Edit(look == null ? WORDS.say("takingALookAway") : WORDS.say("look", look.name()),
                project -> project.withDeliverable(id, d -> d.withLook(look)));
    }

    public static Edit cropToGrid(String id, boolean crop) {
        return new Edit(WORDS.say("changeOfSize"), project -> project.withDeliverable(id, d -> d.withCropToGrid(crop)));
    }

    static Project withColumn(Project project, int place, Deliverable column) {
        List<Deliverable> more = new ArrayList<>(project.deliverables());
        more.add(place, column);
        return project.withDeliverables(more);
    }
}
