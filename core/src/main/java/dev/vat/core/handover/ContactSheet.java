package dev.vat.core.handover;

import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.LongFunction;
import java.util.stream.LongStream;

/**
 * Frames spread evenly over a source, a reel or a file, on one sheet with their numbers; written as PNG, JPEG or PDF by the name's ending.
 *
 * @param title over them
 * @param cells in their order
 * @param seen shape in which they are seen
 * @param across how many beside each other
 * @param width of the sheet, in pixels
 */
public record ContactSheet(String title, List<Cell> cells, Size seen, int across, int width) {

    private static final Words WORDS = Words.of(ContactSheet.class);

    /** One picture. @param label under it @param recipe null where there is none */
    public record Cell(String label, Recipe recipe) {}

    /** How many, and how large. */
    public record Grid(int across, int down, int width) {

        public static final Grid USUAL = new Grid(5, 6, 1600);

        private static final int MOST = 40;
        private static final int NARROWEST = 320;
        private static final int WIDEST = 16_000;

        public Grid {
            if (across < 1 || across > MOST || down < 1 || down > MOST) {
                throw new IllegalArgumentException(
                        WORDS.say("aContactSheetHasFrom1To", MOST, across, down));
            }
            if (width < NARROWEST || width > WIDEST) {
                throw new IllegalArgumentException(WORDS.say("aContactSheetIsFromToPixels", NARROWEST, WIDEST, width));
            }
        }

        /** {@code 5x6}. */
        public static Grid parse(String text, int width) {
            String[] parts = text.toLowerCase(Locale.ROOT).split("x");
            try {
                return new Grid(Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()), width);
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
                throw new IllegalArgumentException(WORDS.say("isNoGridWriteHowManyAcross", text), e);
            }
        }
    }

    /** What names of its files may end in. */
    public static final List<String> ENDINGS = List.of("png", "jpg", "pdf");

    /** Which of those a name ends in. @throws IllegalArgumentException if it is none of them */
    public static String endingOf(String fileName) {
        String ending = fileName.substring(fileName.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT).replace("jpeg", "jpg");
        if (!ENDINGS.contains(ending)) {
            throw new IllegalArgumentException(WORDS.say("aContactSheetIsAFileThat", ENDINGS, fileName));
        }
        return ending;
    }

    public ContactSheet {
        cells = List.copyOf(cells);
    }

    /** Of a finished film. */
    public static ContactSheet ofFilm(Path film, Receipt receipt) {
        Rate rate = receipt.planned().rate();
        Timecode start = receipt.planned().timecode() == null ? Timecode.of(0, rate) : Timecode.parse(receipt.planned().timecode(), rate);
        return of(receipt.file(), receipt.planned().frames(), receipt.planned().pixelAspect().seen(receipt.planned().size()), Grid.USUAL,
                frame -> new Cell(frame + "  " + start.plusFrames(frame), new Recipe.Finished(film.toString(), frame)));
    }

    /** Of a reel. */
    public static ContactSheet ofReel(ResolvedReel programme, Grid grid) {
        Timecode start = programme.start().or(() -> programme.rate().map(r -> Timecode.of(0, r))).orElse(null);
        return of(programme.reel().name(), programme.plan().count(),
                programme.shape().map(f -> f.pixelAspect().seen(f.size())).orElse(Size.of(16, 9)), grid,
                frame -> new Cell(frame + (start == null ? "" : "  " + start.plusFrames(frame)), programme.recipe(frame).orElse(null)));
    }

    /** Of a source, by the frames' own numbers. */
    public static ContactSheet ofSource(Source source, FrameTable table, Grid grid) {
        FrameRange range = source.reading().rangeIn(table.sequence());
        Size seen = table.format().map(f -> source.reading().picture().pixelAspectOf(f).seen(f.size())).orElse(Size.of(16, 9));
        return of(source.name(), range.count(), seen, grid, place -> {
            long number = range.first() + place;
            return new Cell(table.sequence().pattern().number(number),
                    table.sequence().has(number) ? ResolvedReel.alone(source, table, number) : null);
        });
    }

    /** @param cell the picture at a place, from 0 */
    public static ContactSheet of(String title, long frames, Size seen, Grid grid, LongFunction<Cell> cell) {
        long shown = Math.min(frames, (long) grid.across * grid.down);
        // The first and the last are always there.
        List<Cell> cells = LongStream.range(0, shown).map(i -> shown == 1 ? 0 : i * (frames - 1) / (shown - 1)).mapToObj(cell).toList();
        return new ContactSheet(title, cells, seen, grid.across, grid.width);
    }
}
