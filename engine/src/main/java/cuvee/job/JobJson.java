package cuvee.job;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.exc.MismatchedInputException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.finding.CuveeException;
import cuvee.job.Place.Subfolders;
import cuvee.place.Where;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/** The job's JSON form, documented in docs/job-file.md: names and versions in one place. */
final class JobJson {
    /** The newest version this program writes and understands. */
    static final int VERSION = 1;

    private static final ObjectMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(50)
                            .maxNumberLength(100)
                            .build())
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();
    private static final Pattern ID = Pattern.compile("[a-z0-9-]{1,100}");
    private static final Set<String> KNOWN =
            Set.of("cuvee", "id", "name", "places", "columns", "settled", "assumed", "deliveries");

    private JobJson() {}

    static String write(Job job) {
        ObjectNode root = JSON.createObjectNode();
        root.put("cuvee", VERSION);
        root.put("id", job.id());
        root.put("name", job.name());
        ArrayNode places = root.putArray("places");
        for (Place place : job.places()) {
            ObjectNode node = places.addObject();
            node.put("path", place.path());
            node.put("subfolders", place.subfolders() == Subfolders.INCLUDED);
            node.put("label", place.label());
            if (place.depth() > 0) {
                node.put("depth", place.depth());
            }
            if (!place.only().isEmpty()) {
                place.only().forEach(node.putArray("only")::add);
            }
            if (!place.without().isEmpty()) {
                place.without().forEach(node.putArray("without")::add);
            }
        }
        job.columns().forEach(root.putArray("columns")::add);
        writeDecisions(root.putArray("settled"), job.settled());
        writeDecisions(root.putArray("assumed"), job.assumed());
        ArrayNode deliveries = root.putArray("deliveries");
        for (Delivery delivery : job.deliveries()) {
            ObjectNode node =
                    deliveries.addObject().put("name", delivery.name()).put("target", delivery.target());
            if (!delivery.accepted().isEmpty()) {
                delivery.accepted().forEach(node.putArray("accepted")::add);
            }
            writeForm(node, delivery.form());
        }
        job.unknown().forEach((name, json) -> root.set(name, parse(json)));
        return root.toPrettyString() + "\n";
    }

    private static void writeForm(ObjectNode node, Delivery.Form form) {
        if (form instanceof Delivery.Prepared prepared) {
            node.putObject("prepared")
                    .put("workbook", prepared.workbook())
                    .put("key", prepared.key())
                    .put("item", prepared.item())
                    .put("value", prepared.value());
        } else if (form instanceof Delivery.Tab tab) {
            ObjectNode inner = node.putObject("tab").put("name", tab.tab());
            if (!tab.cell().isEmpty()) {
                inner.put("cell", tab.cell());
            }
            inner.put("how", tab.how().word());
            tab.keys().forEach(inner.putArray("keys")::add);
        } else if (form instanceof Delivery.Table table) {
            ObjectNode inner = node.putObject("table")
                    .put("name", table.table())
                    .put("how", table.how().word());
            table.keys().forEach(inner.putArray("keys")::add);
        } else if (form instanceof Delivery.Each each) {
            ObjectNode inner = node.putObject("each");
            if (each.columns().size() == 1) {
                inner.put("column", each.columns().get(0));
            } else {
                each.columns().forEach(inner.putArray("columns")::add);
            }
            if (!each.names().isEmpty()) {
                inner.put("names", each.names());
            }
            if (each.removesGone()) {
                inner.put("removesGone", true);
            }
        } else if (form instanceof Delivery.Text text) {
            node.putObject("text")
                    .put("separator", text.separator().word())
                    .put("decimalComma", text.decimalComma())
                    .put("mark", text.mark());
        } else if (form instanceof Delivery.Picture picture) {
            node.putObject("picture").put("summary", picture.summary());
        } else if (form instanceof Delivery.Copies copies) {
            ArrayNode changes = node.putArray("copies");
            copies.changes()
                    .forEach(change -> changes.addObject()
                            .put("column", change.column())
                            .put("from", change.from())
                            .put("to", change.to()));
        } else if (form instanceof Delivery.Whole whole && whole.about()) {
            node.put("about", true);
        }
    }

    private static void writeDecisions(ArrayNode array, List<Decision> decisions) {
        for (Decision decision : decisions) {
            ObjectNode node = array.addObject();
            node.put("id", decision.id());
            node.put("kind", decision.kind());
            node.put("subject", decision.subject());
            node.put("answer", decision.answer());
            node.put("reason", decision.reason());
            node.put("evidence", decision.evidence());
        }
    }

    /** Reads a job; {@code named} is what messages call the file. */
    static Job read(String text, String named) {
        JsonNode root;
        try {
            root = JSON.readTree(text);
        } catch (StreamConstraintsException absurd) {
            throw corrupt(named, "it is nested deeper, or has longer numbers, than any job");
        } catch (MismatchedInputException more) {
            throw corrupt(named, "something follows behind its end");
        } catch (JsonProcessingException torn) {
            throw corrupt(
                    named, "it is not whole JSON (line " + torn.getLocation().getLineNr() + ")");
        }
        if (root == null || !root.isObject() || !root.path("cuvee").isInt()) {
            throw corrupt(named, "it does not begin like a job");
        }
        int version = root.path("cuvee").asInt();
        if (version > VERSION) {
            throw CuveeException.failure(
                    "newer-job",
                    Where.JOB,
                    "The job file " + named + " is of version " + version + "; this Cuvee understands versions up to "
                            + VERSION + ".",
                    "Nothing was read or changed.",
                    "Open it with a newer Cuvee.");
        }
        Map<String, String> unknown = new LinkedHashMap<>();
        root.properties().forEach(field -> {
            if (!KNOWN.contains(field.getKey())) {
                unknown.put(field.getKey(), field.getValue().toString());
            }
        });
        String id = text(root, "id", named);
        if (!ID.matcher(id).matches()) {
            throw corrupt(named, "its id holds more than small letters, digits and hyphens");
        }
        return new Job(
                id,
                text(root, "name", named),
                list(
                        root,
                        "places",
                        named,
                        node -> new Place(
                                path(node, "path", named),
                                node.path("subfolders").asBoolean(true) ? Subfolders.INCLUDED : Subfolders.LEFT_OUT,
                                Math.max(0, node.path("depth").asInt(0)),
                                node.path("label").asText(""),
                                list(node, "only", named, JsonNode::asText),
                                list(node, "without", named, JsonNode::asText))),
                list(root, "columns", named, JsonNode::asText),
                list(root, "settled", named, node -> decision(node, named)),
                list(root, "assumed", named, node -> decision(node, named)),
                list(root, "deliveries", named, node -> delivery(node, named)),
                unknown);
    }

    private static Delivery delivery(JsonNode node, String named) {
        boolean toTable = node.path("table").isObject();
        return new Delivery(
                text(node, "name", named),
                toTable ? text(node, "target", named) : path(node, "target", named),
                form(node, named),
                list(node, "accepted", named, JsonNode::asText));
    }

    private static Delivery.Form form(JsonNode node, String named) {
        if (node.path("prepared").isObject()) {
            JsonNode prepared = node.path("prepared");
            return new Delivery.Prepared(
                    path(prepared, "workbook", named),
                    text(prepared, "key", named),
                    prepared.path("item").asText(""),
                    prepared.path("value").asText(""));
        }
        if (node.path("tab").isObject()) {
            JsonNode tab = node.path("tab");
            return new Delivery.Tab(
                    text(tab, "name", named),
                    tab.path("cell").asText(""),
                    how(tab, named),
                    list(tab, "keys", named, JsonNode::asText));
        }
        if (node.path("table").isObject()) {
            JsonNode table = node.path("table");
            return new Delivery.Table(
                    text(table, "name", named), how(table, named), list(table, "keys", named, JsonNode::asText));
        }
        if (node.path("text").isObject()) {
            JsonNode inner = node.path("text");
            String word = text(inner, "separator", named);
            return new Delivery.Text(
                    Delivery.Separator.of(word).orElseThrow(() -> corrupt(named, "a delivery parts cells by " + word)),
                    inner.path("decimalComma").asBoolean(false),
                    inner.path("mark").asBoolean(false));
        }
        if (node.path("picture").isObject()) {
            return new Delivery.Picture(text(node.path("picture"), "summary", named));
        }
        if (node.path("copies").isArray()) {
            List<Delivery.Change> changes = new ArrayList<>();
            for (JsonNode change : node.path("copies")) {
                changes.add(new Delivery.Change(
                        change.path("column").asText(""), text(change, "from", named), text(change, "to", named)));
            }
            return new Delivery.Copies(changes);
        }
        if (node.path("each").isObject()) {
            JsonNode inner = node.path("each");
            return new Delivery.Each(
                    inner.has("columns")
                            ? list(inner, "columns", named, JsonNode::asText)
                            : List.of(text(inner, "column", named)),
                    inner.path("names").asText(""),
                    inner.path("removesGone").asBoolean(false));
        }
        return new Delivery.Whole(node.path("about").asBoolean(false));
    }

    private static Delivery.How how(JsonNode node, String named) {
        String word = text(node, "how", named);
        return Delivery.How.of(word).orElseThrow(() -> corrupt(named, "a delivery says how by " + word));
    }

    private static Decision decision(JsonNode node, String named) {
        return new Decision(
                text(node, "kind", named),
                text(node, "subject", named),
                text(node, "answer", named),
                node.path("reason").asText(""),
                node.path("evidence").asText(""));
    }

    private static <T> List<T> list(JsonNode root, String name, String named, Function<JsonNode, T> each) {
        List<T> list = new ArrayList<>();
        if (root.has(name) && !root.path(name).isArray()) {
            throw corrupt(named, "its field " + name + " is not a list");
        }
        root.path(name).forEach(node -> list.add(each.apply(node)));
        return list;
    }

    private static String text(JsonNode node, String name, String named) {
        JsonNode value = node.path(name);
        if (!value.isTextual()) {
            throw corrupt(named, "its field " + name + " is missing");
        }
        return value.asText();
    }

    /** A text that the system can take for a path. */
    private static String path(JsonNode node, String name, String named) {
        String path = text(node, name, named);
        try {
            return Path.of(path).toString().isEmpty() ? "." : path;
        } catch (InvalidPathException none) {
            throw corrupt(named, "its field " + name + " is no path");
        }
    }

    private static JsonNode parse(String json) {
        try {
            return JSON.readTree(json);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static CuveeException corrupt(String named, String why) {
        return CuveeException.failure(
                "corrupt-job",
                Where.JOB,
                "The job file " + named + " cannot be read: " + why + ".",
                "Nothing was read or changed.",
                "The version before the last save lies beside it as " + named + ".before; rename it to go back.");
    }
}
