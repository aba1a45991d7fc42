package org.diligentbough.core.season;

import java.time.LocalDate;
import java.time.MonthDay;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;

/**
 * A time of the growing year as a data file writes it, such as {@code stage 1 -59}, {@code 12-01 or later stage 95} or
 * {@code driest +42}: a day in the months of the north, a stage of the BBCH scale, the last or first frost, the rains after
 * a dry summer, or the driest stretch of high summer; with days added; and perhaps no later or no earlier than others. All
 * days are days of the north.
 */
final class YearTerm {
    private static final Pattern TERM =
            Pattern.compile("(\\d\\d-\\d\\d|stage \\d\\d?|last-frost|first-frost|rains|driest)( [+-]\\d{1,3})?");

    private final Term base;
    private final List<Bound> bounds;

    private YearTerm(Term base, List<Bound> bounds) {
        this.base = base;
        this.bounds = List.copyOf(bounds);
    }

    /** Where and when: what terms are worked out by. */
    record Place(Climate climate, Stages stages) {}

    private record Bound(boolean later, Term term) {}

    private enum Kind {
        DAY,
        STAGE,
        LAST_FROST,
        FIRST_FROST,
        RAINS,
        DRIEST
    }

    private record Term(Kind kind, Optional<MonthDay> day, int bbch, int plusDays) {

        /**
         * The day of the term in a growing year; empty where the site knows no such thing. What lies before a stage is
         * told by what leads up to it, what follows it by when it came.
         */
        Optional<LocalDate> in(int year, Place place, boolean asExpected) {
            Climate climate = place.climate();
            Optional<LocalDate> at =
                    switch (kind) {
                        case DAY -> Optional.of(day.orElseThrow().atYear(year));
                        case STAGE -> place.stages().inNorth(bbch, year).map(byStage(asExpected));
                        case LAST_FROST -> climate.lastFrost(year);
                        case FIRST_FROST -> climate.firstFrost(year);
                        case RAINS -> climate.rains(year);
                        case DRIEST -> Optional.of(climate.driest(year));
                    };
            return at.map(day -> day.plusDays(plusDays));
        }

        private Function<Stages.Stage, LocalDate> byStage(boolean asExpected) {
            if (asExpected) {
                return Stages.Stage::expected;
            }
            return plusDays < 0 ? Stages.Stage::predicted : Stages.Stage::reached;
        }
    }

    /** Reads a moment from a column. */
    static YearTerm of(DataFile.Row row, String column) {
        String[] parts = row.text(column).split(" or (?=later |earlier )");
        List<Bound> bounds = new ArrayList<>();
        for (int i = 1; i < parts.length; i++) {
            boolean later = parts[i].startsWith("later ");
            bounds.add(new Bound(later, term(row, column, parts[i].substring(later ? 6 : 8))));
        }
        return new YearTerm(term(row, column, parts[0]), bounds);
    }

    private static Term term(DataFile.Row row, String column, String text) {
        Matcher matcher = TERM.matcher(text);
        if (!matcher.matches()) {
            throw row.wrong(
                    column + " \"" + text + "\" is no time such as 02-01, stage 1 -59, last-frost, rains, driest");
        }
        String what = matcher.group(1);
        int plus =
                matcher.group(2) == null ? 0 : Integer.parseInt(matcher.group(2).trim());
        if (what.startsWith("stage ")) {
            return new Term(Kind.STAGE, Optional.empty(), Integer.parseInt(what.substring(6)), plus);
        }
        if (Character.isDigit(what.charAt(0))) {
            MonthDay day = MonthDays.parse(what)
                    .orElseThrow(() -> row.wrong(column + " \"" + what + "\" is no day from 1 to 28 of a month"));
            return new Term(Kind.DAY, Optional.of(day), 0, plus);
        }
        return new Term(Codes.parse(Kind.class, what).orElseThrow(), Optional.empty(), 0, plus);
    }

    /** The day of what stands first, in an average growing year and without its bounds: by it openings find their closings. */
    Optional<LocalDate> base(int year, Place place) {
        return base.in(year, place, true);
    }

    /** The day in a growing year, moved by what was seen. */
    Optional<LocalDate> actual(int year, Place place) {
        return base(year, place).flatMap(expected -> {
            Optional<LocalDate> at = base.in(year, place, false);
            for (Bound bound : bounds) {
                Optional<LocalDate> limit = nearest(bound.term(), expected, year, place)
                        .flatMap(near -> bound.term().in(near, place, false));
                at = at.map(day -> limit.filter(other -> bound.later() == other.isAfter(day))
                        .orElse(day));
            }
            return at;
        });
    }

    /** The growing year in which a term lies nearest to a day. */
    private static Optional<Integer> nearest(Term term, LocalDate day, int year, Place place) {
        return IntStream.rangeClosed(year - 1, year + 1)
                .boxed()
                .filter(near -> term.in(near, place, true).isPresent())
                .min(Comparator.comparingLong(near -> Math.abs(
                        day.toEpochDay() - term.in(near, place, true).get().toEpochDay())));
    }

    /** The stage whose coming it is, no days added; empty where something else decides. */
    Optional<Integer> comingOf() {
        return Optional.of(base)
                .filter(term -> term.kind() == Kind.STAGE && term.plusDays() == 0)
                .map(Term::bbch);
    }

    /** The stages it goes by, the base first. */
    List<Integer> stages() {
        return Stream.concat(Stream.of(base), bounds.stream().map(Bound::term))
                .filter(term -> term.kind() == Kind.STAGE)
                .map(Term::bbch)
                .toList();
    }
}
