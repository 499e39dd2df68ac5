package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.change.OwnDecisions;
import cuvee.decision.Kinds;
import cuvee.decision.SheetRule;
import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.master.ColumnFacts;
import cuvee.master.MasterPlan;
import cuvee.master.ValueList;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import cuvee.value.Spellings.Counted;
import cuvee.value.Type;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What cells say is written otherwise, or taken for blank, where the analyst says so. */
class ValueRuleTest extends BatchTest {
    private void write(String column, String to, String... texts) {
        batch.job(ValueRule.write(batch.job(), column, List.of(texts), to));
    }

    private static Sentence sentence(Batch.Made made) {
        return Sentences.of(made.outcome()).stream()
                .filter(each -> each.kind().equals(ValueRule.KIND))
                .findFirst()
                .orElseThrow();
    }

    private void vessels() {
        batch.csv("a.csv", "Vessel,Pax", "MV Petrel,5", "mv  petrel,6", "MV Dunlin,7", "MV Petrel,1");
        batch.csv("b.csv", "Vessel,Pax", "MV Petral,8", "MV Dunlin,9", "MV Petrel,1", "MV Petrel,2");
    }

    @Test
    void spellingsAreBroughtToOneAndStayThatWayNextMonth() {
        vessels();
        batch.refresh();
        write("Vessel", "MV Petrel", "mv  petrel", "MV Petral");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("MV Petrel|6", "MV Petrel|8").noneMatch(line -> line.contains("etral"));
        assertThat(sentence(made).text()).isEqualTo("In “Vessel”, write “MV Petrel” for “mv  petrel” and “MV Petral”.");
        assertThat(sentence(made).touched()).isEqualTo("2 cells");
        batch.csv("c.csv", "Vessel,Pax", "MV Petral,3", "Fenwick,4");
        assertThat(batch.refresh().lines()).contains("MV Petrel|3", "Fenwick|4");
    }

    @Test
    void aRuleThatIsSwitchedOffChangesNothingAndSaysWhatItWouldTouch() {
        vessels();
        batch.refresh();
        write("Vessel", "MV Petrel", "MV Petral");
        Sentence on = sentence(batch.refresh());
        batch.settle(on.kind(), on.subject(), on.answer(false));
        Batch.Made off = batch.refresh();
        assertThat(off.lines()).contains("MV Petral|8");
        assertThat(sentence(off).on()).isFalse();
        assertThat(sentence(off).touched()).isEqualTo("1 cell");
        batch.settle(on.kind(), on.subject(), sentence(off).answer(true));
        assertThat(batch.refresh().lines()).doesNotContain("MV Petral|8");
    }

    @Test
    void valuesThatDoNotFitAreRepairedOrTakenForBlank() {
        batch.csv(
                "a.csv",
                "Date,Pax",
                "2026-01-01,5",
                "2026-01-02,ten",
                "2026-01-03,tbc",
                "2026-01-04,7",
                "2026-01-05,8");
        batch.csv(
                "b.csv", "Date,Pax", "2026-02-01,5", "2026-02-02,ten", "2026-02-03,4", "2026-02-04,7", "2026-02-05,8");
        batch.refresh();
        batch.settle(Kinds.TYPE, "Pax", "Whole number");
        Batch.Made before = batch.refresh();
        assertThat(before.outcome().proposal().columns().get(1).misfits()).isEqualTo(3);
        try (JobSession session = batch.open()) {
            assertThat(session.misfitTexts(before.outcome(), 1))
                    .containsExactly(new Counted("ten", 2), new Counted("tbc", 1));
        }
        write("Pax", "10", "ten");
        Batch.Made repaired = batch.refresh();
        assertThat(repaired.lines()).contains("2026-01-02|10", "2026-02-02|10", "2026-01-03|");
        assertThat(repaired.findings("misfit-cell")).extracting(Finding::what).allMatch(what -> what.contains("tbc"));
        write("Pax", "", "tbc");
        Batch.Made blank = batch.refresh();
        assertThat(blank.outcome().proposal().columns().get(1).misfits()).isZero();
        assertThat(blank.findings("misfit")).isEmpty();
        assertThat(blank.findings("misfit-cell")).isEmpty();
        assertThat(blank.lines()).contains("2026-01-03|");
        assertThat(sentence(blank).text()).isEqualTo("In “Pax”, write “10” for “ten”.");
    }

