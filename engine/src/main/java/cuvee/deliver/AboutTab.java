package cuvee.deliver;

import java.util.List;
import java.util.Set;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** What is said of a master, as a tab of its workbook: sections of sentences and of tables, one below the other. */
final class AboutTab {
    private static final String NAME = "About this master";
    private static final int WIDE = 60;
    private static final int NARROW = 16;
    private static final int LONGEST_CELL = 32_000;

    private AboutTab() {}

    static void write(Workbook workbook, About about, Set<String> names) throws java.io.IOException {
        if (about.isNothing()) {
            return;
        }
        Worksheet sheet = workbook.newWorksheet(SummaryTabs.name(NAME, names));
        sheet.value(0, 0, about.title());
        sheet.style(0, 0).bold().fontSize(13).set();
        sheet.value(1, 0, about.verdict());
        int row = 3;
        int widest = 1;
        for (About.Section section : about.sections()) {
            sheet.value(row, 0, section.title());
            sheet.style(row++, 0).bold().fontSize(12).set();
            boolean head = section.head();
            for (List<String> cells : section.rows()) {
                for (int i = 0; i < cells.size(); i++) {
                    String text = cells.get(i);
                    sheet.value(row, i, text.length() > LONGEST_CELL ? text.substring(0, LONGEST_CELL) : text);
                    var style = sheet.style(row, i);
                    if (head) {
                        style.bold();
                    }
                    if (cells.size() == 1) {
                        style.wrapText(true);
                    } else if (i > 0) {
                        style.horizontalAlignment("right");
                    }
                    style.set();
                }
                widest = Math.max(widest, cells.size());
                head = false;
                row++;
            }
            row++;
        }
        sheet.width(0, WIDE);
        for (int i = 1; i < widest; i++) {
            sheet.width(i, NARROW);
        }
        sheet.finish();
    }
}
