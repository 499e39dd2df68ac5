package cuvee.gather;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.collect.Stamp;
import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.Run;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.detect.RowClass;
import cuvee.detect.SheetClues;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalNames;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.place.Where;
import cuvee.sheet.CellRange;
import cuvee.sheet.NamedRange;
import cuvee.value.Evidence;
import cuvee.value.Form;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The form in which facts lie in the store, and beside rows that are kept of sources that are gone. A cache of another form
 * is made anew; kept rows are not, so that what an earlier version wrote is read for ever, and what it did not know yet is
 * taken for nothing.
 */
public final class FactsJson {
    private static final ObjectMapper JSON = new ObjectMapper();

    private FactsJson() {}

    /** What is known of a source, as text. */
    public static String write(SourceFacts facts) {
        ObjectNode root = JSON.createObjectNode();
        root.put("path", facts.path());
        root.put("home", facts.home());
        root.put("size", facts.size());
        root.put("modified", facts.modified());
        root.put("changed", facts.stamp().changed());
        root.put("key", facts.stamp().key());
        root.put("sum", facts.sum());
        root.put("readAs", facts.readAs()).put("openQuote", facts.openQuote());
        ArrayNode sheets = root.putArray("sheets");
        for (SheetFacts sheet : facts.sheets()) {
            ObjectNode node = sheets.addObject();
            node.put("id", sheet.id());
            node.put("width", sheet.width());
            node.put("name", sheet.name());
            node.put("form", sheet.form());
            node.put("hidden", sheet.hidden());
            clues(node, sheet.clues());
            node.put("lastRow", sheet.lastRow()).put("columns", sheet.columns());
            SourceFacts.Noticed noticed = sheet.noticed();
            node.put("hiddenRows", noticed.hiddenRows()).put("hiddenColumns", noticed.hiddenColumns());
            noticed.cutRows().forEach(node.withArray("cutRows")::add);
            noticed.struckRows().forEach(node.withArray("struckRows")::add);
            for (SourceFacts.Plain plain : sheet.plain()) {
                ObjectNode p = node.withArray("plain").addObject();
                p.put("close", plain.close()).put("thousands", plain.thousands());
                plain.keys().forEach(p.putArray("keys")::add);
                totalNames(p, plain.totalNames());
            }
            sheet.signatures().forEach(node.putArray("signatures")::add);
            node.put("under", sheet.under()).put("firstTable", sheet.firstTable());
            sheet.tables().forEach(table -> table(node.withArray("tables").addObject(), table));
        }
        for (Finding finding : facts.problem()) {
            ObjectNode node = root.putObject("problem");
            node.put("kind", finding.kind());
            node.put("source", finding.where().source());
            node.put("sheet", finding.where().sheet());
            node.put("row", finding.where().row());
            node.put("what", finding.what());
            node.put("done", finding.done());
            node.put("canDo", finding.canDo());
        }
        return root.toString();
    }

    private static void table(ObjectNode node, FoundTable table) {
        node.put("first", table.firstRow());
        node.put("last", table.lastRow());
        node.put("blanks", table.blanks());
        node.put("rival", table.rival());
        node.put("reason", table.reason());
        node.put("reading", table.reading());
        totalNames(node, table.totalNames());
        node.put("sure", table.header() == FoundTable.Sureness.SURE);
        table.headerRows().forEach(node.putArray("header")::add);
        table.titles().forEach(node.putArray("titles")::add);
        ArrayNode runs = node.putArray("runs");
        table.runs().forEach(run -> runs.add(run.first()).add(run.count()));
        ArrayNode aside = node.putArray("aside");
        table.aside()
                .forEach(row -> aside.add(row.row()).add(row.rowClass().word()).add(row.text()));
        for (Doubt doubt : table.doubts()) {
            ObjectNode d = node.withArray("doubts").addObject();
            d.put("kind", doubt.kind())
                    .put("row", doubt.row())
                    .put("text", doubt.text())
                    .put("rows", doubt.rows());
        }
        for (StatedTotal total : table.totals()) {
            ObjectNode t = node.withArray("totals").addObject();
            t.put("row", total.row()).put("column", total.column()).put("stated", total.stated());
            t.put("added", total.added()).put("records", total.records());
        }
        ArrayNode columns = node.putArray("columns");
        for (TableColumn column : table.columns()) {
            ObjectNode c = columns.addObject();
            c.put("index", column.index()).put("header", column.header()).put("named", column.named());
            c.put("sum", column.sum());
            if (column.row() > 0) {
                c.put("row", column.row());
            }
            c.put("first", column.gaps().firstFilled())
                    .put("adjacent", column.gaps().adjacent());
            if (column.gaps().ofHeads()) {
                c.put("ofHeads", true);
            }
            Evidence evidence = column.evidence();
            ObjectNode counts = c.putObject("counts");
            evidence.counts().forEach((form, count) -> counts.put(form.name(), count));
            evidence.measures().forEach(c.putArray("measures")::add);
            ObjectNode odd = c.putObject("odd");
            evidence.oddities().forEach(odd::put);
            ObjectNode currencies = c.putObject("currencies");
            evidence.currencies().forEach(currencies::put);
            evidence.someDates().forEach(c.putArray("dates")::add);
        }
    }

