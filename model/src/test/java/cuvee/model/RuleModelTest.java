package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.RuleLooks;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.RuleRows;
import cuvee.rework.RowRules;
import cuvee.rework.ValueRule;
import cuvee.tell.BeforeAndAfter;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Rules as an analyst makes them in Rework, in a master and in column facts, on two small files. */
class RuleModelTest extends OpenJob {
    private RuleModel rules;

    @BeforeEach
    void fares() throws IOException, InterruptedException {
        write(
                "data/a.csv",
                "Trip,Port,Route,Fare\nT1,Hollin,IN,5.5\nT2,HOLLIN,OUT,6\nT3,Tarsk,IN,7.5\nT3,Tarsk,IN,7.5\n");
        write("data/b.csv", "Trip,Port,Route,Fare\nT4,Marsay,OUT,9\nT5,Tarsk,XX,8\n");
        rules = model.rules();
        refreshed();
    }

    private Outcome made() throws InterruptedException {
        idle();
        return model.outcomeProperty().get().orElseThrow();
    }

    /** The rows of the master as they are shown, and the rows that rules set aside behind them. */
    private List<String> rows() throws InterruptedException {
        Outcome outcome = made();
        List<String> rows = new ArrayList<>();
        try (MasterGrid grid = new MasterGrid(model.session(), outcome, ui::add)) {
            for (long row = 0; row < outcome.rows(); row++) {
                long at = row;
                until(() -> grid.line(at).isPresent());
                List<String> cells = new ArrayList<>();
                for (int column = 0; column < outcome.proposal().columns().size(); column++) {
                    cells.add(grid.text(row, column));
                }
                rows.add(String.join("|", cells));
            }
        }
        return rows;
    }

