package dev.vat.core.layout;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.time.DateTimeException;
import java.time.LocalDate;

/**
 * A calendar that goes along with the frames, for what takes days: building sites, plants, seasons. Days are whole; the first frame is
 * of the start's day, the day numbered 0.
 *
 * @param start ISO 8601, as {@code 2026-05-01}
 * @param perSecond days that pass in a second, above 0
 */
public record DayCount(String start, Rational perSecond) {

    private static final Words WORDS = Words.of(DayCount.class);

    private static final Rational FASTEST = Rational.of(100_000);

    @JsonCreator
    public DayCount(@JsonProperty("start") String start, @JsonProperty("perSecond") Rational perSecond) {
        try {
            this.start = LocalDate.parse(start.strip()).toString();
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(WORDS.say("aDateIsYearMonthAndDayAs", start), e);
        }
        if (perSecond.signum() <= 0 || perSecond.compareTo(FASTEST) > 0) {
            throw new IllegalArgumentException(WORDS.say("fromAbove0To100000DaysPass", perSecond));
        }
        this.perSecond = perSecond;
    }

    /** Days that are over at a frame, counted from 0. */
    public long days(long frame, Rate rate) {
        return rate.seconds(frame).times(perSecond).floor();
    }

    /** With the day's number and its date. */
    public FrameFacts facts(FrameFacts facts, long frame, Rate rate) {
        long days = days(frame, rate);
        return facts.with(Field.DAYS, Long.toString(days)).with(Field.CALENDAR, LocalDate.parse(start).plusDays(days).toString());
    }
}
