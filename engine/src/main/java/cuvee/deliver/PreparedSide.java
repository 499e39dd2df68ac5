package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import cuvee.value.YesNoWords;
import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;

/**
 * A column of the master by which keys, items or values of a prepared workbook go.
 *
 * @param at where it stands in the master
 * @param words in which yes and no are written
 */
record PreparedSide(int at, Type type, YesNoWords words) {
    /** The names of the master's columns, where these stand across. */
    static final PreparedSide OF_NAMES = new PreparedSide(-1, Type.TEXT, YesNoWords.TRUE_FALSE);

    /** The names of all columns, those of the tags behind. */
    static List<String> names(MasterPlan plan) {
        List<String> names = new ArrayList<>();
        plan.columns().forEach(column -> names.add(column.name()));
        plan.tags().forEach(tag -> names.add(tag.name()));
        return names;
    }

    /** The columns by which values can go, as they are compared. */
    static Set<String> columnNames(MasterPlan plan) {
        return plan.columns().stream()
                .map(column -> LooseText.key(column.name()))
                .collect(Collectors.toSet());
    }

    static Optional<PreparedSide> named(MasterPlan plan, String name) {
        int at = names(plan).indexOf(name);
        return at < 0 ? Optional.empty() : Optional.of(of(plan, at));
    }

    /** The column that stands there. */
    static PreparedSide of(MasterPlan plan, int at) {
        if (at >= plan.columns().size()) {
            return new PreparedSide(at, Type.TEXT, YesNoWords.TRUE_FALSE);
        }
        MasterPlan.Column column = plan.columns().get(at);
        return new PreparedSide(at, column.type(), column.words());
    }

    /** What is compared: values as the master has them, texts loosely. */
    String key(String value) {
        return type == Type.TEXT ? LooseText.key(value) : value;
    }

    /** What a cell of the workbook says, to be compared. */
    String key(Cell cell, DataFormatter formatter) {
        CellType kind = cell.getCellType() == CellType.FORMULA ? cell.getCachedFormulaResultType() : cell.getCellType();
        if (kind == CellType.NUMERIC && DateUtil.isCellDateFormatted(cell)) {
            LocalDateTime moment = cell.getLocalDateTimeCellValue();
            return type == Type.DATE_AND_TIME
                    ? moment.toString()
                    : moment.toLocalDate().toString();
        }
        if (kind == CellType.NUMERIC && type.isNumber()) {
            return plain(BigDecimal.valueOf(cell.getNumericCellValue()));
        }
        String text = kind == CellType.STRING
                ? cell.getStringCellValue()
                : kind == CellType.NUMERIC ? formatter.formatCellValue(cell) : "";
        if (type == Type.TEXT || text.isBlank()) {
            return LooseText.key(text);
        }
        String read = ValueReader.read(text, type, Convention.DEFAULT);
        return read == null ? "" : read;
    }

    /** A number as it is compared and added up. */
    static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }
}
