package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Questions in words below the codes of a survey are no answer. */
class WordsBelowHeaderTest {
    private static final Object[] CODES = {"RespID", "Q1", "Q2_1", "Q2_2", "Q3"};

    @Test
    void theyAreANoteOnTheHeader() {
        FoundTable found = Sheets.table(
                CODES,
                new Object[] {"Respondent", "How satisfied are you?", "Used: bus", "Used: train", "Comments"},
                new Object[] {1001, 4, 0, 1, "Fine"},
                new Object[] {1002, 2, 1, 1, ""},
                new Object[] {1003, 5, 0, 0, "Too slow here"},
                new Object[] {1004, 5, 1, 0, ""});
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.columns())
                .extracting(TableColumn::header)
                .containsExactly("RespID", "Q1", "Q2_1", "Q2_2", "Q3");
        assertThat(found.doubts()).extracting(FoundTable.Doubt::kind).contains("words-below-header");
    }

    @Test
    void examplesOfWhatIsToBeFilledInAreANote() {
        FoundTable found = Sheets.table(
                new Object[] {"Site *", "Date *", "Visitors *", "Comments"},
                new Object[] {"e.g. Hollin", "e.g. 01/02/2026", "e.g. 123", "optional"},
                new Object[] {"North", "2026-02-01", 44, ""},
                new Object[] {"South", "2026-02-01", 12, "Fair"},
                new Object[] {"North", "2026-02-02", 31, ""},
                new Object[] {"South", "2026-02-02", 18, ""});
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.columns())
                .extracting(TableColumn::header)
                .containsExactly("Site *", "Date *", "Visitors *", "Comments");
    }

    @Test
    void aRecordWithAWordOrTwoAmongNumbersIsOne() {
        FoundTable found = Sheets.table(
                new Object[] {"Day", "Hollin", "Tarsk", "Quay"},
                new Object[] {"Sunday", "closed", 3, "holiday"},
                new Object[] {"Monday", 4, 5, 1},
                new Object[] {"Tuesday", 2, 1, 1},
                new Object[] {"Wednesday", 5, 7, 2});
        assertThat(found.kept()).isEqualTo(4);
    }
}
