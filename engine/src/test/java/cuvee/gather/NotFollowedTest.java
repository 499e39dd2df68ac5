package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a job says and cannot be followed is never passed over without a word. */
class NotFollowedTest extends BatchTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "type;Pax;Numbers",
                "reading;a.csv;header up",
                "reading;gone.csv;header 2",
                "header-row;day|port|pax;row two",
                "sheets;all files;the nice ones",
                "text-form;a.csv;semicolon soup",
                "across;day|port|pax;turn around",
                "carry-down;day|port|pax > port;maybe",
                "tag;colour of the file;Colour",
                "sent-again;a.csv | b.csv;c.csv",
                "value;Port | Hollin;Holin",
                "value;Port | Hollin;for ",
                "spelling;Port;nicely",
                "rows;Port is Hollin;drop",
                "equal-rows;Port;keep some",
                "new-columns;all columns;shrug"
            })
    void wordsThatAreNoneAreAWarningAndTheEvidenceDecides(String kind, String subject, String answer) {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Tarsk,6");
        batch.csv("b.csv", "Day,Port,Pax", "2026-02-01,Hollin,7", "2026-02-02,Tarsk,8");
        batch.settle(kind, subject, answer);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(4);
        assertThat(made.columns()).containsExactly("Day", "Port", "Pax");
        assertThat(made.findings("not-followed"))
                .singleElement()
                .satisfies(
                        finding -> assertThat(finding.what() + finding.canDo()).contains(subject.split(" > ", -1)[0]));
    }

    @Test
    void whatIsUnderstoodIsNoWarning() {
        batch.csv("a.csv", "Day,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Tarsk,6");
        batch.settle("type", "Pax", "Text").settle("spelling", "Port", "not now: spaces tidied");
        batch.settle("value", "Port", "not for Hollin | Tarsk").settle("rows", "Port is Oska", "not now: keep");
        batch.settle("equal-rows", "Port", "not now: keep the last");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("not-followed")).isEmpty();
        assertThat(made.lines()).containsExactly("2026-01-01|Hollin|5", "2026-01-02|Tarsk|6");
    }
}
