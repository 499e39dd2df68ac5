package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What came, what is closed, and what is settled in Check. */
class CheckModelTest extends OpenJob {
    /** In place of what the job had, a file for each month of two ports. */
    private void threeMonthsOfTwoPorts() throws IOException {
        for (String port : List.of("Hollin", "Tarsk")) {
            for (int month = 1; month <= 3; month++) {
                write(
                        "data/" + port + " 2026-0" + month + ".csv",
                        "Vessel,Pax\nMV Skua," + port.length() + month + "\n");
            }
        }
        Files.delete(folder.resolve("data/a.csv"));
        Files.delete(folder.resolve("data/b.csv"));
    }

    @Test
    void arrivalsShowWhatIsMissingAndWhatIsNothingToReport() throws Exception {
        for (String port : List.of("Hollin", "Tarsk", "Marsay")) {
            for (int month = 1; month <= 4; month++) {
                if (!port.equals("Tarsk") || month != 2) {
                    write(
                            "data/" + port + " 2026-0" + month + ".csv",
                            "Sailed,Pax\n2026-0" + month + "-05," + (port.length() + port.charAt(0)) + month
                                    + "\n2026-0" + month + "-06,7\n");
                }
            }
        }
        Files.delete(folder.resolve("data/a.csv"));
        Files.delete(folder.resolve("data/b.csv"));
        Outcome outcome = refreshed();
        ArrivalsGrid grid = new ArrivalsGrid(outcome, outcome.arrivals().orElseThrow(), Set.of());
        assertThat(grid.says()).isEqualTo("1 is missing of 12.");
        assertThat(grid.text(2, 0)).isEqualTo("Tarsk");
        assertThat(grid.text(2, 2)).isEqualTo("missing");
        assertThat(grid.mark(2, 2)).isEqualTo(GridModel.Mark.WRONG);
        assertThat(grid.files(2, 3)).containsExactly("Tarsk 2026-03.csv");
        assertThat(grid.total(grid.columns() - 1)).isEqualTo("22");
        model.files().decideNil(grid.place(2, 2).orElseThrow(), true);
        idle();
        Outcome nil = model.outcomeProperty().get().orElseThrow();
        ArrivalsGrid after = new ArrivalsGrid(nil, nil.arrivals().orElseThrow(), Set.of());
        assertThat(after.text(2, 2)).isEqualTo("nil");
        assertThat(after.says()).isEqualTo("All 11 that are expected have come.");
        assertThat(model.lastActProperty().get()).isEqualTo("nothing to report from Tarsk for 2026-02");
        model.undo();
        idle();
        Outcome back = model.outcomeProperty().get().orElseThrow();
        assertThat(new ArrivalsGrid(back, back.arrivals().orElseThrow(), Set.of()).text(2, 2))
                .isEqualTo("missing");
    }

    @Test
    void whoIsExpectedIsTakenFromATableAndGivenBack() throws Exception {
        threeMonthsOfTwoPorts();
        write("expected.csv", "Port,Until\nHollin,2026-03\nOrm,2026-03\n");
        refreshed();
        model.files().addExpected(folder.resolve("expected.csv"));
        idle();
        Outcome listed = model.outcomeProperty().get().orElseThrow();
        ArrivalsGrid grid = new ArrivalsGrid(listed, listed.arrivals().orElseThrow(), Set.of());
        assertThat(grid.text(1, 0)).isEqualTo("Orm");
        assertThat(grid.text(1, 1)).isEqualTo("missing");
        assertThat(grid.second(2, 0)).isEqualTo("not in the list");
        assertThat(model.files().expectedList()).isPresent();
        assertThat(model.lastActProperty().get()).isEqualTo("took who is expected from expected.csv");
        model.files().removeExpected();
        idle();
        Outcome back = model.outcomeProperty().get().orElseThrow();
        assertThat(back.arrivals().orElseThrow().senders()).containsExactly("Hollin", "Tarsk");
        model.files().addExpected(folder.resolve("data/none.csv"));
        assertThat(model.files().expectedList()).isEmpty();
    }

    @Test
    void aMonthIsClosedAndOpenedAgainWhereArrivalsAreSeen() throws Exception {
        threeMonthsOfTwoPorts();
        refreshed();
        CheckModel checks = new CheckModel(model);
        checks.close("Month", "2026-01");
        idle();
        assertThat(model.lastActProperty().get()).isEqualTo("closed 2026-01");
        assertThat(checks.closed())
                .singleElement()
                .satisfies(closed -> assertThat(closed.held().orElseThrow().sources())
                        .containsOnlyKeys("Hollin 2026-01.csv", "Tarsk 2026-01.csv"));
        Outcome closed = model.outcomeProperty().get().orElseThrow();
        ArrivalsGrid grid =
                new ArrivalsGrid(closed, closed.arrivals().orElseThrow(), Set.of(java.time.YearMonth.of(2026, 1)));
        assertThat(grid.subtitle(1)).isEqualTo("2026, closed");
        assertThat(grid.subtitle(2)).isEqualTo("2026");
        write("data/Tarsk 2026-01.csv", "Vessel,Pax\nMV Skua,77\nMV Grebe,8\n");
        Finding changed = refreshed().findings().stream()
                .filter(finding -> finding.kind().equals("closed-changed"))
                .findFirst()
                .orElseThrow();
        assertThat(checks.late(changed)).isPresent();
        checks.reopen("Month", "2026-01");
        idle();
        assertThat(checks.closed()).isEmpty();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(7);
    }

    @Test
    void aFindingThatIsSoIsSettledWithItsNoteAndCanBeOpenedAgain() throws Exception {
        write("data/b.csv", "Date,Port,Passengers\n2026-02-01,Tarsk,7\n2026-02-02,Tarsk,9\nTotal,,17\n");
        Finding warning = refreshed().findings().stream()
                .filter(finding -> finding.severity() == cuvee.finding.Severity.WARNING)
                .findFirst()
                .orElseThrow();
        CheckModel checks = new CheckModel(model);
        checks.accept(List.of(warning), " the sender knows ");
        idle();
        Outcome settled = model.outcomeProperty().get().orElseThrow();
        assertThat(settled.findings()).doesNotContain(warning);
        assertThat(settled.settled())
                .singleElement()
                .satisfies(each -> assertThat(each.note()).isEqualTo("the sender knows"));
        assertThat(model.lastActProperty().get()).isEqualTo("settled a finding");
        checks.open(warning);
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().findings()).contains(warning);
    }
}