    private Sentence sentence(String kind) throws InterruptedException {
        return made().sentences().stream()
                .filter(sentence -> sentence.kind().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    private static MasterLine first(List<MasterLine> lines) {
        assertThat(lines).isNotEmpty();
        return lines.get(0);
    }

    @Test
    void yesAndNoAreShownInTheWordsOfTheSourcesUntilOthersAreChosen() throws Exception {
        write("data/a.csv", "Trip,Port,Route,Fare,Late\nT1,Hollin,IN,5,Ja\nT2,Tarsk,IN,6,Nein\nT3,Tarsk,IN,7,Ja\n");
        write("data/b.csv", "Trip,Port,Route,Fare,Late\nT4,Tarsk,IN,8,Nein\nT5,Tarsk,IN,9,Ja\n");
        model.refresh();
        assertThat(rows()).contains("T1|Hollin|IN|5|Ja", "T4|Tarsk|IN|8|Nein");
        rules.decideYesNoWords("Late", new YesNoWords("late", "on time"));
        assertThat(rows()).contains("T1|Hollin|IN|5|late", "T4|Tarsk|IN|8|on time");
        model.undo();
        assertThat(rows()).contains("T1|Hollin|IN|5|Ja", "T4|Tarsk|IN|8|Nein");
    }

    @Test
    void aColumnIsMadeUnderAFreeNameAndTakenBackByItsName() throws Exception {
        assertThat(rules.makeColumn("", "Fare * 2")).isEqualTo("New column");
        assertThat(rows()).contains("T1|Hollin|IN|5.5|11");
        assertThat(rules.makeColumn("", "Fare + 1")).isEqualTo("New column 2");
        made();
        model.undo();
        made();
        model.undo();
        assertThat(rows()).contains("T1|Hollin|IN|5.5");
    }

    @Test
    void aFormulaIsTriedBeforeItIsInForce() throws Exception {
        assertThat(tried("Fare * 2 +")).isEmpty();
        RuleModel.Trial trial = tried("Port then \"/\" then Fare").orElseThrow();
        assertThat(trial.words()).isEqualTo("Text, filled in 6 of 6 rows.");
        assertThat(trial.rows().get(0)).containsExactly("Port", "Fare", "would be");
        assertThat(trial.rows().get(1)).containsExactly("Hollin", "5.50", "Hollin/5.5");
        assertThat(tried("Fare / (Fare - 5.5)").orElseThrow().words()).isEqualTo("Decimal, filled in 5 of 6 rows.");
        assertThat(rules.makeColumn("Twice", "Fare * 2")).isEqualTo("Twice");
        assertThat(rows()).contains("T1|Hollin|IN|5.5|11");
    }

    private Optional<RuleModel.Trial> tried(String formula) throws Exception {
        made();
        List<Optional<RuleModel.Trial>> told = new ArrayList<>();
        rules.tryFormula(formula, told::add);
        until(() -> !told.isEmpty());
        return told.get(0);
    }

    @Test
    void columnsAreMadeFromWhatIsSelectedAndAColumnIsChangedWhereItStands() throws Exception {
        rules.makeColumns(new MadeFrom("both", Map.of("Where", "Port then \"/\" then Route")));
        assertThat(rows()).contains("T5|Tarsk|XX|8.0|Tarsk/XX");
        rules.changeColumn("Fare", "Fare * 10");
        assertThat(rows()).contains("T5|Tarsk|XX|80|Tarsk/XX");
    }

    @Test
    void spellingsAreBroughtToOneAndTextsWrittenOtherwiseInOneFileOnly() throws Exception {
        rules.writeValues("Port", List.of("HOLLIN"), "Hollin");
        rules.writeValues("Route", List.of("OUT"), "outward", "b.csv");
        assertThat(rows()).contains("T2|Hollin|OUT|6.0", "T4|Marsay|outward|9.0");
        List<RuleLooks.CellChange> changes = new ArrayList<>();
        rules.changes(sentence(ValueRule.KIND), 10, changes::addAll);
        until(() -> !changes.isEmpty());
        assertThat(changes.get(0).before()).isEqualTo("HOLLIN");
        rules.decideSpelling("Port", MasterPlan.Spelling.CAPITALS);
        assertThat(rows()).contains("T5|TARSK|XX|8.0");
    }

    @Test
    void aRuleAboutRowsIsSwitchedOffRewordedAndLeftToCuveeAgain() throws Exception {
        rules.ruleByPhrase("Port is Tarsk", false);
        assertThat(rows()).hasSize(3);
        List<MasterLine> aside = new ArrayList<>();
        rules.setAside(sentence(RowRules.ROWS), 10, aside::addAll);
        until(() -> !aside.isEmpty());
        assertThat(aside).hasSize(3);
        rules.decideSentence(sentence(RowRules.ROWS), false);
        assertThat(rows()).hasSize(6);
        rules.decideSentence(sentence(RowRules.ROWS), true);
        rules.nameSentence(sentence(RowRules.ROWS), List.of("Port is Marsay"));
        assertThat(rows()).hasSize(5).noneMatch(row -> row.contains("Marsay"));
        rules.nameSentence(sentence(RowRules.ROWS), List.of(" "));
        assertThat(rows()).as("no words are no rule").hasSize(5);
        rules.undecideSentence(sentence(RowRules.ROWS));
        assertThat(rows()).hasSize(6);
    }

    @Test
    void aRowThatARuleSetsAsideIsPutBackAndStays() throws Exception {
        rules.ruleByPhrase("Port is Tarsk", false);
        made();
        List<MasterLine> aside = new ArrayList<>();
        rules.setAside(sentence(RowRules.ROWS), 10, aside::addAll);
        until(() -> !aside.isEmpty());
        rules.putBack(first(aside));
        assertThat(rows()).hasSize(4).contains("T3|Tarsk|IN|7.5");
    }

    @Test
    void ofEqualRowsOneStaysAndWhichIsSaid() throws Exception {
        rules.ruleEqual(List.of("Trip"), RowRules.KEEP_FIRST);
        assertThat(rows()).hasSize(5);
        List<RuleRows.Equal> groups = new ArrayList<>();
        rules.groups(sentence(RowRules.EQUAL), 10, groups::addAll);
        until(() -> !groups.isEmpty());
        assertThat(groups).extracting(RuleRows.Equal::stays).containsExactly(true, false);
        rules.decideEqual(sentence(RowRules.EQUAL), RowRules.KEEP_LAST);
        assertThat(sentence(RowRules.EQUAL).on()).isTrue();
        assertThat(rows()).hasSize(5);
    }

    @Test
    void rulesChangePlacesOnlyAmongTheirKind() throws Exception {
        rules.ruleByPhrase("Port is Tarsk", false);
        rules.ruleByPhrase("Route is OUT", false);
        List<String> before = texts();
        rules.moveSentence(sentence(RowRules.ROWS), 1);
        assertThat(texts()).containsExactly(before.get(1), before.get(0));
    }

    private List<String> texts() throws InterruptedException {
        return made().sentences().stream()
                .filter(sentence -> sentence.kind().equals(RowRules.ROWS))
                .map(Sentence::text)
                .toList();
    }

    @Test
    void theMasterIsOrderedNumberedAndItsValuesBecomeColumns() throws Exception {
        rules.sortBy("Fare", true);
        assertThat(rows().get(0)).startsWith("T4|");
        rules.numberRows();
        assertThat(rows().get(0)).startsWith("1|T4|");
        List<List<List<String>>> shaped = new ArrayList<>();
        rules.shapedRows(3, shaped::addAll);
        until(() -> !shaped.isEmpty());
        assertThat(shaped).as("before and after").hasSize(2);
        model.undo();
        made();
        rules.makeColumnsOf("Route", "Fare", true, List.of("Port"));
        assertThat(rows()).anyMatch(row -> row.startsWith("Tarsk|15"));
    }

    @Test
    void aCellIsCorrectedOnlyToWhatItsTypeCanBe() throws Exception {
        Outcome outcome = made();
        try (MasterGrid grid = new MasterGrid(model.session(), outcome, ui::add)) {
            until(() -> grid.line(0).isPresent());
            MasterLine line = grid.line(0).orElseThrow();
            assertThat(rules.correct(3, model.session().trail(outcome, line, 3), "dear", ""))
                    .isEqualTo("“dear” is no Decimal, the type of the column.");
            assertThat(model.jobProperty().get().settled()).isEmpty();
            assertThat(rules.correct(3, model.session().trail(outcome, line, 3), "4.25", "told by phone"))
                    .isEmpty();
        }
        assertThat(rows().get(0)).isEqualTo("T1|Hollin|IN|4.25");
    }

    @Test
    void namesForCodesArePastedOrReadFromATable() throws Exception {
        rules.codesPasted("Route", "nothing of use");
        assertThat(model.messageProperty().get().text()).startsWith("What was copied holds no codes");
        rules.codesPasted("Route", "IN\tinward\nOUT\toutward");
        assertThat(rows()).contains("T1|Hollin|inward|5.5", "T5|Tarsk|XX|8.0");
        model.undo();
        made();
        write("codes.csv", "Code,Meaning\nIN,into the sound\nOUT,out of it\nXX,none\n");
        rules.codesFromFile("Route", folder.resolve("codes.csv"));
        until(() -> !model.jobProperty().get().settled().isEmpty());
        assertThat(rows()).contains("T5|Tarsk|none|8.0");
    }

    @Test
    void columnsBehindOneBecomeRows() throws Exception {
        write("data/a.csv", "Depot,Diesel,Petrol\nHollin,1,2\nTarsk,3,4\n");
        write("data/b.csv", "Depot,Diesel,Petrol\nMarsay,5,6\n");
        Outcome outcome = refreshed();
        rules.turnAfter(outcome.proposal().layouts().get(0).tables().get(0), 0);
        assertThat(rows()).hasSize(6).contains("||||Hollin|Petrol|2");
        List<BeforeAndAfter> looks = new ArrayList<>();
        rules.beforeAndAfter(made().proposal().plan().tables().get(0).id(), 5, looks::add);
        until(() -> !looks.isEmpty());
        assertThat(looks.get(0)).isNotNull();
    }
}
