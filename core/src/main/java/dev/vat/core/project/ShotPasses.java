package dev.vat.core.project;

import dev.vat.core.pass.PassWords.Found;
import dev.vat.core.pass.PassWords;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Kin;
import java.util.ArrayList;
import java.util.List;

/** The passes of one shot: layers of its own files, or sequences beside it whose names differ by a word. */
public final class ShotPasses {

    private static final String FULL = "full";

    private ShotPasses() {}

    /** The full picture is among them where there is one; nothing is there where names don't speak of passes. */
    public static List<Found> of(List<Source> sources, Source own, FrameTable table) {
        List<Found> layers = table.format().map(PictureFormat::layers).orElse(List.of()).stream()
                .map(l -> new Found(l.equals(PictureFormat.MAIN) ? FULL : l, null, l)).toList();
        // What lies beside the unnamed picture in one file is what it was made of, whatever it is called.
        if (PassWords.areThere(layers) || PassWords.full(layers).isPresent() && layers.size() > 2) {
            return layers;
        }
        int index = sources.indexOf(own);
        List<Found> beside = new ArrayList<>();
        Kin.group(sources.stream().map(Source::location).toList()).stream()
                .filter(k -> k.isFamily() && !k.areVersions() && k.members().stream().anyMatch(m -> m.index() == index)).findFirst()
                .ifPresent(kin -> kin.members().forEach(m -> beside.add(
                        new Found(m.word().isEmpty() ? FULL : m.word(), m.index() == index ? null : sources.get(m.index()).id(), null))));
        return PassWords.areThere(beside) ? beside : List.of();
    }
}
