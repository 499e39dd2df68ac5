package cuvee.refresh;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.check.SourceFigures;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;

/** The figures of sources as JSON, by their paths: rows, and exact sums by column. */
final class FiguresJson {
    private FiguresJson() {}

    static void write(ObjectNode into, Map<String, SourceFigures> figures) {
        figures.forEach((path, own) -> {
            ObjectNode source = into.putObject(path).put("rows", own.rows());
            ObjectNode sums = source.putObject("sums");
            own.sums().forEach((column, sum) -> sums.put(column, sum.toPlainString()));
        });
    }

    /** @throws NumberFormatException where a sum is none */
    static Map<String, SourceFigures> read(JsonNode from) {
        Map<String, SourceFigures> figures = new LinkedHashMap<>();
        from.properties().forEach(each -> {
            Map<String, BigDecimal> sums = new LinkedHashMap<>();
            each.getValue()
                    .path("sums")
                    .properties()
                    .forEach(sum ->
                            sums.put(sum.getKey(), new BigDecimal(sum.getValue().asText())));
            figures.put(
                    each.getKey(),
                    new SourceFigures(each.getValue().path("rows").asLong(), sums));
        });
        return figures;
    }
}
