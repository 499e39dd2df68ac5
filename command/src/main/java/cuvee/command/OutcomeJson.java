package cuvee.command;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.change.Deciding;
import cuvee.check.Arrivals;
import cuvee.check.CheckResult;
import cuvee.check.Reconciled;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.EarlierRows;
import cuvee.master.MasterPlan;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.tell.Card;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import cuvee.tell.Resting;
import cuvee.tell.SettledFinding;
import cuvee.tell.SourceReport;
import cuvee.tell.Stakes;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** The JSON of the command line; its form only grows (docs/command-line.md). */
final class OutcomeJson {
    private static final ObjectMapper JSON = new ObjectMapper();

    private OutcomeJson() {}

    static ObjectNode object() {
        return JSON.createObjectNode();
    }

    static ObjectNode of(Outcome outcome) {
        ObjectNode root = object();
        root.put("job", outcome.job().name());
        root.put("rows", outcome.rows());
        columns(root.putArray("columns"), outcome);
        sources(root.putArray("sources"), outcome);
        layouts(root.putArray("layouts"), outcome);
        decisions(root.putArray("decisions"), outcome);
        cards(root.putArray("questions"), outcome);
        unconfirmed(root.putObject("unconfirmed"), Resting.of(outcome));
        findings(root.putArray("findings"), outcome.findings());
        for (SettledFinding settled : outcome.settled()) {
            finding(root.withArray("findingsSettled").addObject(), settled.finding())
                    .put("note", settled.note())
                    .put("by", settled.by());
        }
        root.putArray("deliveries");
        changed(root.putObject("changed"), outcome.changed());
        ObjectNode sums = root.putObject("sums");
        outcome.totals().stream()
                .filter(total -> total.sum() != null)
                .forEach(total -> sums.put(total.column(), total.sum()));
        reconciliation(root.putObject("reconciliation"), outcome);
        ArrayNode checks = root.putArray("checks");
        outcome.checks().forEach(check -> check(checks.addObject(), check));
        outcome.arrivals().ifPresent(arrivals -> arrivals(root.putObject("arrivals"), arrivals));
        ObjectNode millis = root.putObject("ms");
        outcome.millis().forEach(millis::put);
        return root;
    }

    private static void columns(ArrayNode columns, Outcome outcome) {
        for (Proposal.ColumnReport column : outcome.columns()) {
            ObjectNode node = columns.addObject();
            outcome.proposal().tags().stream()
                    .filter(tag -> tag.on() && tag.column().equals(column.name()))
                    .findFirst()
                    .ifPresent(tag -> node.put("from", tag.source().words()));
            node.put("name", column.name())
                    .put("type", column.type().word())
                    .put("currency", column.currency())
                    .put("filled", column.filled())
                    .put("misfits", column.misfits())
                    .put("layouts", column.layouts())
                    .put("reason", column.reason());
        }
        for (MasterPlan.Tag tag : outcome.plan().tags()) {
            columns.addObject().put("name", tag.name()).put("type", "Text").put("tag", true);
        }
    }

    private static void sources(ArrayNode sources, Outcome outcome) {
        Map<Integer, MasterPlan.Table> planned = new HashMap<>();
        outcome.proposal().plan().tables().forEach(table -> planned.put(table.id(), table));
        outcome.sources().forEach(source -> source(sources.addObject(), source, outcome, planned));
    }

    private static void layouts(ArrayNode layouts, Outcome outcome) {
        outcome.proposal().layouts().forEach(layout -> {
            ObjectNode node = layouts.addObject();
            node.put("id", Deciding.layoutId(layout.signature()));
            node.put("signature", layout.signature());
            node.put("tables", layout.tables().size());
            node.put("rows", layout.rows());
            layout.headers().forEach(node.putArray("headers")::add);
        });
        otherLayouts(layouts, outcome);
    }

    private static void cards(ArrayNode questions, Outcome outcome) {
        Stakes stakes = Stakes.of(outcome);
        for (Card card : Card.of(outcome)) {
            ObjectNode node = question(questions.addObject(), card.question());
            Stakes.Stake stake = stakes.of(card.parts());
            node.putObject("atStake")
                    .put("rows", stake.rows())
                    .put("amount", stake.amount().toPlainString())
                    .put("column", stakes.column());
            if (card.parts().size() > 1) {
                questions(node.putArray("parts"), card.parts());
            }
        }
    }

    private static void unconfirmed(ObjectNode node, Resting resting) {
        node.put("rows", resting.rows())
                .put("of", resting.of())
                .put("outside", resting.outside())
                .put("column", resting.column())
                .put("amount", resting.amount().toPlainString())
                .put("ofAmount", resting.allAmount().toPlainString());
    }

    private static void check(ObjectNode node, CheckResult check) {
        node.put("check", check.words())
                .put("passes", check.passes())
                .put("fails", check.fails())
                .put("problem", check.problem());
        check.first().forEach(where -> node.withArray("first").add(where.toString()));
        check.details().forEach(node.withArray("details")::add);
    }

