package cuvee.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.gather.Peek;
import cuvee.place.Says;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "peek", description = "What is in these files: sheets, tables, header rows, rows, types.")
final class PeekCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<String> files = List.of();

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    PeekCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        ObjectNode root = OutcomeJson.object();
        ArrayNode array = root.putArray("files");
        List<Finding> findings = new ArrayList<>();
        int read = 0;
        for (String file : files) {
            ObjectNode node = array.addObject();
            node.put("path", file);
            try {
                List<Peek.Sheet> sheets = Peek.look(machine.path(file));
                ArrayNode list = node.putArray("sheets");
                sheets.forEach(sheet -> sheet(list.addObject(), sheet));
                if (!json) {
                    print(file, sheets);
                }
                read++;
            } catch (CuveeException unreadable) {
                findings.add(unreadable.finding());
                node.put("reason", unreadable.finding().what());
                machine.err().println(unreadable.getMessage());
            }
        }
        OutcomeJson.findings(root.putArray("findings"), findings);
        if (json) {
            machine.out().println(root);
        }
        return findings.isEmpty() ? Exit.DONE : read > 0 ? Exit.LOOK : Exit.FAILED;
    }

    private static void sheet(ObjectNode node, Peek.Sheet sheet) {
        node.put("name", sheet.info().name());
        node.put("hidden", sheet.hidden());
        node.put("form", sheet.info().form());
        ArrayNode tables = node.putArray("tables");
        for (FoundTable table : sheet.tables()) {
            ObjectNode t = tables.addObject();
            OutcomeJson.found(t, table);
            t.put("seen", table.seen());
            t.put("kept", table.kept());
            OutcomeJson.setAside(t, table);
            ArrayNode columns = t.putArray("columns");
            for (TableColumn column : table.columns()) {
                columns.addObject()
                        .put("name", column.header())
                        .put("type", type(column))
                        .put("filled", column.evidence().filled());
            }
        }
    }

    private static String type(TableColumn column) {
        return Typing.decide(column.evidence(), true).type().word();
    }

    private void print(String file, List<Peek.Sheet> sheets) {
        machine.out().println(file);
        for (Peek.Sheet sheet : sheets) {
            String name = sheet.info().name().isEmpty()
                    ? sheet.info().form()
                    : "sheet " + sheet.info().name();
            machine.out()
                    .println("  " + name + (sheet.hidden() ? " (hidden)" : "")
                            + (sheet.tables().isEmpty() ? ": no table" : ""));
            for (FoundTable table : sheet.tables()) {
                machine.out().println("    " + Says.count(table.kept(), "row") + ". " + table.reason());
                for (TableColumn column : table.columns()) {
                    machine.out()
                            .println("      " + column.header() + ": " + type(column) + ", "
                                    + Says.count(column.evidence().filled(), "value"));
                }
            }
        }
    }
}
