package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.io.Writer;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * The rows of a tab in the form that a workbook has them (ECMA-376, SpreadsheetML): numbers, dates as serials, texts within
 * their cells, so that no other part of the workbook has to know of them.
 */
final class TabXml {
    /** Digits beyond this would be lost in a workbook's number, so such numbers go in as text. */
    private static final int EXACT_DIGITS = 15;

    private static final LocalDate DAY_0 = LocalDate.of(1899, 12, 30);
    private static final LocalDate FIRST_DAY = LocalDate.of(1900, 3, 1);
    private static final double DAY_SECONDS = 86_400;

    private final String[] names;
    private final Type[] types;
    private final YesNoWords[] words;
    private final int[] styles;
    private final int head;
    private final Writer out;
    private final int firstColumn;
    private int row;

    /**
     * @param style the place of a cell style among those of the workbook, by its number format; that of the header by
     *     {@link #HEAD}
     */
    TabXml(MasterPlan plan, UnaryOperator<String> style, Writer out) {
        this(plan, style, out, 1, 0);
    }

    /**
     * @param firstRow the row of the tab in which the header stands, from 1
     * @param firstColumn the column of the tab in which the first of the master stands, from 0
     */
    TabXml(MasterPlan plan, UnaryOperator<String> style, Writer out, int firstRow, int firstColumn) {
        this.row = firstRow - 1;
        this.firstColumn = firstColumn;
        this.names = Columns.names(plan);
        this.types = Columns.types(plan);
        this.words = Columns.words(plan);
        this.styles = new int[names.length];
        for (int i = 0; i < names.length; i++) {
            String format = Columns.format(plan, i);
            styles[i] = format.isEmpty() ? 0 : Integer.parseInt(style.apply(format));
        }
        this.head = Integer.parseInt(style.apply(HEAD));
        this.out = out;
    }

    /** Stands for the style of the header. */
    static final String HEAD = "\u0000head";

    void header() throws IOException {
        out.write("<row r=\"" + (row + 1) + "\">");
        headerCells();
        out.write("</row>");
    }

    void row(List<@Nullable String> values) throws IOException {
        out.write("<row r=\"" + (row + 1) + "\">");
        cells(values);
        out.write("</row>");
    }

    /** The cells of the header, without their row. */
    void headerCells() throws IOException {
        row++;
        for (int i = 0; i < names.length; i++) {
            text(i, names[i], head);
        }
    }

    /** The cells of the next row, without the row. */
    void cells(List<@Nullable String> values) throws IOException {
        row++;
        for (int i = 0; i < values.size(); i++) {
            String value = values.get(i);
            if (value != null) {
                cell(i, value);
            }
        }
    }

    private void cell(int column, String value) throws IOException {
        switch (types[column]) {
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> {
                BigDecimal number = new BigDecimal(value);
                if (number.stripTrailingZeros().precision() > EXACT_DIGITS) {
                    text(column, value, 0);
                } else {
                    number(column, number.toPlainString());
                }
            }
            case DATE -> {
                LocalDate day = LocalDate.parse(value);
                if (day.isBefore(FIRST_DAY)) {
                    text(column, value, 0);
                } else {
                    number(column, String.valueOf(ChronoUnit.DAYS.between(DAY_0, day)));
                }
            }
            case DATE_AND_TIME -> {
                LocalDateTime moment = LocalDateTime.parse(value);
                if (moment.toLocalDate().isBefore(FIRST_DAY)) {
                    text(column, value, 0);
                } else {
                    Duration since = Duration.between(DAY_0.atStartOfDay(), moment);
                    number(column, String.valueOf(since.toMillis() / (DAY_SECONDS * 1000)));
                }
            }
            case TIME -> number(column, String.valueOf(LocalTime.parse(value).toSecondOfDay() / DAY_SECONDS));
            case YES_NO -> {
                if (words[column].equals(YesNoWords.TRUE_FALSE)) {
                    out.write("<c r=\"" + at(column) + "\" t=\"b\"><v>" + (value.equals("true") ? 1 : 0) + "</v></c>");
                } else {
                    text(column, words[column].of(value), 0);
                }
            }
            case TEXT -> text(column, value, 0);
        }
    }

    private void number(int column, String value) throws IOException {
        out.write("<c r=\"" + at(column) + "\"" + (styles[column] == 0 ? "" : " s=\"" + styles[column] + "\"") + "><v>"
                + value + "</v></c>");
    }

    private void text(int column, String value, int style) throws IOException {
        out.write("<c r=\"" + at(column) + "\"" + (style == 0 ? "" : " s=\"" + style + "\"")
                + " t=\"inlineStr\"><is><t xml:space=\"preserve\">" + escaped(value) + "</t></is></c>");
    }

    private String at(int column) {
        return letters(firstColumn + column) + row;
    }

    /** The letters of a column, from 0. */
    static String letters(int column) {
        StringBuilder letters = new StringBuilder();
        for (int rest = column; rest >= 0; rest = rest / 26 - 1) {
            letters.insert(0, (char) ('A' + rest % 26));
        }
        return letters.toString();
    }

    /** A text as it stands in XML; characters that XML has no room for are written as workbooks do. */
    static String escaped(String text) {
        StringBuilder escaped = new StringBuilder(text.length() + 8);
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '&' -> escaped.append("&amp;");
                case '<' -> escaped.append("&lt;");
                case '>' -> escaped.append("&gt;");
                case '"' -> escaped.append("&quot;");
                default -> {
                    boolean looksEscaped = c == '_'
                            && text.startsWith("_x", i)
                            && i + 6 < text.length()
                            && text.substring(i + 2, i + 6).matches("[0-9A-Fa-f]{4}")
                            && text.charAt(i + 6) == '_';
                    boolean control = c < ' ' && c != '\t' && c != '\n' || c == '\uFFFE' || c == '\uFFFF';
                    boolean half = Character.isHighSurrogate(c)
                                    && (i + 1 >= text.length() || !Character.isLowSurrogate(text.charAt(i + 1)))
                            || Character.isLowSurrogate(c)
                                    && (i == 0 || !Character.isHighSurrogate(text.charAt(i - 1)));
                    if (looksEscaped || control || half) {
                        escaped.append(String.format("_x%04X_", (int) c));
                    } else {
                        escaped.append(c);
                    }
                }
            }
        }
        return escaped.toString();
    }
}