    @Test
    void aColumnWhoseWordsAreTakenForBlankBecomesANumber() {
        batch.csv("a.csv", "Date,Pax", "2026-01-01,5", "2026-01-02,closed", "2026-01-03,closed", "2026-01-04,7");
        batch.job(ValueRule.write(batch.job(), "Pax", List.of("closed"), ""));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().proposal().columns().get(1).type().word()).isEqualTo("Whole number");
        assertThat(made.lines()).containsExactly("2026-01-01|5", "2026-01-02|", "2026-01-03|", "2026-01-04|7");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void cellsOfWorkbooksTagsAndTurnedColumnsAreReachedToo() {
        batch.sheet(
                "Hollin.xlsx",
                row("Depot", "Jan", "Feb", "Mar"),
                row("North", 1, null, 3),
                row("South", 4, 5, 6),
                row("Mid", 7, 8, 9));
        batch.sheet(
                "Tarsk.xlsx",
                row("Depot", "Jan", "Feb", "Mar"),
                row("East", 7, 8, "tbc"),
                row("West", 1, 2, 3),
                row("Far", 7, 8, 9));
        Batch.Made first = batch.refresh();
        assertThat(first.columns()).containsExactly("Depot", "Month", "Amount", "File part 1");
        write("Amount", "0", "tbc");
        write("Month", "January", "Jan");
        write("File part 1", "Port of Tarsk", "Tarsk");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .contains("East|Mar|0|Port of Tarsk", "East|January|7|Port of Tarsk")
                .hasSize(17);
        assertThat(made.outcome().proposal().columns().get(2).type().word()).isEqualTo("Whole number");
        assertThat(made.outcome().proposal().valueCells())
                .containsEntry("Amount | 0", 1L)
                .containsEntry("Month | January", 6L)
                .containsEntry("File part 1 | Port of Tarsk", 9L);
    }

    @Test
    void manyReplacementsAreLookedUp() {
        StringBuilder lines = new StringBuilder("Code,Pax");
        Job job = batch.job();
        for (int i = 0; i < 200; i++) {
            lines.append("\nname ")
                    .append((char) ('a' + i % 26))
                    .append(i)
                    .append(",")
                    .append(i);
            job = ValueRule.write(job, "Code", List.of("name " + (char) ('a' + i % 26) + i), "K" + i);
        }
        batch.csv("a.csv", lines.toString());
        batch.job(job);
        assertThat(batch.refresh().lines()).startsWith("K0|0", "K1|1").endsWith("K199|199");
    }

    @Test
    void aTextBelongsToOneRuleAndRulesFollowTheirColumn() {
        Job job = ValueRule.write(batch.job(), "Vessel", List.of("a|b", "c\\d"), "x | y");
        assertThat(ValueRule.of(job)).containsExactly(new ValueRule("Vessel", "x | y", Set.of("a|b", "c\\d"), true));
        job = ValueRule.write(job, "Vessel", List.of("c\\d"), "z");
        assertThat(ValueRule.of(job))
                .containsExactlyInAnyOrder(
                        new ValueRule("Vessel", "x | y", Set.of("a|b"), true),
                        new ValueRule("Vessel", "z", Set.of("c\\d"), true));
        job = ValueRule.write(job, "Vessel", List.of("z"), "Z");
        assertThat(ValueRule.replacements(ValueRule.of(job), "Vessel", Set.of()))
                .as("what became z becomes Z now")
                .containsEntry("c\\d", "Z")
                .containsEntry("z", "Z");
        vessels();
        batch.refresh();
        write("Vessel", "MV Petrel", "MV Petral");
        batch.job(Board.rename(
                batch.job(), batch.refresh().outcome().proposal().lineUp(), Set.of("Vessel"), "Vessel", "Ship"));
        Batch.Made renamed = batch.refresh();
        assertThat(renamed.columns()).containsExactly("Ship", "Pax");
        assertThat(renamed.lines()).contains("MV Petrel|8");
    }

