package org.diligentbough.core.orchard;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.knowledge.Source;

/** How tall trees grow on the rootstocks in use: {@code rootstocks.csv}. Immutable. */
public final class Rootstocks {
    private final List<Stock> stocks;

    private Rootstocks(List<Stock> stocks) {
        this.stocks = List.copyOf(stocks);
    }

    /**
     * A rootstock.
     *
     * @param fromM least height of a grown tree on it, m
     * @param toM greatest, m
     */
    public record Stock(Species species, String name, double fromM, double toM, Source source) {
        /** The height to reckon with, m. */
        public double middleM() {
            return (fromM + toM) / 2;
        }
    }

    /** Reads the shipped file; a bad line stops it with its number. */
    public static Rootstocks load() {
        List<Stock> stocks = new ArrayList<>();
        for (DataFile.Row row : DataFile.read(
                "rootstocks.csv", List.of("species", "rootstock", "from-m", "to-m", "mark", "publication"))) {
            double fromM = row.number("from-m", 0.5, 15);
            stocks.add(new Stock(
                    row.code("species", Species.class),
                    row.text("rootstock"),
                    fromM,
                    row.number("to-m", fromM, 15),
                    row.source()));
        }
        return new Rootstocks(stocks);
    }

    public List<Stock> all() {
        return stocks;
    }

    /** What is known of a rootstock as people write it: case, spaces and dots do not matter. */
    public Optional<Stock> find(Species species, String written) {
        return stocks.stream()
                .filter(stock ->
                        stock.species() == species && plain(stock.name()).equals(plain(written)))
                .findFirst();
    }

    private static String plain(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
    }
}
