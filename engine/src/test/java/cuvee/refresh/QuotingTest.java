package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import org.junit.jupiter.api.Test;

/** Text files quote their cells with double quotes, with single ones, or not at all; what is found is shown and can be said. */
class QuotingTest extends BatchTest {
    private String form(Batch.Made made) {
        return made.outcome().sheets().get(0).form();
    }

    @Test
    void cellsInSingleQuotesAreReadWithoutThem() {
        batch.csv(
                "a.csv",
                "'Day','Port','Note'",
                "'2026-01-01','Hollin','calm, then ''rough'''",
                "'2026-01-02','Tarsk','two\nlines'",
                "'2026-01-03','Oska',''");
        Batch.Made made = batch.refresh();
        assertThat(form(made)).isEqualTo("commas, UTF-8, single quotes");
        assertThat(made.columns()).containsExactly("Day", "Port", "Note");
        assertThat(made.lines())
                .containsExactly(
                        "2026-01-01|Hollin|calm, then 'rough'", "2026-01-02|Tarsk|two\nlines", "2026-01-03|Oska|");
    }

    @Test
    void apostrophesAreNoQuotes() {
        batch.csv(
                "a.csv", "Day,Port,Note", "2026-01-01,L'Île,'tis calm", "2026-01-02,Tarsk,'quoted'", "2026-01-03,'s,");
        Batch.Made made = batch.refresh();
        assertThat(form(made)).isEqualTo("commas, UTF-8");
        assertThat(made.lines())
                .containsExactly("2026-01-01|L'Île|'tis calm", "2026-01-02|Tarsk|'quoted'", "2026-01-03|'s|");
    }

    @Test
    void quotesThatOnlyHoldSeparatorsAreDoubleQuotes() {
        batch.csv("a.csv", "Day,Port,Vessel", "2026-01-01,\"Hollin, north\",\"MV \"\"A\"\"\"", "2026-01-02,Tarsk,MV B");
        Batch.Made made = batch.refresh();
        assertThat(form(made)).isEqualTo("commas, UTF-8, double quotes");
        assertThat(made.lines()).containsExactly("2026-01-01|Hollin, north|MV \"A\"", "2026-01-02|Tarsk|MV B");
    }

    @Test
    void quotesThatEndNowhereAreText() {
        batch.csv(
                "a.txt",
                "Day\tPart\tPax",
                "2026-01-01\t\"A\" deck\t4",
                "2026-01-02\t\"B\" deck\t5",
                "2026-01-03\tC\t6");
        Batch.Made made = batch.refresh();
        assertThat(form(made)).isEqualTo("tabs, UTF-8, no quotes");
        assertThat(made.lines())
                .containsExactly("2026-01-01|\"A\" deck|4", "2026-01-02|\"B\" deck|5", "2026-01-03|C|6");
    }

    @Test
    void whatIsFoundCanBeSaidOtherwiseForOneFileOrAll() {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,'Hollin',4", "2026-01-02,'Tarsk',5");
        batch.csv("b.csv", "Day,Port,Pax", "2026-02-01,'Hollin',6", "2026-02-02,'Tarsk',7");
        batch.settle(Kinds.TEXT_FORM, "a.csv", "commas, UTF-8, single quotes");
        assertThat(batch.refresh().lines())
                .containsExactly(
                        "2026-01-01|Hollin|4", "2026-01-02|Tarsk|5", "2026-02-01|'Hollin'|6", "2026-02-02|'Tarsk'|7");
        batch.settle(Kinds.TEXT_FORM, SourceChoice.ALL_FILES, "single quotes");
        assertThat(batch.refresh().lines())
                .containsExactly(
                        "2026-01-01|Hollin|4", "2026-01-02|Tarsk|5", "2026-02-01|Hollin|6", "2026-02-02|Tarsk|7");
    }

    @Test
    void aQuoteLeftOpenIsToldWithWhatCanBeDone() {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,\"Hollin\",4", "2026-01-02,\"Tarsk,5", "2026-01-03,Oska,6");
        batch.csv("b.csv", "Day,Port,Pax", "2026-02-01,Hollin,6", "2026-02-02,Tarsk,7");
        Batch.Made assumed = batch.refresh();
        assertThat(assumed.question(Kinds.TEXT_FORM).text()).contains("A quote is opened in line 3");
        batch.settle(Kinds.TEXT_FORM, "a.csv", "double quotes");
        assertThat(batch.refresh().findings("torn-quotes"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.canDo()).contains("read it with no quotes"));
        batch.settle(Kinds.TEXT_FORM, "a.csv", "no quotes");
        assertThat(batch.refresh().lines()).isEqualTo(assumed.lines());
        assertThat(batch.refresh().lines())
                .startsWith("2026-01-01|\"Hollin\"|4", "2026-01-02|\"Tarsk|5", "2026-01-03|Oska|6")
                .hasSize(5);
    }
}
