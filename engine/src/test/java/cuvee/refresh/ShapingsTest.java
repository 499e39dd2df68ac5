package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.decision.RowChoice;
import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.master.Shaping.How;
import cuvee.refresh.Batch.Made;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.tell.Sentence;
import cuvee.tell.Trail;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Values that become columns, the order of the rows, their numbers. */
class ShapingsTest {
    @TempDir
    private Path folder;

    private Batch batch;

    @BeforeEach
    void itemsInRows() {
        batch = new Batch(folder)
                .csv(
                        "a.csv",
                        "Date,Port,Item,Amount",
                        "2026-01-05,Hollin,Fuel,10.50",
                        "2026-01-05,Hollin,Crew,20",
                        "2026-01-05,Hollin,Fuel,4.50",
                        "2026-01-06,Tarsk,Crew,7")
                .csv("b.csv", "Date,Port,Item,Amount", "2026-02-01,Hollin,Dues,9", "2026-02-01,Hollin,,1");
    }

    private Made toColumns(How how, String... keys) {
        batch.job(Shapings.toColumns(batch.job(), "Item", how, "Amount", List.of(keys)));
        return batch.refresh();
    }

    @Test
    void rulesAboutTheWholeMasterWaitWhereNoSourceIsLeft() {
        batch.settle(Kinds.NUMBERED, RowChoice.ALL_ROWS, "No").settle(Kinds.SORTED, RowChoice.ALL_ROWS, "Source file");
        assertThat(batch.refresh().outcome().rows()).isEqualTo(6);
        batch.settle(Kinds.FILE, "a.csv", "aside").settle(Kinds.FILE, "b.csv", "aside");
        assertThat(batch.refresh().outcome().rows()).isZero();
        batch.settle(Kinds.FILE, "b.csv", "take");
        assertThat(batch.refresh().outcome().rows()).isEqualTo(2);
    }

    @Test
    void theValuesOfAColumnBecomeColumnsAndRowsWithTheSameKeysAreAddedUp() {
        Made made = toColumns(How.SUM, "Date", "Port");
        assertThat(made.columns()).containsExactly("Date", "Port", "Fuel", "Crew", "Dues", "(blank)");
        assertThat(made.lines())
                .containsExactly("2026-01-05|Hollin|15|20||", "2026-01-06|Tarsk||7||", "2026-02-01|Hollin|||9|1");
        assertThat(made.outcome().rows()).isEqualTo(3);
        assertThat(made.outcome().totals())
                .filteredOn(total -> total.sum() != null)
                .extracting(total -> total.column() + " " + total.sum())
                .containsExactly("Fuel 15", "Crew 27", "Dues 9", "(blank) 1");
        assertThat(made.outcome().sentences())
                .filteredOn(sentence -> sentence.kind().equals(Shapings.TO_COLUMNS))
                .singleElement()
                .extracting(Sentence::touched)
                .isEqualTo("6 rows gathered in 3, 4 columns made");
    }

    @Test
    void otherCalculations() {
        assertThat(toColumns(How.COUNT, "Port").lines()).containsExactly("Hollin|2|1|1|1", "Tarsk|0|1|0|0");
        assertThat(toColumns(How.AVERAGE, "Port").lines()).containsExactly("Hollin|7.5|20|9|1", "Tarsk||7||");
        assertThat(toColumns(How.GREATEST, "Port").lines()).containsExactly("Hollin|10.5|20|9|1", "Tarsk||7||");
        assertThat(toColumns(How.LEAST, "Port").lines()).containsExactly("Hollin|4.5|20|9|1", "Tarsk||7||");
    }

