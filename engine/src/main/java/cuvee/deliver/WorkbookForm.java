package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;

/**
 * A workbook with the master as a plain table on its first tab; more rows than a tab holds go on further tabs with the
 * header repeated. Text is always written as text, so that nothing in it is ever run.
 */
final class WorkbookForm implements FileForm {
    private static final int MOST_ROWS = 1_048_576;
    private static final int FLUSH_ROWS = 1000;
    private static final int LONGEST_CELL = 32_767;
    /** Digits beyond this would be lost in a workbook's number, so such numbers go in as text. */
    private static final int EXACT_DIGITS = 15;

    private static final LocalDate FIRST_DAY = LocalDate.of(1900, 3, 1);

    /** On how many tabs so many rows stand, each below a header. */
    static int tabs(long rows) {
        return (int) Math.max(1, (rows + MOST_ROWS - 2) / (MOST_ROWS - 1));
    }

    @Override
    public void write(Content content, Path file) throws IOException {
        try (OutputStream out = FileForm.open(file);
                Workbook workbook = new Workbook(out, "Cuvee", "1.0")) {
            workbook.setCompressionLevel(4);
            workbook.properties().setTextProperty(OwnMark.NAME, OwnMark.VALUE);
            Tabs tabs = new Tabs(workbook, content.plan(), content.tab());
            content.reader().each(tabs::row);
            tabs.end();
            AboutTab.write(workbook, content.about(), SummaryTabs.write(workbook, content));
        } catch (UncheckedIOException failed) {
            throw new IOException(failed.getMessage(), failed);
        }
    }

    private static final class Tabs {
        private final Workbook workbook;
        private final MasterPlan plan;
        private final String[] names;
        private final String name;
        private final Type[] types;
        private final YesNoWords[] words;
        private Worksheet tab;
        private int tabs = 1;
        private int next;

        Tabs(Workbook workbook, MasterPlan plan, String name) {
            this.workbook = workbook;
            this.plan = plan;
            this.names = Columns.names(plan);
            this.types = Columns.types(plan);
            this.words = Columns.words(plan);
            this.name = name;
            this.tab = begin(name);
        }

        private Worksheet begin(String name) {
            Worksheet sheet = workbook.newWorksheet(name);
            for (int i = 0; i < names.length; i++) {
                Type type = type(i);
                sheet.width(i, Math.max(10, Math.min(40, names[i].length() + 3)));
                if (type == Type.DATE_AND_TIME) {
                    sheet.width(i, 20);
                }
                sheet.value(0, i, names[i]);
                sheet.style(0, i).bold().set();
                String format = format(i);
                if (!format.isEmpty()) {
                    sheet.style(i).format(format).set();
                }
            }
            sheet.freezePane(0, 1);
            next = 1;
            return sheet;
        }

        private Type type(int column) {
            return types[column];
        }

        private String format(int column) {
            return Columns.format(plan, column);
        }

        void row(@Nullable String[] values) {
            if (next >= MOST_ROWS) {
                end();
                tabs++;
                tab = begin(name + " " + tabs);
            }
            for (int i = 0; i < values.length; i++) {
                String value = values[i];
                if (value != null) {
                    cell(i, value);
                }
            }
            next++;
            if (next % FLUSH_ROWS == 0) {
                try {
                    tab.flush();
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        }

        private void cell(int column, String value) {
            Type type = type(column);
            switch (type) {
                case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> number(column, value);
                case DATE -> {
                    LocalDate date = LocalDate.parse(value);
                    if (date.isBefore(FIRST_DAY)) {
                        tab.value(next, column, value);
                    } else {
                        tab.value(next, column, date);
                        style(column);
                    }
                }
                case DATE_AND_TIME -> {
                    tab.value(next, column, LocalDateTime.parse(value));
                    style(column);
                }
                case TIME -> {
                    tab.value(next, column, LocalTime.parse(value).toNanoOfDay() / 86_400e9);
                    style(column);
                }
                case YES_NO -> {
                    if (words[column].equals(YesNoWords.TRUE_FALSE)) {
                        tab.value(next, column, value.equals("true"));
                    } else {
                        tab.value(next, column, words[column].of(value));
                    }
                }
                case TEXT -> text(column, value);
            }
        }

        private void text(int column, String value) {
            if (value.length() > LONGEST_CELL) {
                throw CuveeException.failure(
                        "text-too-long",
                        Where.JOB,
                        "A text of " + Says.number(value.length()) + " characters in the column "
                                + Says.quoted(names[column]) + " does not fit into a workbook, whose cells hold "
                                + Says.number(LONGEST_CELL) + ".",
                        "Nothing was written; the master itself is kept.",
                        "Deliver to .csv, .jsonl or .parquet.");
            }
            tab.value(next, column, value);
        }

        private void number(int column, String value) {
            BigDecimal number = new BigDecimal(value);
            if (number.stripTrailingZeros().precision() > EXACT_DIGITS) {
                tab.value(next, column, value);
            } else {
                tab.value(next, column, number);
                style(column);
            }
        }

        private void style(int column) {
            String format = format(column);
            if (!format.isEmpty()) {
                tab.style(next, column).format(format).set();
            }
        }

        void end() {
            tab.setAutoFilter(0, 0, next - 1, Math.max(0, names.length - 1));
            try {
                tab.finish();
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }
}
