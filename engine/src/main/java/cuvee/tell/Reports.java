package cuvee.tell;

import cuvee.collect.Source;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SheetRules;
import cuvee.gather.SourceFacts;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Says of every source what became of it. */
public final class Reports {
    private Reports() {}

    /** What became of each source and of its tables. */
    public static List<SourceReport> of(
            List<Source> sources,
            Map<String, SourceFacts> facts,
            Map<String, SourceFacts> gone,
            Proposal proposal,
            List<Finding> findings) {
        List<SourceReport> reports = new ArrayList<>();
        for (Source source : sources) {
            SourceFacts found = facts.get(source.path());
            if (found == null) {
                findings.add(new Finding(
                        Severity.NOTICE,
                        source.asideKind(),
                        Where.source(source.path()),
                        "It is " + source.aside() + ".",
                        "It is set aside.",
                        ""));
                reports.add(new SourceReport(
                        source.path(),
                        source.size(),
                        source.modified(),
                        SourceReport.State.SET_ASIDE,
                        source.asideKind(),
                        source.aside(),
                        List.of(),
                        List.of()));
            } else {
                boolean unread = found.isKept() && !found.isHeldClosed();
                SourceReport.State state = unread ? SourceReport.State.UNREADABLE : SourceReport.State.TAKEN;
                reports.add(report(found, state, proposal, findings));
            }
        }
        gone.values().forEach(found -> reports.add(report(found, SourceReport.State.GONE, proposal, findings)));
        return reports;
    }

    private static Finding hidden(String source, SheetFacts sheet) {
        List<String> what = new ArrayList<>();
        int rows = sheet.noticed().hiddenRows();
        int columns = sheet.noticed().hiddenColumns();
        if (rows > 0) {
            what.add(Says.count(rows, "row"));
        }
        if (columns > 0) {
            what.add(Says.count(columns, "column"));
        }
        int count = rows + columns;
        return new Finding(
                Severity.REMARK,
                "hidden-cells",
                Where.sheet(source, sheet.name()),
                Says.list(what) + (count == 1 ? " is" : " are") + " hidden or filtered away.",
                "They are read like the others.",
                "Unhide them in the workbook to see them there.");
    }

    /** Records of a table, in text that only spaces set apart, with a cell that reached into the next column. */
    private static Optional<Finding> cut(PlacedTable placed, List<Integer> cutRows) {
        List<Integer> records = records(placed, cutRows);
        return records.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new Finding(
                                Severity.WARNING,
                                "cut-cells",
                                placed.where().row(records.get(0)),
                                "In " + Says.count(records.size(), "row") + " a text reaches into the next column: "
                                        + (records.size() == 1 ? "row " : "rows ")
                                        + Says.list(records.stream()
                                                .map(Says::number)
                                                .toList()) + ".",
                                "It is cut at the nearest space, or where the next column begins.",
                                "Look at these rows in Read; or have the file exported with semicolons or tabs between its cells."));
    }

    /** Records of a table that are struck through: they may not count any more, or the total below may leave them out. */
    private static Optional<Finding> struck(PlacedTable placed, List<Integer> struckRows) {
        List<Integer> records = records(placed, struckRows);
        return records.isEmpty() || records.size() == placed.table().kept()
                ? Optional.empty()
                : Optional.of(new Finding(
                        Severity.WARNING,
                        "struck-rows",
                        placed.where().row(records.get(0)),
                        Says.count(records.size(), "row") + (records.size() == 1 ? " is" : " are")
                                + " struck through: " + (records.size() == 1 ? "row " : "rows ")
                                + Says.list(records.stream().map(Says::number).toList()) + ".",
                        "They are read like the others.",
                        "Say in Read that they are notes, where they do not count any more."));
    }

    /** Those of some rows that are records of a table. */
    private static List<Integer> records(PlacedTable placed, List<Integer> rows) {
        return rows.stream()
                .filter(row -> placed.table().runs().stream()
                        .anyMatch(run -> row >= run.first() && row < run.first() + run.count()))
                .filter(row -> placed.table().aside().stream().noneMatch(aside -> aside.row() == row))
                .toList();
    }

    private static SourceReport report(
            SourceFacts facts, SourceReport.State state, Proposal proposal, List<Finding> findings) {
        facts.problem().forEach(findings::add);
        if (!facts.readable() && !facts.isKept()) {
            return unread(facts);
        }
        List<PlacedTable> in = new ArrayList<>();
        List<SourceReport.Outside> out = new ArrayList<>();
        for (SheetFacts sheet : facts.sheets()) {
            List<PlacedTable> tables = sheet.placed(facts.path());
            boolean hidden = sheet.hidden() && tables.stream().allMatch(proposal.outside()::containsKey);
            if (hidden) {
                findings.add(hiddenAside(facts.path(), sheet));
            } else if (tables.isEmpty()) {
                findings.add(noTable(facts.path(), sheet));
            }
            if (tables.isEmpty()) {
                out.add(new SourceReport.Outside(
                        sheet.name(), Optional.empty(), hidden ? SheetRules.HIDDEN_SHEET : "it holds no table"));
            }
            if (sheet.noticed().hides() && !hidden && !tables.isEmpty()) {
                findings.add(hidden(facts.path(), sheet));
            }
            for (PlacedTable placed : tables) {
                String reason = proposal.outside().get(placed);
                if (reason == null) {
                    in.add(placed);
                    cut(placed, sheet.noticed().cutRows()).ifPresent(findings::add);
                    struck(placed, sheet.noticed().struckRows()).ifPresent(findings::add);
                } else {
                    out.add(new SourceReport.Outside(sheet.name(), Optional.of(placed), reason));
                }
            }
        }
        boolean aside = in.isEmpty();
        String reason =
                !aside ? "" : out.isEmpty() ? "it holds no table" : out.get(0).reason();
        return new SourceReport(
                facts.path(),
                facts.size(),
                facts.modified(),
                aside ? SourceReport.State.SET_ASIDE : state,
                aside ? "no-table" : "",
                reason,
                in,
                out);
    }

    private static SourceReport unread(SourceFacts facts) {
        Finding problem = facts.problem().get(0);
        return new SourceReport(
                facts.path(),
                facts.size(),
                facts.modified(),
                SourceReport.State.SET_ASIDE,
                problem.kind(),
                problem.what(),
                List.of(),
                List.of());
    }

    private static Finding hiddenAside(String path, SheetFacts sheet) {
        return new Finding(
                Severity.WARNING,
                sheet.asideKind(),
                Where.sheet(path, sheet.name()),
                "The sheet is hidden.",
                "It is set aside.",
                "Take it in, in Read, if its rows belong to the master.");
    }

    private static Finding noTable(String path, SheetFacts sheet) {
        return new Finding(
                Severity.NOTICE,
                sheet.asideKind(),
                Where.sheet(path, sheet.name()),
                sheet.isOfLines()
                        ? "The file holds " + Says.count(sheet.lastRow(), "line") + " of one cell each, and no table."
                        : "The sheet holds no table.",
                "It is set aside.",
                sheet.isOfLines()
                        ? "If it is a table whose columns only spaces set apart, these do not stand below each other:"
                                + " export it with semicolons or tabs between them."
                        : "");
    }
}
