package cuvee.place;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What people read is worded in one place. */
class WordsTest {
    @Test
    void aPlaceIsSaidAsAPersonWouldSayIt() {
        Where source = Where.source("Hollin/hollin-0326.csv");
        assertThat(source.row(118)).hasToString("Hollin/hollin-0326.csv, line 118");
        assertThat(Where.sheet("north.xlsx", "March").cell(12, 2)).hasToString("north.xlsx, sheet March, cell B12");
        assertThat(Where.sheet("north.xlsx", "March").row(12)).hasToString("north.xlsx, sheet March, row 12");
        assertThat(Where.JOB).hasToString("the job");
    }

    @ParameterizedTest
    @CsvSource({"1,A", "26,Z", "27,AA", "52,AZ", "703,AAA", "16384,XFD"})
    void columnsHaveTheirLetters(int column, String letters) {
        assertThat(Where.columnLetters(column)).isEqualTo(letters);
    }

    @Test
    void countsAndListsReadWell() {
        assertThat(Says.count(1, "row")).isEqualTo("1 row");
        assertThat(Says.count(1204, "row")).isEqualTo("1,204 rows");
        assertThat(Says.list(List.of())).isEqualTo("nothing");
        assertThat(Says.list(List.of("a"))).isEqualTo("a");
        assertThat(Says.list(List.of("a", "b", "c"))).isEqualTo("a, b and c");
        assertThat(Says.list(Collections.nCopies(9, "x"))).isEqualTo("x, x, x, x, x and 4 more");
    }

    @ParameterizedTest
    @CsvSource({"1,1 byte", "999,999 bytes", "10400,10 KB", "2500000,2.5 MB", "7300000000,7.3 GB"})
    void sizesComeInTheUnitThatPeopleExpect(long bytes, String said) {
        assertThat(Says.size(bytes)).isEqualTo(said);
    }

    @Test
    void aMessageSaysWhatWhereWhatWasDoneAndWhatCanBe() {
        Finding finding = new Finding(
                Severity.WARNING, "k", Where.source("a.csv"), "It is torn.", "It is set aside.", "Ask again.");
        assertThat(finding.text()).isEqualTo("a.csv: It is torn. It is set aside. Ask again.");
        assertThat(new Finding(Severity.REMARK, "k", Where.JOB, "Nothing.", "", "").text())
                .isEqualTo("Nothing.");
        assertThat(finding.atLeast(Severity.QUESTION)).isTrue();
        assertThat(finding.atLeast(Severity.FAILURE)).isFalse();
    }

    @Test
    void aQuestionsIdDependsOnWhatItIsAboutOnly() {
        List<Answer> answers = List.of(new Answer("a", "yes"), new Answer("b", "no"));
        Question one = Question.of("type", "Pax", Where.JOB, "As it was asked", "a", answers, 5);
        Question other = Question.of("type", "Pax", Where.source("x"), "Asked in other words", "b", answers, 900);
        assertThat(one.id()).isEqualTo(other.id()).matches("q[0-9a-f]{8}");
        assertThat(Question.idOf("type", "Crew")).isNotEqualTo(one.id());
        assertThat(other.assumedText()).isEqualTo("no");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Question.of("k", "s", Where.JOB, "t", "c", answers, 1))
                .hasMessageContaining("is not one of");
    }
}
