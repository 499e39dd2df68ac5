package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import cuvee.tell.Outcome;
import cuvee.tell.Verdict;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What the job says of its master: figures of the strip, the verdict, the reconciliation, and what an act moved. */
class LedgerTest extends OpenJob {
    private static Reconciliation reconciliation(Outcome outcome) {
        return new Reconciliation(outcome, new Grouping("file", Map.of()), "");
    }

    private static List<String> titles(GridModel grid) {
        return java.util.stream.IntStream.range(0, grid.columns())
                .mapToObj(grid::title)
                .toList();
    }

    /** A figure of the reconciliation, in which a dot stands for none. */
    private static long number(String text) {
        return text.equals("·") ? 0 : Long.parseLong(text);
    }

    private Ledger.Segment segment(Stage stage) {
        return Ledger.of(
                stage, model.jobProperty().get(), model.outcomeProperty().get());
    }

    private static BoardGrid board(Outcome outcome, List<Integer> columns) {
        return new BoardGrid(outcome, columns, java.util.Set.of(), java.util.Map.of(), false);
    }

    @Test
    void theAccountOfAMasterSaysItsFiguresAndWhatIsOpen() throws Exception {
        assertThat(About.words(refreshed()))
                .isEqualTo("3 rows from 2 files in 2 layouts. Every line is accounted for: 5 seen, 3 kept, 2 set aside."
                        + " 0 rules are in force. Adds up; not final: 1 question.");
    }

    @Test
    void theLedgerCarriesLiveFigures() throws Exception {
        assertThat(segment(Stage.MASTER).figure()).isEqualTo("–");
        write("data/~$a.xlsx", "x");
        refreshed();
        assertThat(segment(Stage.COLLECT).spoken()).isEqualTo("Collect: 2 files, ↓ 1 aside");
        assertThat(segment(Stage.READ).spoken()).isEqualTo("Read: 2 tables, ↓ 2 lines aside");
        assertThat(segment(Stage.LINE_UP).questions()).isEqualTo(1);
        assertThat(segment(Stage.MASTER).spoken()).isEqualTo("Master: 3 rows");
        assertThat(segment(Stage.MASTER).rule()).isEqualTo(Ledger.Rule.DOUBLE);
    }

    @Test
    void theVerdictIsNeverBetterThanItIs() throws Exception {
        Outcome first = refreshed();
        assertThat(Verdict.of(first).sentence()).isEqualTo("Adds up; not final: 1 question.");
        assertThat(segment(Stage.CHECK).kind()).isEqualTo(Ledger.Side.OPEN);
        model.answers().settleAsAssumed(first.questions());
        idle();
        Outcome settled = model.outcomeProperty().get().orElseThrow();
        assertThat(settled.questions()).isEmpty();
        assertThat(Verdict.of(settled).kind()).isEqualTo(Verdict.Kind.CLEAN);
        write("data/torn.xlsx", "PK\3\4");
        model.refresh();
        idle();
        assertThat(Verdict.of(model.outcomeProperty().get().orElseThrow()).sentence())
                .isEqualTo("Adds up; not final: 1 file unread.");
    }

    @Test
    void theGridsTellWhatBecameOfEverything() throws Exception {
        write("data/inner/torn.xlsx", "PK\3\4");
        Outcome outcome = refreshed();
        FilesGrid files = FilesGrid.of(outcome, FilesGrid.Filter.ALL, Optional.empty(), ZoneId.of("UTC"));
        assertThat(files.rows()).isEqualTo(4);
        assertThat(files.text(0, 0)).isEqualTo("a.csv");
        assertThat(files.text(0, 2)).isEqualTo("1 table, 2 rows");
        assertThat(files.tone(2, 0)).isEqualTo(GridModel.Tone.HEADING);
        assertThat(files.text(3, 1)).isEqualTo("set aside");
        BoardGrid board = board(outcome, BoardGrid.columns(outcome, BoardGrid.Filter.ALL));
        assertThat(board.rows()).isEqualTo(2);
        assertThat(board.text(0, 4)).isEqualTo("=");
        assertThat(board.text(1, 4)).isEqualTo("Heads");
        assertThat(board.second(1, 4)).isEqualTo("assumed");
        assertThat(board.mark(1, 4)).isEqualTo(GridModel.Mark.QUESTION);
        ListGrid<Grids.ReadLine> read = Grids.read(outcome);
        assertThat(read.text(0, 0)).isEqualTo("1 table  Layout 1, 3 columns: Date, Port, Passengers");
        assertThat(read.text(1, 0)).isEqualTo("a.csv");
        assertThat(read.text(1, 1)).isEqualTo("2");
        Reconciliation all = reconciliation(outcome);
        assertThat(all.text(0, 0)).isEqualTo("a.csv");
        assertThat(all.text(0, 1)).isEqualTo("3");
        assertThat(all.total(1)).isEqualTo("5");
        assertThat(all.isClosed(1)).isTrue();
        assertThat(all.equation()).isEqualTo("5 lines seen = 3 kept + 2 set aside");
        Fullness fullness = new Fullness(outcome, new Grouping("file", Map.of()));
        assertThat(fullness.text(1, 3)).isEqualTo("full");
    }

