package cuvee.audit;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.HeaderWords;
import cuvee.master.MasterPlan;
import cuvee.master.RuleRows;
import cuvee.master.Shaped;
import cuvee.master.SourceCells;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.CodeTables;
import cuvee.propose.Proposal;
import cuvee.value.LooseText;
import cuvee.value.Measures;
import cuvee.value.Spellings;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/** What is to be said of a master once it is there: values that do not fit, and what rules could not do. */
public final class MasterFindings {
    private static final int MISFITS_LISTED = 50;
    private static final int GROUPS_NAMED = 6;
    private static final long SPELLINGS_LOOKED_FOR = 300_000;
    private final Store store;
    private final Proposal proposal;
    private final List<Finding> findings = new ArrayList<>();

    /** For the master that the store holds, made as was proposed. */
    public MasterFindings(Store store, Proposal proposal) {
        this.store = store;
        this.proposal = proposal;
    }

    /** Everything that there is to be said of it. */
    public List<Finding> all(CodeTables codes, Optional<Shaped> shaped) {
        misfitCells();
        spellings();
        unitsApart();
        movementsApart();
        shaped.ifPresent(this::shape);
        try (RuleRows rows = store.ruleRows(proposal.plan())) {
            codesWithoutNames(rows, codes);
            unanswered(rows);
        }
        return findings;
    }

    /** Each value that does not fit its column's type, with its cell, as far as a list of them can be read. */
    private void misfitCells() {
        for (int i = 0; i < proposal.columns().size(); i++) {
            Proposal.ColumnReport column = proposal.columns().get(i);
            if (column.misfits() > 0) {
                for (SourceCells.Misfit misfit : store.cells().misfits(proposal.plan(), i, MISFITS_LISTED)) {
                    findings.add(new Finding(
                            Severity.REMARK,
                            "misfit-cell",
                            misfit.where(),
                            Says.quoted(misfit.text()) + " does not fit "
                                    + column.type().word() + ", the type of the column " + Says.quoted(column.name())
                                    + ".",
                            "It is blank in the master.",
                            ""));
                }
            }
        }
    }

