package cuvee.deliver;

import cuvee.place.Says;
import cuvee.summary.NamedTable;
import cuvee.summary.Summary;
import cuvee.summary.SummaryTable;
import cuvee.value.Type;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;

/** Summaries as tabs of a workbook: exact figures, written by their number formats as the summary says. */
final class SummaryTabs {
    private static final int LONGEST_NAME = 31;
    private static final int HEAD = 3;
    private static final int WIDEST = 40;

    private SummaryTabs() {}

    /** Writes them; answers the names of tabs that are taken. */
    static Set<String> write(Workbook workbook, Content content) throws IOException {
        Set<String> names = new HashSet<>(Set.of(content.tab().toLowerCase(Locale.ROOT), "history"));
        for (NamedTable summary : content.summaries()) {
            Worksheet sheet = workbook.newWorksheet(name(summary.name(), names));
            write(sheet, summary);
            sheet.finish();
        }
        return names;
    }

    /** A name that a tab may have and that no other tab has. */
    static String name(String wanted, Set<String> taken) {
        String plain =
                wanted.replaceAll("[\\[\\]:*?/\\\\\\p{Cntrl}]", " ").strip().replaceAll("^'+|'+$", "");
        String base = plain.isEmpty() ? "Summary" : plain;
        for (int copy = 1; ; copy++) {
            String behind = copy == 1 ? "" : " (" + copy + ")";
            String name = base.substring(0, Math.min(base.length(), LONGEST_NAME - behind.length()))
                            .strip()
                    + behind;
            if (taken.add(name.toLowerCase(Locale.ROOT))) {
                return name;
            }
        }
    }

    private static void write(Worksheet sheet, NamedTable named) {
        SummaryTable table = named.table();
        sheet.value(0, 0, named.name());
        sheet.style(0, 0).bold().fontSize(13).set();
        sheet.value(
                1,
                0,
                Says.capital(table.summary().said()) + ". " + Says.count(table.rows(), "row")
                        + (table.otherRows() == 0 ? "" : "; " + Says.count(table.otherRows(), "row") + " are not in it")
                        + (table.unmatched() ? "; written figures are rounded and may not add up" : "") + ".");
        int keys = table.keyTitles().size();
        for (int i = 0; i < keys; i++) {
            sheet.value(HEAD, i, table.keyTitles().get(i));
        }
        for (int i = 0; i < table.columns().size(); i++) {
            sheet.value(HEAD, keys + i, table.columns().get(i).title());
            sheet.style(HEAD, keys + i).horizontalAlignment("right").bold().set();
        }
        for (int i = 0; i < keys + table.columns().size(); i++) {
            String title = i < keys
                    ? table.keyTitles().get(i)
                    : table.columns().get(i - keys).title();
            sheet.width(i, Math.max(12, Math.min(WIDEST, title.length() + 3)));
            sheet.style(HEAD, i).bold().set();
        }
        int row = HEAD + 1;
        for (SummaryTable.Line line : table.lines()) {
            for (int i = 0; i < keys; i++) {
                sheet.value(row, i, line.key(i));
                if (line.total()) {
                    sheet.style(row, i).bold().set();
                }
            }
            for (int i = 0; i < table.columns().size(); i++) {
                cell(sheet, row, keys + i, table.columns().get(i), line, i, table.summary());
            }
            row++;
        }
        sheet.freezePane(keys, HEAD + 1);
    }

    private static void cell(
            Worksheet sheet,
            int row,
            int at,
            SummaryTable.Column column,
            SummaryTable.Line line,
            int figure,
            Summary summary) {
        @Nullable String value = line.values().get(figure);
        if (value == null) {
            return;
        }
        String format = "";
        if (column.type().isNumber()) {
            sheet.value(row, at, new BigDecimal(value));
            format = format(column, line.written().get(figure), summary);
        } else if (column.type() == Type.DATE) {
            sheet.value(row, at, LocalDate.parse(value));
            format = "yyyy-mm-dd";
        } else if (column.type() == Type.DATE_AND_TIME) {
            sheet.value(row, at, LocalDateTime.parse(value));
            format = "yyyy-mm-dd hh:mm:ss";
        } else {
            sheet.value(row, at, line.written().get(figure));
        }
        var style = sheet.style(row, at);
        if (!format.isEmpty()) {
            style.format(format);
        }
        if (line.total()) {
            style.bold();
        }
        style.set();
    }

    /** The number format that writes a figure as the summary does. */
    private static String format(SummaryTable.Column column, String written, Summary summary) {
        String digits = written.replace(" %", "");
        int point = digits.indexOf('.');
        int decimals = point < 0 ? 0 : digits.length() - point - 1;
        String places = decimals == 0 ? "" : "." + "0".repeat(decimals);
        if (column.type() == Type.PERCENT) {
            return "0" + places + "%";
        }
        boolean counts = switch (column.figure().kind()) {
            case NUMBER_OF_ROWS, DIFFERENT, FILLED -> true;
            default -> false;
        };
        String scaled = counts
                ? ""
                : switch (summary.shown().unit()) {
                    case ONE -> "";
                    case THOUSANDS -> ",";
                    case MILLIONS -> ",,";
                };
        return "#,##0" + places + scaled;
    }
}
