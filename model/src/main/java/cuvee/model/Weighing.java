package cuvee.model;

import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.tell.WeighingColumn;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * The sum of the column by which a master is weighed.
 *
 * @param sum of all rows, grouped as people read it
 */
public record Weighing(String column, String currency, String sum) {
    /** None where the master has no amounts. */
    public static Optional<Weighing> of(Outcome outcome) {
        List<Proposal.ColumnReport> columns = outcome.columns();
        OptionalInt at = WeighingColumn.at(outcome.job(), columns);
        String sum = at.isEmpty() || at.getAsInt() >= outcome.totals().size()
                ? null
                : outcome.totals().get(at.getAsInt()).sum();
        if (at.isEmpty() || sum == null) {
            return Optional.empty();
        }
        Proposal.ColumnReport column = columns.get(at.getAsInt());
        return Optional.of(new Weighing(column.name(), column.currency(), MasterGrid.shownAs(sum, column.type())));
    }
}
