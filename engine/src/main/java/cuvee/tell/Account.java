package cuvee.tell;

import cuvee.audit.OwnChecks;
import cuvee.check.Reconciled;
import cuvee.check.SourceChange;
import cuvee.deliver.About;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The account of a master, to be handed over with it: what it was made from, that its lines and sums add up, how headers and
 * values were read, what was done to rows, what was found and what is still open. A document of sections, as text or as a
 * page that any browser shows and prints; it holds no script.
 */
public record Account(String title, String verdict, List<Part> parts) {
    private static final int MOST_FINDINGS = 300;
    private static final int HUNDREDTHS = 2;
    private static final int MOST_CHANGES = 200;

    public Account {
        parts = List.copyOf(parts);
    }

    /** A section of the document. */
    public sealed interface Part {
        String title();

        /** Sentences, each a paragraph. */
        record Said(String title, List<String> sentences) implements Part {}

        /**
         * A table.
         *
         * @param numbers how many of its last columns are numbers
         * @param total its last line; empty for none
         */
        record Table(String title, List<String> heads, int numbers, List<List<String>> rows, List<String> total)
                implements Part {}
    }

    /** The account of what a refresh came to. */
    public static Account of(Outcome outcome) {
        JobPage page = JobPage.of(outcome);
        List<Part> parts = new ArrayList<>();
        parts.add(lines(outcome));
        sums(outcome).ifPresent(parts::add);
        parts.add(new Part.Said("What changed since the last refresh", changes(outcome.changed())));
        if (!outcome.checks().isEmpty()) {
            parts.add(new Part.Said(
                    "Own checks", outcome.checks().stream().map(OwnChecks::said).toList()));
        }
        page.sections().forEach(section -> parts.add(new Part.Said(section.title(), section.sentences())));
        parts.add(findings(outcome));
        String resting = Resting.of(outcome).said();
        return new Account(
                outcome.job().name(), Verdict.of(outcome).sentence() + (resting.isEmpty() ? "" : " " + resting), parts);
    }

    /** It as a tab of a delivered workbook. */
    public About tab() {
        About about = new About(title, verdict, List.of());
        for (Part part : parts) {
            if (part instanceof Part.Table table) {
                List<List<String>> rows = new ArrayList<>(List.of(table.heads()));
                rows.addAll(table.rows());
                if (!table.total().isEmpty()) {
                    rows.add(table.total());
                }
                about = about.table(part.title(), rows);
            } else if (part instanceof Part.Said said) {
                about = about.said(part.title(), said.sentences());
            }
        }
        return about;
    }

    // ---- lines ----

    /** For each source the lines seen, what was set aside by each reason, and what stands in the master. */
    private static Part lines(Outcome outcome) {
        Map<RowClass, Long> all = new EnumMap<>(RowClass.class);
        outcome.sources()
                .forEach(source -> source.tables()
                        .forEach(table -> table.table()
                                .setAside()
                                .forEach((what, count) -> all.merge(what, (long) count, Long::sum))));
        List<RowClass> reasons = List.copyOf(all.keySet());
        List<String> heads = new ArrayList<>(List.of("Source", "Lines seen"));
        reasons.forEach(reason -> heads.add(reason.word()));
        heads.addAll(List.of("kept", "by turning", "by rules", "in the master"));
        List<List<String>> rows = new ArrayList<>();
        long[] total = new long[heads.size() - 1];
        for (SourceReport source : outcome.sources()) {
            if (source.tables().isEmpty()) {
                continue;
            }
            long[] own = new long[total.length];
            for (PlacedTable placed : source.tables()) {
                FoundTable table = placed.table();
                Outcome.Made made = outcome.made().get(placed.id());
                long rowsMade = made == null ? 0 : made.rows();
                long ruled = outcome.ruledOut(placed.id());
                own[0] += table.seen();
                for (int i = 0; i < reasons.size(); i++) {
                    own[1 + i] -= table.setAside().getOrDefault(reasons.get(i), 0);
                }
                own[1 + reasons.size()] += table.kept();
                own[2 + reasons.size()] += rowsMade - table.kept();
                own[3 + reasons.size()] -= ruled;
                own[4 + reasons.size()] += rowsMade - ruled;
            }
            rows.add(line(source.path(), own));
            for (int i = 0; i < own.length; i++) {
                total[i] += own[i];
            }
        }
        return new Part.Table(
                "Lines, from the sources to the master", heads, heads.size() - 1, rows, line("All", total));
    }

