package org.diligentbough.bench;

import java.util.List;
import java.util.Locale;
import org.diligentbough.core.roster.RandomRosters;
import org.diligentbough.core.roster.Roster;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.core.roster.RosterMaker;
import org.diligentbough.core.roster.RosterMaker.Limits;

/** How long rosters of a size take until one stands, and how much better they are after some seconds; made-up cases. */
public final class RosterSizes {
    private static final int SEED = 7;
    private static final double[] SECONDS = {1, 5, 15};

    private record Size(int days, int people, int visits) {}

    private static final List<Size> SIZES = List.of(
            new Size(1, 8, 12), new Size(1, 20, 40), new Size(4, 20, 60), new Size(10, 20, 150), new Size(20, 40, 400));

    private RosterSizes() {}

    /** Prints a row for each size. */
    public static void main(String[] arguments) {
        RosterMaker.make(RandomRosters.of(SEED, 1, 8, 12), Limits.seconds(3, SEED)); // warm
        System.out.println("| days | people | trees | crews at work | first stands after, ms | trees placed "
                + "| points better after 1 s | 5 s | 15 s |");
        System.out.println("|---|---|---|---|---|---|---|---|---|");
        for (Size size : SIZES) {
            row(size);
        }
    }

    private static void row(Size size) {
        RosterCase of = RandomRosters.of(SEED, size.days(), size.people(), size.visits());
        long begun = System.nanoTime();
        long[] first = {0};
        Roster[] plain = {null};
        StringBuilder better = new StringBuilder();
        Roster last = null;
        for (double seconds : SECONDS) {
            last = RosterMaker.make(
                    of,
                    Limits.seconds(seconds, SEED),
                    found -> {
                        if (plain[0] == null) {
                            first[0] = System.nanoTime() - begun;
                            plain[0] = found;
                        }
                    },
                    () -> false);
            better.append(" | ").append(last.soft() - plain[0].soft());
            if (last.urgentLeft() < plain[0].urgentLeft()) {
                better.append(" and ")
                        .append(plain[0].urgentLeft() - last.urgentLeft())
                        .append(" urgent more");
            }
        }
        System.out.printf(
                Locale.ROOT,
                "| %d | %d | %d | %d | %d | %d%s |%n",
                size.days(),
                size.people(),
                size.visits(),
                last.crews().size(),
                first[0] / 1_000_000,
                size.visits() - last.notPlaced().size(),
                better);
    }
}
