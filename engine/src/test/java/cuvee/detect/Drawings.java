package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;

/** Reads sheets that are drawn with what each row is. */
final class Drawings {
    private Drawings() {}

    /** The tables of a drawn sheet, once each row of it is found to be what it is drawn as, and none is lost. */
    static List<FoundTable> readAsDrawn(String drawing) {
        DrawnSheet sheet = new DrawnSheet(drawing);
        List<FoundTable> tables = sheet.find();
        assertThat(sheet.found(tables)).isEqualTo(sheet.meant());
        for (FoundTable table : tables) {
            assertThat(table.seen()).isEqualTo(table.lastRow() - table.firstRow() + 1);
        }
        return tables;
    }

    static List<String> names(FoundTable table) {
        return table.columns().stream().map(TableColumn::header).toList();
    }
}
