package org.diligentbough.server.shared;

/** What is written into a cell of a table that people open in a spreadsheet. */
public final class CsvCell {
    /** Beginnings a spreadsheet would take for a formula; they are written with an apostrophe before them. */
    private static final String FORMULA = "=+-@\t\r";

    private CsvCell() {}

    /** The text, with an apostrophe before it where a spreadsheet would run it; null is empty. */
    public static String safe(String text) {
        if (text == null) {
            return "";
        }
        return startsFormula(text, 0) ? "'" + text : text;
    }

    /** The text as it was before it was made safe. */
    public static String plain(String cell) {
        return cell.length() > 1 && cell.startsWith("'") && startsFormula(cell, 1) ? cell.substring(1) : cell;
    }

    private static boolean startsFormula(String text, int at) {
        return text.length() > at && FORMULA.indexOf(text.charAt(at)) >= 0;
    }
}
