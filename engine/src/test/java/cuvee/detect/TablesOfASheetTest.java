package cuvee.detect;

import static cuvee.detect.Drawings.names;
import static cuvee.detect.Drawings.readAsDrawn;
import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Several tables on a sheet, below and beside each other, and what stands beside a table and is none. */
class TablesOfASheetTest {
    @Test
    void groupsPartedByBlankColumnsAreOneTable() {
        FoundTable table = readAsDrawn("""
                t| Household survey

                h|      | | 2025 |       | | 2026 |
                h| Area | | Persons | Homes | | Persons | Homes
                r| Hollin | | 120 | 12 | | 130 | 13
                r| Tarsk  | | 220 | 22 | | 230 | 23
                r| Marsay | | 320 | 32 | | 330 | 33
                """).get(0);
        assertThat(names(table))
                .containsExactly("Area", "2025 / Persons", "2025 / Homes", "2026 / Persons", "2026 / Homes");
    }

    @Test
    void twoTablesUnderTitlesOfTheirOwnStandSideBySide() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Price
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Washers | 12 | 66.46 | | Marsay | 7091.29 | 64.9
                """).find();
        assertThat(tables)
                .extracting(Drawings::names)
                .containsExactly(List.of("Item", "Hours", "Price"), List.of("Place", "Amount", "Price"));
        assertThat(tables)
                .allMatch(table -> table.kept() == 3 && table.headerRows().equals(List.of(2)));
    }

    @Test
    void pagesWithNumbersInTheirTitlesAreOneTable() {
        assertThat(readAsDrawn("""
                t| Ledger of stores | | | Page 1 of 2

                h| Date | Item | Qty | Amount
                r| 2026-03-01 | Bolts | 3 | 4.5
                r| 2026-03-02 | Hoses | 2 | 7.5
                r| 2026-03-03 | Lamps | 8 | 1.5

                t| Ledger of stores | | | Page 2 of 2

                p| Date | Item | Qty | Amount
                r| 2026-03-04 | Ropes | 3 | 4.5
                r| 2026-03-05 | Bolts | 1 | 9.5
                """)).hasSize(1);
    }

    @Test
    void aNarrowerTableBelowSharesWordsWithTheOneAbove() {
        assertThat(readAsDrawn("""
                t| Table A: inbound

                h| Region | City | Item | Weight | Amount | Price
                r| West | Tarn | Lamps | 24.5 | 4880.04 | 2.92
                r| North | Lorne | Hoses | 34.5 | 880.04 | 12.92
                r| East | Nairn | Nails | 4.5 | 480.04 | 22.92

