package org.diligentbough.server.fruit;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.server.fruit.FruitService.Entered;
import org.diligentbough.server.fruit.FruitService.FruitChange;
import org.diligentbough.server.fruit.FruitService.FruitData;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CsvCell;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The fruit of a site as a table, out and in: a row a tree and year. What has anything wrong is taken in not at all. */
@Component
class FruitTable {
    private static final List<String> COLUMNS = List.of(
            "tree",
            "year",
            "bloom",
            "set",
            "thinned",
            "number",
            "kg",
            "g each",
            "colour",
            "spoilt",
            "out of reach kg",
            "first crop kg",
            "kept kg",
            "shared kg",
            "given kg",
            "pressed kg",
            "note");

    private static final int MOST_ROWS = 20_000;

    private final FruitService fruit;
    private final FruitMapper mapper;
    private final OrchardService orchard;
    private final Validator validator;

    FruitTable(FruitService fruit, FruitMapper mapper, OrchardService orchard, Validator validator) {
        this.fruit = fruit;
        this.mapper = mapper;
        this.orchard = orchard;
        this.validator = validator;
    }

    /** How many years of trees were taken in. */
    record FruitTaken(int rows) {}

    String write(long siteId) {
        Map<Long, List<Entered>> years = fruit.byTree(orchard.site(siteId).id());
        StringWriter text = new StringWriter();
        try (CSVPrinter table = new CSVPrinter(text, CSVFormat.DEFAULT)) {
            table.printRecord(COLUMNS);
            for (TreeRow tree : orchard.standing(siteId)) {
                for (Entered year : years.getOrDefault(tree.id(), List.of())) {
                    FruitData is = year.data();
                    table.printRecord(
                            CsvCell.safe(tree.tag()),
                            year.year(),
                            is.bloom(),
                            is.fruitSet(),
                            is.thinned(),
                            is.number(),
                            is.kilos(),
                            is.meanFruitG(),
                            is.colour(),
                            is.spoiltShare(),
                            is.reachKilos(),
                            is.firstKilos(),
                            is.keptKilos(),
                            is.sharedKilos(),
                            is.givenKilos(),
                            is.pressedKilos(),
                            CsvCell.safe(is.note()));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    @Transactional
    FruitTaken read(long siteId, String text) {
        Map<String, Long> trees = new HashMap<>();
        orchard.standing(orchard.site(siteId).id()).forEach(tree -> trees.put(tree.tag(), tree.id()));
        List<FieldProblem> problems = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        try (CSVParser table = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get()
                .parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
            for (String wanted : List.of("tree", "year")) {
                if (!table.getHeaderNames().contains(wanted)) {
                    problems.add(
                            new FieldProblem("/header", "has no column " + wanted + "; give tree and year at least"));
                }
            }
            for (String name : table.getHeaderNames()) {
                if (!COLUMNS.contains(name)) {
                    problems.add(new FieldProblem(
                            "/header",
                            "has a column " + name + " that is not known; give of " + String.join(", ", COLUMNS)));
                }
            }
            for (CSVRecord record : problems.isEmpty() ? table : List.<CSVRecord>of()) {
                if (rows.size() >= MOST_ROWS) {
                    problems.add(new FieldProblem("/rows", "has too many rows; the limit is " + MOST_ROWS));
                    break;
                }
                row(record, trees, problems).ifPresent(rows::add);
            }
        } catch (IOException | IllegalArgumentException | java.io.UncheckedIOException e) {
            throw ProblemException.unreadable("What was sent is not readable as a table: " + e.getMessage());
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        for (Row row : rows) {
            int version = mapper.find(row.treeId(), row.year())
                    .map(one -> one.version())
                    .orElse(0);
            try {
                fruit.keepFruit(row.treeId(), row.year(), Optional.empty(), new FruitChange(version, row.data()));
            } catch (ProblemException refused) {
                throw ProblemException.wrongFields(refused.errors().stream()
                        .map(one -> new FieldProblem(
                                "/rows/" + row.number() + one.pointer().replaceFirst("^/data", ""), one.detail()))
                        .toList());
            }
        }
        return new FruitTaken(rows.size());
    }

    private record Row(long number, long treeId, int year, FruitData data) {}

    private Optional<Row> row(CSVRecord record, Map<String, Long> trees, List<FieldProblem> problems) {
        String at = "/rows/" + record.getRecordNumber();
        int before = problems.size();
        String tag = CsvCell.plain(cell(record, "tree").orElse(""));
        if (!trees.containsKey(tag)) {
            problems.add(new FieldProblem(at + "/tree", "is the tag of no tree here"));
        }
        Integer year = whole(record, "year", at, problems);
        if (year == null && problems.size() == before) {
            problems.add(new FieldProblem(at + "/year", "is missing; give the year"));
        }
        FruitData data = new FruitData(
                whole(record, "bloom", at, problems),
                whole(record, "set", at, problems),
                whole(record, "thinned", at, problems),
                whole(record, "number", at, problems),
                number(record, "kg", at, problems),
                number(record, "g each", at, problems),
                whole(record, "colour", at, problems),
                number(record, "spoilt", at, problems),
                number(record, "out of reach kg", at, problems),
                number(record, "first crop kg", at, problems),
                number(record, "kept kg", at, problems),
                number(record, "shared kg", at, problems),
                number(record, "given kg", at, problems),
                number(record, "pressed kg", at, problems),
                cell(record, "note").map(CsvCell::plain).orElse(null));
        for (ConstraintViolation<FruitData> wrong : validator.validate(data)) {
            problems.add(new FieldProblem(at + "/" + wrong.getPropertyPath(), wrong.getMessage()));
        }
        return problems.size() == before
                ? Optional.of(new Row(record.getRecordNumber(), trees.get(tag), year, data))
                : Optional.empty();
    }

    private static Optional<String> cell(CSVRecord record, String column) {
        return record.isSet(column) && !record.get(column).isBlank()
                ? Optional.of(record.get(column))
                : Optional.empty();
    }

    private static Integer whole(CSVRecord record, String column, String at, List<FieldProblem> problems) {
        Double number = number(record, column, at, problems);
        if (number != null && (number != Math.rint(number) || Math.abs(number) > Integer.MAX_VALUE)) {
            problems.add(new FieldProblem(at + "/" + column, "is no whole number"));
            return null;
        }
        return number == null ? null : number.intValue();
    }

    private static Double number(CSVRecord record, String column, String at, List<FieldProblem> problems) {
        Optional<String> cell = cell(record, column);
        if (cell.isEmpty()) {
            return null;
        }
        try {
            double value = Double.parseDouble(cell.get().replace(',', '.'));
            if (!Double.isFinite(value)) {
                throw new NumberFormatException();
            }
            return value;
        } catch (NumberFormatException e) {
            problems.add(new FieldProblem(at + "/" + column, "is no number; give one such as 31.5"));
            return null;
        }
    }
}