    /** Layouts of tables that are not in the master as they stand: turned, or set aside. */
    private static void otherLayouts(ArrayNode layouts, Outcome outcome) {
        Set<String> listed =
                outcome.proposal().layouts().stream().map(Layout::signature).collect(Collectors.toSet());
        Map<String, List<PlacedTable>> others = new LinkedHashMap<>();
        outcome.sheets().stream()
                .flatMap(sheet -> sheet.tables().stream())
                .forEach(table -> others.computeIfAbsent(table.signature(), any -> new ArrayList<>())
                        .add(table));
        others.forEach((signature, tables) -> {
            if (!listed.contains(signature)) {
                ObjectNode node = layouts.addObject();
                node.put("id", Deciding.layoutId(signature));
                node.put("signature", signature);
                node.put("tables", tables.size());
                node.put("rows", 0);
                tables.get(0)
                        .columns()
                        .forEach(column -> node.withArray("headers").add(column.header()));
            }
        });
    }

    private static void decisions(ArrayNode array, Outcome outcome) {
        outcome.job().settled().forEach(decision -> decision(array.addObject(), decision, "you"));
        outcome.job().assumed().stream()
                .filter(decision -> !outcome.job().isSettled(decision.kind(), decision.subject()))
                .forEach(decision -> decision(array.addObject(), decision, "Cuvee"));
    }

    private static void decision(ObjectNode node, Decision decision, String by) {
        node.put("id", decision.id())
                .put("kind", decision.kind())
                .put("subject", decision.subject())
                .put("answer", decision.answer())
                .put("by", by)
                .put("reason", decision.reason())
                .put("evidence", decision.evidence());
    }

    private static void source(
            ObjectNode node, SourceReport source, Outcome outcome, Map<Integer, MasterPlan.Table> planned) {
        node.put("path", source.path());
        node.put("state", source.state().word());
        node.put("kind", source.kind());
        node.put("reason", source.reason());
        node.put("size", source.size());
        ArrayNode tables = node.putArray("tables");
        source.tables().forEach(table -> table(tables.addObject(), table, "taken", "", outcome, planned));
        for (SourceReport.Outside outside : source.outside()) {
            ObjectNode out = tables.addObject();
            if (outside.table().isPresent()) {
                table(out, outside.table().get(), "set aside", outside.reason(), outcome, planned);
            } else {
                out.put("sheet", outside.sheet());
                out.put("state", "set aside");
                out.put("reason", outside.reason());
            }
        }
    }

    private static void table(
            ObjectNode node,
            PlacedTable placed,
            String state,
            String reason,
            Outcome outcome,
            Map<Integer, MasterPlan.Table> planned) {
        FoundTable table = placed.table();
        node.put("sheet", placed.sheet());
        node.put("state", state);
        node.put("reason", reason);
        found(node, table);
        node.put("layout", Deciding.layoutId(placed.signature()));
        node.put("seen", table.seen());
        node.put("kept", table.kept());
        setAside(node, table);
        MasterPlan.Table there = planned.get(placed.id());
        if (there != null) {
            fed(node, there, outcome);
        }
    }

    /** Which columns a table of the master feeds, which it lacks, and which no other layout has. */
    private static void fed(ObjectNode node, MasterPlan.Table table, Outcome outcome) {
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        int layouts = outcome.proposal().layouts().size();
        int matched = 0;
        ArrayNode missing = node.putArray("missing");
        ArrayNode extra = node.putArray("extra");
        for (int i = 0; i < columns.size(); i++) {
            if (!outcome.proposal().hasCells(i)) {
                continue;
            }
            if (table.feeds().get(i) == null) {
                missing.add(columns.get(i).name());
            } else {
                matched++;
                if (layouts > 1 && columns.get(i).layouts() == 1) {
                    extra.add(columns.get(i).name());
                }
            }
        }
        node.put("matched", matched);
        long ruledOut = outcome.ruledOut(table.id());
        if (ruledOut > 0) {
            node.put("ruledOut", ruledOut);
        }
        Outcome.Made made = outcome.made().get(table.id());
        if (table.turned() > 0 && made != null) {
            node.putObject("turned").put("rows", made.rows()).put("blanks", made.blanks());
        }
    }

    /** The shape of a table, the same for a peek and for a job. */
    static void found(ObjectNode node, FoundTable table) {
        int first = table.columns().stream().mapToInt(c -> c.index() + 1).min().orElse(1);
        int last = table.columns().stream().mapToInt(c -> c.index() + 1).max().orElse(1);
        node.put(
                "range",
                Where.columnLetters(first) + table.firstRow() + ":" + Where.columnLetters(last) + table.lastRow());
        table.headerRows().forEach(node.putArray("headerRows")::add);
        if (!table.runs().isEmpty()) {
            FoundTable.Run end = table.runs().get(table.runs().size() - 1);
            node.put("firstRecord", table.runs().get(0).first());
            node.put("lastRecord", end.first() + end.count() - 1);
        }
        if (!table.reading().isEmpty()) {
            node.put("reading", table.reading());
        }
        node.put("why", table.reason());
    }

