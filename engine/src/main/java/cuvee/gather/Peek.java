package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.Reading;
import cuvee.detect.SheetClues;
import cuvee.detect.TableFinder;
import cuvee.place.Where;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetInfo.Visibility;
import cuvee.sheet.SheetSight;
import cuvee.sheet.SheetVisitor;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A look at one file without a job: its sheets and the tables in them. */
public final class Peek {
    private Peek() {}

    /** A sheet and what was found in it; hidden sheets are looked at too. */
    public record Sheet(SheetInfo info, List<FoundTable> tables) {
        public Sheet {
            tables = List.copyOf(tables);
        }

        public boolean hidden() {
            return info.visibility() == Visibility.HIDDEN;
        }
    }

    /**
     * Looks at a file.
     *
     * @throws cuvee.finding.CuveeException where it cannot be read
     */
    public static List<Sheet> look(Path file) {
        List<Sheet> sheets = new ArrayList<>();
        SheetFiles.read(file, Where.source(file.getFileName().toString()), ReadLimits.DEFAULT, new SheetVisitor() {
            private TableFinder finder = new TableFinder(HeaderHints.NONE);
            private SheetInfo current = new SheetInfo("", 0, Visibility.VISIBLE, "");

            @Override
            public Wanted sheet(SheetInfo sheet) {
                current = sheet;
                finder = new TableFinder(HeaderHints.NONE, new SheetClues(sheet.named(), List.of()), Reading.DEFAULT);
                return Wanted.ROWS;
            }

            @Override
            public void row(Row row) {
                finder.row(row);
            }

            @Override
            public void sight(SheetSight sight) {
                finder.merged(sight.merged());
            }

            @Override
            public void endSheet() {
                sheets.add(new Sheet(current, finder.end()));
            }
        });
        return sheets;
    }
}