    @Test
    void whereOneOfSeveralIsTakenThatIsSaid() {
        Made first = toColumns(How.FIRST, "Date", "Port");
        assertThat(first.lines()).startsWith("2026-01-05|Hollin|10.5|20||");
        assertThat(first.findings("values-meet"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .startsWith("In 1 cell several values meet");
        assertThat(toColumns(How.LAST, "Date", "Port").lines()).startsWith("2026-01-05|Hollin|4.5|20||");
    }

    @Test
    void theNextMonthBringsItsColumnsItself() {
        toColumns(How.SUM, "Port");
        batch.csv("c.csv", "Date,Port,Item,Amount", "2026-03-01,Tarsk,Paint,3");
        Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Fuel", "Crew", "Dues", "(blank)", "Paint");
        assertThat(made.lines()).containsExactly("Hollin|15|20|9|1|", "Tarsk||7|||3");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void theTrailLeadsToTheFirstOfTheCellsThatMet() {
        Made made = toColumns(How.SUM, "Date", "Port");
        try (JobSession session = batch.open();
                MasterReader reader = session.reader(made.outcome())) {
            MasterLine line = reader.page(0, 1).get(0);
            Trail fuel = session.trail(made.outcome(), line, 2);
            assertThat(fuel.where().toString()).isEqualTo("a.csv, line 2");
            assertThat(fuel.raw()).isEqualTo("10.50");
            assertThat(fuel.met()).isEqualTo(2);
            assertThat(session.trail(made.outcome(), line, 3).where().toString())
                    .isEqualTo("a.csv, line 3");
            assertThat(session.trail(made.outcome(), line, 0).raw()).isEqualTo("2026-01-05");
        }
    }

    @Test
    void rowsAreOrderedAndNumbered() {
        batch.job(Shapings.sortedBy(batch.job(), "Amount", true));
        batch.job(Shapings.sortedBy(batch.job(), "Port", false));
        batch.job(Shapings.numbered(batch.job(), "No"));
        Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("No", "Date", "Port", "Item", "Amount");
        assertThat(made.lines())
                .containsExactly(
                        "1|2026-01-05|Hollin|Crew|20",
                        "2|2026-01-05|Hollin|Fuel|10.5",
                        "3|2026-02-01|Hollin|Dues|9",
                        "4|2026-01-05|Hollin|Fuel|4.5",
                        "5|2026-02-01|Hollin||1",
                        "6|2026-01-06|Tarsk|Crew|7");
        try (JobSession session = batch.open();
                MasterReader reader = session.reader(made.outcome())) {
            Trail trail = session.trail(made.outcome(), reader.page(2, 1).get(0), 3);
            assertThat(trail.where().toString()).isEqualTo("b.csv, line 2");
            assertThat(trail.raw()).isEqualTo("Dues");
            assertThat(reader.rowsOf("b.csv")).isEqualTo(2);
            assertThat(reader.pageOf("b.csv", 1, 5))
                    .extracting(line -> line.values().get(0))
                    .containsExactly("5");
        }
    }

    @Test
    void aShapedMasterIsDelivered() throws Exception {
        batch.job(Shapings.sortedBy(batch.job(), "Amount", true));
        Made made = toColumns(How.SUM, "Port");
        try (JobSession session = batch.open()) {
            Path csv = folder.resolve("out.csv");
            session.deliver(made.outcome(), csv);
            assertThat(Files.readString(csv))
                    .isEqualTo("Port,Fuel,Crew,Dues,(blank)\r\nHollin,15,20,9,1\r\nTarsk,,7,,\r\n");
            session.deliver(made.outcome(), folder.resolve("out.parquet"));
        }
        assertThat(made.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("The rows cannot be ordered by “Amount”, which is no column of the master.");
    }

    @Test
    void whatItNeedsIsSaidWhereItIsNotThere() {
        batch.job(Shapings.toColumns(batch.job(), "Item", How.SUM, "Port", List.of("Date")));
        Made text = batch.refresh();
        assertThat(text.lines()).hasSize(6);
        assertThat(text.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .contains("a sum needs numbers, and “Port” is Text");
        batch.job(Shapings.toColumns(batch.job(), "Thing", How.SUM, "Amount", List.of("Date")));
        assertThat(batch.refresh().findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .contains("there is no column “Thing”");
    }

    @Test
    void itFollowsColumnsThatAreCalledOtherwiseAndRulesThatSetRowsAside() {
        Made made = toColumns(How.SUM, "Port");
        Map<String, String> lineUp = made.outcome().proposal().lineUp();
        batch.job(Board.rename(batch.job(), lineUp, Set.of("Date", "Port", "Item", "Amount"), "Item", "Cost"));
        batch.job(RowRules.byPhrase(batch.job(), "Cost is Fuel", false));
        Made next = batch.refresh();
        assertThat(next.columns()).containsExactly("Port", "Crew", "Dues", "(blank)");
        assertThat(next.lines()).containsExactly("Hollin|20|9|1", "Tarsk|7||");
        assertThat(next.outcome().shaped())
                .hasValueSatisfying(shaped -> assertThat(shaped.before()).isEqualTo(4));
    }

    @Test
    void switchedOffTheRowsAreWhatTheyWere() {
        List<String> before = batch.refresh().lines();
        toColumns(How.SUM, "Port");
        String answer = batch.job()
                .decision(Shapings.TO_COLUMNS, Shapings.ROWS)
                .orElseThrow()
                .answer();
        batch.settle(Shapings.TO_COLUMNS, Shapings.ROWS, "not now: " + answer);
        assertThat(batch.refresh().lines()).isEqualTo(before);
    }

    @Test
    void whateverTheRowsAreTheSumsStay() {
        Random random = new Random(7);
        for (int run = 0; run < 4; run++) {
            Batch some = new Batch(folder.resolve("run" + run));
            Map<String, Long> sums = new TreeMap<>();
            List<String> lines = new ArrayList<>(List.of("Key,Item,Amount"));
            for (int row = 0; row < 200; row++) {
                String item = "Item " + (char) ('A' + random.nextInt(6));
                int amount = random.nextInt(1000);
                lines.add("K" + random.nextInt(30) + "," + item + "," + amount);
                sums.merge(item, (long) amount, Long::sum);
            }
            some.csv("x.csv", lines.toArray(String[]::new));
            some.job(Shapings.toColumns(some.job(), "Item", How.SUM, "Amount", List.of("Key")));
            Map<String, Long> found = new TreeMap<>();
            Made made = some.refresh();
            made.outcome().totals().stream()
                    .filter(total -> total.sum() != null)
                    .forEach(total -> found.put(total.column(), Long.parseLong(String.valueOf(total.sum()))));
            assertThat(found).isEqualTo(sums);
            assertThat(made.lines()).extracting(line -> line.split("\\|")[0]).doesNotHaveDuplicates();
        }
    }

    @Test
    void aValueMayBeCalledLikeTheNumbersOfTheRows() {
        batch.csv("c.csv", "Date,Port,Item,Amount", "2026-03-01,Tarsk,No,3");
        batch.job(Shapings.numbered(batch.job(), "No"));
        Made made = toColumns(How.SUM, "Port");
        assertThat(made.columns()).containsExactly("No (2)", "Port", "Fuel", "Crew", "Dues", "(blank)", "No");
        assertThat(made.lines()).endsWith("2|Tarsk||7||||3".replace("||||3", "|||3"));
    }

    @Test
    void namesThatAreTakenNumberNothing() {
        batch.job(Shapings.numbered(batch.job(), "Port"));
        Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Date", "Port", "Item", "Amount");
        assertThat(made.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .contains("there is a column of that name");
    }

    @Test
    void firstRowsBeforeAndAfterAreLookedAt() {
        Made made = toColumns(How.SUM, "Port");
        try (JobSession session = batch.open()) {
            List<List<List<String>>> both = session.looks().shapedRows(made.outcome(), 1);
            assertThat(both.get(0))
                    .containsExactly(
                            List.of("Date", "Port", "Item", "Amount"), List.of("2026-01-05", "Hollin", "Fuel", "10.5"));
            assertThat(both.get(1))
                    .containsExactly(
                            List.of("Port", "Fuel", "Crew", "Dues", "(blank)"),
                            List.of("Hollin", "15", "20", "9", "1"));
        }
    }

    @Test
    void tooManyColumnsAreRefusedAndTheRowsStay() {
        List<String> lines = new ArrayList<>(List.of("Key,Item,Amount"));
        for (int row = 0; row < 600; row++) {
            lines.add("K" + row % 7 + ",item " + row + "," + row);
        }
        Batch many = new Batch(folder.resolve("many")).csv("x.csv", lines.toArray(String[]::new));
        many.job(Shapings.toColumns(many.job(), "Item", How.SUM, "Amount", List.of("Key")));
        Made made = many.refresh();
        assertThat(made.lines()).hasSize(600);
        assertThat(made.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .contains("there would be more than 500 columns");
    }
}