                t| Table B: outbound
                h| Item | Sales rep | Amount | Weight
                r| Cable | Gil Oakes | 7385.12 | 42.3
                r| Screws | Eva Stone | 1951.42 | 54.7
                r| Hoses | Ada Finch | 3852.08 | 19.2
                """)).hasSize(2);
    }

    @Test
    void aLegendBesideATableWithBlankLinesIsATableOfItsOwn() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Show | Run no. | Income | Audience | | Code | Meaning
                r| Comets | 10449 | 535.07 | Private | | A | agreed
                r|        | 10452 | 194.43 | Club | | P | provisional
                 |        |       |        |      | | X | cancelled
                r| Moons  | 10462 | 1117.58 | Private | |
                r|        | 10457 | 217.75 | Public | |
                r| Stars  | 10442 | 232.67 | Club | |
                r|        | 10423 | 215.98 | Private | |
                """).find();
        assertThat(tables)
                .extracting(Drawings::names)
                .containsExactly(List.of("Show", "Run no.", "Income", "Audience"), List.of("Code", "Meaning"));
        assertThat(tables).extracting(FoundTable::kept).containsExactly(6, 3);
    }

    @Test
    void columnsBehindABlankOneThatAreFilledNowAndThenBelongToTheTable() {
        FoundTable table = readAsDrawn("""
                h| Show | Run no. | Income | Audience | | Checked by | On
                r| Comets | 10449 | 535.07 | Private | | Rook | 2026-03-01
                r| Comets | 10452 | 194.43 | Club | | Rook | 2026-03-01
                r| Moons  | 10462 | 1117.58 | Private | | |
                r| Moons  | 10457 | 217.75 | Public | | Hale | 2026-03-02
                r| Stars  | 10442 | 232.67 | Club | | |
                r| Stars  | 10423 | 215.98 | Private | | |
                """).get(0);
        assertThat(names(table)).contains("Checked by", "On");
    }

    @Test
    void aSideCalculationBesideTheTableIsLeftOutAndSaid() {
        FoundTable table = readAsDrawn("""
                h| Item | Place | Pieces | Value | |
                r| Bolts | Hollin | 12 | 3.5 | | Rate | 1.09
                r| Hoses | Tarsk | 7 | 12.25 | |
                r| Lamps | Hollin | 3 | 8 | |
                r| Ropes | Tarsk | 9 | 8.25 | |
                """).get(0);
        assertThat(names(table)).containsExactly("Item", "Place", "Pieces", "Value");
        assertThat(table.doubts())
                .extracting(FoundTable.Doubt::text)
                .containsExactly("2 cells stand beside the table, from column F on, under no header; left out.");
    }

    @Test
    void aTableBelowTwoThatStandSideBySideRunsOnOverBoth() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Cost
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Hoses | 18 | 5.59 | | Fenn | 7.74 | 3.57

                t| All movements
                h| Item | Place | Date | Hours | Amount
                r| Bolts | Hollin | 2026-03-01 | 8 | 7
                r| Hoses | Tarsk | 2026-03-02 | 9 | 6
                """).find();
        assertThat(tables)
                .extracting(Drawings::names)
                .containsExactly(
                        List.of("Item", "Hours", "Price"),
                        List.of("Place", "Amount", "Cost"),
                        List.of("Item", "Place", "Date", "Hours", "Amount"));
        assertThat(tables.get(2).titles()).containsExactly("All movements");
        assertThat(tables).extracting(FoundTable::kept).containsExactly(3, 3, 2);
    }

    @Test
    void headersRepeatedAtOtherHeightsStandSideBySide() {
        List<FoundTable> tables = new DrawnSheet("""
                t| Inbound | | | | Outbound
                h| Item | Hours | Price | | Place | Amount | Cost
                r| Bolts | 8 | 21.5 | | Hollin | 5560.4 | 39.62
                r| Valves | 148 | 25.59 | | Tarsk | 717.74 | 23.57
                r| Hoses | 18 | 5.59 | | |
                p|      | | | | Place | Amount | Cost
                p| Item | Hours | Price | | Oska | 8.74 | 4.57
                r| Ropes | 48 | 2.59 | | Fenn | 7.74 | 3.57
                """).find();
        assertThat(tables).extracting(FoundTable::kept).containsExactly(4, 4);
        assertThat(tables).allMatch(table -> table.setAside().getOrDefault(RowClass.REPEAT, 0) == 1);
    }

    @Test
    void aHeaderWithAColumnCalledSumBehindATotalBeginsAnotherTable() {
        readAsDrawn("""
                h| Date | Payee | Amount | VAT
                r| 2026-03-01 | Moss | 10 | 2
                r| 2026-03-02 | Nairn | 11 | 2
                r| 2026-03-03 | Moss | 12 | 2
                T| Total | | 33 | 6

                h| Day | Customer | Method | Sum
                r| 2026-03-02 | Pryde | Card | 7
                r| 2026-03-03 | Quill | Cash | 8
                r| 2026-03-04 | Pryde | Card | 9
                """);
    }

    @Test
    void aTitleAndWordsOverNumbersBeginAnotherTableThoughItsWordsWouldFit() {
        assertThat(readAsDrawn("""
                        t| Table A: inbound

                        h| Region | Department | Order no. | Hours | Weight
                        r| Highlands | Sales | SO-88716 | 10 | 69.3
                        r| Valley | Logistics | SO-56949 | 125 | 75
                        r| Harbour | Logistics | SO-70065 | 33 | 48.4
                        r| South | Sales | SO-83876 | 101 | 2.4

                        t| Table B: outbound
                        h| Region | City | Qty | Amount
                        r| West | Glenbar | 415 | 5886.21
                        r| Islands | Ardmoor | 122 | 8946.79
                        r| North | Ingle | 14 | 7980.04
                        r| North | Perth Green | 9 | 5283.05
                        """)).hasSize(2);
        assertThat(readAsDrawn("""
                        t| Table A: inbound
                        h| Order no. | City | Region | Amount
                        r| SO-21994 | Belcot | West | 8223.23
                        r| SO-40704 | Elsby | North | 5780.18
                        r| SO-22442 | Elsby | South | 1822.31
                        r| SO-38324 | Ardmoor | North | 1749.28

                        t| Table B: outbound
                        h| City | Amount | Unit price
                        r| Dunvale | 4346.71 | 27.77
                        r| Ardmoor | 4356.63 | 19.1
                        r| Dunvale | 351.06 | 93.13
                        """)).hasSize(2);
    }

    @Test
    void labelsLeftOfAndAboveATableStandBesideNothing() {
        assertThat(readAsDrawn("""
                        t| Report | Monthly returns
                        t| Prepared by | Ivo Brandt
                        t| Currency | EUR

                        h| | | Item | | Region | Amount
                        r| | | Ropes | | West | 8765.52
                        r| | | Bolts | | Coast | 3720.15
                        r| | | Lamps | | Islands | 7264.37
                        r| | | Filters | | Highlands | 238.59
                        """)).hasSize(1);
    }

    @Test
    void aNameUsedAgainBehindAWideGapBeginsAnotherTable() {
        List<FoundTable> tables = new DrawnSheet("""
                h| Order no. | Price | Hours | | | | City | Amount | Price
                r| SO-80648 | 48.57 | 75 | | | | Farrow | 6204.48 | 41.21
                r| SO-34850 | 60.03 | 142 | | | | Nairn | 5469.75 | 50.59
                r| SO-69069 | 36.3 | 70 | | | | Rosslyn | 4872.83 | 48.57
                r| SO-49561 | 77.71 | 63 | | | | Hexley | 4368.58 | 28.14
                """).find();
        assertThat(tables)
                .extracting(Drawings::names)
                .containsExactly(List.of("Order no.", "Price", "Hours"), List.of("City", "Amount", "Price"));
    }
}
