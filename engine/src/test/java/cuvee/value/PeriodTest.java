package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PeriodTest {
    @ParameterizedTest
    @CsvSource({
        "2026-03, MONTH, 2026-03-01",
        "202603, MONTH, 2026-03-01",
        "03/2026, MONTH, 2026-03-01",
        "0326, MONTH, 2026-03-01",
        "2603, MONTH, 2026-03-01",
        "March 2026, MONTH, 2026-03-01",
        "Mar-26, MONTH, 2026-03-01",
        "März 2026, MONTH, 2026-03-01",
        "2026 mars, MONTH, 2026-03-01",
        "2026-03-15, DAY, 2026-03-15",
        "15.03.2026, DAY, 2026-03-15",
        "15032026, DAY, 2026-03-15",
        "20260315, DAY, 2026-03-15",
        "15 March 2026, DAY, 2026-03-15",
        "2026, YEAR, 2026",
        "1999, YEAR, 1999",
    })
    void aPeriodIsToldHoweverItIsWritten(String text, Period.Kind kind, String value) {
        Period period = Period.of(text).orElseThrow();
        assertThat(period.kind()).isEqualTo(kind);
        assertThat(period.value()).contains(value);
    }

    @ParameterizedTest
    @CsvSource({
        "Q1 2026, QUARTER, 1",
        "Q1 FY25, QUARTER, 1",
        "2026Q3, QUARTER, 3",
        "KW 12, WEEK, 12",
        "W7, WEEK, 7",
        "H2 2026, HALF, 2",
        "1. Quartal, QUARTER, 1",
        "July, MONTH, 7",
        "okt, MONTH, 10"
    })
    void periodsWithoutAValueOfTheirOwnKeepTheirText(String text, Period.Kind kind, int number) {
        Period period = Period.of(text).orElseThrow();
        assertThat(period.kind()).isEqualTo(kind);
        assertThat(period.number()).isEqualTo(number);
    }

    @ParameterizedTest
    @CsvSource({"Passengers", "Route 12", "2099999", "1226x", "MV Marigold", "out", "Q5", "31.02.2026", "2011-13"})
    void otherTextsAreNone(String text) {
        assertThat(Period.of(text)).isEmpty();
    }

    @Test
    void theMostExactPeriodOfANameCounts() {
        Period.Found found = Period.in("2026 returns Hollin 2026-03-15 v2", Convention.Order.DAY_FIRST)
                .orElseThrow();
        assertThat(found.period().value()).contains("2026-03-15");
        assertThat(found.from()).isEqualTo(20);
        assertThat(found.to()).isEqualTo(30);
    }

    @Test
    void theOrderIsThatOfTheBatch() {
        assertThat(Period.monthFirst("report 03-25-2026")).isTrue();
        assertThat(Period.monthFirst("report 25-03-2026")).isFalse();
        assertThat(Period.in("report 03-04-2026", Convention.Order.MONTH_FIRST)
                        .orElseThrow()
                        .period()
                        .value())
                .contains("2026-03-04");
        assertThat(Period.in("report 03-04-2026", Convention.Order.DAY_FIRST)
                        .orElseThrow()
                        .period()
                        .value())
                .contains("2026-04-03");
    }

    @ParameterizedTest
    @CsvSource({"2025/26,2025", "2025-26,2025", "2024/2025,2024", "FY25/26,2025", "FY2526,2025", "1999/00,1999"})
    void aYearMayEndInTheNext(String text, int year) {
        Period period = Period.of(text).orElseThrow();
        assertThat(period).isEqualTo(new Period(Period.Kind.YEARS, year, 0, 0));
        assertThat(period.value()).as("no single year").isEmpty();
        assertThat(period.holds(LocalDate.of(year, 4, 1))).isTrue();
        assertThat(period.holds(LocalDate.of(year + 1, 3, 31))).isTrue();
        assertThat(period.holds(LocalDate.of(year + 2, 1, 1))).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "Sales Jan-Mar 2026,2026",
        "Sales January to March 2026,2026",
        "returns 2-8 March 2026,2026-03-01",
        "Sales March 2026,2026-03-01",
        "Data set - March 2026,2026-03-01",
        "returns 8 March 2026,2026-03-08"
    })
    void theLastOfSeveralMonthsOrDaysIsNotTheOneMeant(String name, String value) {
        assertThat(Period.in(name, Convention.Order.DAY_FIRST)
                        .orElseThrow()
                        .period()
                        .value())
                .contains(value);
    }

    @Test
    void severalMonthsOrWeeksAreNone() {
        assertThat(Period.in("sales Jan-Mar", Convention.Order.DAY_FIRST)).isEmpty();
        assertThat(Period.in("pay period 01 (wk1-2)", Convention.Order.DAY_FIRST))
                .isEmpty();
        assertThat(Period.in("pay wk1-2026", Convention.Order.DAY_FIRST)).isPresent();
    }

    @Test
    void aCommonWordIsNoMonthBesideOneInDigits() {
        Period.Found found =
                Period.in("Days out 2025-06", Convention.Order.DAY_FIRST).orElseThrow();
        assertThat(found.period().value()).contains("2025-06-01");
        assertThat(Period.in("vendas out 2025", Convention.Order.DAY_FIRST)
                        .orElseThrow()
                        .period()
                        .value())
                .contains("2025-10-01");
    }

    @Test
    void aPeriodHoldsItsDays() {
        LocalDate day = LocalDate.of(2026, 3, 31);
        assertThat(Period.of("2026-03").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("March").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("Q1 2026").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("2026").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("H1").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("W14 2026").orElseThrow().holds(day)).isTrue();
        assertThat(Period.of("2026-04").orElseThrow().holds(day)).isFalse();
        assertThat(Period.of("Q1 2025").orElseThrow().holds(day)).isFalse();
        assertThat(Period.of("2026-03-30").orElseThrow().holds(day)).isFalse();
    }

    @Test
    void aPeriodSaysWhatAWiderOneOrItsWeekWithoutAYearSays() {
        Period week = Period.of("week 9 2026").orElseThrow();
        assertThat(week.says(Period.of("week 9").orElseThrow())).isTrue();
        assertThat(week.says(Period.of("week 10").orElseThrow())).isFalse();
        assertThat(Period.of("week 9").orElseThrow().says(week)).isFalse();
        assertThat(Period.of("March 2026").orElseThrow().says(Period.of("2026").orElseThrow()))
                .isTrue();
    }
}
