package org.diligentbough.server.shared;

import java.util.regex.Pattern;

/** What is written into a cell of a table that people open in a spreadsheet. */
public final class CsvCell {
    /** What a spreadsheet would take for a formula; it is written with an apostrophe before it. */
    private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@|\t\r].*", Pattern.DOTALL);

    private CsvCell() {}

    /** The text, with an apostrophe before it where a spreadsheet would run it; null is empty. */
    public static String safe(String text) {
        if (text == null) {
            return "";
        }
        return FORMULA.matcher(text).matches() ? "'" + text : text;
    }

    /** The text as it was before it was made safe. */
    public static String plain(String cell) {
        return cell.startsWith("'") && FORMULA.matcher(cell.substring(1)).matches() ? cell.substring(1) : cell;
    }
}