    /** What is known of sources by their paths, read by all processors; what cannot be read is as if it was not there. */
    public static Map<String, SourceFacts> readAll(Map<String, String> written) {
        return written.entrySet().parallelStream()
                .flatMap(entry -> read(entry.getValue()).map(facts -> Map.entry(entry.getKey(), facts)).stream())
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** The facts, or nothing where they are of another form. */
    public static Optional<SourceFacts> read(String json) {
        try {
            JsonNode root = JSON.readTree(json);
            List<Finding> problem = new ArrayList<>();
            if (root.has("problem")) {
                JsonNode p = root.get("problem");
                problem.add(new Finding(
                        Severity.WARNING,
                        p.path("kind").asText(),
                        new Where(
                                p.path("source").asText(),
                                p.path("sheet").asText(),
                                p.path("row").asInt(),
                                0),
                        p.path("what").asText(),
                        p.path("done").asText(),
                        p.path("canDo").asText()));
            }
            return Optional.of(new SourceFacts(
                    root.path("path").asText(),
                    root.path("home").asText(),
                    new Stamp(
                            root.path("size").asLong(),
                            root.path("modified").asLong(),
                            root.path("changed").asLong(),
                            root.path("key").asText()),
                    root.path("sum").asText(),
                    root.path("readAs").asText(),
                    list(root.path("sheets"), FactsJson::sheet),
                    problem,
                    root.path("openQuote").asInt()));
        } catch (JsonProcessingException | IllegalArgumentException | IndexOutOfBoundsException otherForm) {
            return Optional.empty();
        }
    }

    private static SheetFacts sheet(JsonNode node) {
        return new SheetFacts(
                node.path("id").asInt(),
                node.path("width").asInt(),
                node.path("name").asText(),
                node.path("form").asText(),
                node.path("hidden").asBoolean(),
                new SheetClues(
                        list(
                                node.path("named"),
                                n -> new NamedRange(
                                        n.path("name").asText(),
                                        NamedRange.Kind.valueOf(n.path("kind").asText()),
                                        range(n.path("range")),
                                        n.path("totals").asInt())),
                        list(node.path("merged"), FactsJson::range),
                        marks(node.path("currencies"))),
                node.path("lastRow").asInt(),
                node.path("columns").asInt(),
                new SourceFacts.Noticed(
                        node.path("hiddenRows").asInt(),
                        node.path("hiddenColumns").asInt(),
                        list(node.path("cutRows"), JsonNode::asInt),
                        list(node.path("struckRows"), JsonNode::asInt)),
                list(
                        node.path("plain"),
                        p -> new SourceFacts.Plain(
                                list(p.path("keys"), JsonNode::asText),
                                p.path("close").asBoolean(),
                                p.path("thousands").asBoolean(),
                                totalNames(p))),
                list(node.path("signatures"), JsonNode::asText),
                node.path("under").asText(),
                node.path("firstTable").asInt(),
                list(node.path("tables"), FactsJson::table));
    }

    private static void clues(ObjectNode node, SheetClues clues) {
        for (NamedRange named : clues.named()) {
            ObjectNode n = node.withArray("named").addObject();
            n.put("name", named.name())
                    .put("kind", named.kind().name())
                    .put("range", named.range().toString())
                    .put("totals", named.totalRows());
        }
        clues.merged().forEach(range -> node.withArray("merged").add(range.toString()));
        if (!clues.currencies().isEmpty()) {
            ObjectNode marks = node.putObject("currencies");
            clues.currencies().forEach((column, mark) -> marks.put(String.valueOf(column), mark));
        }
    }

    private static Map<Integer, String> marks(JsonNode node) {
        Map<Integer, String> marks = new HashMap<>();
        node.properties()
                .forEach(mark -> marks.put(
                        Integer.valueOf(mark.getKey()), mark.getValue().asText()));
        return marks;
    }

    private static CellRange range(JsonNode node) {
        return CellRange.of(node.asText()).orElseThrow(() -> new IllegalArgumentException(node.asText()));
    }

    private static FoundTable table(JsonNode node) {
        JsonNode runs = node.path("runs");
        List<Run> kept = new ArrayList<>();
        for (int i = 0; i < runs.size(); i += 2) {
            kept.add(new Run(runs.get(i).asInt(), runs.get(i + 1).asInt()));
        }
        JsonNode aside = node.path("aside");
        List<Aside> out = new ArrayList<>();
        for (int i = 0; i < aside.size(); i += 3) {
            out.add(new Aside(
                    aside.get(i).asInt(),
                    RowClass.valueOf(aside.get(i + 1).asText().toUpperCase(java.util.Locale.ROOT)),
                    aside.get(i + 2).asText()));
        }
        return new FoundTable(
                node.path("first").asInt(),
                list(node.path("header"), JsonNode::asInt),
                node.path("last").asInt(),
                list(node.path("columns"), FactsJson::column),
                out,
                node.path("blanks").asInt(),
                kept,
                list(node.path("titles"), JsonNode::asText),
                list(
                        node.path("doubts"),
                        d -> new Doubt(
                                d.path("kind").asText(),
                                d.path("row").asInt(),
                                d.path("text").asText(),
                                d.path("rows").asInt())),
                list(
                        node.path("totals"),
                        t -> new StatedTotal(
                                t.path("row").asInt(),
                                t.path("column").asInt(),
                                t.path("stated").asDouble(),
                                t.path("added").asDouble(),
                                t.path("records").asInt())),
                node.path("sure").asBoolean() ? FoundTable.Sureness.SURE : FoundTable.Sureness.CLOSE,
                node.path("rival").asInt(),
                node.path("reason").asText(),
                node.path("reading").asText(),
                totalNames(node));
    }

    private static void totalNames(ObjectNode node, TotalNames names) {
        names.told().forEach(node.withArray("totalNames")::add);
        names.perhaps().forEach(node.withArray("perhapsTotals")::add);
    }

    private static TotalNames totalNames(JsonNode node) {
        return new TotalNames(
                list(node.path("totalNames"), JsonNode::asText), list(node.path("perhapsTotals"), JsonNode::asText));
    }

    private static TableColumn column(JsonNode node) {
        Map<Form, Long> counts = new EnumMap<>(Form.class);
        node.path("counts")
                .properties()
                .forEach(e -> counts.put(Form.valueOf(e.getKey()), e.getValue().asLong()));
        return new TableColumn(
                node.path("index").asInt(),
                node.path("header").asText(),
                node.path("named").asBoolean(),
                Evidence.restore(
                        counts,
                        list(node.path("measures"), JsonNode::asLong),
                        longs(node.path("odd")),
                        longs(node.path("currencies")),
                        list(node.path("dates"), JsonNode::asText)),
                node.path("sum").asDouble(),
                new TableColumn.Gaps(
                        node.path("first").asBoolean(),
                        node.path("adjacent").asInt(),
                        node.path("ofHeads").asBoolean()),
                node.path("row").asInt());
    }

    private static Map<String, Long> longs(JsonNode node) {
        Map<String, Long> longs = new LinkedHashMap<>();
        node.properties().forEach(e -> longs.put(e.getKey(), e.getValue().asLong()));
        return longs;
    }

    private static <T> List<T> list(JsonNode array, Function<JsonNode, T> each) {
        List<T> list = new ArrayList<>(array.size());
        array.forEach(node -> list.add(each.apply(node)));
        return list;
    }
}