    private static List<String> line(String name, long[] counts) {
        List<String> cells = new ArrayList<>(List.of(name));
        for (long count : counts) {
            cells.add(count < 0 ? "−" + Says.number(-count) : Says.number(count));
        }
        return cells;
    }

    // ---- sums ----

    private static Optional<Part> sums(Outcome outcome) {
        MasterPlan plan = outcome.proposal().plan();
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            Reconciled.Sum sum = outcome.reconciled().sum(i);
            if (sum.tables() > 0) {
                rows.add(List.of(
                        plan.columns().get(i).name(),
                        Says.number(sum.source()),
                        Says.number(sum.aside().negate()),
                        Says.number(sum.changed()),
                        Says.number(sum.master()),
                        sum.closes() ? "agrees" : "differs by " + Says.number(sum.unexplained())));
            }
        }
        return rows.isEmpty()
                ? Optional.empty()
                : Optional.of(new Part.Table(
                        "Sums, added up in the sources' own cells and in the master",
                        List.of("Column", "in the sources", "set aside by rules", "changed", "in the master", ""),
                        5,
                        rows,
                        List.of()));
    }

    /** The equations of the number columns, one a line. */
    public static List<String> equations(Outcome outcome) {
        MasterPlan plan = outcome.proposal().plan();
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            Reconciled.Sum sum = outcome.reconciled().sum(i);
            if (sum.tables() > 0) {
                lines.add(plan.columns().get(i).name() + ": "
                        + equation(sum, plan.columns().get(i).type()));
            }
        }
        return lines;
    }

    /** {@code 1,300 in the sources − 98 set aside + 2 changed = 1,204 in the master}; money with its hundredths. */
    public static String equation(Reconciled.Sum sum, Type type) {
        StringBuilder said = new StringBuilder(number(sum.source(), type)).append(" in the sources");
        if (sum.aside().signum() != 0) {
            said.append(" ").append(with(sum.aside().negate(), type)).append(" set aside");
        }
        if (sum.changed().signum() != 0) {
            said.append(" ").append(with(sum.changed(), type)).append(" changed");
        }
        return said.append(sum.closes() ? " = " : " ≠ ")
                .append(number(sum.master(), type))
                .append(" in the master")
                .toString();
    }

    private static String with(BigDecimal number, Type type) {
        return (number.signum() < 0 ? "− " : "+ ") + number(number.abs(), type);
    }

    private static String number(BigDecimal number, Type type) {
        BigDecimal plain = number.signum() == 0 ? BigDecimal.ZERO : number.stripTrailingZeros();
        return type == Type.MONEY && plain.scale() < HUNDREDTHS
                ? Says.decimals(plain.setScale(HUNDREDTHS))
                : Says.number(plain);
    }

    // ---- the rest ----

    private static List<String> changes(Changed changed) {
        List<String> said = new ArrayList<>(List.of(changed.sentence()));
        if (!changed.first()) {
            List<SourceChange> sources = changed.sources();
            sources.stream()
                    .limit(MOST_CHANGES)
                    .forEach(source -> said.add(source.path() + ": " + source.said() + "."));
            if (sources.size() > MOST_CHANGES) {
                said.add("And " + Says.number(sources.size() - MOST_CHANGES) + " more.");
            }
        }
        return said;
    }

    private static Part findings(Outcome outcome) {
        List<LikeFindings> found = LikeFindings.of(outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .sorted(Comparator.comparing(Finding::severity).reversed())
                .toList());
        List<String> said = new ArrayList<>();
        found.stream()
                .limit(MOST_FINDINGS)
                .forEach(like -> said.add(like.first().severity().word() + ": " + like.text()));
        if (found.size() > MOST_FINDINGS) {
            said.add("And " + Says.number(found.size() - MOST_FINDINGS) + " more.");
        }
        if (said.isEmpty()) {
            said.add(
                    outcome.settled().isEmpty()
                            ? "None: every value fits and every tally closes."
                            : "None that is open.");
        }
        outcome.settled().stream().limit(MOST_FINDINGS).forEach(settled -> said.add("settled: " + settled.text()));
        return new Part.Said("Findings", said);
    }

    // ---- as text and as a page ----

    /** The account as plain text. */
    public String text() {
        StringBuilder text =
                new StringBuilder(title).append("\n").append(verdict).append("\n");
        for (Part part : parts) {
            text.append("\n").append(part.title()).append("\n");
            if (part instanceof Part.Said said) {
                said.sentences()
                        .forEach(sentence -> text.append("  ").append(sentence).append("\n"));
            } else if (part instanceof Part.Table table) {
                table(text, table);
            }
        }
        return text.toString();
    }

    private static void table(StringBuilder text, Part.Table table) {
        List<List<String>> all = new ArrayList<>();
        all.add(table.heads());
        all.addAll(table.rows());
        if (!table.total().isEmpty()) {
            all.add(table.total());
        }
        int[] widths = new int[table.heads().size()];
        all.forEach(row -> {
            for (int i = 0; i < widths.length; i++) {
                widths[i] = Math.max(widths[i], row.get(i).length());
            }
        });
        for (List<String> row : all) {
            StringBuilder line = new StringBuilder(" ");
            for (int i = 0; i < widths.length; i++) {
                boolean number = i >= widths.length - table.numbers();
                String pad = " ".repeat(widths[i] - row.get(i).length());
                line.append(" ").append(number ? pad + row.get(i) : row.get(i) + pad);
            }
            text.append(line.toString().stripTrailing()).append("\n");
        }
    }

    /** The account as HTML, without any script. */
    public String html() {
        StringBuilder html = new StringBuilder(
                        "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
                .append(escaped(title))
                .append("</title><style>")
                .append("body{font:14px/1.5 \"IBM Plex Sans\",sans-serif;max-width:62em;margin:2em auto;padding:0 1em;")
                .append(
                        "color:#2A2430;background:#fff}h1{font-size:1.5em;margin:0}h2{font-size:1.1em;margin:1.6em 0 .4em}")
                .append("p{margin:.25em 0}.verdict{font-size:1.15em;margin:.3em 0 1em}table{border-collapse:collapse}")
                .append("th,td{padding:.15em .8em .15em 0;text-align:left;vertical-align:top}")
                .append("th{font-weight:600;border-bottom:1px solid #94877B}.n{text-align:right}")
                .append("tr.total td{font-weight:600;border-top:1px solid #2A2430;border-bottom:3px double #2A2430}")
                .append("@media print{h2{break-after:avoid}tr{break-inside:avoid}}")
                .append("</style></head><body>\n<h1>")
                .append(escaped(title))
                .append("</h1>\n<p class=\"verdict\">")
                .append(escaped(verdict))
                .append("</p>\n");
        for (Part part : parts) {
            html.append("<h2>").append(escaped(part.title())).append("</h2>\n");
            if (part instanceof Part.Said said) {
                said.sentences()
                        .forEach(sentence ->
                                html.append("<p>").append(escaped(sentence)).append("</p>\n"));
            } else if (part instanceof Part.Table table) {
                html.append("<table><thead>");
                row(html, table, table.heads(), "th", "");
                html.append("</thead><tbody>\n");
                table.rows().forEach(row -> row(html, table, row, "td", ""));
                if (!table.total().isEmpty()) {
                    row(html, table, table.total(), "td", " class=\"total\"");
                }
                html.append("</tbody></table>\n");
            }
        }
        return html.append("</body></html>\n").toString();
    }

    private static void row(StringBuilder html, Part.Table table, List<String> cells, String tag, String of) {
        html.append("<tr").append(of).append(">");
        for (int i = 0; i < cells.size(); i++) {
            boolean number = i >= cells.size() - table.numbers();
            html.append("<").append(tag).append(number ? " class=\"n\">" : ">").append(escaped(cells.get(i)));
            html.append("</").append(tag).append(">");
        }
        html.append("</tr>\n");
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
