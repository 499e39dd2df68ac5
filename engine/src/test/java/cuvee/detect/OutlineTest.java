package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.testing.Rows;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Rows numbered or indented as an outline, in which some add up those under them. */
class OutlineTest {
    private static FoundTable find(Object[]... rows) {
        return find(Reading.DEFAULT, rows);
    }

    private static FoundTable find(Reading reading, Object[]... rows) {
        TableFinder finder = new TableFinder(HeaderHints.NONE, SheetClues.NONE, reading);
        for (int i = 0; i < rows.length; i++) {
            finder.row(Rows.row(i + 1, rows[i]));
        }
        return finder.end().get(0);
    }

    private static Object[] row(Object... cells) {
        return cells;
    }

    private static final Object[] HEADER = row("Item", "Work", "Contract", "Claimed");

    @Test
    void rowsThatAddUpThoseUnderThemHeadTheseAndAreNoRecords() {
        FoundTable found = find(
                HEADER,
                row("1", "Groundworks", 150, 60),
                row("1.1", "Clear site", 40, 20),
                row("1.2", "Excavate", 110, 40),
                row("2", "Structure", 300, 90),
                row("2.1", "Frame", 100, 50),
                row("2.2", "Slab", 200, 40),
                row("", "Total claim", 450, 150));
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.sections()).extracting(Aside::text).containsExactly("Groundworks", "Structure");
        assertThat(found.setAside()).containsEntry(RowClass.TOTAL, 1).containsEntry(RowClass.SECTION, 2);
        assertThat(found.totals()).extracting(StatedTotal::row).containsOnly(2, 5, 8);
        assertThat(found.totals()).allMatch(StatedTotal::agrees);
        assertThat(found.columns().get(2).sum()).isEqualTo(450);
    }

    @Test
    void theNumbersOfAnOutlineAreNamesAndNoDecimals() {
        FoundTable found = find(
                HEADER,
                row("1", "Groundworks", 150, 60),
                row("1.1", "Clear site", 40, 20),
                row("1.10", "Excavate", 110, 40));
        assertThat(Typing.decide(found.columns().get(0).evidence(), true).type())
                .isEqualTo(Type.TEXT);
    }

    @Test
    void decimalsBehindAWholeNumberAreNoOutline() {
        FoundTable found = find(
                row("Reduction", "Charge", "Doses"),
                row("0.09", 446.93, 1),
                row("0", 786.22, 1),
                row("0.105", 762.91, 16),
                row("0.04", 323.13, 22),
                row("2", 20.5, 3),
                row("2.5", 15.77, 8),
                row("1", 338.9, 4),
                row("1.5", 865.8, 30),
                row("1.75", 38.84, 8));
        assertThat(found.kept()).isEqualTo(9);
        assertThat(Typing.decide(found.columns().get(0).evidence(), true).type())
                .isEqualTo(Type.DECIMAL);
    }

    @Test
    void numbersCountedUnderANumberAreNamesThoughNothingAddsUp() {
        FoundTable found = find(
                row("Clause", "Subject", "Pages"),
                row("1", "Scope", 3),
                row("1.1", "Works", 9),
                row("1.2", "Terms", 12),
                row("2", "Duties", 4),
                row("2.1", "Site", 7));
        assertThat(Typing.decide(found.columns().get(0).evidence(), true).type())
                .isEqualTo(Type.TEXT);
    }

    @Test
    void eachOfSeveralLevelsAddsUpTheOneBelowIt() {
        FoundTable found = find(
                HEADER,
                row("A", "House", 330, 165),
                row("A.1", "Ground floor", 130, 65),
                row("A.1.1", "Walls", 30, 15),
                row("A.1.2", "Doors", 100, 50),
                row("A.2", "Roof", 200, 100),
                row("A.2.1", "Tiles", 200, 100));
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.sections()).extracting(Aside::text).containsExactly("House", "Ground floor", "Roof");
    }

    @Test
    void whereSomeRecordsStandUnderNothingTheOthersAreTotalsOnly() {
        FoundTable found = find(
                HEADER,
                row("1", "Groundworks", 150, 60),
                row("1.1", "Clear site", 40, 20),
                row("1.2", "Excavate", 110, 40),
                row("2", "Reserve", 75, 10));
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.sections()).isEmpty();
        assertThat(found.setAside()).containsEntry(RowClass.TOTAL, 1);
    }

    @Test
    void indentedRowsAreAnOutlineToo() {
        FoundTable found = find(
                row("Line", "Plan", "Actual"),
                row("Income", 500, 420),
                row("   Fares", 300, 260),
                row("   Freight", 200, 160),
                row("Costs", 310, 290),
                row("   Fuel", 110, 100),
                row("   Crew", 200, 190));
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.sections()).extracting(Aside::text).containsExactly("Income", "Costs");
    }

    @Test
    void rowsThatStandFurtherToTheLeftHeadThoseBehindThem() {
        FoundTable found = find(
                row("Cost centre", "Account", "Amount"),
                row("Yard", "", 1566),
                row("", "Wages", 834),
                row("", "Rent", 494),
                row("", "Fuel", 238),
                row("Office", "", 900),
                row("", "Wages", 645),
                row("", "Rent", 255));
        assertThat(found.kept()).isEqualTo(5);
        assertThat(found.sections()).extracting(Aside::text).containsExactly("Yard", "Office");
    }

    @Test
    void theFirstOfAGroupIsNoTotalThoughItsAmountIsThatOfTheOthers() {
        FoundTable found = find(
                row("Cost centre", "Account", "Amount"),
                row("Yard", "Wages", 800),
                row("", "Rent", 500),
                row("", "Fuel", 300),
                row("Office", "Wages", 645),
                row("", "Rent", 255));
        assertThat(found.kept()).isEqualTo(5);
    }

    @Test
    void whatIsDecidedOfRowsGoesBeforeTheOutline() {
        Object[][] rows = {
            HEADER,
            row("1", "Groundworks", 150, 60),
            row("1.1", "Clear site", 40, 20),
            row("1.2", "Excavate", 110, 40),
            row("2", "Structure", 300, 90),
            row("2.1", "Frame", 300, 90),
            row("", "told by phone", 7, 7)
        };
        assertThat(find(Reading.DEFAULT.withLastRow(6), rows).kept())
                .as("up to the last row")
                .isEqualTo(3);
        FoundTable record = find(Reading.DEFAULT.withRows(2, 2, Optional.empty()), rows);
        assertThat(record.runs().get(0).first()).isEqualTo(2);
    }

    @Test
    void aRowThatDoesNotAddUpThoseUnderItIsKeptAndSaid() {
        FoundTable found = find(
                HEADER,
                row("1", "Groundworks", 150, 60),
                row("1.1", "Clear site", 40, 20),
                row("1.2", "Excavate", 110, 40),
                row("2", "Structure", 333, 91),
                row("2.1", "Frame", 100, 50),
                row("2.2", "Slab", 200, 40));
        assertThat(found.kept()).isEqualTo(5);
        assertThat(found.doubts())
                .anyMatch(doubt -> doubt.row() == 5 && doubt.kind().equals("outline-sum"));
    }

    @Test
    void theOnlyHeadWithASumThatIsNearlyRightIsSaid() {
        FoundTable found = find(
                HEADER,
                row("1", "Groundworks", 150, 62),
                row("1.1", "Clear site", 40, 20),
                row("1.2", "Excavate", 111, 40));
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("outline-sum");
    }

    @Test
    void numberedRowsWithoutOthersUnderThemStayRecordsAndInOrder() {
        List<Object[]> rows = new ArrayList<>(List.<Object[]>of(HEADER));
        for (int i = 1; i <= 200; i++) {
            rows.add(row(String.valueOf(i), "Trip " + i % 7, 10 + i * 37 % 91, 3 * i % 53));
        }
        FoundTable found = find(rows.toArray(new Object[0][]));
        assertThat(found.kept()).isEqualTo(200);
        assertThat(found.runs()).containsExactly(new FoundTable.Run(2, 200));
    }

    @Test
    void aBranchWithNumbersOfItsOwnIsARecord() {
        FoundTable found = find(
                row("Unit", "Head", "Staff"),
                row("1", "Harbour office", 4),
                row("1.1", "Pilots", 7),
                row("1.2", "Tugs", 9),
                row("2", "Yard office", 3),
                row("2.1", "Welders", 12));
        assertThat(found.kept()).isEqualTo(5);
        assertThat(found.doubts()).isEmpty();
    }
}
