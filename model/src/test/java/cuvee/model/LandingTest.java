package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.layout.Layout;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What stands where a header or a column is put on the board, before it is put there. */
class LandingTest extends OpenJob {
    private Outcome twoLayouts() throws InterruptedException, IOException {
        write("data/a.csv", "Date,Port,Passengers,Crew\n2026-01-01,Hollin,205,4\n2026-01-02,Hollin,216,5\n");
        write("data/b.csv", "Date,Port,Heads,Crew\n2026-02-01,Tarsk,1204,7\n");
        return refreshed();
    }

    private static Layout layout(Outcome outcome, String key) {
        return outcome.proposal().layouts().stream()
                .filter(layout -> layout.keys().contains(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aColumnThatTheLayoutFeedsWithAnotherHeaderIsFilled() throws Exception {
        Outcome made = twoLayouts();
        Landing landing = Landing.of(made, layout(made, "heads"), "Passengers", "Crew");
        assertThat(landing).isEqualTo(new Landing.Filled("crew", "Crew"));
        model.board().exchangeHeaders("heads", "Crew", "crew", "Passengers");
        idle();
        Outcome exchanged = model.outcomeProperty().get().orElseThrow();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers", "Crew");
        assertThat(exchanged.proposal().lineUp()).containsEntry("heads", "Crew").containsEntry("crew", "Passengers");
    }

    @Test
    void inOneLineOnlyTheOthersStayAsTheyAre() throws Exception {
        Outcome made = twoLayouts();
        Layout heads = layout(made, "heads");
        BoardGrid.Line line = new BoardGrid.Line(heads, Optional.empty());
        assertThat(BoardGrid.tablesWith(made, "crew", line)).isEqualTo(1);
        assertThat(BoardGrid.tablesWith(made, "heads", line)).isZero();
        assertThat(BoardGrid.headerOf(made, "Passengers", heads)).contains("Passengers");
        model.board()
                .exchangeHeadersHere(
                        line,
                        BoardGrid.header(made, heads, "Passengers").orElseThrow(),
                        BoardGrid.header(made, heads, "Crew").orElseThrow());
        idle();
        Outcome exchanged = model.outcomeProperty().get().orElseThrow();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers", "Crew");
        assertThat(exchanged.proposal().lineUp())
                .containsEntry("heads", "Passengers")
                .containsEntry("crew", "Crew");
        assertThat(exchanged.job().settled())
                .extracting(decision -> decision.subject() + ": " + decision.answer())
                .containsExactlyInAnyOrder("heads | b.csv: Crew", "crew | b.csv: Heads");
        model.undo();
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().job().settled()).isEmpty();
        model.board().putHeaderHere(line, "heads", "Tonnage");
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().lineUp())
                .containsKey("tonnage")
                .doesNotContainKey("heads");
    }

    @Test
    void theHeaderThatWasThereCanBecomeAColumnOfItsOwn() throws Exception {
        twoLayouts();
        model.board().putInPlaceOf("heads", "Crew", "crew", "Crew");
        idle();
        assertThat(columns()).contains("Crew", "Crew 2");
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().lineUp())
                .containsEntry("heads", "Crew")
                .containsEntry("crew", "Crew 2");
    }

    @Test
    void valuesOfAnotherKindAreNamedAndWordsTakeAnything() throws Exception {
        Outcome made = twoLayouts();
        assertThat(Landing.of(made, "Passengers", "Passengers")).isInstanceOf(Landing.Beside.class);
        assertThat(Landing.of(made, "Date", "Crew"))
                .isInstanceOfSatisfying(
                        Landing.Beside.class,
                        beside -> assertThat(beside.said())
                                .isEqualTo(
                                        "“Date” and “Crew” stand beside each other in 2 layouts, so that they cannot be"
                                                + " one column. Nothing was changed."));
        write("data/c.csv", "Day,Port,Passengers,Master\n2026-03-01,Oska,17,Ada\n");
        Outcome more = refreshed();
        assertThat(Landing.of(more, layout(more, "master"), "Master", "Crew"))
                .isInstanceOfSatisfying(
                        Landing.OtherKind.class,
                        other -> assertThat(other.said()).startsWith("Master holds Text and Crew Whole number"));
        assertThat(Landing.of(more, layout(more, "master"), "Passengers", "Master"))
                .isInstanceOf(Landing.Filled.class);
    }
}
