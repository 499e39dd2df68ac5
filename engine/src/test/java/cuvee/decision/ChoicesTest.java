package cuvee.decision;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.job.Decision;
import cuvee.job.Job;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What every kind of decision says is read from the words of a job and written back to the same words. */
class ChoicesTest {
    private static final List<String> COLUMNS = List.of("Port", "Fare", "Weight", "Weight in kg", "Port | pier");

    static Stream<Decision> samples() {
        return Stream.of(
                of("type", "Fare", "Money"),
                of("decimal-mark", "Fare", "comma"),
                of("decimal-mark", "Weight in kg | a.csv", "point"),
                of("decimal-mark", "all columns", "comma"),
                of("decimal-mark", "all columns | north/a b.csv", "comma"),
                of("date-order", "Port \\| pier | South", "month"),
                of("blank-source", "Fare | in in/x.csv", "waiting"),
                of("written-as", "Fare | a.csv", "percent points"),
                of("written-as", "Month | a.csv", "months of 2026"),
                of("written-as", "Account", "codes of 8 digits"),
                of("header", "qty | a.csv", "Price"),
                of("header", "qty | a.csv", "not now: Price"),
                of("written-as", "Day | a.csv", "dates of 2026"),
                of("currency", "Fare", "apart"),
                of("sign", "Fare", "turn those below 0"),
                of("column", "Weight in kg", "left out"),
                of("column", "Fare", "taken in"),
                of("spelling", "Port", "not now: spaces tidied, capitals"),
                of("yes-no-words", "Queen seen", "Yes | No"),
                of("value", "Port | Hollin", "for HOLLIN | hollin"),
                of("value", "Port | a \\| b | a.csv", "not for x"),
                of("value", "Port", "for n/a"),
                of("codes", "Port", "from | vessels.csv | Code | Name"),
                of("codes", "Port", "not now: these | K07 | Kestrel"),
                of("made", "Per head", "Fare / Weight"),
                of("made", "Per head", "not now: Fare / Weight"),
                of("tag", "file name part 2", "Region"),
                of("tag", "title cell Port", "left out"),
                of("line-up", "pax", "Passengers"),
                of("new-columns", "all columns", "hold and ask"),
                of("rows", "Port is Hollin or Tarsk, Fare over 500", "keep"),
                of("rows", "Port is Hollin", "not now: set aside"),
                of("equal-rows", "Port | Weight in kg", "keep the last"),
                of("put-back", "a.xlsx | Sheet1 | 12", "keep"),
                of("to-columns", "rows", "Port | sum | Fare | Weight | Weight in kg"),
                of("sorted", "rows", "Fare, greatest first | Port"),
                of("numbered", "rows", "No. \\| all"),
                of("across", "port|jan|feb", "turn into Month | Amount"),
                of("across", "port|jan|feb", "keeping blanks, turn into Month | Fares | Pax"),
                of("across", "port|a|b", "turn all but Port | Depot into Poured into tank | Litres"),
                of("across", "port|a|b", "turn all but Goes \\into store into Item | Amount"),
                of("across", "port|jan|feb", "leave"),
                of("carry-down", "region|pax > region", "carry down"),
                of("section-line", "port|pax", "Region | Line"),
                of("section-line", "port|pax", "leave"),
                of("repeated-rows", "* / All", "aside"),
                of("another-job", "a|b", "aside"),
                of("header-row", "a|b", "as found"),
                of("total-row", "a|b", "sums are totals"),
                of("reading", "a.xlsx / Sheet1", "header 4-5; last row 118"),
                of("sheet", "a.xlsx / Sheet1", "take"),
                of("sheets", "all files", "sheets named Returns*"),
                of("file", "a.csv", "aside"),
                of("text-form", "a.csv", "semicolons, UTF-8"),
                of("order", "all files", "b.csv\na.csv"),
                of("gone", "a.csv", "remove"),
                of("unreadable", "a.csv", "keep"),
                of("sent-again", "a.csv | b \\| c.csv", "b | c.csv"),
                of("sent-again", "a.csv | b.csv", "all"),
                of("sent-again", "a.csv | b.csv", "amend"),
                of("sent-again", "a.csv | b.csv", "amend | Order \\| No | Date"),
                of("year-to-date", "* Hollin", "newest"),
                of("year-to-date", "*", "all"),
                of("year-to-date", "* Hollin | a.xlsx / Sheet1", "b.xlsx / Sheet1"),
                of("nil-return", "Tarsk | 2026-03", "nil"),
                of("check", "Port is never blank", "wanted"),
                of("check", "Port and Fare are unique", "not now: wanted"),
                of("summary", "For the board", "total Fare: a line for each Port, only where Weight over 3"),
                of("summary", "Old | one", "not now: number of rows"),
                of("in-view", "rows", "Weight in kg \\| kept \\| 0 | Port \\\\\\| pier \\| hidden \\| 120"),
                of("places-from", "lists/ports.csv", "Folder | Port \\| pier"),
                of("places-from", "ports.csv", "Folder"),
                of("kept-masters", "masters", "4"),
                of("weighed-by", "master", "Fare"),
                of("expected-from", "lists/ports.csv", "Port of call"),
                of("closed", "Month | 2026-03", "closed"),
                of("closed", "Month | 2026-03", "closed | 412 | Fare \\| 10.5 | north/a.csv \\| 0ab1"),
                of("finding", "f0a1b2c3", "so"),
                of("finding", "f0a1b2c3", "so: the office closed for a week"),
                of("source-name", "../data : a.csv", "data 2/a.csv"),
                of("correction", "a.xlsx | Sheet1 | 118:5", "12 | 1,2"));
    }

