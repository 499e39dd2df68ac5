package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.summary.Summary;
import cuvee.summary.Summary.Kind;
import cuvee.summary.SummaryTable;
import cuvee.tell.Outcome;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

/** What can be summed up is offered from the master that is there; what is kept follows it. */
class SummaryModelTest extends OpenJob {
    private Summary read(Outcome outcome, String words) {
        return SummaryModel.read(outcome, words).summary().orElseThrow();
    }

    private SummaryGrid made(SummaryModel summaries, Summary summary) throws InterruptedException {
        AtomicReference<SummaryTable> made = new AtomicReference<>();
        summaries.make(summary, made::set);
        until(() -> made.get() != null);
        return new SummaryGrid(made.get());
    }

    @Test
    void whatIsProposedAddsUpTheAmountsByTextAndMonth() throws Exception {
        Outcome outcome = refreshed();
        assertThat(SummaryModel.proposed(outcome).said())
                .isEqualTo("number of rows: a line for each Port, a column for each month of Date");
        write("data/c.csv", "Date,Port,Passengers,Fare\n2026-03-01,Oska,9,EUR 12.50\n");
        assertThat(SummaryModel.proposed(refreshed()).said()).startsWith("total Fare: a line for each Port");
    }

    @Test
    void onlyWhatCanBeAddedUpIsOfferedAsATotal() throws Exception {
        Outcome outcome = refreshed();
        assertThat(SummaryModel.figures(outcome, Kind.TOTAL))
                .extracting(Summary.Figure::said)
                .containsExactly("total Passengers");
        assertThat(SummaryModel.figures(outcome, Kind.GREATEST))
                .extracting(Summary.Figure::said)
                .contains("greatest Date", "greatest Port");
        assertThat(SummaryModel.keys(outcome))
                .extracting(Summary.By::said)
                .contains("month of Date", "Port")
                .doesNotContain("Date");
    }

    @Test
    void wordsAreCompletedAndSayWhatIsWrong() throws Exception {
        Outcome outcome = refreshed();
        Wording wording = new SummaryModel(model).wording(outcome);
        assertThat(wording.completions("total Pas", 9)).contains("Passengers");
        assertThat(wording.completions("total Passengers: a li", 22)).contains("a line for each");
        assertThat(wording.problem("total Port")).startsWith("Port holds no numbers");
        assertThat(wording.problem(wording.example())).isEmpty();
    }

    @Test
    void aSummaryThatIsKeptIsRenewedRenamedAndTakenBack() throws Exception {
        Outcome outcome = refreshed();
        SummaryModel summaries = new SummaryModel(model);
        summaries.keep(" By port ", read(outcome, "total Passengers: a line for each Port"));
        idle();
        assertThat(summaries.kept()).extracting(kept -> kept.name()).containsExactly("By port");
        model.board().renameColumn("Port", "Harbour");
        idle();
        assertThat(summaries.kept())
                .extracting(kept -> kept.words())
                .containsExactly("total Passengers: a line for each Harbour");
        model.undo();
        idle();
        summaries.remove("By port");
        idle();
        assertThat(summaries.kept()).isEmpty();
        model.undo();
        idle();
        assertThat(summaries.kept())
                .extracting(kept -> kept.words())
                .containsExactly("total Passengers: a line for each Port");
    }

    @Test
    void theGridKeepsWhatLinesAreForInViewAndOpensAFigureIntoItsRows() throws Exception {
        Outcome outcome = refreshed();
        SummaryModel summaries = new SummaryModel(model);
        SummaryGrid grid = made(
                summaries, read(outcome, "total Passengers: a line for each Port, a column for each month of Date"));
        assertThat(grid.pinned()).isEqualTo(1);
        assertThat(List.of(grid.title(0), grid.title(1), grid.title(2), grid.title(3)))
                .containsExactly("Port", "2026-01", "2026-02", "All");
        assertThat(grid.rows()).isEqualTo(2);
        assertThat(grid.text(0, 1)).isEqualTo("11");
        assertThat(grid.total(3)).isEqualTo("18");
        assertThat(grid.said(0, 1)).isEqualTo("Hollin, 2026-01: Total Passengers 11");
        assertThat(grid.behind(0, 1)).contains("Port is Hollin").contains("2026-01");
        SummaryGrid single = made(summaries, read(outcome, "number of rows"));
        assertThat(single.rows()).isEqualTo(1);
        assertThat(single.text(0, 0)).isEqualTo("3");
    }
}
