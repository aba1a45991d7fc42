package org.diligentbough.server.bulk;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.server.shared.CsvCell;
import org.diligentbough.server.shared.ProblemException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Trees as a table: CSV with a header line, whose columns are matched to the fields of the register. */
final class TreeTable {
    static final int MOST_ROWS = 5_000;
    private static final int MOST_COLUMNS = 100;

    /** The fields a column can fill, in the order in which they are written. */
    static final List<String> FIELDS = List.of(
            "tag",
            "species",
            "cultivar",
            "rootstock",
            "plantedYear",
            "bearing",
            "form",
            "formWanted",
            "mainsWanted",
            "purpose",
            "eastM",
            "northM",
            "targetHeightM",
            "clearanceM",
            "inContainer",
            "note",
            "groupName",
            "habit",
            "heightSetBy",
            "owner",
            "ownerWishes",
            "consent");

    private static final List<String> NUMBERS =
            List.of("plantedYear", "mainsWanted", "eastM", "northM", "targetHeightM", "clearanceM");
    private static final List<String> FREE_TEXT =
            List.of("tag", "cultivar", "rootstock", "note", "groupName", "owner", "ownerWishes");
    private static final List<String> YES = List.of("yes", "true", "1");
    private static final List<String> NO = List.of("no", "false", "0", "");
    /** What is taken where a file says nothing. */
    private static final Map<String, String> USUAL = Map.of("bearing", "unknown", "purpose", "picking");

    private final List<String> columns;
    private final List<CSVRecord> rows;

    private TreeTable(List<String> columns, List<CSVRecord> rows) {
        this.columns = columns;
        this.rows = rows;
    }

    /** Reads a table; commas, semicolons or tabs part the columns, whichever its header line has most of. */
    static TreeTable read(String text) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        String header = plain.lines().findFirst().orElse("");
        String delimiter = Stream.of(",", ";", "\t")
                .max(Comparator.comparingLong(
                        mark -> header.chars().filter(c -> c == mark.charAt(0)).count()))
                .orElseThrow();
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(plain))) {
            List<CSVRecord> all = parser.getRecords();
            if (all.isEmpty() || all.get(0).size() > MOST_COLUMNS) {
                throw ProblemException.unreadable(
                        "The first line must name the columns, 1 to 100 of them. Save the table as CSV and send it again.");
            }
            if (all.size() - 1 > MOST_ROWS) {
                throw ProblemException.tooLarge("A table has at most 5000 trees; send it in parts.");
            }
            return new TreeTable(all.get(0).toList(), all.subList(1, all.size()));
        } catch (IOException | IllegalStateException | UncheckedIOException e) {
            throw ProblemException.unreadable("This is no table that can be read: " + e.getMessage());
        }
    }

    List<String> columns() {
        return columns;
    }

    /** The rows as they stand, to be looked at and mended. */
    List<List<String>> cells() {
        return rows.stream().map(CSVRecord::toList).toList();
    }

    int size() {
        return rows.size();
    }

    /** For each column the field its name suggests, or nothing. */
    List<Optional<String>> suggested() {
        List<Optional<String>> found = new ArrayList<>();
        for (String column : columns) {
            Optional<String> field = FIELDS.stream()
                    .filter(known -> plain(known).equals(plain(column))
                            || alsoCalled(known).contains(plain(column)))
                    .findFirst();
            found.add(field.filter(known -> !found.contains(Optional.of(known))));
        }
        return found;
    }

    private static String plain(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
    }

    private static List<String> alsoCalled(String field) {
        return switch (field) {
            case "tag" -> List.of("id", "number", "no", "tree", "label");
            case "species" -> List.of("kind", "fruit", "type");
            case "cultivar" -> List.of("variety", "sort");
            case "plantedYear" -> List.of("planted", "year");
            case "eastM" -> List.of("east", "x");
            case "northM" -> List.of("north", "y");
            case "targetHeightM" -> List.of("heightwanted", "targetheight");
            case "clearanceM" -> List.of("clearance");
            case "note" -> List.of("notes", "remark", "remarks", "comment");
            case "groupName" -> List.of("group");
            default -> List.of();
        };
    }

    /** Line of a row in the file, for people: the header is line 1. */
    long line(int row) {
        return rows.get(row).getRecordNumber();
    }

    /**
     * One row as a tree, unchecked.
     *
     * @param fieldOf the field of each column, empty for a column to be passed over
     */
    ObjectNode tree(int row, List<String> fieldOf) {
        Map<String, String> given = new LinkedHashMap<>(USUAL);
        CSVRecord record = rows.get(row);
        for (int i = 0; i < Math.min(fieldOf.size(), record.size()); i++) {
            if (!fieldOf.get(i).isEmpty() && !record.get(i).isBlank()) {
                given.put(fieldOf.get(i), record.get(i).strip());
            }
        }
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        ObjectNode tree = nodes.objectNode();
        for (String field : FIELDS) {
            String text = given.getOrDefault(field, "");
            if (field.equals("inContainer")) {
                tree.set(field, yesOrNo(text, nodes));
            } else if (!text.isEmpty()) {
                tree.set(field, value(field, text, nodes));
            }
        }
        return tree;
    }

    private static JsonNode yesOrNo(String text, JsonNodeFactory nodes) {
        String plain = text.toLowerCase(Locale.ROOT);
        return YES.contains(plain)
                ? nodes.booleanNode(true)
                : NO.contains(plain) ? nodes.booleanNode(false) : nodes.stringNode(text);
    }

    private static JsonNode value(String field, String text, JsonNodeFactory nodes) {
        if (NUMBERS.contains(field)) {
            String plain = text.replace(',', '.');
            try {
                double number = Double.parseDouble(plain);
                return number == Math.rint(number) && Math.abs(number) < 1e9
                        ? nodes.numberNode((int) number)
                        : nodes.numberNode(number);
            } catch (NumberFormatException e) {
                return nodes.stringNode(text);
            }
        }
        boolean code = !FREE_TEXT.contains(field);
        return nodes.stringNode(code ? text.toLowerCase(Locale.ROOT).replaceAll("[ _]+", "-") : CsvCell.plain(text));
    }

    /** A table of trees; what a spreadsheet would run as a formula is written as text. */
    static String write(List<JsonNode> trees) {
        StringWriter out = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.DEFAULT)) {
            printer.printRecord(FIELDS);
            for (JsonNode tree : trees) {
                printer.printRecord(
                        FIELDS.stream().map(field -> cell(tree.get(field))).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String cell(JsonNode value) {
        if (value == null || value.isNull()) {
            return "";
        }
        if (value.isBoolean()) {
            return value.booleanValue() ? "yes" : "no";
        }
        return value.isString() ? CsvCell.safe(value.asString()) : value.asString();
    }
}
