package dev.vat.desktop.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FilmstripTest {

    private static final double WIDTH = 1200;
    private static final double PICTURE = 80;

    private static BandView view(long count) {
        BandView view = new BandView();
        view.setStrip(new TestStrip(count, Map.of(), null));
        return view;
    }

    private static List<Filmstrip.Tile> tiles(BandView view, List<Long> cuts, long count) {
        return Filmstrip.tiles(view, cuts, count, WIDTH, PICTURE);
    }

    @Test
    void picturesStandAtTheirPlacesAndAtLeastHalfOfEachIsSeen() {
        for (long count : new long[] {1, 2, 7, 15, 96, 208, 1000, 20_000, 1_000_000}) {
            List<Filmstrip.Tile> tiles = tiles(view(count), List.of(), count);
            assertThat(tiles.size()).as("of %d frames", count).isEqualTo((int) Math.ceil(count / (double) step(tiles)));
            for (Filmstrip.Tile tile : tiles.subList(0, tiles.size() - 1)) {
                assertThat(tile.x()).isCloseTo(tile.place() * WIDTH / count, org.assertj.core.data.Offset.offset(.001));
                assertThat(tile.width()).isGreaterThanOrEqualTo(PICTURE / 2 - .001);
            }
        }
    }

    private static long step(List<Filmstrip.Tile> tiles) {
        return tiles.size() < 2 ? 1 : tiles.get(1).place() - tiles.get(0).place();
    }

    @Test
    void everyItemBeginsWithItsOwnFirstPicture() {
        List<Filmstrip.Tile> tiles = tiles(view(208), List.of(96L, 160L), 208);
        assertThat(tiles).filteredOn(Filmstrip.Tile::begins).extracting(Filmstrip.Tile::place).containsExactly(0L, 96L, 160L);
        for (int i = 1; i < tiles.size(); i++) {
            assertThat(tiles.get(i).x()).as("no gap, nothing twice")
                    .isCloseTo(tiles.get(i - 1).x() + tiles.get(i - 1).width(), org.assertj.core.data.Offset.offset(.001));
        }
    }

    @Test
    void movingTheViewShowsTheSamePicturesAgain() {
        BandView view = view(1000);
        view.zoom(.25, 600, WIDTH);
        List<Long> before = tiles(view, List.of(), 1000).stream().map(Filmstrip.Tile::place).toList();
        view.move(7);
        List<Long> after = tiles(view, List.of(), 1000).stream().map(Filmstrip.Tile::place).toList();
        assertThat(before).filteredOn(after::contains).hasSizeGreaterThan(before.size() - 2);
        view.zoom(.5, 600, WIDTH);
        List<Long> closer = tiles(view, List.of(), 1000).stream().map(Filmstrip.Tile::place).toList();
        assertThat(closer).filteredOn(after::contains).as("closer, every second is there already")
                .hasSizeGreaterThan(closer.size() / 2 - 2);
    }

    @Test
    void ofAMillionFramesInAThousandItemsAsManyAsFitAreLookedAt() {
        List<Long> cuts = java.util.stream.LongStream.range(1, 1000).map(i -> i * 1000).boxed().toList();
        assertThat(tiles(view(1_000_000), cuts, 1_000_000)).hasSizeBetween(50, 100);
    }
}
