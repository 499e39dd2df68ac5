package cuvee.model;

import cuvee.master.MasterReader;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.value.Type;
import java.util.List;
import java.util.Optional;

/**
 * The column by which a master is weighed: the amounts that fill the most rows.
 *
 * @param sum of all rows, grouped as people read it
 */
public record Weighing(String column, String currency, String sum) {
    /** None where the master has no amounts. */
    public static Optional<Weighing> of(Outcome outcome) {
        List<Proposal.ColumnReport> columns = outcome.columns();
        Weighing best = null;
        long most = 0;
        for (int at = 0; at < columns.size() && at < outcome.totals().size(); at++) {
            MasterReader.Total total = outcome.totals().get(at);
            String sum = total.sum();
            if (columns.get(at).type() == Type.MONEY && sum != null && total.filled() > most) {
                most = total.filled();
                best = new Weighing(
                        columns.get(at).name(), columns.get(at).currency(), MasterGrid.shownAs(sum, Type.MONEY));
            }
        }
        return Optional.ofNullable(best);
    }
}
