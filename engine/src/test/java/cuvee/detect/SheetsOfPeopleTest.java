package cuvee.detect;

import static cuvee.detect.Drawings.readAsDrawn;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Sheets as people make them for people, drawn with what each row is; found without any other table of the batch. */
class SheetsOfPeopleTest {
    @Test
    void linesDrawnWithSignsHeadNoRows() {
        readAsDrawn("""
                t| LIST OF VOUCHERS
                h| Voucher | Date | Amount | Account
                n| ------------------------ | | |
                r| 4901000 | 2026-01-01 | -3373.49 | 400000
                r| 4901001 | 2026-01-02 | 1096.5 | 476100
                n| ------------------------ | | |
                p| Voucher | Date | Amount | Account
                n| ------------------------ | | |
                r| 4901002 | 2026-01-03 | 204.68 | 476100
                r| 4901003 | 2026-01-04 | -678.66 | 400000
                n| ======================== | | |
                """);
    }

    @Test
    void linesOfAnOrderBelowItsItemsAreNoRecords() {
        readAsDrawn("""
                h| Item | Place | Qty | Unit price | Amount
                r| Washers | Hollin | 2 | 10 | 20
                r| Screws | Tarsk | 3 | 5 | 15
                r| Lamps | Tarsk | 1 | 65 | 65
                T| | | | Net | 100
                T| | | | VAT 19 % | 19
                T| | | | Total | 119
                """);
    }

    @Test
    void aRecordWithNothingButItsDateIsNoSection() {
        readAsDrawn("""
                h| Date | Price | Qty
                r| 2026-05-27 | 26.89 | 319
                r| 2026-08-07 | 71.21 | 234
                r| 2026-10-21 | 12.84 | 126
                r| 2026-01-22 | |
                r| 2026-08-09 | 33.09 | 210
                """);
    }

    @Test
    void signaturesInPairsBelowATotalAreNotes() {
        readAsDrawn("""
                h| Item | Place | Pieces | Value
                r| Bolts | Hollin | 12 | 3.5
                r| Hoses | Tarsk | 7 | 12.25
                r| Lamps | Hollin | 3 | 8
                T| | Total | 22 | 23.75

                n| Prepared by: | Ida | Approved: | Ben
                n| Date: | 2026-03-31

                n| ________________
                n| Signature
                """);
    }

    @Test
    void aRecordThatHasItsCodeAloneIsNoSectionLine() {
        List<FoundTable> tables = readAsDrawn("""
                t| Export of stores

                h| Order no. | Amount | Net weight | Qty
                r| SO-41623 | 413.05 | 52.6 | 4
                r| SO-44673 | 88.1 | 27.2 | 1
                r| SO-47311 | 727.46 | 7.3 | 9
                r| SO-56232
                r| SO-57009 | 7702.8 | 26.9 | 3
                s| North
                r| SO-03966 | 2207.4 | 41.6 | 7
                r| SO-64677 | 792.03 | 33.2 | 2
                """);
        assertThat(tables).hasSize(1);
    }

    @Test
    void aNameAloneThatOtherRecordsHaveIsARecord() {
        List<FoundTable> tables = readAsDrawn("""
                h| Sales rep | Department | Item | Unit price | Qty
                r| Dan Marsh | Logistics | Bolts | 92.0
                r| Ada Finch
                r| Gil Oakes | Workshop | Hinges | 62.95
                r| Finn Reed | | Filters | | 454
                r| Hana Voss | Logistics | | 28.16 | 376
                r| Ada Finch | Workshop | Valves
                r| Dan Marsh | Sales | Nails | 4.12
                """);
        assertThat(tables.get(0).doubts()).extracting(FoundTable.Doubt::kind).contains("sparse-row");
    }

    @Test
    void aNameAloneOverRecordsOfThatNameHeadsThem() {
        readAsDrawn("""
                h| Sales rep | Department | Item | Unit price | Qty
                r| Dan Marsh | Logistics | Bolts | 92.0 | 3
                s| Ada Finch
                r| Ada Finch | Workshop | Hinges | 62.95 | 8
                r| Ada Finch | Workshop | Filters | 2.5 | 454
                s| Hana Voss
                r| Hana Voss | Logistics | Nails | 28.16 | 376
                r| Hana Voss | Sales | Valves | 4.12 | 1
                """);
    }

    @Test
    void aCountOfRowsUnderTheEndOfAReportIsNoRecord() {
        readAsDrawn("""
                t| Printed 13/09/2026

                h| Route | Vessel | Trips | Fares | Share
                r| North Reach | Heron | 35 | 464.71 |
                r| | Plover | 29 | 305.52 |
                T| | Subtotal | 64 | 770.23 |
                r| Marsh Ferry | Dunlin 2 | 6 | 14.79 | 0.148
                r| | Heron | 2 | 39.78 | 0.175
                T| | Subtotal | 8 | 54.57 |
                r| Inner Sound | Dunlin 2 | 1 | 143.64 | 0.024
                T| | Total Inner Sound | 1 | 143.64 |
                T| | Total | 73 | 968.44 |

                n| End of report
                n| Rows checked | 5
                """);
    }

    @Test
    void aCountBesideWordsUnderTheEndOfAReportIsNoRecordEvenWhereItGoesWithTheColumns() {
        readAsDrawn("""
                h| Route | Trips | Rate | Class | Fares | Share | Ticket | Remarks
                r| Inner Sound | 24 | 28.15 | foot | 675.6 | 27.8% | 799 | fog
                r| | 4 | 13.25 | foot | 53 | 15.8% | 817 | calm
                T| | 28 | | Total Inner Sound | 728.6 | | |
                r| Marsh Ferry | 13 | 141.71 | car | 1842.23 | 6.8% | 805 | calm
                r| | 8 | 10.2 | foot | 81.6 | 22.6% | 814 | fog
                T| | 21 | | Subtotal | 1923.83 | | |
                r| Horizon | 4 | 23.05 | foot | 92.2 | 16.6% | 820 | calm
                T| | 4 | | Horizon total | 92.2 | | |
                T| | 53 | | Total | 2744.63 | | |

                n| Figures agreed with the office
                n| End of report
                n| Rows checked | 5
                """);
    }

    @Test
    void aCountOfTheRecordsBelowTheirNamesIsNoRecord() {
        readAsDrawn("""
                h| First | Last | Born | Gross
                r| Ida | Loon | 1980-03-01 | 4463
                r| Ole | Crake | 1981-03-02 | 4380
                r| Una | Marl | 1982-03-03 | 2568
                T| Count | 3
                """);
    }
}
