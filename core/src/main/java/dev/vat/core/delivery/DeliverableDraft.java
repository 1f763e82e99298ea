package dev.vat.core.delivery;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rational;
import java.util.Map;
import java.util.Set;

/** A deliverable while something of it is changed. */
final class DeliverableDraft {
    String id;
    boolean off;
    String codec;
    Container container;
    RateControl control;
    Framing framing;
    SoundCodec sound;
    SoundTracks tracks;
    SoundTracks soundFiles;
    LoudnessTarget loudness;
    MasteringDisplay mastering;
    String colour;
    Look look;
    Ground flatten;
    Integer loops;
    Effort effort;
    Compression compression;
    Rational group;
    Long firstNumber;
    boolean matte;
    boolean cropToGrid;
    BurnIn burnIn;
    boolean clean;
    boolean draft;
    Set<String> accepted;
    String pass;

    static DeliverableDraft of(Deliverable d) {
        DeliverableDraft draft = new DeliverableDraft();
        draft.id = d.id();
        draft.off = d.off();
        draft.codec = d.codec();
        draft.container = d.container();
        draft.control = d.control();
        draft.framing = d.framing();
        draft.sound = d.sound();
        draft.tracks = d.tracks();
        draft.soundFiles = d.soundFiles();
        draft.loudness = d.loudness();
        draft.mastering = d.mastering();
        draft.colour = d.colour();
        draft.look = d.look();
        draft.flatten = d.flatten();
        draft.loops = d.loops();
        draft.effort = d.effort();
        draft.compression = d.compression();
        draft.group = d.group();
        draft.firstNumber = d.firstNumber();
        draft.matte = d.matte();
        draft.cropToGrid = d.cropToGrid();
        draft.burnIn = d.burnIn();
        draft.clean = d.clean();
        draft.draft = d.draft();
        draft.accepted = d.accepted();
        draft.pass = d.pass();
        return draft;
    }

    /** @param target and {@code extra}: what never changes */
    Deliverable finished(String target, Map<String, Object> extra) {
        return new Deliverable(id, target, off, codec, container, control, framing, sound, tracks, soundFiles, loudness, colour, mastering,
                look,
                flatten,
                loops, effort, compression, group,
                firstNumber, matte, cropToGrid, burnIn, clean, draft, accepted, pass, extra);
    }
}
