package cuvee.tag;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class NamePartsTest {
    private static NameParts parts(String... names) {
        return NameParts.of(List.of(names));
    }

    @Test
    void whatDiffersIsAPartAndWhatAllShareIsNone() {
        NameParts parts = parts("Hollin returns 2026-01", "Tarsk returns 2026-01", "Tarsk returns 2026-02");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Tarsk returns 2026-02", 0)).contains("Tarsk");
        assertThat(parts.period("Tarsk returns 2026-02").orElseThrow().value()).contains("2026-02-01");
    }

    @Test
    void severalMonthsOrDaysAreOnePart() {
        NameParts quarters = parts("Grants Jan-Mar 2026", "Grants Apr-Jun 2026", "Grants Jul - Sep 2026");
        assertThat(quarters.count()).isEqualTo(1);
        assertThat(quarters.part("Grants Jan-Mar 2026", 0)).contains("Jan-Mar");
        assertThat(quarters.part("Grants Jul - Sep 2026", 0)).contains("Jul-Sep");
        NameParts weeks = parts("runs 02-08 Mar", "runs 09-15 Mar", "runs 16-22 Mar");
        assertThat(weeks.count()).isEqualTo(1);
        assertThat(weeks.part("runs 09-15 Mar", 0)).contains("09-15");
    }

    @Test
    void aNameOfTwoWordsIsOnePart() {
        NameParts parts = parts("plan Port Aldan", "plan Skerry Isle", "plan Hollin");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("plan Port Aldan", 0)).contains("Port Aldan");
        NameParts all = parts("Port Aldan", "Skerry Isle");
        assertThat(all.part("Skerry Isle", 0)).contains("Skerry Isle");
    }

    @Test
    void aBareNumberIsTheMonthWhereOtherFilesSayTheirsInFull() {
        List<String> files = List.of(
                "Harrow repairs 01-2026",
                "Harrow repairs 02-2026",
                "Tilley 01",
                "Tilley 02",
                "vale_202601",
                "vale_202602");
        NameParts parts = NameParts.ofFiles(files);
        assertThat(parts.period("Tilley 02").orElseThrow().value()).contains("2026-02-01");
        assertThat(files)
                .extracting(file -> parts.part(file, 0).orElse(""))
                .containsExactly("Harrow repairs", "Harrow repairs", "Tilley", "Tilley", "vale", "vale");
    }

    @Test
    void monthsWithAYearOfTwoDigitsAreToldByManyNamesTogether() {
        List<String> files = List.of("Tilley 01-26", "Tilley 02-26", "Vale 11-25", "Vale 12-25");
        NameParts parts = NameParts.ofFiles(files);
        assertThat(parts.period("Tilley 02-26").orElseThrow().value()).contains("2026-02-01");
        assertThat(parts.period("Vale 12-25").orElseThrow().value()).contains("2025-12-01");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Vale 12-25", 0)).contains("Vale");
        NameParts days = NameParts.ofFiles(List.of("run 03-15", "run 03-16", "run 03-17", "run 03-18"));
        assertThat(days.period("run 03-16").filter(period -> period.year() > 0)).isEmpty();
        NameParts shelves = NameParts.ofFiles(List.of("shelf 01-26", "shelf 02-31", "shelf 07-18"));
        assertThat(shelves.period("shelf 01-26").filter(period -> period.year() > 0))
                .isEmpty();
    }

    @Test
    void soAreThoseOfOneDigitAndThoseThatNamesBeginWith() {
        NameParts parts = NameParts.ofFiles(List.of("9.25 Tilley", "10.25 Tilley", "11.25 Tilley", "9.25 Vale"));
        assertThat(parts.period("9.25 Vale").orElseThrow().value()).contains("2025-09-01");
        assertThat(parts.period("11.25 Tilley").orElseThrow().value()).contains("2025-11-01");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("9.25 Vale", 0)).contains("Vale");
        NameParts versions = NameParts.ofFiles(List.of("plan 1.20", "plan 2.20"));
        assertThat(versions.period("plan 2.20").filter(period -> period.year() > 0))
                .isEmpty();
    }

    @Test
    void numbersThatAreNoMonthsOfTheOthersStayInTheName() {
        List<String> files =
                List.of("Harrow repairs 01-2026", "Harrow repairs 02-2026", "Depot 11", "Depot 12", "vale_202601");
        NameParts parts = NameParts.ofFiles(files);
        assertThat(parts.period("Depot 11")).isEmpty();
        assertThat(parts.part("Depot 11", 0)).contains("Depot 11");
        assertThat(parts.part("Depot 12", 0)).contains("Depot 12");
    }

    @Test
    void marksOfAVersionInBracketsAreNoPart() {
        NameParts parts = parts("Upper Sound_Log (rev)", "Hollin Bay_Log");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Upper Sound_Log (rev)", 0)).contains("Upper Sound");
        assertThat(parts.part("Hollin Bay_Log", 0)).contains("Hollin Bay");
    }

    @Test
    void marksOfAVersionInBracketsPartNoWords() {
        NameParts parts = parts("Crossing log Port Aldan (rev)", "Crossing log Skerry (rev)");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Crossing log Port Aldan (rev)", 0)).contains("Port Aldan");
        NameParts places = parts("Log Upper (north)", "Log Lower (south)");
        assertThat(places.part("Log Lower (south)", 1))
                .as("no mark of a version")
                .contains("south");
    }

    @Test
    void marksOfAVersionBehindAValueAreNotOfIt() {
        NameParts parts = parts("Log - Upper Sound FINAL", "Log - Hollin", "Log - Tarsk new");
        assertThat(parts.part("Log - Upper Sound FINAL", 0)).contains("Upper Sound");
        assertThat(parts.part("Log - Tarsk new", 0)).contains("Tarsk");
    }

    @Test
    void ofAWordThatAllNamesShareOneIsTakenOut() {
        NameParts parts = parts("Harwick Dome Dome sheet", "Larkmoor Dome sheet", "Science Wharf Dome sheet");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Harwick Dome Dome sheet", 0)).contains("Harwick Dome");
        assertThat(parts.part("Larkmoor Dome sheet", 0)).contains("Larkmoor");
        NameParts before = parts("plan Hollin", "plan plan North", "plan Tarsk");
        assertThat(before.part("plan plan North", 0)).contains("plan North");
    }

    @Test
    void wordsThatComeInSeveralCombinationsAreSeveralParts() {
        NameParts parts = parts("Hollin_bus", "Hollin_ferry", "Tarsk_bus", "Tarsk_ferry");
        assertThat(parts.count()).isEqualTo(2);
        assertThat(parts.part("Tarsk_bus", 0)).contains("Tarsk");
        assertThat(parts.part("Tarsk_bus", 1)).contains("bus");
    }

    @Test
    void oneMoreSeparatorDoesNotShiftTheOthers() {
        NameParts parts = parts("Hollin_bus", "Hollin_ferry", "Tarsk_bus", "Tarsk_ferry", "new_line_Tarsk_ferry");
        assertThat(parts.part("new_line_Tarsk_ferry", 0)).contains("Tarsk");
        assertThat(parts.part("new_line_Tarsk_ferry", 1)).contains("ferry");
    }

    @Test
    void whatIsNotFoundIsNotGuessed() {
        NameParts parts = parts("Hollin_bus", "Hollin_ferry", "Tarsk_bus", "Tarsk_ferry", "overview");
        assertThat(parts.part("overview", 0)).isEmpty();
        assertThat(parts.part("overview", 1)).isEmpty();
    }

    @Test
    void marksOfAVersionAreNoPart() {
        NameParts parts = parts("Hollin 2026-01", "Tarsk 2026-01", "Tarsk 2026-01 v2", "Tarsk 2026-01 (2)");
        assertThat(parts.count()).isEqualTo(1);
        assertThat(parts.part("Tarsk 2026-01 v2", 0)).contains("Tarsk");
        assertThat(parts.same("Tarsk 2026-01", "Tarsk 2026-01 v2")).isTrue();
        assertThat(parts.same("Tarsk 2026-01", "Tarsk 2026-01 (2)")).isTrue();
        assertThat(parts.same("Tarsk 2026-01", "Hollin 2026-01")).isFalse();
        assertThat(NameParts.marksVersion("Tarsk final")).isTrue();
        assertThat(NameParts.marksVersion("Tarsk finale hall")).isFalse();
    }

    @Test
    void theSamePeriodWrittenOtherwiseIsTheSame() {
        NameParts parts = parts("Hollin 2026-01", "Hollin January corrected", "Hollin 2026-02");
        assertThat(parts.same("Hollin 2026-01", "Hollin January corrected")).isTrue();
        assertThat(parts.same("Hollin 2026-02", "Hollin January corrected")).isFalse();
    }
}
