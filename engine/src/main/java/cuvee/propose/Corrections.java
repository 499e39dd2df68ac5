package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.rework.Correction;
import cuvee.sheet.CellKind;
import cuvee.value.Convention;
import cuvee.value.Type;
import cuvee.value.Typing;
import cuvee.value.ValueReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/** The corrections of single cells over the tables of the master: each holds while its cell says what it said. */
public final class Corrections {
    private final List<Proposal.Corrected> reports = new ArrayList<>();
    private final Map<PlacedTable, List<Taken>> byTable = new HashMap<>();

    /** Reads single cells as they were staged. */
    public interface Staged {
        /** A row's cells with the marks of their kinds; fewer where the rest is blank. */
        List<@Nullable String> row(PlacedTable table, int row);
    }

    private final List<PlacedTable> tables;
    private final Staged staged;
    private final List<DraftColumn> columns;

    private Corrections(Draft draft, Staged staged) {
        this.tables = draft.members();
        this.columns = new ArrayList<>(draft.columns());
        this.staged = staged;
    }

    /** The corrections of a job. */
    static Corrections of(Job job, Draft draft, Staged staged) {
        Corrections all = new Corrections(draft, staged);
        for (Correction correction : Correction.of(job)) {
            all.reports.add(all.take(correction));
        }
        return all;
    }

    /** The master as it is fed by corrected cells. */
    Draft on(Draft draft) {
        return draft.withColumns(columns).saying(Said.found(findings()));
    }

    List<Proposal.Corrected> reports() {
        return reports;
    }

    /** The corrected cells of a table, each as a cell of the type of its column that no convention can misread. */
    List<MasterPlan.Corrected> in(PlacedTable table, List<MasterPlan.Column> columns) {
        return byTable.getOrDefault(table, List.of()).stream()
                .map(taken -> new MasterPlan.Corrected(
                        taken.correction().row(),
                        taken.correction().column(),
                        staged(taken.correction().to(), typeOf(taken.column(), columns))))
                .toList();
    }

    /** True for a column of the master with corrected cells in a table. */
    boolean touches(PlacedTable table, String column) {
        return byTable.getOrDefault(table, List.of()).stream()
                .anyMatch(taken -> taken.column().equals(column));
    }

    private static Type typeOf(String name, List<MasterPlan.Column> columns) {
        return columns.stream()
                .filter(column -> column.name().equals(name))
                .map(MasterPlan.Column::type)
                .findFirst()
                .orElse(Type.TEXT);
    }

    /** What the analyst wrote, as a workbook would hold it in a cell of a type; as a text where it is none of the type. */
    private static String staged(String written, Type type) {
        String read = ValueReader.read(written, type, Convention.DEFAULT);
        if (read == null || ValueReader.currency(written) != null) {
            return written;
        }
        return switch (type) {
            case TEXT -> written;
            case WHOLE_NUMBER, DECIMAL, MONEY -> CellKind.NUMBER.mark() + read;
            case PERCENT -> CellKind.PERCENT.mark() + read;
            case DATE, DATE_AND_TIME, TIME -> CellKind.DATE.mark() + read;
            case YES_NO -> CellKind.YES_NO.mark() + read;
        };
    }

    /** A correction in force, and the master's column that its cell feeds. */
    private record Taken(String column, Correction correction) {}

    /** Corrections that have lost their ground. */
    private List<Finding> findings() {
        return reports.stream()
                .filter(report -> !report.problem().isEmpty())
                .map(report -> new Finding(
                        Severity.WARNING,
                        "correction-lost",
                        report.correction().where(),
                        "The correction of this cell from "
                                + said(report.correction().from()) + " to "
                                + said(report.correction().to()) + " is not in force: " + report.problem() + ".",
                        "The cell is read as it stands.",
                        "Correct it again in Master if that is still needed, or remove the correction in Rework."))
                .toList();
    }

    /** A text as it is quoted; a blank one as such. */
    public static String said(String text) {
        return text.isEmpty() ? "blank" : Says.quoted(text);
    }

    private Proposal.Corrected take(Correction correction) {
        for (PlacedTable table : tables) {
            int at = fedBy(correction, table);
            if (at < 0) {
                continue;
            }
            DraftColumn of = columns.get(at);
            List<@Nullable String> cells = staged.row(table, correction.row());
            String cell = correction.column() < cells.size() ? cells.get(correction.column()) : null;
            String says = cell == null ? "" : CellKind.textOf(cell);
            if (!says.equals(correction.from())) {
                return new Proposal.Corrected(correction, of.name(), "the cell says " + said(says) + " now");
            }
            if (correction.on()) {
                of.in(table)
                        .ifPresent(column -> columns.set(
                                at, of.with(Map.of(table, corrected(column, cell == null ? "" : cell, correction)))));
                byTable.computeIfAbsent(table, key -> new ArrayList<>()).add(new Taken(of.name(), correction));
            }
            return new Proposal.Corrected(correction, of.name(), "");
        }
        return new Proposal.Corrected(correction, "", "no column of the master is fed by it now");
    }

    private static LaidColumn corrected(LaidColumn column, String cell, Correction correction) {
        Type type = Typing.decide(column.evidence(), true).type();
        return new LaidColumn(
                column.header(),
                column.origin(),
                column.evidence().replaced(cell, staged(correction.to(), type), 1),
                column.sum());
    }

    /** The master's column that a cell feeds in a table; below zero where it feeds none. */
    private int fedBy(Correction correction, PlacedTable table) {
        boolean here =
                table.source().equals(correction.source()) && table.sheet().equals(correction.sheet());
        boolean ofRecord = table.table().runs().stream()
                .anyMatch(run -> correction.row() >= run.first() && correction.row() < run.first() + run.count());
        for (int at = 0; here && at < columns.size(); at++) {
            LaidColumn fed = columns.get(at).fed().get(table);
            for (int turned = 0; fed != null && turned < Math.max(1, table.turned()); turned++) {
                OptionalInt column = fed.origin().column(turned);
                int own = fed.origin().row();
                boolean inRow = own > 0 ? own == correction.row() : ofRecord;
                if (inRow && column.isPresent() && column.getAsInt() == correction.column()) {
                    return at;
                }
            }
        }
        return -1;
    }
}
