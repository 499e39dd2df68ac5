package cuvee.layout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Headers that are days without a year, in the order of a calendar. */
class DaysAcrossTest {
    private static final List<String> TURN = List.of("30/12", "31/12", "01/01", "02/01");

    @Test
    void theYearIsThatOfTheTitleAndMayTurn() {
        assertThat(DaysAcross.of(TURN, List.of("Rooms sold, 22 December 2025 to 4 January 2026")))
                .contains(new DaysAcross(List.of("2025-12-30", "2025-12-31", "2026-01-01", "2026-01-02"), true));
        assertThat(DaysAcross.of(TURN, List.of("December 2025")).orElseThrow().days())
                .startsWith("2025-12-30")
                .endsWith("2026-01-02");
        assertThat(DaysAcross.of(TURN, List.of("Week to 2 January 2026"))
                        .orElseThrow()
                        .days())
                .startsWith("2025-12-30")
                .endsWith("2026-01-02");
    }

    @Test
    void withoutAYearTheyStayAsTheyStand() {
        assertThat(DaysAcross.of(TURN, List.of("Rooms sold"))).contains(new DaysAcross(TURN, false));
        assertThat(DaysAcross.of(List.of("3/2", "4/2", "5/2"), List.of("2025 and 2026 compared")))
                .as("two years that fit")
                .contains(new DaysAcross(List.of("3/2", "4/2", "5/2"), false));
    }

    @Test
    void whatComesFirstIsToldByTheirOrder() {
        assertThat(DaysAcross.of(List.of("3/2", "3/3", "3/4"), List.of("2026"))
                        .orElseThrow()
                        .days())
                .containsExactly("2026-03-02", "2026-03-03", "2026-03-04");
        assertThat(DaysAcross.of(List.of("Fri 27 Feb", "Sat 28 Feb", "Sun 1 Mar"), List.of("2026"))
                        .orElseThrow()
                        .days())
                .containsExactly("2026-02-27", "2026-02-28", "2026-03-01");
        assertThat(DaysAcross.of(List.of("27.02.", "28.02.", "01.03."), List.of("2026"))
                        .orElseThrow()
                        .days())
                .endsWith("2026-03-01");
    }

    @Test
    void seasonsFractionsAndRangesAreNoDays() {
        assertThat(DaysAcross.of(List.of("10/11", "11/12", "12/13"), List.of())).isEmpty();
        assertThat(DaysAcross.of(List.of("1/4", "1/2", "3/4"), List.of())).isEmpty();
        assertThat(DaysAcross.of(List.of("0-1", "1-2", "2-3"), List.of())).isEmpty();
    }
}