    @Test
    void nearEqualSpellingsArePointedOutAndNothingElse() {
        vessels();
        assertThat(batch.refresh().findings("spelling"))
                .extracting(Finding::what)
                .singleElement()
                .asString()
                .contains("“MV Petral” (1 row)", "looks like “MV Petrel” (4 rows)");
    }

    @Test
    void factsAndValuesAreOverAllRows() {
        vessels();
        Batch.Made made = batch.refresh();
        try (JobSession session = batch.open();
                ValueList vessel = session.values(made.outcome(), 0);
                ValueList pax = session.values(made.outcome(), 1);
                ValueList file = session.values(made.outcome(), 2)) {
            assertThat(vessel.page(0, 10))
                    .containsExactly(
                            new Counted("MV Petrel", 4),
                            new Counted("MV Dunlin", 2),
                            new Counted("MV Petral", 1),
                            new Counted("mv  petrel", 1));
            vessel.search("PETR");
            assertThat(vessel.size()).isEqualTo(3);
            assertThat(vessel.page(1, 1)).containsExactly(new Counted("MV Petral", 1));
            vessel.search("");
            assertThat(vessel.size()).isEqualTo(4);
            assertThat(pax.facts()).isEqualTo(new ColumnFacts(8, 8, 7, "1", "9", "39", "5"));
            assertThat(file.page(0, 1)).containsExactly(new Counted("a.csv", 4));
        }
    }