    private static Decision of(String kind, String subject, String answer) {
        return new Decision(kind, subject, answer, "why", "how much");
    }

    @ParameterizedTest
    @MethodSource("samples")
    void wordsAreReadAndWrittenBack(Decision decision) {
        Choice choice = Choices.of(decision, COLUMNS);
        assertThat(choice.understood()).isTrue();
        assertThat(choice.as(decision)).isEqualTo(decision);
    }

    @Test
    void everyKindHasASample() throws IllegalAccessException {
        Set<String> sampled = samples().map(Decision::kind).collect(Collectors.toSet());
        assertThat(sampled).isEqualTo(Kinds.ALL);
        for (java.lang.reflect.Field word : Kinds.class.getFields()) {
            if (word.getType() == String.class) {
                assertThat(Kinds.ALL).contains((String) word.get(null));
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
                    type; Fare; Colour
                    decimal-mark; Fare; semicolon
                    rows; Port is Hollin; perhaps
                    across; a|b; turn
                    tag; the moon; Port
                    sent-again; a.csv | b.csv; c.csv
                    year-to-date; * Hollin; the oldest
                    nil-return; Tarsk | March; nil
                    sheets; all files; the good ones
                    tomorrow; Fare; anything
                    """)
    void otherWordsAreKeptAndNotFollowed(String kind, String subject, String answer) {
        Decision decision = of(kind, subject, answer);
        Choice choice = Choices.of(decision, COLUMNS);
        assertThat(choice.understood()).isFalse();
        assertThat(choice.as(decision)).isEqualTo(decision);
        assertThat(choice.renamed(new Choice.Renaming(Set.of("Fare"), Set.of(), "Fare", "Price"))
                        .as(decision))
                .isEqualTo(decision);
    }

    @Test
    void jobsOfOlderVersionsSaidWhereAColumnIsMeantInAnotherWay() {
        Job old = Job.of("x", "x", List.of())
                .withColumns(COLUMNS)
                .withSettled(of("decimal-mark", "Weight in kg in a.csv", "comma"))
                .withSettled(of("decimal-mark", "Weight in kg", "comma"))
                .withSettled(of("date-order", "Weight in South", "month"))
                .withSettled(of("decimal-mark", "all columns in in/b.csv", "comma"))
                .withSettled(of("blank-source", "Gone in c.csv", "so"));
        assertThat(Choices.inNewWords(old).settled().stream().map(Decision::subject))
                .containsExactly(
                        "Weight in kg | a.csv",
                        "Weight in kg",
                        "Weight | South",
                        "all columns | in/b.csv",
                        "Gone | c.csv");
        Job renamed = Choices.renamed(old, new Choice.Renaming(Set.copyOf(COLUMNS), Set.of(), "Weight", "Load"));
        assertThat(renamed.settled().stream().map(Decision::subject))
                .contains("Weight in kg | a.csv", "Weight in kg", "Load | South");
    }
}
