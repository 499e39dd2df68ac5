package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.nio.file.Files;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Columns on the board: named, moved, united, left out, and the values that stand in them. */
class BoardModelTest extends OpenJob {
    private static BoardGrid board(Outcome outcome, List<Integer> columns) {
        return new BoardGrid(outcome, columns, java.util.Set.of(), java.util.Map.of(), false);
    }

    private ValuesGrid values(int column, ValuesGrid.Found[] found) throws InterruptedException {
        ValuesGrid grid =
                new ValuesGrid(model.session(), model.outcomeProperty().get().orElseThrow(), column, ui::add);
        found[0] = null;
        grid.load(told -> found[0] = told, why -> {
            throw new AssertionError(why);
        });
        until(() -> found[0] != null);
        return grid;
    }

    @Test
    void columnsAreNamedMovedTypedLeftOutUnitedAndSplitOnTheBoard() throws Exception {
        Outcome first = refreshed();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers");
        model.board().renameColumn("Passengers", "People");
        idle();
        assertThat(columns()).containsExactly("Date", "Port", "People");
        model.board().moveColumn("People", -2);
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        model.board().decideType("People", Type.TEXT);
        idle();
        assertThat(model.outcomeProperty()
                        .get()
                        .orElseThrow()
                        .proposal()
                        .columns()
                        .get(0)
                        .type())
                .isEqualTo(Type.TEXT);
        model.board().leaveOutColumn("Port", true);
        idle();
        assertThat(columns()).containsExactly("People", "Date");
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().leftOut())
                .containsEntry("Port", 3L);
        model.board().leaveOutColumn("Port", false);
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        BoardGrid.Header header = BoardGrid.header(
                        model.outcomeProperty().get().orElseThrow(),
                        first.proposal().layouts().get(1),
                        "People")
                .orElseThrow();
        assertThat(header.header()).isEqualTo("Heads");
        model.board().splitHeader(header.key(), header.header());
        idle();
        assertThat(columns()).containsExactlyInAnyOrder("People", "Date", "Port", "Heads");
        model.board().uniteColumns("Heads", "People");
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        for (int i = 0; i < 7; i++) {
            model.undo();
            idle();
        }
        assertThat(columns()).containsExactly("Date", "Port", "Passengers");
    }

    @Test
    void namesThatAreTakenAndMovesThatGoNowhereChangeNothing() throws Exception {
        refreshed();
        model.board().renameColumn("Passengers", "port");
        assertThat(model.messageProperty().get().text())
                .isEqualTo("Another column is called “Port” already. Nothing was changed. Choose another name, or unite"
                        + " the two.");
        model.board().renameColumn("Passengers", " ");
        model.board().moveColumn("Date", -1);
        assertThat(model.workProperty().get()).isEmpty();
        assertThat(model.canUndoProperty().get()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1204567|WHOLE_NUMBER|1,204,567",
                "-1204.5|DECIMAL|-1,204.5",
                "1204.5|MONEY|1,204.50",
                "0.125|PERCENT|12.5 %",
                "true|YES_NO|yes",
                "2026-03-31T14:05:00|DATE_AND_TIME|2026-03-31 14:05:00",
                "999|WHOLE_NUMBER|999"
            })
    void valuesAreShownAsPeopleReadThem(String value, Type type, String shown) {
        assertThat(MasterGrid.shownAs(value, type)).isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"0|10|empty", "10|10|full", "9999|10000|99 % filled", "1|10000|1 % filled", "5|10|50 % filled"})
    void fullnessIsNeverRoundedToFullOrEmpty(long filled, long rows, String words) {
        assertThat(MasterGrid.fullness(filled, rows)).isEqualTo(words);
    }

    @Test
    void theBoardShowsWhatDiffersIsAbsentOrAssumedOnly() throws Exception {
        write("data/c.csv", "Date,Port,Passengers,Crew\n2026-03-01,Oska,8,2\n2026-03-02,Oska,8,3\n");
        Outcome outcome = refreshed();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers", "Crew");
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ALL)).containsExactly(0, 1, 2, 3);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.DIFFERENT)).containsExactly(2);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ABSENT)).containsExactly(3);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ASSUMED)).containsExactly(2);
        assertThat(board(outcome, List.of(3)).title(2)).isEqualTo("Crew");
    }

    @Test
    void aColumnsValuesAreCountedSearchedAndWrittenOtherwise() throws Exception {
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,HOLLIN,many\n2026-03-02,Oska,8\n2026-03-03,Oska,9\n");
        refreshed();
        model.board().decideType("Passengers", Type.WHOLE_NUMBER);
        idle();
        ValuesGrid.Found[] found = new ValuesGrid.Found[1];
        try (ValuesGrid ports = values(1, found)) {
            assertThat(found[0].facts().different()).isEqualTo(4);
            assertThat(found[0].alike())
                    .singleElement()
                    .satisfies(group -> assertThat(group.to().text()).isEqualTo("Hollin"));
            until(() -> ports.value(0).isPresent());
            assertThat(ports.rows()).isEqualTo(4);
            assertThat(ports.text(0, 0)).isEqualTo("Hollin");
            assertThat(ports.text(0, 1)).isEqualTo("2");
            ports.search("sk");
            until(() -> ports.rows() == 2);
            until(() -> ports.value(1).isPresent());
            assertThat(ports.writable(0, 1)).extracting(value -> value.text()).containsExactly("Oska", "Tarsk");
        }
        try (ValuesGrid people = values(2, found)) {
            assertThat(people.isMisfit(0)).isTrue();
            assertThat(people.text(0, 0)).isEqualTo("many, does not fit");
            assertThat(people.writable(0, 3))
                    .as("values that fit are left alone")
                    .hasSize(1);
        }
        model.rules().writeValues("Passengers", List.of("many"), "100");
        model.rules().writeValues("Port", List.of("HOLLIN"), "Hollin");
        idle();
        until(() -> model.outcomeProperty()
                        .get()
                        .orElseThrow()
                        .proposal()
                        .valueCells()
                        .size()
                == 2);
        try (ValuesGrid people = values(2, found)) {
            assertThat(people.isMisfit(0)).isFalse();
            assertThat(found[0].misfits()).isEmpty();
            assertThat(found[0].facts().greatest()).isEqualTo("100");
        }
        model.undo();
        idle();
        model.undo();
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().valueCells())
                .isEmpty();
    }

    @Test
    void tagsAreMovedAndLeftOutOnTheBoardToo() throws Exception {
        write("data/Hollin_1.csv", "Date,Pax\n2026-01-01,5\n2026-01-02,6\n");
        write("data/Tarsk_1.csv", "Date,Pax\n2026-01-01,7\n2026-01-02,8\n");
        Files.delete(folder.resolve("data/a.csv"));
        Files.delete(folder.resolve("data/b.csv"));
        refreshed();
        assertThat(columns()).containsExactly("Date", "Pax", "File part 1");
        model.board().moveColumn("File part 1", -2);
        idle();
        assertThat(columns()).containsExactly("File part 1", "Date", "Pax");
        model.board().renameColumn("File part 1", "Port");
        idle();
        assertThat(columns()).containsExactly("Port", "Date", "Pax");
        model.board().leaveOutColumn("Port", true);
        idle();
        assertThat(columns()).containsExactly("Date", "Pax");
        String added = model.board().addColumn();
        idle();
        assertThat(columns()).containsExactly("Date", "Pax", added);
    }

    @Test
    void allNearEqualSpellingsAreWrittenInOneStep() throws Exception {
        write("data/a.csv", "Port,Item\nHollin,Oil\nHollin,Oil\nHOLLIN,Oil\n");
        write("data/b.csv", "Port,Item\nTarsk,Oil\nTarsk,OIL\ntarsk,Oil\n");
        refreshed();
        ValuesGrid.Found[] found = new ValuesGrid.Found[1];
        try (ValuesGrid ports = values(0, found)) {
            assertThat(ports.type()).isEqualTo(Type.TEXT);
            assertThat(found[0].alike()).hasSize(2);
        }
        model.rules().writeAlike("Port", found[0].alike());
        idle();
        try (ValuesGrid ports = values(0, found)) {
            assertThat(ports.rows()).isEqualTo(2);
            assertThat(found[0].alike()).isEmpty();
        }
        model.undo();
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().valueCells())
                .isEmpty();
    }
}