    @Test
    void theSpacesAndCapitalsOfAColumnAreBroughtToOneForm() {
        batch.csv("a.csv", "Vessel,Pax", "  mv   PETREL ,5", "MV\u00a0Dunlin,6", ",7");
        batch.refresh();
        batch.job(Board.spelling(batch.job(), "Vessel", MasterPlan.Spelling.FIRST_CAPITAL));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).containsExactly("Mv Petrel|5", "Mv Dunlin|6", "|7");
        batch.job(Board.spelling(batch.job(), "Vessel", MasterPlan.Spelling.CAPITALS));
        assertThat(batch.refresh().lines()).contains("MV PETREL|5", "MV DUNLIN|6");
        batch.job(Board.spelling(batch.job(), "Vessel", MasterPlan.Spelling.SMALL));
        assertThat(batch.refresh().lines()).contains("mv petrel|5");
        batch.job(Board.spelling(batch.job(), "Vessel", MasterPlan.Spelling.TIDY));
        write("Vessel", "Petrel", "  mv   PETREL ");
        Batch.Made both = batch.refresh();
        assertThat(both.lines())
                .as("a text that is replaced is replaced as it stands in the sheet")
                .contains("Petrel|5");
        write("Vessel", "Dunlin", "MV Dunlin");
        Batch.Made seen = batch.refresh();
        assertThat(seen.lines()).as("or as it is seen in the master").contains("Dunlin|6");
        assertThat(seen.outcome().proposal().valueCells()).containsEntry("Vessel | Dunlin", 1L);
        Sentence tidy = Sentences.of(both.outcome()).stream()
                .filter(each -> each.kind().equals(Tidying.KIND))
                .findFirst()
                .orElseThrow();
        assertThat(tidy.text()).isEqualTo("Write all texts of “Vessel” with spaces tidied.");
        batch.settle(tidy.kind(), tidy.subject(), tidy.answer(false));
        assertThat(batch.refresh().lines())
                .as("as written, only the replaced text is another")
                .contains("Petrel|5");
    }

    @Test
    void oneOddSourceHasItsOwnRuleAndTheOthersAreLeftAlone() {
        batch.csv("a.csv", "Port,Pax", "H,1", "T,2")
                .csv("b.csv", "Port,Pax", "H,3", "T,4")
                .csv("c.csv", "Port,Pax", "H,5");
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Hollin"));
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Heron Bay", "b.csv"));
        batch.job(ValueRule.write(batch.job(), "Port", List.of("T"), "Tarsk", "b.csv"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).containsExactly("Hollin|1", "T|2", "Heron Bay|3", "Tarsk|4", "Hollin|5");
        assertThat(made.outcome().sentences())
                .filteredOn(sentence -> sentence.kind().equals(ValueRule.KIND))
                .extracting(Sentence::text)
                .containsExactly(
                        "In “Port”, write “Hollin” for “H”.",
                        "In “Port” of b.csv, write “Heron Bay” for “H”.",
                        "In “Port” of b.csv, write “Tarsk” for “T”.");
        assertThat(ValueRule.of(batch.job())).extracting(ValueRule::scope).containsExactly("", "b.csv", "b.csv");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void aTypeThatOneSourceSpoiledIsRightOnceThatSourceHasItsRule() {
        batch.csv("a.csv", "Port,Pax", "Hollin,1", "Tarsk,2").csv("b.csv", "Port,Pax", "Hollin,-", "Tarsk,none");
        batch.job(ValueRule.write(batch.job(), "Pax", List.of("-", "none"), "0", "b.csv"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().proposal().columns().get(1).type()).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(made.outcome().proposal().columns().get(1).misfits()).isZero();
        assertThat(made.lines()).containsExactly("Hollin|1", "Tarsk|2", "Hollin|0", "Tarsk|0");
    }

    @Test
    void aLayoutMayHaveARuleOfItsOwn() {
        batch.csv("a.csv", "Port,Pax", "H,1")
                .csv("b.csv", "Port,Pax,Crew", "H,3,9")
                .csv("c.csv", "Port,Pax,Crew", "H,5,9");
        Batch.Made before = batch.refresh();
        String signature = before.outcome().proposal().layouts().stream()
                .filter(layout -> layout.headers().size() == 3)
                .findFirst()
                .orElseThrow()
                .signature();
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Hollin", signature));
        assertThat(batch.refresh().lines()).containsExactly("H|1|", "Hollin|3|9", "Hollin|5|9");
    }

    @Test
    void whatIsSaidOfOneSourceAloneIsFoundByIt() {
        batch.csv("a.csv", "Port,Pax", "H,1", "T,2").csv("b.csv", "Port,Pax", "H,3", "T,4");
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Hollin"));
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Heron Bay", "b.csv"));
        batch.job(Board.convention(batch.job(), Kinds.DECIMAL_MARK, "Pax", "b.csv", "comma"));
        batch.job(new cuvee.rework.Correction("b.csv", "", 2, 1, "3", "5", "", "", true).put(batch.job()));
        batch.settle(SheetRule.KIND, "a.csv", "sheet 1");
        assertThat(OwnDecisions.of(batch.job(), "b.csv"))
                .extracting(decision -> decision.kind())
                .containsExactly(ValueRule.KIND, Kinds.DECIMAL_MARK, cuvee.rework.Correction.KIND);
        assertThat(OwnDecisions.of(batch.job(), "a.csv")).hasSize(1);
        assertThat(OwnDecisions.of(batch.job(), "c.csv")).isEmpty();
    }

    @Test
    void someOfTheCellsThatARuleTouchesAreShownBeforeAndAfter() {
        batch.csv("a.csv", "Port,Pax", "H,1", "T,2", "H,3").csv("b.csv", "Port,Pax", "H,3", "T,4");
        batch.job(ValueRule.write(batch.job(), "Port", List.of("H"), "Hollin"));
        batch.job(ValueRule.write(batch.job(), "Port", List.of("T"), "Tarsk", "b.csv"));
        Batch.Made made = batch.refresh();
        List<Sentence> rules = made.outcome().sentences().stream()
                .filter(sentence -> sentence.kind().equals(ValueRule.KIND))
                .toList();
        try (JobSession session = batch.open()) {
            assertThat(session.looks().changes(made.outcome(), rules.get(0), 2))
                    .extracting(change -> change.where() + ": " + change.before() + " to " + change.after())
                    .containsExactly("a.csv, line 2: H to Hollin", "a.csv, line 4: H to Hollin");
            assertThat(session.looks().changes(made.outcome(), rules.get(1), 9))
                    .extracting(change -> change.where().toString())
                    .containsExactly("b.csv, line 3");
        }
    }

    @Test
    void readingsOfASheetAreItsFilesOwn() {
        batch.settle(Kinds.READING, "b.xlsx / March", "header 2");
        batch.settle(Kinds.READING, "b.csv", "header 1");
        assertThat(OwnDecisions.of(batch.job(), "b.xlsx")).hasSize(1);
        assertThat(OwnDecisions.of(batch.job(), "b.csv")).hasSize(1);
        assertThat(OwnDecisions.of(batch.job(), "b.xls")).isEmpty();
    }
}
