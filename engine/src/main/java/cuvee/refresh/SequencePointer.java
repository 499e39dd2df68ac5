package cuvee.refresh;

import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Points out headers that are members of one sequence running across, such as months, which stay columns for now. */
final class SequencePointer {
    private static final Pattern MONTH = Pattern.compile(
            "(?i)(jan|feb|mar|apr|may|jun|jul|aug|sep|sept|oct|nov|dec|january|february|march|april|june|july|august|september"
                    + "|october|november|december|januar|februar|märz|mai|juni|juli|oktober|dezember|janvier|février|mars|avril"
                    + "|juin|juillet|août|septembre|octobre|novembre|décembre)([ .\\-/']*(\\d{2}|\\d{4}))?");
    private static final Pattern YEAR = Pattern.compile("(19|20)\\d{2}");
    private static final Pattern PERIOD =
            Pattern.compile("(?i)(q|quarter |qtr |week |w|kw ?|wk ?)\\d{1,2}([ /\\-]\\d{4})?|\\d{4}-\\d{2}(-\\d{2})?");
    private static final int FEWEST = 3;

    private SequencePointer() {}

    static void blockAcross(PlacedTable table, List<Finding> findings) {
        for (Pattern sequence : List.of(MONTH, YEAR, PERIOD)) {
            List<String> members = new ArrayList<>();
            for (TableColumn column : table.table().columns()) {
                if (sequence.matcher(column.header()).matches()) {
                    members.add(column.header());
                }
            }
            if (members.size() >= FEWEST) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "block-across",
                        table.where(),
                        "The columns "
                                + Says.list(members.stream().map(Says::quoted).toList())
                                + " run across like one sequence.",
                        "They stay columns, one for each.",
                        "Check whether each should be a row instead."));
            }
        }
    }
}
