package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What of a form is a field of its record: labels beside, above and several in a row, whatever they are called. */
class FormFieldsTest extends BatchTest {
    private static final List<String> PORTS = List.of("Hollin", "Tarsk", "Fenn", "Marsay");
    private static final List<String> PEOPLE = List.of("Ada Quill", "Ben Rook", "Cy Vane", "Di Marl");

    private void visit(int visit, Object[]... rows) {
        batch.sheet("Visit " + visit + ".xlsx", rows);
    }

    @Test
    void aTelephoneNumberAndRemarksAmongTheFieldsAreFields() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Pier inspection"),
                    row(),
                    row("Port", PORTS.get(visit - 1)),
                    row("Telephone", "0771 88120" + visit),
                    row("Visited on", LocalDate.of(2026, 1, visit)),
                    row("Score", 60 + visit),
                    row("Notes", visit % 2 == 0 ? "ladder loose" : "nothing to mend"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Telephone", "Visited on", "Score", "Notes");
        assertThat(made.lines()).contains("Tarsk|0771 881202|2026-01-02|62|ladder loose");
    }

    @Test
    void whoSignedBelowTheFieldsIsLeftOutWithAWord() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Port", PORTS.get(visit - 1)),
                    row("Visited on", LocalDate.of(2026, 1, visit)),
                    row("Score", 60 + visit),
                    row(),
                    row("Signed", PEOPLE.get(visit - 1)));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Visited on", "Score");
        assertThat(made.findings("of-the-sheet")).hasSize(1);
        assertThat(made.findings("of-the-sheet").get(0).text()).contains("“Signed”", "“Ada Quill”", "4 forms");
    }

    @Test
    void whoCheckedBetweenTheFieldsIsAFieldOfTheRecord() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Port", PORTS.get(visit - 1)),
                    row("Checked by", PEOPLE.get(visit - 1)),
                    row("Visited on", LocalDate.of(2026, 1, visit)),
                    row("Score", 60 + visit));
        }
        assertThat(batch.refresh().columns()).containsExactly("Port", "Checked by", "Visited on", "Score");
    }

    @Test
    void formsFullOfWordsAreFormsToo() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Case", "C-10" + visit),
                    row("Port", PORTS.get(visit - 1)),
                    row("Inspector", PEOPLE.get(visit - 1)),
                    row("Grade", visit % 2 == 0 ? "A" : "B"),
                    row("Passed", visit % 2 == 0 ? "yes" : "no"),
                    row(
                            "Remarks",
                            List.of("ladder loose", "fine", "paint old", "rail bent")
                                    .get(visit - 1)));
        }
        assertThat(batch.refresh().lines()).hasSize(4).contains("C-102|Tarsk|Ben Rook|A|true|fine");
    }

    @Test
    void rowsOfLabelsOverRowsOfValuesAreAFormWhereTheValuesAreWordsToo() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Pier inspection"),
                    row(),
                    row("Case", "Port", "Score"),
                    row("C-10" + visit, PORTS.get(visit - 1), 60 + visit),
                    row(),
                    row("Inspector", "Grade"),
                    row(PEOPLE.get(visit - 1), visit % 2 == 0 ? "A" : "B"),
                    row(),
                    row("Remarks"),
                    row(visit == 3 ? null : "ladder " + visit + " loose"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Case", "Port", "Score", "Inspector", "Grade", "Remarks");
        assertThat(made.lines())
                .containsExactly(
                        "C-101|Hollin|61|Ada Quill|B|ladder 1 loose",
                        "C-102|Tarsk|62|Ben Rook|A|ladder 2 loose",
                        "C-103|Fenn|63|Cy Vane|B|",
                        "C-104|Marsay|64|Di Marl|A|ladder 4 loose");
    }

    @Test
    void oneSenderWhoCallsHalfOfThemOtherwiseSendsAFormToo() {
        for (int visit = 1; visit <= 4; visit++) {
            boolean own = visit == 4;
            visit(
                    visit,
                    row("Pier inspection"),
                    row(),
                    row("Case", own ? "Location" : "Port", "Staff"),
                    row("C-10" + visit, PORTS.get(visit - 1), 3 + visit),
                    row(),
                    row(own ? "Visit date" : "Visited on", own ? "Cost in EUR" : "Cost", "Passed"),
                    row(LocalDate.of(2026, 1, visit), 10.5 * visit, visit % 2 == 0 ? "yes" : "no"),
                    row(),
                    row(own ? "Inspected by" : "Inspector", "Score"),
                    row(PEOPLE.get(visit - 1), 60 + visit));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4).allMatch(line -> line.contains("C-10"));
        assertThat(String.join("\n", made.lines())).contains("Marsay", "42", "2026-01-04", "Di Marl");
    }

    @Test
    void twoLabelsInARowWithATelephoneNumberAreAFormToo() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Case", "C-10" + visit, "Port", PORTS.get(visit - 1)),
                    row("Score", 60 + visit, "Telephone", "0771 88120" + visit),
                    row("Visited on", LocalDate.of(2026, 1, visit), "Grade", visit % 2 == 0 ? "A" : "B"));
        }
        assertThat(batch.refresh().lines()).hasSize(4).contains("C-102|Tarsk|62|0771 881202|2026-01-02|A");
    }

    @Test
    void aSheetOfOneFormStandsBesideThoseOfSeveral() {
        for (int week = 1; week <= 3; week++) {
            List<Object[]> rows = new ArrayList<>();
            for (int call = 1; call <= (week == 3 ? 1 : 3); call++) {
                rows.add(row("Vessel", "MV Petrel " + week + call));
                rows.add(row("Arrived", LocalDate.of(2026, week, call)));
                rows.add(row("Passengers", 40 + call));
                rows.add(row("Dues paid", 12.5 * call));
                rows.add(row());
            }
            batch.sheet("Week " + week + ".xlsx", rows.toArray(Object[][]::new));
        }
        assertThat(batch.refresh().lines())
                .hasSize(7)
                .contains("MV Petrel 23|2026-02-03|43|37.5|Week 2", "MV Petrel 31|2026-03-01|41|12.5|Week 3");
    }

    @Test
    void headersOverOneRecordEachAreTablesThoughAPortIsTheSameInAll() {
        for (int visit = 1; visit <= 5; visit++) {
            visit(
                    visit,
                    row("Date", "Port", visit > 3 ? "Souls " + visit : "Passengers", "Berth"),
                    row(LocalDate.of(2026, 1, visit), "Hollin", 10 + visit, "B1"));
        }
        assertThat(batch.refresh().findings("form-read")).isEmpty();
    }

    @Test
    void aCheckListWithTheSameRowsInEachFileIsATable() {
        for (int visit = 1; visit <= 4; visit++) {
            visit(
                    visit,
                    row("Part", "State"),
                    row("Ladder", visit % 2 == 0 ? "good" : "to mend"),
                    row("Rail", visit % 3 == 0 ? "good" : "to mend"),
                    row("Lamps", "good"),
                    row("Bollards", visit == 4 ? "to mend" : "good"),
                    row("Fenders", visit > 2 ? "missing" : "good"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Part", "State");
        assertThat(made.lines()).hasSize(20);
    }
}
