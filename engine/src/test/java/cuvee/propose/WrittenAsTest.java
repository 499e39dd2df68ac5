package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.value.Type;
import org.junit.jupiter.api.Test;

/** Cells that stand for something else than they say: notes behind numbers, minutes, zones, yes and no. */
class WrittenAsTest extends BatchTest {
    @Test
    void marksThatPointToANoteAreNoPartOfANumber() {
        batch.csv(
                "a.csv",
                "Berth,Visitors,Dues",
                "North,\"3,516\",12.50",
                "South,\"4,511*\",9.75 (e)",
                "East,980 (e),n/a",
                "West,\"1,784\",8.25",
                "Quay,\"2,100\",7.10",
                "Pier,\"1,020\",6.00",
                "",
                "* provisional");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Visitors")).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(made.column("Visitors")).containsExactly("3516", "4511", "980", "1784", "2100", "1020");
        assertThat(made.column("Dues")).containsExactly("12.5", "9.75", "", "8.25", "7.1", "6");
        assertThat(made.findings("written-as"))
                .anySatisfy(finding -> assertThat(finding.what())
                        .isEqualTo("Behind some numbers of the column “Visitors” stand “(e)” and “*”, in a.csv."));
    }

    @Test
    void timesBesideMinutesAreAskedAbout() {
        batch.csv("a.csv", "Shift,Break", "A1,0:30", "A2,0:45", "A3,1:00");
        batch.csv("b.csv", "Shift,Break", "B1,30 min", "B2,45 min", "B3,60 min");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Break")).isEqualTo(Type.TEXT);
        assertThat(made.question(Kinds.TYPE).text()).contains("“Break”", "fit Time, none of 3 of b.csv does");
    }

    @Test
    void outlineNumbersAreCodesAndNoDecimals() {
        batch.csv("a.csv", "Code,Item,Budget", "1.1,Pay,10.5", "1.2,Rent,20", "1.10,Heat,30.25");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Code")).containsExactly("1.1", "1.2", "1.10");
        assertThat(made.type("Budget")).isEqualTo(Type.DECIMAL);
        assertThat(made.question(Kinds.TYPE).text()).contains("“Code”", "called like codes");
    }

    @Test
    void timesWithTheirZoneAreTimesAndSeveralZonesAreSaid() {
        batch.csv("a.csv", "Id,At", "1,2026-03-01T10:15:00Z", "2,2026-03-02T11:15:00Z");
        Batch.Made one = batch.refresh();
        assertThat(one.lines()).containsExactly("1|2026-03-01T10:15:00", "2|2026-03-02T11:15:00");
        assertThat(one.outcome().findings()).noneMatch(finding -> finding.kind().equals("time-zones"));
        batch.csv("b.csv", "Id,At", "3,2026-03-03T10:15:00+02:00", "4,2026-03-04 11:15:00.250+0200");
        Batch.Made several = batch.refresh();
        assertThat(several.lines()).contains("4|2026-03-04T11:15:00.25");
        assertThat(several.outcome().findings())
                .anyMatch(finding -> finding.kind().equals("time-zones"));
        assertThat(batch.refresh().outcome().findings())
                .as("as it was kept")
                .anyMatch(finding -> finding.kind().equals("time-zones"));
    }

    @Test
    void aColumnOfLinesThatHeadOthersIsCarriedDownUnderItsOwnHeader() {
        batch.csv(
                "costs.csv",
                "Cost centre,Account,Amount",
                "Yard,,1566",
                ",Wages,834",
                ",Rent,494",
                ",Fuel,238",
                "Office,,900",
                ",Wages,645",
                ",Rent,255");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Cost centre", "Account", "Amount");
        assertThat(made.lines())
                .startsWith("Yard|Wages|834")
                .endsWith("Office|Rent|255")
                .hasSize(5);
        assertThat(batch.refresh().columns()).isEqualTo(made.columns());
    }

    @Test
    void onesAndNoughtsAreYesAndNoWhereOthersSayThatInWords() {
        batch.csv("a.csv", "Id,Active,Score", "a1,Yes,4", "a2,No,7", "a3,Yes,2");
        batch.csv("b.csv", "Id,Active,Score", "b1,1,4", "b2,0,7", "b3,1,2");
        batch.csv("c.csv", "Id,Active,Score", "c1,Y,4", "c2,N,7", "c3,Y,2");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().plan().columns().get(1).type()).isEqualTo(Type.YES_NO);
        assertThat(made.lines())
                .anyMatch(line -> line.startsWith("b1|true"))
                .anyMatch(line -> line.startsWith("b2|false"))
                .anyMatch(line -> line.startsWith("c3|true"));
        assertThat(made.findings("written-as")).singleElement().asString().contains("1 and 0 where the others say");
        batch.settle("written-as", "Active", "as written");
        assertThat(batch.refresh().outcome().plan().columns().get(1).type()).isNotEqualTo(Type.YES_NO);
    }

    @Test
    void countsBesideWordsAreNoYes() {
        batch.csv("a.csv", "Id,Spare,Score", "a1,Yes,4", "a2,No,7", "a3,Yes,2");
        batch.csv("b.csv", "Id,Spare,Score", "b1,1,4", "b2,0,7", "b3,4,2");
        assertThat(batch.refresh().findings("written-as")).isEmpty();
    }
}
