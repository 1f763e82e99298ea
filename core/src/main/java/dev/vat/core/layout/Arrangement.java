package dev.vat.core.layout;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.Spot;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Where several views lie in one picture. What comes later lies over what comes before. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Arrangement.Grid.class, name = "grid"),
    @JsonSubTypes.Type(value = Arrangement.Rows.class, name = "rows"),
    @JsonSubTypes.Type(value = Arrangement.Inset.class, name = "inset"),
    @JsonSubTypes.Type(value = Arrangement.Free.class, name = "free"),
})
public sealed interface Arrangement {

    int MOST = 64;

    /** Of so many views, in their order. */
    List<Area> areas(int views);

    /** Whether views lie beside each other, so that room can be left between them. */
    @JsonIgnore
    default boolean isSideBySide() {
        return true;
    }

    @JsonIgnore
    String title();

    /** Boxes alike, row by row. @param across how many lie beside each other */
    record Grid(int across) implements Arrangement {
        public Grid {
            requireSome(across);
        }

        /** {@code 2}. @throws IllegalArgumentException in words */
        public static Grid parse(String text) {
            return new Grid(count(text));
        }

        @Override
        public List<Area> areas(int views) {
            int down = Math.max(1, Math.ceilDiv(views, across));
            List<Area> areas = new ArrayList<>();
            for (int i = 0; i < views; i++) {
                areas.add(new Area(Rational.of(i % across, across), Rational.of(i / across, down), Rational.of(1, across),
                        Rational.of(1, down)));
            }
            return areas;
        }

        @Override
        public String title() {
            return Words.of(Arrangement.class).say("gridAcross", across);
        }
    }

    /** Rows of one height, each filled by its own number of views; what is left over stands in further rows of the last number. */
    record Rows(List<Integer> counts) implements Arrangement {
        public Rows {
            counts = List.copyOf(counts);
            if (counts.isEmpty()) {
                throw new IllegalArgumentException(Words.of(Arrangement.class).say("rowsNeedToSayHowManyViews"));
            }
            counts.forEach(Arrangement::requireSome);
        }

        /** {@code 1 3} or {@code 1,3}: one view in the first row, three in each that follows. @throws IllegalArgumentException in words */
        public static Rows parse(String text) {
            return new Rows(Arrays.stream(text.strip().split("[ ,+]+")).map(Arrangement::count).toList());
        }

        @Override
        public List<Area> areas(int views) {
            List<Integer> rows = new ArrayList<>();
            for (int left = views; left > 0;) {
                int fits = Math.min(left, counts.get(Math.min(rows.size(), counts.size() - 1)));
                rows.add(fits);
                left -= fits;
            }
            List<Area> areas = new ArrayList<>();
            for (int row = 0; row < rows.size(); row++) {
                for (int i = 0; i < rows.get(row); i++) {
                    areas.add(new Area(Rational.of(i, rows.get(row)), Rational.of(row, rows.size()), Rational.of(1, rows.get(row)),
                            Rational.of(1, rows.size())));
                }
            }
            return areas;
        }

        @Override
        public String title() {
            return Words.of(Arrangement.class).say("rowsOf", String.join(" and ", counts.stream().map(String::valueOf).toList()));
        }
    }

    /**
     * The first view fills the picture; the others lie over it, one above the other, from a place on.
     *
     * @param at where the first of those lies
     * @param share of the picture's width and height that each takes, above 0 and below 1
     */
    record Inset(Spot at, Rational share) implements Arrangement {

        private static final Rational CLEAR = Rational.of(1, 25);

        public Inset {
            if (share.signum() <= 0 || share.compareTo(Rational.ONE) >= 0) {
                throw new IllegalArgumentException(Words.of(Arrangement.class).say("anInsetTakesMoreThan0And", share.times(100)));
            }
        }

        @Override
        public List<Area> areas(int views) {
            List<Area> areas = new ArrayList<>();
            for (int i = 0; i < views; i++) {
                areas.add(i == 0 ? Area.ALL : inset(i - 1, views - 1));
            }
            return areas;
        }

        private Area inset(int index, int of) {
            // Each has a slot of the height; where they would not all fit, they become smaller.
            Rational each = min(share, Rational.ONE.minus(CLEAR).dividedBy(Rational.of(of)).minus(CLEAR));
            Rational stack = each.plus(CLEAR).times(of).minus(CLEAR);
            return new Area(along(Rational.of(Math.round(2 * at.across()), 2), each),
                    along(Rational.of(Math.round(2 * at.down()), 2), stack).plus(each.plus(CLEAR).times(index)), each, each);
        }

        private static Rational along(Rational where, Rational length) {
            Rational room = Rational.ONE.minus(length);
            Rational clear = min(CLEAR, room.dividedBy(Rational.of(2)));
            return clear.plus(room.minus(clear.times(2)).times(where));
        }

        private static Rational min(Rational a, Rational b) {
            return a.compareTo(b) <= 0 ? a : b;
        }

        @Override
        @JsonIgnore
        public boolean isSideBySide() {
            return false;
        }

        @Override
        public String title() {
            return Words.of(Arrangement.class).say("inset", at.title());
        }
    }

    /** Each where it is put; a view without an area of its own lies over all. */
    record Free(List<Area> places) implements Arrangement {
        public Free {
            places = List.copyOf(places);
        }

        @Override
        public List<Area> areas(int views) {
            List<Area> areas = new ArrayList<>();
            for (int i = 0; i < views; i++) {
                areas.add(i < places.size() ? places.get(i) : Area.ALL);
            }
            return areas;
        }

        @Override
        @JsonIgnore
        public boolean isSideBySide() {
            return false;
        }

        @Override
        public String title() {
            return "free";
        }

        public Free with(int index, Area area) {
            List<Area> changed = new ArrayList<>(areas(Math.max(index + 1, places.size())));
            changed.set(index, area);
            return new Free(changed);
        }
    }

    private static int count(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.of(Arrangement.class).say("isNoNumberOfViewsThatStand", text), e);
        }
    }

    private static void requireSome(int views) {
        if (views < 1 || views > MOST) {
            throw new IllegalArgumentException(Words.of(Arrangement.class).say("from1ToViewsStandBeside", MOST, views));
        }
    }
}