    @Test
    void theReconciliationSaysWhatRulesSetAsideOfEachFile() throws Exception {
        write("data/plan.csv", "Date,Port,Passengers\n2026-03-01,Hollin,8\n2026-03-02,Oska,9\n");
        refreshed();
        model.rules().ruleByPhrase("Port is Hollin", false);
        idle();
        Outcome outcome = model.outcomeProperty().get().orElseThrow();
        Reconciliation lines = reconciliation(outcome);
        assertThat(titles(lines)).containsExactly("File", "Lines seen", "Header", "Kept", "By rules", "In the master");
        for (int row = 0; row < lines.rows(); row++) {
            assertThat(number(lines.text(row, 4)) + number(lines.text(row, 5))).isEqualTo(number(lines.text(row, 3)));
        }
        assertThat(segment(Stage.REWORK).side()).isEqualTo("↓ 3 rows aside");
        model.rules().ruleEqual(List.of("Port"), "keep the last");
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().rowsRuledOut()).isEqualTo(3);
        model.undo();
        idle();
        model.undo();
        idle();
        assertThat(titles(reconciliation(model.outcomeProperty().get().orElseThrow())))
                .containsExactly("File", "Lines seen", "Header", "Kept");
    }

    @Test
    void howFarMoneyMovedIsSaidWithItsHundredths() throws Exception {
        write("data/b.csv", "Date,Port,Passengers,Fares\n2026-02-01,Tarsk,7,€ 10.25\n");
        refreshed();
        write("data/c.csv", "Date,Port,Passengers,Fares\n2026-03-01,Marsay,9,€ 12.50\n");
        refreshed();
        assertThat(model.whatChangedProperty().get().lines())
                .contains(new WhatChanged.Line("Fares", "+12.50"), new WhatChanged.Line("Passengers", "+9"));
    }

    @Test
    void whatFilesBroughtStaysToBeReadWhateverIsDecidedAfterwards() throws Exception {
        Question question = refreshed().questions().get(0);
        assertThat(model.whatChangedProperty().get()).isEqualTo(WhatChanged.NOTHING);
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,Marsay,1500\n");
        refreshed();
        WhatChanged changed = model.whatChangedProperty().get();
        assertThat(changed.lines().get(0)).isEqualTo(new WhatChanged.Line("1 file new", "+1 row"));
        assertThat(changed.lines()).contains(new WhatChanged.Line("Passengers", "+1,500"));
        assertThat(changed.sources().get(0).path()).isEqualTo("c.csv");
        model.answers().settle(question, question.assumed());
        idle();
        assertThat(model.whatChangedProperty().get()).isEqualTo(changed);
    }

    @Test
    void sumsOfTheSourcesStandBesideThoseOfTheMaster() throws Exception {
        Outcome outcome = refreshed();
        Reconciliation lines = new Reconciliation(outcome, new Grouping("file", Map.of()), "Passengers");
        assertThat(titles(lines)).endsWith("Passengers", "Passengers");
        int last = lines.columns() - 1;
        assertThat(lines.subtitle(last - 1)).isEqualTo("in the sources");
        assertThat(lines.subtitle(last)).isEqualTo("in the master");
        assertThat(lines.total(last)).isEqualTo(lines.total(last - 1)).isNotEqualTo("·");
        assertThat(lines.isClosed(last)).isTrue();
    }
}
