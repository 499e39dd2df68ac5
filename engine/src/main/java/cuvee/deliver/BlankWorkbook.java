package cuvee.deliver;

import cuvee.master.MasterPlan;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.dhatim.fastexcel.ListDataValidation;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;

/**
 * A workbook for senders to fill in: the master's headers, a number format for each column, lists of values to choose from
 * where a column holds few, and one row as an example, which says so.
 */
public final class BlankWorkbook {
    private static final int ROWS = 5_000;
    private static final String SHEET = "Returns";
    private static final String LISTS = "Lists";

    private BlankWorkbook() {}

    /**
     * Writes it in one step.
     *
     * @param columns the master's columns that are filled in, by their places; tags and made columns are not
     * @param lists the values of columns that hold few, by the places of the columns
     * @param example a row of the master; null for none
     */
    public static long write(
            MasterPlan plan,
            List<Integer> columns,
            Map<Integer, List<String>> lists,
            @Nullable List<@Nullable String> example,
            Path target,
            MasterFiles.Register register) {
        MasterFiles.check(target);
        return MasterFiles.inOneStep(target, register, beside -> {
            try (OutputStream out = FileForm.open(beside);
                    Workbook workbook = new Workbook(out, "Cuvee", "1.0")) {
                Worksheet sheet = workbook.newWorksheet(SHEET);
                Worksheet values = lists.isEmpty() ? null : workbook.newWorksheet(LISTS);
                int listed = 0;
                for (int at = 0; at < columns.size(); at++) {
                    int column = columns.get(at);
                    String name = plan.columns().get(column).name();
                    sheet.value(0, at, name);
                    sheet.style(0, at).bold().set();
                    sheet.width(at, Math.max(12, Math.min(40, name.length() + 4)));
                    String format = Columns.format(plan, column);
                    if (!format.isEmpty()) {
                        sheet.range(1, at, ROWS, at).style().format(format).set();
                    }
                    List<String> choices = lists.getOrDefault(column, List.of());
                    if (values != null && !choices.isEmpty()) {
                        values.value(0, listed, name);
                        for (int i = 0; i < choices.size(); i++) {
                            values.value(i + 1, listed, choices.get(i));
                        }
                        ListDataValidation list = sheet.range(1, at, ROWS, at)
                                .validateWithList(values.range(1, listed, choices.size(), listed));
                        list.allowBlank(true).showErrorMessage(false);
                        listed++;
                    }
                    if (example != null) {
                        example(sheet, at, plan.columns().get(column), example.get(column));
                    }
                }
                if (example != null) {
                    sheet.comment(0, 0, "The row below is an example: please write over it.");
                }
                sheet.freezePane(0, 1);
                sheet.finish();
                if (values != null) {
                    values.finish();
                }
            }
        });
    }

    private static void example(Worksheet sheet, int at, MasterPlan.Column column, @Nullable String value) {
        if (value == null) {
            return;
        }
        switch (column.type()) {
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> sheet.value(1, at, new BigDecimal(value));
            case DATE -> sheet.value(1, at, LocalDate.parse(value));
            case DATE_AND_TIME -> sheet.value(1, at, LocalDateTime.parse(value));
            case YES_NO -> sheet.value(1, at, column.words().spoken().of(value));
            default -> sheet.value(1, at, value);
        }
        sheet.style(1, at).italic().set();
    }
}
