package cuvee.gather;

import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.sheet.CellKind;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Long whole numbers, such as those of goods or accounts, that a program wrote in powers of ten when it saved a sheet as text:
 * {@code 5.01235E+12}. Their last digits are gone, so that many rows seem to have one number.
 */
public final class LostDigits {
    private static final Pattern POWER = Pattern.compile("-?\\d(?:[.,](\\d+))?[Ee]\\+?(\\d{1,2})");
    /** Amounts that are so large are rare; numbers that name something are not. */
    private static final int FEWEST_DIGITS = 9;

    private static final int MOST_VALUES = 1000;
    /** Numbers that name things have as many digits, or nearly. */
    private static final int MOST_SIZES = 2;

    private LostDigits() {}

    /** A warning for each column of a table that holds such numbers. */
    public static List<Finding> findings(List<PlacedTable> tables, Store store) {
        List<Finding> findings = new ArrayList<>();
        for (PlacedTable table : tables) {
            for (TableColumn column : table.table().columns()) {
                if (column.evidence().count(Form.EXPONENT) == 0) {
                    continue;
                }
                List<String> powers = store
                        .rows()
                        .values(
                                table.staged(),
                                table.width(),
                                column.index(),
                                table.table().firstRow(),
                                table.table().lastRow(),
                                MOST_VALUES)
                        .stream()
                        .map(CellKind::textOf)
                        .filter(text -> Forms.ofStaged(text) == Form.EXPONENT)
                        .sorted()
                        .toList();
                List<String> rounded =
                        powers.stream().filter(LostDigits::isRounded).toList();
                // Measurements are written with all sorts of powers.
                long sizes = powers.stream()
                        .map(text ->
                                text.substring(text.toUpperCase(Locale.ROOT).indexOf('E')))
                        .distinct()
                        .count();
                if (!rounded.isEmpty() && rounded.size() == powers.size() && sizes <= MOST_SIZES) {
                    findings.add(new Finding(
                            Severity.WARNING,
                            "digits-lost",
                            table.where(),
                            "The column " + Says.quoted(column.header()) + " has numbers such as "
                                    + Says.quoted(rounded.get(0))
                                    + ": a program has rounded them, and their last digits"
                                    + " are gone.",
                            "They are read as they stand.",
                            "Ask the sender for the file with this column as text."));
                }
            }
        }
        return findings;
    }

    /** True for a whole number of many digits of which not all are written. */
    private static boolean isRounded(String text) {
        Matcher power = POWER.matcher(text.strip());
        if (!power.matches()) {
            return false;
        }
        int behind = power.group(1) == null ? 0 : power.group(1).length();
        int digits = Integer.parseInt(power.group(2));
        return digits + 1 >= FEWEST_DIGITS && digits > behind;
    }
}
