package org.diligentbough.core.fruit;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;

/** The girths of a trunk over the years, in any order. */
public record Girths(List<Girth> all) {
    private static final double DAYS_A_YEAR = 365.25;
    /** When apples are picked in the north; half a year later in the south. */
    private static final int HARVEST_MONTH = 10;

    private static final int SOUTHERN_HARVEST_MONTH = 4;

    /** A girth of the trunk, cm, as measured on a day. */
    public record Girth(LocalDate on, double cm) {}

    public Girths {
        all = all.stream().sorted(Comparator.comparing(Girth::on)).toList();
    }

    /** Girth on a day, cm: in a straight line between two that were measured, as the nearest one before and after them. */
    public OptionalDouble cmOn(LocalDate day) {
        Girth before = null;
        for (Girth girth : all) {
            if (!girth.on().isAfter(day)) {
                before = girth;
            } else if (before == null) {
                return OptionalDouble.of(girth.cm());
            } else {
                double part = (double) ChronoUnit.DAYS.between(before.on(), day)
                        / ChronoUnit.DAYS.between(before.on(), girth.on());
                return OptionalDouble.of(before.cm() + part * (girth.cm() - before.cm()));
            }
        }
        return before == null ? OptionalDouble.empty() : OptionalDouble.of(before.cm());
    }

    /**
     * Cross-section of the trunk at a year's harvest, cm2: girth squared by four pi (from memory: Westwood and Roberts
     * 1970).
     */
    public OptionalDouble crossSectionCm2(int year, boolean southern) {
        OptionalDouble cm = cmOn(LocalDate.of(year, southern ? SOUTHERN_HARVEST_MONTH : HARVEST_MONTH, 1));
        return cm.isPresent()
                ? OptionalDouble.of(cm.getAsDouble() * cm.getAsDouble() / (4 * Math.PI))
                : OptionalDouble.empty();
    }

    /** Growth of the girth, cm a year, from the first to the last up to a day; empty under a year between them. */
    public OptionalDouble cmPerYear(LocalDate upTo) {
        List<Girth> known =
                all.stream().filter(girth -> !girth.on().isAfter(upTo)).toList();
        if (known.size() < 2) {
            return OptionalDouble.empty();
        }
        Girth first = known.get(0);
        Girth last = known.get(known.size() - 1);
        double years = ChronoUnit.DAYS.between(first.on(), last.on()) / DAYS_A_YEAR;
        return years < 1 ? OptionalDouble.empty() : OptionalDouble.of((last.cm() - first.cm()) / years);
    }
}