    static void setAside(ObjectNode node, FoundTable table) {
        ObjectNode aside = node.putObject("setAside");
        table.setAside().forEach((RowClass rowClass, Integer count) -> aside.put(rowClass.word(), count));
    }

    static void questions(ArrayNode array, Collection<Question> questions) {
        for (Question question : questions) {
            question(array.addObject(), question);
        }
    }

    private static ObjectNode question(ObjectNode node, Question question) {
        node.put("id", question.id());
        node.put("kind", question.kind());
        node.put("where", question.where().toString());
        node.put("text", question.text());
        node.put("assumed", question.assumed());
        node.put("stake", question.stake());
        ArrayNode answers = node.putArray("answers");
        question.answers()
                .forEach(answer -> answers.addObject().put("id", answer.id()).put("text", answer.text()));
        return node;
    }

    static void findings(ArrayNode array, Collection<Finding> findings) {
        for (Finding finding : findings) {
            finding(array.addObject(), finding);
        }
    }

    private static ObjectNode finding(ObjectNode node, Finding finding) {
        return node.put("id", finding.id())
                .put("severity", finding.severity().word())
                .put("kind", finding.kind())
                .put("where", finding.where().toString())
                .put("text", finding.text());
    }

    private static void changed(ObjectNode node, Changed changed) {
        node.put("first", changed.first());
        node.put("rowsBefore", changed.rowsBefore());
        node.put("rowsNow", changed.rowsNow());
        Changed.Files files = changed.files();
        files.added().forEach(node.putArray("filesNew")::add);
        files.changed().forEach(node.putArray("filesChanged")::add);
        files.unreadable().forEach(node.putArray("filesUnreadable")::add);
        ArrayNode renamed = node.putArray("filesRenamed");
        files.renamed()
                .forEach((path, was) -> renamed.addObject().put("path", path).put("was", was));
        files.gone().forEach(node.putArray("filesGone")::add);
        changed.columnsNew().forEach(node.putArray("columnsNew")::add);
        changed.columnsGone().forEach(node.putArray("columnsGone")::add);
        ArrayNode sources = node.putArray("sources");
        changed.sources().forEach(source -> {
            ObjectNode own = sources.addObject();
            own.put("path", source.path()).put("state", source.kind().words());
            if (!source.was().isEmpty()) {
                own.put("was", source.was());
            }
            own.put("rowsBefore", source.rowsBefore()).put("rowsNow", source.rowsNow());
            source.rows().ifPresent(rows -> rows(own, rows));
            ObjectNode sums = own.putObject("sums");
            source.sums()
                    .forEach(sum -> sums.putObject(sum.column())
                            .put("before", sum.before().toPlainString())
                            .put("now", sum.now().toPlainString()));
        });
    }

    private static void arrivals(ObjectNode node, Arrivals arrivals) {
        node.put("sender", arrivals.sender()).put("period", arrivals.period());
        places(node.putArray("missing"), arrivals, Arrivals.State.MISSING);
        places(node.putArray("notYet"), arrivals, Arrivals.State.NOT_YET);
        arrivals.unlisted().forEach(node.putArray("unlisted")::add);
    }

    private static void places(ArrayNode array, Arrivals arrivals, Arrivals.State state) {
        arrivals.open(state)
                .forEach(place -> array.addObject()
                        .put("sender", place.sender())
                        .put("month", place.month().toString())
                        .put("due", arrivals.due(place).map(String::valueOf).orElse("")));
    }

    private static void rows(ObjectNode node, EarlierRows.Difference rows) {
        node.put("key", rows.key())
                .put("rowsAdded", rows.added())
                .put("rowsRemoved", rows.removed())
                .put("rowsChanged", rows.changed());
        ArrayNode cells = node.putArray("cells");
        rows.cells()
                .forEach(cell -> cells.addObject()
                        .put("key", cell.key())
                        .put("column", cell.column())
                        .put("before", cell.before())
                        .put("now", cell.now()));
    }

    /** The sums of the number columns in the sources and in the master, and what stands between them. */
    private static void reconciliation(ObjectNode node, Outcome outcome) {
        MasterPlan plan = outcome.proposal().plan();
        for (int i = 0; i < plan.columns().size(); i++) {
            Reconciled.Sum sum = outcome.reconciled().sum(i);
            if (sum.tables() > 0) {
                ObjectNode own = node.putObject(plan.columns().get(i).name());
                own.put("sources", sum.source().toPlainString())
                        .put("setAside", sum.aside().toPlainString())
                        .put("changed", sum.changed().toPlainString())
                        .put("master", sum.master().toPlainString())
                        .put("closes", sum.closes());
            }
        }
    }
}