    /** Columns that differ in their unit only, of which no table has both: what one adds up to lacks the other. */
    private void unitsApart() {
        List<Proposal.ColumnReport> columns = proposal.columns();
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (areOneButForTheirUnit(columns.get(j).name(), columns.get(i).name()) && noTableHasBoth(i, j)) {
                    String one = columns.get(j).name();
                    String other = columns.get(i).name();
                    findings.add(new Finding(
                            Severity.WARNING,
                            "units-apart",
                            Where.JOB,
                            Says.quoted(one) + " (" + Says.count(columns.get(j).filled(), "row") + ") and "
                                    + Says.quoted(other) + " ("
                                    + Says.count(columns.get(i).filled(), "row")
                                    + ") differ in their unit only, and no table has both.",
                            "They are two columns.",
                            "To have one, make a column in Rework from one of them, “, else ” the other times what one"
                                    + " unit holds of the other."));
                }
            }
        }
    }

    private static boolean areOneButForTheirUnit(String one, String other) {
        String unit = LooseText.unit(one);
        String otherUnit = LooseText.unit(other);
        boolean inBrackets = !unit.isEmpty() && !otherUnit.isEmpty();
        return inBrackets
                ? Measures.areApart(unit, otherUnit)
                        && LooseText.keyWithoutUnit(one).equals(LooseText.keyWithoutUnit(other))
                : Measures.areApart(lastWord(one), lastWord(other))
                        && beforeLastWord(one).equals(beforeLastWord(other));
    }

    private static String lastWord(String name) {
        return name.substring(name.lastIndexOf(' ') + 1);
    }

    private static String beforeLastWord(String name) {
        return LooseText.key(name.substring(0, Math.max(0, name.lastIndexOf(' '))));
    }

    /** Amounts with a sign, and debits and credits in tables that have no such amounts: one movement said in two ways. */
    private void movementsApart() {
        OptionalInt debit = numbersCalled("debit");
        OptionalInt credit = numbersCalled("credit");
        OptionalInt amount = numbersCalled("amount");
        if (debit.isEmpty() || credit.isEmpty() || amount.isEmpty()) {
            return;
        }
        if (noTableHasBoth(debit.getAsInt(), amount.getAsInt())
                && noTableHasBoth(credit.getAsInt(), amount.getAsInt())) {
            Proposal.ColumnReport signed = proposal.columns().get(amount.getAsInt());
            String out = proposal.columns().get(debit.getAsInt()).name();
            String in = proposal.columns().get(credit.getAsInt()).name();
            findings.add(new Finding(
                    Severity.REMARK,
                    "movements-apart",
                    Where.JOB,
                    Says.quoted(signed.name()) + " (" + Says.count(signed.filled(), "row")
                            + ") stands in tables that have neither " + Says.quoted(out) + " nor " + Says.quoted(in)
                            + ", which others have in its stead.",
                    "They are three columns.",
                    "To have one, make a column in Rework: " + signed.name() + ", else " + in + ", else 0 - " + out
                            + "; or, where debits are above zero, " + signed.name() + ", else " + out + ", else 0 - "
                            + in + "."));
        }
    }

    /** The only column of numbers with a name of some meaning. */
    private OptionalInt numbersCalled(String meaning) {
        int[] called = IntStream.range(0, proposal.columns().size())
                .filter(at -> proposal.columns().get(at).type().isNumber()
                        && HeaderWords.meaningKey(proposal.columns().get(at).name())
                                .equals(meaning))
                .toArray();
        return called.length == 1 ? OptionalInt.of(called[0]) : OptionalInt.empty();
    }

    private boolean noTableHasBoth(int one, int other) {
        return proposal.plan().tables().stream()
                .noneMatch(
                        table -> table.feeds().get(one) != null && table.feeds().get(other) != null);
    }

    /** What is to be said of the shape of the master. */
    private void shape(Shaped shaped) {
        if (!shaped.problem().isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "rule-lost",
                    Where.JOB,
                    "The values that were to become columns did not: " + shaped.problem() + ".",
                    "The rows stay as they are.",
                    "Choose a column with fewer different values in Rework."));
        }
        if (!shaped.lost().isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "rule-lost",
                    Where.JOB,
                    "The rows cannot be ordered by "
                            + Says.list(shaped.lost().stream().map(Says::quoted).toList())
                            + ", which is no column of the master.",
                    "They are ordered by the rest.",
                    "Change the rule in Rework."));
        }
        if (shaped.clashes() > 0) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "values-meet",
                    Where.JOB,
                    "In " + Says.count(shaped.clashes(), "cell")
                            + " several values meet, since rows have the same keys, and one of them is taken.",
                    "The others are not in the master.",
                    "Take the sum or another calculation, or one more column as a key, in Rework."));
        }
    }

    /** Values of columns with codes that their tables know neither as codes nor as names. */
    private void codesWithoutNames(RuleRows rows, CodeTables codes) {
        List<String> names =
                proposal.plan().columns().stream().map(MasterPlan.Column::name).toList();
        for (CodeTables.Loaded loaded : codes.all()) {
            int column = names.indexOf(loaded.codes().column());
            if (!loaded.codes().on() || !loaded.problem().isEmpty() || column < 0) {
                continue;
            }
            List<Spellings.Counted> others = rows.others(column, loaded.names().values());
            if (!others.isEmpty()) {
                long held = others.stream().mapToLong(Spellings.Counted::rows).sum();
                findings.add(new Finding(
                        Severity.WARNING,
                        "no-name",
                        Where.JOB,
                        Says.count(others.size(), "value") + " of " + Says.quoted(names.get(column)) + " in "
                                + Says.count(held, "row") + (others.size() == 1 ? " has" : " have")
                                + " no name in the table of codes: "
                                + Says.list(others.stream()
                                        .limit(5)
                                        .map(each -> Says.quoted(each.text()))
                                        .toList())
                                + (others.size() > 5 ? " and others" : "") + ".",
                        "They stay as they are.",
                        "Add them to the table, or write a name for them in the column's facts."));
            }
        }
    }

    /** Formulas that say nothing in some rows though all that they need is there, or leave nothing of a value. */
    private void unanswered(RuleRows rows) {
        for (MasterPlan.Making making : proposal.plan().makings()) {
            Proposal.ColumnReport column = proposal.columns().get(making.column());
            long blank = making.inPlace()
                    ? column.filled() - column.misfits() - rows.filled(making.column())
                    : rows.unanswered(making);
            if (blank > 0) {
                findings.add(new Finding(
                        Severity.REMARK,
                        "no-result",
                        Where.JOB,
                        "In " + Says.count(blank, "row") + " the formula of " + Says.quoted(column.name())
                                + (making.inPlace()
                                        ? " leaves nothing of the value that the sheet has."
                                        : " says nothing though all that it needs is there: by a division by 0, a part that"
                                                + " is not there, or no case that fits."),
                        "The column is blank there.",
                        "Change the formula in Rework if that is not meant."));
            }
        }
    }

    /** Values that look like one spelled in several ways; in a large master they are looked for when a column is opened. */
    private void spellings() {
        long rows = proposal.plan().tables().stream()
                .mapToLong(MasterPlan.Table::kept)
                .sum();
        for (int i = 0; i < proposal.columns().size() && rows <= SPELLINGS_LOOKED_FOR; i++) {
            Proposal.ColumnReport column = proposal.columns().get(i);
            if (column.type() != Type.TEXT || !proposal.hasCells(i)) {
                continue;
            }
            List<Spellings.Group> alike = store.nearlyAlike(i);
            if (!alike.isEmpty()) {
                findings.add(new Finding(
                        Severity.REMARK,
                        "spelling",
                        Where.JOB,
                        "In the column " + Says.quoted(column.name()) + ", " + saidOf(alike) + ".",
                        "They are kept as they are written.",
                        "Bring them to one spelling in the column's facts, where they are the same."));
            }
        }
    }

    private static String saidOf(List<Spellings.Group> groups) {
        String some = Says.list(
                groups.stream().limit(GROUPS_NAMED).map(MasterFindings::said).toList());
        int more = groups.size() - GROUPS_NAMED;
        return more > 0 ? some + ", and " + Says.number(more) + " more values are written in several ways" : some;
    }

    private static String said(Spellings.Group group) {
        Spellings.Counted other = group.others().get(0);
        return Says.quoted(other.text()) + " (" + Says.count(other.rows(), "row") + ") looks like "
                + Says.quoted(group.to().text()) + " (" + Says.count(group.to().rows(), "row") + ")";
    }
}
