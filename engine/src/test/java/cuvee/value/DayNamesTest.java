package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class DayNamesTest {
    @Test
    void firstLettersAreThoseOfWholeWeeksOrOfTheirWorkingDays() {
        assertThat(DayNames.areInitials(letters("MTWTFSSMTWTF"))).isTrue();
        assertThat(DayNames.areInitials(letters("WTFMTWTFMTWTF"))).isTrue();
        assertThat(DayNames.areInitials(letters("MTTWFMTTWF"))).isFalse();
        assertThat(DayNames.areInitials(letters("MTWTFWTFMT"))).isFalse();
        assertThat(DayNames.areInitials(letters("ABCDE"))).isFalse();
    }

    @Test
    void workingDaysOfAMonthGoUpWithWeekendsBetweenThem() {
        assertThat(DayNames.areWorkingDays(List.of(1L, 2L, 3L, 6L, 7L, 8L, 9L, 10L, 13L)))
                .isTrue();
        assertThat(DayNames.areWorkingDays(List.of(1L, 2L, 3L, 4L, 5L, 6L, 7L, 8L)))
                .as("no weekend")
                .isFalse();
        assertThat(DayNames.areWorkingDays(List.of(1L, 4L, 6L, 9L, 12L, 15L, 18L, 21L)))
                .as("hardly two in a row")
                .isFalse();
        assertThat(DayNames.areWorkingDays(List.of(24L, 25L, 26L, 27L, 30L, 31L, 32L, 33L)))
                .as("no month is so long")
                .isFalse();
    }

    private static List<String> letters(String all) {
        return all.chars().mapToObj(Character::toString).toList();
    }
}
