package cuvee.tag;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.tag.TagSource.From;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class TagsTest {
    private static Home home(String path, String... titles) {
        return new Home(path, "returns", "", "", List.of(titles), "2026-04-01");
    }

    private static String value(TagSource source, Home home) {
        return Tags.of(List.of(home, home("other 2026-02.csv")))
                .value(source, home)
                .map(Tags.Value::text)
                .orElse("");
    }

    @Test
    void aLabelAboveTheTableIsFoundInOneCellOrTwo() {
        TagSource port = new TagSource(From.TITLE_LABEL, "Port");
        assertThat(value(port, home("a.csv", "Port: Hollin"))).isEqualTo("Hollin");
        assertThat(value(port, home("a.csv", "Farsound", "PORT: | Hollin | Month: | March")))
                .isEqualTo("Hollin");
        assertThat(value(port, home("a.csv", "Port | Hollin"))).isEqualTo("Hollin");
        assertThat(value(port, home("a.csv", "Airport: Hollin"))).isEmpty();
        assertThat(value(new TagSource(From.TITLE_LABEL, "Month"), home("a.csv", "Month: March 2026")))
                .isEqualTo("2026-03-01");
    }

    @Test
    void foldersAndNamesSayWhatTheyHold() {
        Home home = home("2026/North/Hollin 2026-03.csv");
        assertThat(value(new TagSource(From.FOLDER, "2"), home)).isEqualTo("North");
        assertThat(value(new TagSource(From.FOLDER_PERIOD, "1"), home)).isEqualTo("2026");
        assertThat(value(TagSource.of(From.FILE_PERIOD), home)).isEqualTo("2026-03-01");
        assertThat(value(TagSource.of(From.FILE_NAME), home)).isEqualTo("Hollin 2026-03");
        assertThat(value(new TagSource(From.FILE_BEFORE, " 2026"), home)).isEqualTo("Hollin");
        assertThat(value(new TagSource(From.FILE_AFTER, "Hollin"), home)).isEqualTo("2026-03");
        assertThat(value(TagSource.of(From.PLACE), home)).isEqualTo("returns");
        assertThat(value(TagSource.of(From.MODIFIED), home)).isEqualTo("2026-04-01");
        assertThat(value(new TagSource(From.FIXED, "Ferries"), home)).isEqualTo("Ferries");
    }

    @Test
    void aTitleThatSpeaksOfAMonthSaysIt() {
        assertThat(value(TagSource.of(From.TITLE_PERIOD), home("a.csv", "Returns for March 2026")))
                .isEqualTo("2026-03-01");
    }

    @Test
    void aTagIsNamedByThePeriodThatItHolds() {
        Tags tags = Tags.of(List.of(home("2025/a 2026-01.csv"), home("2026/b 2026-02.csv")));
        assertThat(tags.name(TagSource.of(From.FILE_PERIOD))).isEqualTo("Month");
        assertThat(tags.name(new TagSource(From.FOLDER_PERIOD, "1"))).isEqualTo("Year");
        assertThat(tags.name(new TagSource(From.FILE_PART, "1"))).isEqualTo("File part 1");
    }

    @Test
    void theSignOfARemarkIsNoPartOfItsLabel() {
        assertThat(value(new TagSource(From.TITLE_LABEL, "Station"), home("a.csv", "# Station: N1", "# Interval: 1 h")))
                .isEqualTo("N1");
    }

    @Test
    void titlesThatRecurInEachFileTellTheirTablesApart() {
        List<Home> homes = new ArrayList<>();
        for (String branch : List.of("Hollin", "Tarsk", "Marsay")) {
            homes.add(home(branch + ".xlsx", "Branch " + branch, "Sales"));
            homes.add(home(branch + ".xlsx", "Branch " + branch, "Returns"));
        }
        Tags tags = Tags.of(homes);
        TagSource line = tags.candidates().stream()
                .filter(source -> tags.value(source, homes.get(1))
                        .filter(value -> value.text().equals("Returns"))
                        .isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(tags.name(line)).isEqualTo("Title");
        assertThat(tags.value(line, homes.get(0)).map(Tags.Value::text)).contains("Sales");
    }

    @Test
    void aLetterOrANumberIsNamedByTheWordBeforeIt() {
        Tags tags = Tags.of(
                List.of(home("borehole A.xlsx", "Payment claim no 1"), home("borehole B.xlsx", "Payment claim no 2")));
        assertThat(tags.name(new TagSource(From.FILE_PART, "1"))).isEqualTo("Borehole");
        assertThat(tags.name(new TagSource(From.TITLE_PART, "1"))).isEqualTo("Claim no");
        Tags words = Tags.of(List.of(home("meals Elm Road.xlsx"), home("meals North Hill.xlsx")));
        assertThat(words.name(new TagSource(From.FILE_PART, "1"))).isEqualTo("File part 1");
    }

    @Test
    void sheetsNamedByDaysOfTheMonthOfTheirFileSayTheDate() {
        List<Home> homes = IntStream.rangeClosed(1, 4)
                .mapToObj(day -> new Home("log 2026-02.xlsx", "logs", String.valueOf(day), "", List.of(), "2026-03-01"))
                .toList();
        Tags tags = Tags.of(homes);
        assertThat(tags.value(TagSource.of(From.SHEET_PERIOD), homes.get(2)).map(Tags.Value::text))
                .contains("2026-02-03");
        assertThat(tags.name(TagSource.of(From.SHEET_PERIOD))).isEqualTo("Date");
    }

    @Test
    void numbersOfSheetsAreNoDaysWhereEachFileHasOne() {
        List<Home> homes = IntStream.rangeClosed(1, 4)
                .mapToObj(month -> sheet("trips 2026-0" + month + ".xlsx", "0" + month))
                .toList();
        assertThat(Tags.of(homes).value(TagSource.of(From.SHEET_PERIOD), homes.get(1)))
                .isEmpty();
    }

    private static Home sheet(String path, String sheet, String... titles) {
        return new Home(path, "hours", sheet, "", List.of(titles), "2026-03-01");
    }

    private static List<String> months(From from, List<Home> homes) {
        Tags tags = Tags.of(homes);
        return homes.stream()
                .map(home -> tags.value(TagSource.of(from), home).orElseThrow().text())
                .toList();
    }

    @Test
    void monthsOfSheetsHaveTheYearThatTheirFilesSay() {
        assertThat(months(
                        From.SHEET_PERIOD,
                        List.of(
                                sheet("hours 2025.xlsx", "Jan"),
                                sheet("hours 2025.xlsx", "Feb"),
                                sheet("hours 2026.xlsx", "Jan"),
                                sheet("hours 2026.xlsx", "Feb"))))
                .containsExactly("2025-01-01", "2025-02-01", "2026-01-01", "2026-02-01");
        assertThat(months(
                        From.SHEET_PERIOD,
                        List.of(
                                sheet("Stunden Q1 2026.xlsx", "Januar"),
                                sheet("Stunden Q1 2026.xlsx", "März"),
                                sheet("Stunden Q2 2026.xlsx", "Mai"))))
                .containsExactly("2026-01-01", "2026-03-01", "2026-05-01");
    }

    @Test
    void monthsOfFilesHaveTheYearOfTheirFolderOrTheirTitle() {
        assertThat(months(From.FILE_PERIOD, List.of(sheet("2025/May.xlsx", "S"), sheet("2026/May.xlsx", "S"))))
                .containsExactly("2025-05-01", "2026-05-01");
        assertThat(months(
                        From.FILE_PERIOD,
                        List.of(
                                sheet("sales May.xlsx", "S", "Sales - May 2026"),
                                sheet("sales June.xlsx", "S", "Sales - June 2026"))))
                .containsExactly("2026-05-01", "2026-06-01");
    }

    @Test
    void aMonthThatTheOtherNamesDoNotHoldStaysWithoutAYear() {
        assertThat(months(
                        From.SHEET_PERIOD,
                        List.of(sheet("to Q1 2026.xlsx", "November"), sheet("to Q1 2026.xlsx", "December"))))
                .containsExactly("November", "December");
        assertThat(months(From.SHEET_PERIOD, List.of(sheet("2026-01-05.xlsx", "Nov"), sheet("2026-02-05.xlsx", "Dec"))))
                .containsExactly("Nov", "Dec");
    }

    @Test
    void numbersOfSheetsAreNoDaysWhereTheFileNamesNoMonth() {
        List<Home> homes = IntStream.rangeClosed(1, 4)
                .mapToObj(day -> new Home("log.xlsx", "logs", String.valueOf(day), "", List.of(), "2026-03-01"))
                .toList();
        assertThat(Tags.of(homes).value(TagSource.of(From.SHEET_PERIOD), homes.get(0)))
                .isEmpty();
    }

    @Test
    void aLabelAmongTheCellsOfATitleIsToldByStandingInAllOfThem() {
        List<Home> homes = List.of(
                home("a.xlsx", "Pump station log | Operator | Ann"),
                home("b.xlsx", "Pump station log | Operator | Bo"),
                home("c.xlsx", "Pump station log | Operator | Cid"));
        assertThat(Tags.of(homes)
                        .value(new TagSource(From.TITLE_LABEL, "Operator"), homes.get(1))
                        .map(Tags.Value::text))
                .contains("Bo");
    }

    @ParameterizedTest
    @EnumSource(From.class)
    void whatATagIsTakenFromIsReadAsItWasWritten(From from) {
        TagSource source = new TagSource(from, "1");
        assertThat(TagSource.read(source.words())).contains(source);
    }

    @Test
    void wordsThatSayNothingOfTheKindAreNoSource() {
        assertThat(TagSource.read("folder")).isEmpty();
        assertThat(TagSource.read("folder one")).isEmpty();
        assertThat(TagSource.read("the moon")).isEmpty();
    }

    @Test
    void theOneLabelledCellOfEachIsOneTagWhateverItsLabelIs() {
        Home one = home("a (1).xlsx", "Hire shop: Ashgarth", "Printed: 3 March");
        Home two = home("a (2).xlsx", "Yard: | Dunmere");
        Home three = home("a (3).xlsx", "Yard: Wexcombe", "Page: 1");
        Tags tags = Tags.of(List.of(one, two, three));
        TagSource any = TagSource.of(From.ANY_LABEL);
        assertThat(tags.candidates()).first().isEqualTo(any);
        assertThat(tags.name(any)).isEqualTo("Yard");
        assertThat(List.of(one, two, three))
                .extracting(home -> tags.value(any, home).orElseThrow().text())
                .containsExactly("Ashgarth", "Dunmere", "Wexcombe");
        assertThat(TagSource.read(any.words())).contains(any);
    }

    @Test
    void twoLabelsOfOneSheetAreTwoThings() {
        Tags tags = Tags.of(List.of(
                home("a.xlsx", "Yard: Ashgarth", "Manager: Quill"), home("b.xlsx", "Shop: Dunmere", "Clerk: Marl")));
        assertThat(tags.candidates()).doesNotContain(TagSource.of(From.ANY_LABEL));
    }
}
