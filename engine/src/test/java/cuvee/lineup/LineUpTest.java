package cuvee.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.HeaderHints;
import cuvee.detect.TableFinder;
import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Families;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class LineUpTest {
    private final List<PlacedTable> tables = new ArrayList<>();

    /** A table with these headers and rows of a like kind; more rows make it weigh more. */
    private void table(int rows, String headers, Object... values) {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        finder.row(Rows.row(1, (Object[]) headers.split(",")));
        for (int i = 0; i < rows; i++) {
            finder.row(Rows.row(i + 2, values));
        }
        int id = tables.size() + 1;
        tables.add(PlacedTable.of(
                id,
                id,
                8,
                "t" + id + ".csv",
                "",
                cuvee.detect.SheetClues.NONE,
                finder.end().get(0)));
    }

    private LineUp lineUp(Job job) {
        return LiningUp.of(Layout.of(tables), job, HeaderBook.EMPTY);
    }

    private LineUp lineUp() {
        return lineUp(Job.of("j", "j", List.of()));
    }

    private static List<String> names(LineUp lineUp) {
        return lineUp.columns().stream().map(LineUp.Column::name).toList();
    }

    @Test
    void theSpellingThatMostTablesUseBecomesTheName() {
        table(2, "fare_revenue,Port", 1.5, "a");
        table(2, "Fare revenue,Port", 1.5, "a");
        table(2, "Fare revenue,Port", 1.5, "a");
        assertThat(names(lineUp())).containsExactly("Fare revenue", "Port");
    }

    @Test
    void aColumnIsCalledAsMostTablesCallItAndNotAsTheLargestDoes() {
        table(9, "Port,Fare / Fare revenue,Pax", "a", 1.5, 3);
        for (int i = 0; i < 3; i++) {
            table(2, "Port,Fare revenue,Passengers", "a", 1.5, 3);
        }
        LineUp first = lineUp();
        assertThat(names(first)).containsExactly("Port", "Fare revenue", "Passengers");
        assertThat(first.decisions())
                .filteredOn(decision -> decision.subject().equals("pax"))
                .singleElement()
                .extracting(Decision::answer)
                .isEqualTo("Passengers");
        // Next month's tables, even if most are called otherwise, do not rename it.
        Job job = Job.of("j", "j", List.of()).withAssumed(names(first), first.decisions());
        for (int i = 0; i < 9; i++) {
            table(2, "Port,Fare revenue,Pax", "a", 1.5, 3);
        }
        LineUp next = lineUp(job);
        assertThat(names(next)).isEqualTo(names(first));
        assertThat(next.questions()).isEqualTo(first.questions());
    }

    @Test
    void moneyThatStandsWhereOthersHaveAWeightIsNoWeight() {
        table(9, "Port,Day,Weight kg,Crew", "a", "x", 30.5, 3);
        table(2, "Port,Day,Billed,Crew", "a", "x", 31.25, 3);
        assertThat(names(lineUp())).contains("Weight kg", "Billed");
    }

    @Test
    void aQuestionCountsAllTablesThatHaveTheHeader() {
        for (int i = 0; i < 3; i++) {
            table(9, "Port,Day,Passengers,Fare", "a", "x", 3, 1.5);
        }
        table(2, "Port,Day,Brindle,Fare", "a", "x", 3, 1.5);
        table(1, "Port,Day,Brindle,Charge", "a", "x", 3, 1.5);
        assertThat(lineUp().questions())
                .filteredOn(question -> question.subject().equals("brindle"))
                .singleElement()
                .satisfies(question -> {
                    assertThat(question.text()).contains("“Brindle” in 2 tables");
                    assertThat(question.stake()).isEqualTo(3);
                });
    }

    @Test
    void othersColumnsComeAfterTheirNeighbours() {
        table(9, "Date,Port,Pax", "2026-01-01", "a", 1);
        table(2, "Date,Berth,Port,Pax,Crew", "2026-01-01", 4, "a", 1, 2);
        assertThat(names(lineUp())).containsExactly("Date", "Berth", "Port", "Pax", "Crew");
    }

    @Test
    void oneFoundNeighbourFindsTheNext() {
        table(9, "Date,Route,Vessel,Passengers,Fare", "2026-01-01", "a", "b", 1, 2.5);
        table(5, "Aeg,Liin,Laev,Reisijad,Hind", "2026-01-01", "a", "b", 1, 2.5);
        LineUp lineUp = lineUp();
        assertThat(names(lineUp)).containsExactly("Date", "Route", "Vessel", "Passengers", "Fare");
        assertThat(lineUp.questions())
                .hasSize(5)
                .allMatch(question -> question.kind().equals(LineUp.KIND));
        assertThat(lineUp.decisions())
                .extracting(Decision::answer)
                .containsExactlyInAnyOrder("Date", "Route", "Vessel", "Passengers", "Fare");
    }

    @Test
    void wordsOfTheSameMeaningAndAbbreviationsNeedNoQuestion() {
        table(9, "Date,Route,Vessel,Passengers,Fare", "2026-01-01", "a", "b", 1, 2.5);
        table(5, "Schiff,Strecke,Pax,Fahrpreis,Datum", "b", "a", 1, 2.5, "2026-01-01");
        LineUp lineUp = lineUp();
        assertThat(names(lineUp)).containsExactly("Date", "Route", "Vessel", "Passengers", "Fare");
        assertThat(lineUp.questions()).isEmpty();
    }

    @Test
    void aHeaderThatSaysPartOfTheOnlyColumnItCanBeIsThatColumn() {
        table(9, "Sailing date,Port,Pax", "2026-01-01", "a", 1);
        table(5, "Port,Date,Pax", "a", "2026-01-01", 1);
        assertThat(names(lineUp())).containsExactly("Sailing date", "Port", "Pax");
        assertThat(lineUp().questions()).isEmpty();
    }

    @Test
    void whatComesAgainIsNotTheSameAsWhatCame() {
        table(9, "Depot,Read on,Units", "a", "2026-01-01", 2.5);
        table(6, "Depot,Reading date,Units,Read again", "a", "2026-01-01", 2.5, "2026-02-01");
        assertThat(names(lineUp())).contains("Read again").doesNotContain("Reading date");
    }

    @Test
    void wordsAreWeighedBeforePlaces() {
        table(9, "Date,Vessel,Passengers,Fare", "2026-01-01", "b", 1, 2.5);
        table(6, "Date,Vessel,Vehicles,Fare", "2026-01-01", "b", 1, 2.5);
        table(5, "Date,Vessel,Passangers,Vehicles,Fare", "2026-01-01", "b", 1, 2, 2.5);
        assertThat(names(lineUp())).containsExactlyInAnyOrder("Date", "Vessel", "Passengers", "Vehicles", "Fare");
    }

    @Test
    void theHeaderBookOffersItsEntryWithItsOriginAndAppliesNothing() {
        table(9, "Date,Adults,Children,Port", "2026-01-01", 1, 2, "a");
        table(2, "Date,Port,Heads", "2026-01-01", "a", 3);
        HeaderBook book = HeaderBook.EMPTY.with(new HeaderBook.Entry("heads", "Adults", "Returns 2025"));
        LineUp lineUp = LiningUp.of(Layout.of(tables), Job.of("j", "j", List.of()), book);
        assertThat(names(lineUp)).contains("Heads");
        assertThat(lineUp.questions().get(0).answers())
                .extracting(Question.Answer::text)
                .contains("it is the same as “Adults”, as you settled in “Returns 2025”");
        assertThat(book.with(new HeaderBook.Entry("heads", "Children", "Returns 2025"))
                        .entries())
                .hasSize(1);
    }

    @Test
    void aHeaderOfAnotherNatureStaysApart() {
        table(9, "Date,Port,Pax", "2026-01-01", "a", 1);
        table(2, "Date,Berth,Pax", "2026-01-01", 4, 1);
        LineUp lineUp = lineUp();
        assertThat(names(lineUp)).contains("Port", "Berth");
        assertThat(lineUp.questions()).isEmpty();
    }

    @Test
    void headersThatOneTableHasBothOfAreNeverTheSame() {
        table(9, "Date,Passengers", "2026-01-01", 1);
        table(2, "Date,Passengers,Pax", "2026-01-01", 1, 2);
        assertThat(names(lineUp())).containsExactly("Date", "Passengers", "Pax");
        assertThat(lineUp().questions()).isEmpty();
    }

    @Test
    void whereTwoColumnsWouldDoItIsAskedAndKeptApart() {
        table(9, "Date,Adults,Children,Port", "2026-01-01", 1, 2, "a");
        table(2, "Date,Port,Heads", "2026-01-01", "a", 3);
        LineUp lineUp = lineUp();
        assertThat(names(lineUp)).contains("Heads");
        Question question = lineUp.questions().get(0);
        assertThat(question.assumed()).isEqualTo("Heads");
        assertThat(question.answers())
                .extracting(Question.Answer::id)
                .containsExactlyInAnyOrder("Heads", "Adults", "Children");
    }

    @Test
    void whatIsSettledIsNotAskedAgain() {
        table(9, "Date,Passengers", "2026-01-01", 1);
        table(2, "Date,Pax", "2026-01-01", 1);
        Job job = Job.of("j", "j", List.of()).withSettled(new Decision(LineUp.KIND, "pax", "Pax", "", ""));
        assertThat(names(lineUp(job))).containsExactlyInAnyOrder("Date", "Passengers", "Pax");
        assertThat(lineUp(job).questions()).isEmpty();
    }

    @Test
    void newColumnsOfAKnownJobComeAtTheEnd() {
        table(9, "Date,Berth,Pax", "2026-01-01", 4, 1);
        Job job = Job.of("j", "j", List.of()).withAssumed(List.of("Date", "Pax"), List.of());
        assertThat(names(lineUp(job))).containsExactly("Date", "Pax", "Berth");
    }

    @Test
    void tablesOfOtherHeadersAreAnotherFamily() {
        table(9, "Date,Port,Pax", "2026-01-01", "a", 1);
        table(9, "Date,Port,Fare", "2026-01-01", "a", 2.5);
        table(50, "Watch,Early,Late", "Monday", "Quill", "Marl");
        List<Families.Family> families = Families.of(Layout.of(tables));
        assertThat(families).hasSize(2);
        assertThat(families.get(0).rows()).isEqualTo(50);
        assertThat(families.get(1).layouts()).hasSize(2);
    }

    @Test
    void aUnitBehindANameDoesNotMakeItAnotherColumn() {
        table(9, "Date,Fare,Weight", "2026-01-01", 2.5, 1.5);
        table(2, "Date,Fare (EUR),Weight [t]", "2026-01-01", 3.5, 2.5);
        assertThat(names(lineUp())).containsExactly("Date", "Fare", "Weight");
        assertThat(lineUp().questions()).isEmpty();
        assertThat(lineUp().decisions())
                .extracting(Decision::reason)
                .contains("“Fare (EUR)” is “Fare” but for its unit");
    }

    @Test
    void twoUnitsOrOtherWordsInBracketsAreNeverLinedUpByThemselves() {
        table(9, "Date,Load (trips),Pax", "2026-01-01", 2.5, 1);
        table(2, "Date,Load (shifts),Pax (adults)", "2026-01-01", 3.5, 1);
        assertThat(lineUp().decisions()).extracting(Decision::reason).noneMatch(why -> why.contains("its unit"));
        assertThat(lineUp().questions()).isNotEmpty();
    }
}
