package cuvee.tell;

import cuvee.check.CheckResult;
import cuvee.detect.RowClass;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.SourceCells;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * A page for whoever sent a file, or the files of a folder: what of it was taken, what was wrong there, in plain words with
 * cells, and what is asked of them. It speaks of their files only.
 */
public final class SenderPage {
    private static final int MOST = 60;
    private static final int MOST_CELLS = 10;

    private final Outcome outcome;
    private final List<SourceReport> sources;
    private final List<String> asked = new ArrayList<>();

    private SenderPage(Outcome outcome, List<SourceReport> sources) {
        this.outcome = outcome;
        this.sources = sources;
    }

    /** Asks for cells whose values do not fit their column. */
    public interface Misfits {
        List<SourceCells.Misfit> of(int column);
    }

    /**
     * The page about a source, or about all those in a folder.
     *
     * @param of the source's path, or that of a folder
     * @throws CuveeException where there is no such source
     */
    public static Account of(Outcome outcome, String of, Misfits misfits) {
        String folder = of.endsWith("/") ? of : of + "/";
        List<SourceReport> sources = outcome.sources().stream()
                .filter(source -> source.path().equals(of) || source.path().startsWith(folder))
                .toList();
        if (sources.isEmpty()) {
            throw CuveeException.failure(
                    "no-source",
                    Where.JOB,
                    "There is no source " + Says.quoted(of) + ", and no folder of that name.",
                    "No page was made.",
                    "Name one of the sources as cuvee show lists them.");
        }
        return new SenderPage(outcome, sources).page(of, misfits);
    }

    private Account page(String of, Misfits misfits) {
        List<Account.Part> parts = new ArrayList<>();
        parts.add(new Account.Part.Said(
                "What was taken", sources.stream().map(this::taken).toList()));
        List<String> wrong = wrong();
        parts.add(new Account.Part.Said(
                "What was found there", wrong.isEmpty() ? List.of("Nothing that needs a look.") : wrong));
        List<String> cells = cells(misfits);
        if (!cells.isEmpty()) {
            parts.add(new Account.Part.Said("Values that could not be read as what their column holds", cells));
        }
        List<String> headers = headers();
        if (!headers.isEmpty()) {
            parts.add(new Account.Part.Said("Headers that most others call otherwise", headers));
        }
        parts.add(new Account.Part.Said(
                "What is asked of you",
                asked.isEmpty()
                        ? List.of("Nothing: please go on sending it so.")
                        : new ArrayList<>(new LinkedHashSet<>(asked))));
        return new Account(
                of, "About " + of + ", as it was read for " + outcome.job().name() + ".", parts);
    }

    private String taken(SourceReport source) {
        if (source.tables().isEmpty()) {
            return source.path() + ": " + source.state().word()
                    + (source.reason().isEmpty() ? "" : ", " + source.reason()) + ".";
        }
        long seen = 0;
        long kept = 0;
        long totals = 0;
        for (PlacedTable table : source.tables()) {
            seen += table.table().seen();
            kept += table.table().kept();
            totals += table.table().setAside().getOrDefault(RowClass.TOTAL, 0);
        }
        return source.path() + ": " + Says.count(kept, "row") + " of " + Says.count(seen, "line") + " taken"
                + (totals == 0
                        ? ""
                        : "; " + Says.count(totals, "line") + " of totals left out, as they are added up anew")
                + ".";
    }

    private boolean isOurs(String source) {
        return sources.stream().anyMatch(each -> each.path().equals(source));
    }

    private List<String> wrong() {
        List<String> wrong = new ArrayList<>();
        for (Finding finding : outcome.findings()) {
            boolean here = isOurs(finding.where().source());
            if (here && finding.atLeast(Severity.WARNING)) {
                wrong.add(finding.where() + ": " + finding.what());
                if (finding.canDo().contains("sender") || finding.canDo().startsWith("Ask")) {
                    asked.add("Please look at " + finding.where() + ": " + finding.what());
                }
            }
        }
        for (CheckResult check : outcome.checks()) {
            for (Where where : check.first()) {
                if (isOurs(where.source())) {
                    wrong.add(where + ": it should be so that " + check.words() + ".");
                    asked.add("Please correct " + where + ", or say that it is right.");
                }
            }
        }
        return wrong.size() <= MOST ? wrong : cut(wrong);
    }

    private static List<String> cut(List<String> all) {
        List<String> some = new ArrayList<>(all.subList(0, MOST));
        some.add("And " + Says.number(all.size() - MOST) + " more.");
        return some;
    }

    private List<String> cells(Misfits misfits) {
        List<String> cells = new ArrayList<>();
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).misfits() == 0) {
                continue;
            }
            List<SourceCells.Misfit> here = misfits.of(i).stream()
                    .filter(misfit -> isOurs(misfit.table().source()))
                    .toList();
            for (SourceCells.Misfit misfit : here.subList(0, Math.min(MOST_CELLS, here.size()))) {
                cells.add(misfit.where() + ": " + Says.quoted(misfit.text().strip()) + " is no "
                        + columns.get(i).typeWords() + ", as " + columns.get(i).name() + " is.");
            }
            if (here.size() > MOST_CELLS) {
                cells.add("And " + Says.number(here.size() - MOST_CELLS) + " more in "
                        + columns.get(i).name() + ".");
            }
            if (!here.isEmpty()) {
                asked.add("Please write " + columns.get(i).name() + " as "
                        + columns.get(i).typeWords()
                        + " in every row, and leave the cell blank where there is no value.");
            }
        }
        return cells;
    }

    private List<String> headers() {
        Set<String> said = new LinkedHashSet<>();
        List<MasterPlan.Column> columns = outcome.proposal().plan().columns();
        for (SourceReport source : sources) {
            for (PlacedTable table : source.tables()) {
                table.columns().forEach(column -> {
                    String key = LooseText.key(column.header());
                    String feeds = outcome.proposal().lineUp().getOrDefault(key, column.header());
                    boolean known =
                            columns.stream().anyMatch(each -> each.name().equals(feeds));
                    if (known && !LooseText.key(feeds).equals(key)) {
                        said.add(Says.quoted(column.header()) + " is " + Says.quoted(feeds) + " with most others.");
                    }
                });
            }
        }
        if (!said.isEmpty()) {
            asked.add("It would help to use the same headers as the others; a blank workbook has them.");
        }
        return List.copyOf(said);
    }
}
