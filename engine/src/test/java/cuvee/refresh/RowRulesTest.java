package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.propose.Proposal;
import cuvee.rework.Phrase;
import cuvee.rework.RowRules;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Rows are kept or set aside by what the analyst says of them, and every one of them is accounted for. */
class RowRulesTest extends BatchTest {
    private void ports() {
        batch.csv("a.csv", "Date,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Tarsk,1204", "2026-01-03,,7");
        batch.csv("b.csv", "Date,Port,Pax", "2026-02-01,hollin,500", "2026-02-02,Marsay,", "2026-02-03,Oska,9");
    }

    private Batch.Made rows(String phrase, boolean keep) {
        batch.job(RowRules.byPhrase(batch.job(), phrase, keep));
        return batch.refresh();
    }

    private static Sentence sentence(Batch.Made made, String kind) {
        return Sentences.of(made.outcome()).stream()
                .filter(each -> each.kind().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Port is Hollin;2",
                "port is not Hollin;4",
                "Port is Hollin or Tarsk, Pax over 500;1",
                "Port is Hollin or Tarsk and Pax at least 500;2",
                "Port is blank;1",
                "Pax is blank;1",
                "Port contains ar;2",
                "Port begins with t;1",
                "Port ends with “y”;1",
                "Date after 2026-01-31;3",
                "Date is 2026-02-01;1",
                "Pax under 10, Pax is filled;3",
                "Pax between 5 and 500;4",
                "Pax is between 5 and 9 and Port is filled;2",
                "Pax > 500;1",
                "Pax <= 7, Pax >= 7;1",
                "Pax more than 9 and Pax less than 1,000;1",
                "Pax at most 7;2",
                "Pax over 1,000;1",
                "Source file is b.csv;3",
                "Pax over 7.5;3",
                "Pax is 5 or 7 or 9;3",
                "Pax over 123456789012345678901234567890;0",
                "Port does not contain o;3"
            })
    void rowsThatAPhraseHoldsOf(String phrase, int rows) {
        ports();
        assertThat(rows(phrase, true).outcome().rows()).isEqualTo(rows);
        batch.settle(RowRules.ROWS, phrase, RowRules.ASIDE);
        Batch.Made without = batch.refresh();
        assertThat(without.outcome().rows()).isEqualTo(6 - rows);
        assertThat(without.outcome().rowsRuledOut()).isEqualTo(rows);
        assertThat(without.lines()).hasSize(6 - rows);
    }

    @Test
    void aSentenceSaysWhatIsSetAsideAndTheRowsCanBeLookedAt() {
        ports();
        Batch.Made made = rows("Port is Hollin", false);
        Sentence sentence = sentence(made, RowRules.ROWS);
        assertThat(sentence.text()).isEqualTo("Set aside rows where");
        assertThat(sentence.names()).containsExactly("Port is Hollin");
        assertThat(sentence.touched()).isEqualTo("2 rows set aside from 2 tables");
        try (JobSession session = batch.open()) {
            assertThat(session.looks().setAside(made.outcome(), made.outcome().ruleNumber(sentence), 10))
                    .extracting(line -> line.values().get(0))
                    .containsExactly("2026-01-01", "2026-02-01");
        }
        batch.settle(sentence.kind(), sentence.subject(), sentence.answer(false));
        Batch.Made off = batch.refresh();
        assertThat(off.outcome().rows()).isEqualTo(6);
        batch.settle(
                sentence.kind(),
                sentence.subject(),
                sentence(off, RowRules.ROWS).answer(true));
        assertThat(batch.refresh().outcome().rows()).isEqualTo(4);
    }

    @Test
    void rulesHoldForTheFilesOfNextMonthAndFollowARename() {
        ports();
        batch.refresh();
        rows("Port is Hollin", false);
        batch.csv("c.csv", "Date,Port,Pax", "2026-03-01,Hollin,5", "2026-03-02,Tarsk,6");
        assertThat(batch.refresh().outcome().rows()).isEqualTo(5);
        Proposal made = batch.refresh().outcome().proposal();
        batch.job(Board.rename(batch.job(), made.lineUp(), Set.of("Date", "Port", "Pax"), "Port", "Harbour"));
        Batch.Made renamed = batch.refresh();
        assertThat(sentence(renamed, RowRules.ROWS).names()).containsExactly("Harbour is Hollin");
        assertThat(renamed.outcome().rows()).isEqualTo(5);
    }

    @Test
    void aRuleThatLosesItsGroundSaysSoAndSetsNothingAside() {
        ports();
        batch.refresh();
        Batch.Made lost = rows("Ship is Petrel", false);
        assertThat(lost.outcome().rows()).isEqualTo(6);
        assertThat(lost.findings("rule-lost")).hasSize(1);
        Batch.Made wrong = rows("Pax over many", false);
        assertThat(wrong.findings("rule-lost"))
                .anyMatch(finding -> finding.what().contains("“many” is no Whole number, as Pax is"));
    }

    @Test
    void ofEqualRowsOneStays() {
        batch.csv("a.csv", "Trip,Port,Pax", "T1,Hollin,5", "T2,Tarsk,6", "t1 ,Hollin,7");
        batch.csv("b.csv", "Trip,Port,Pax", "T2,Tarsk,8", "T3,Oska,9", ",Oska,1", ",Oska,2");
        batch.job(RowRules.equal(batch.job(), List.of("Trip"), RowRules.KEEP_FIRST));
        Batch.Made first = batch.refresh();
        assertThat(first.lines()).containsExactly("T1|Hollin|5", "T2|Tarsk|6", "T3|Oska|9", "|Oska|1", "|Oska|2");
        assertThat(sentence(first, RowRules.EQUAL).text()).isEqualTo("Of rows that are equal in Trip keep the first.");
        batch.settle(RowRules.EQUAL, "Trip", RowRules.KEEP_LAST);
        assertThat(batch.refresh().lines())
                .contains("t1|Hollin|7", "T2|Tarsk|8")
                .doesNotContain("T1|Hollin|5");
    }

    @Test
    void turnedRowsAreSetAsideOneByOne() {
        batch.sheet("p.xlsx", row("Depot", "Jan", "Feb", "Mar"), row("North", 1, 2, 3), row("South", 4, 5, 60));
        Batch.Made made = rows("Month is Feb", false);
        assertThat(made.lines()).containsExactly("North|Jan|1", "North|Mar|3", "South|Jan|4", "South|Mar|60");
        try (JobSession session = batch.open();
                MasterReader reader = session.reader(made.outcome())) {
            assertThat(reader.page(1, 2))
                    .extracting(line -> line.values().get(2))
                    .containsExactly("3", "4");
            assertThat(reader.pageOf("p.xlsx", 3, 5)).hasSize(1);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void everyRowIsKeptOrSetAsideByOneRuleWhateverTheOrder(int seed) {
        Random random = new Random(seed);
        for (int file = 0; file < 4; file++) {
            List<String> lines = new ArrayList<>(List.of("Day,Port,Pax"));
            for (int i = 0; i < 40; i++) {
                lines.add("2026-0" + (1 + file) + "-1" + random.nextInt(10) + ","
                        + List.of("Hollin", "Tarsk", "Oska", "").get(random.nextInt(4)) + "," + random.nextInt(900));
            }
            batch.csv("f" + file + ".csv", lines.toArray(String[]::new));
        }
        Batch.Made all = batch.refresh();
        List<String> phrases = new ArrayList<>(List.of("Port is Hollin", "Pax over 600", "Day before 2026-02-01"));
        java.util.Collections.shuffle(phrases, random);
        phrases.forEach(phrase -> batch.job(RowRules.byPhrase(batch.job(), phrase, false)));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows() + made.outcome().rowsRuledOut())
                .isEqualTo(all.outcome().rows());
        List<String> expected = all.lines().stream()
                .filter(line -> !line.contains("|Hollin|")
                        && Integer.parseInt(line.substring(line.lastIndexOf('|') + 1)) <= 600
                        && line.compareTo("2026-02") >= 0)
                .toList();
        assertThat(made.lines()).isEqualTo(expected);
        try (JobSession session = batch.open();
                MasterReader reader = session.reader(made.outcome())) {
            List<String> paged = new ArrayList<>();
            for (long at = 0; at < reader.rows(); at += 7) {
                reader.page(at, 7)
                        .forEach(line -> paged.add(String.join(
                                "|",
                                line.values().subList(0, 3).stream()
                                        .map(value -> value == null ? "" : value)
                                        .toList())));
            }
            assertThat(paged).isEqualTo(expected);
        }
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(expected);
    }

    @Test
    void whatAPhraseSaysIsReadAsItWasWritten() {
        List<String> columns = List.of("Port", "Port of call", "Remark");
        Phrase phrase = Phrase.of("Port of call", RowRule.Test.IS, List.of("A or B", "x, y", "plain"));
        assertThat(phrase.said()).isEqualTo("Port of call is “A or B” or “x, y” or plain");
        assertThat(Phrase.read(phrase.said(), columns)).contains(phrase);
        assertThat(Phrase.read("Remark is “not at all”, Port is not blank", columns)
                        .orElseThrow()
                        .clauses())
                .containsExactly(
                        new Phrase.Clause("Remark", RowRule.Test.IS, List.of("not at all")),
                        new Phrase.Clause("Port", RowRule.Test.FILLED, List.of()));
        assertThat(Phrase.read("Ship is Petrel", columns)).isEmpty();
        assertThat(Phrase.read("Port", columns)).isEmpty();
        assertThat(Phrase.read("Port is", columns)).isEmpty();
    }

    @Test
    void namesOfColumnsMayHoldWhatPartsClauses() {
        batch.csv("a.csv", "Food and drink,\"Fare, net\",Port", "5,7,Hollin", "9,8,Tarsk");
        assertThat(rows("Food and drink over 6 and Fare, net is 8, Port is Tarsk", true)
                        .lines())
                .containsExactly("9|8|Tarsk");
        List<String> columns = List.of("Food and drink", "Fare, net", "Port");
        Phrase phrase = Phrase.of("Fare, net", RowRule.Test.UNDER, List.of("8"));
        assertThat(Phrase.read(phrase.said(), columns)).contains(phrase);
    }

    @Test
    void wordsChangedIntoThoseOfAnotherRuleLeaveOneRule() {
        ports();
        batch.job(RowRules.byPhrase(RowRules.byPhrase(batch.job(), "Port is Oska", false), "Port is Tarsk", false));
        batch.job(RowRules.reworded(batch.job(), RowRules.ROWS, "Port is Oska", "Port is Tarsk"));
        Batch.Made made = batch.refresh();
        assertThat(Sentences.of(made.outcome()))
                .filteredOn(each -> each.kind().equals(RowRules.ROWS))
                .hasSize(1);
        assertThat(made.outcome().rows()).isEqualTo(5);
    }

    @Test
    void percentsMoneyMomentsAndYesAndNoAreComparedAsPeopleWriteThem() {
        batch.csv(
                "a.csv",
                "Share,Fare,At,Late",
                "12 %,EUR 5.50,2026-03-01 08:30,yes",
                "30 %,EUR 7.25,2026-03-02 09:00,no",
                "45 %,EUR 9.00,2026-03-03 10:15,no");
        assertThat(rows("Share over 20 %", true).lines()).hasSize(2);
        assertThat(rows("Fare under 9", true).lines()).hasSize(1);
        assertThat(rows("At after 2026-03-01", true).lines()).hasSize(1);
        assertThat(rows("Late is no", true).lines()).hasSize(1);
    }

    @Test
    void ofEqualRowsThatOfTheNewestFileStays() {
        batch.csv("a.csv", "Trip,Pax", "T1,1", "T2,2").changed("a.csv", "2026-03-05T00:00:00Z");
        batch.csv("b.csv", "Trip,Pax", "T1,10", "T3,3").changed("b.csv", "2026-01-05T00:00:00Z");
        batch.csv("c.csv", "Trip,Pax", "T2,20", "T3,30").changed("c.csv", "2026-04-05T00:00:00Z");
        batch.job(RowRules.equal(batch.job(), List.of("Trip"), RowRules.KEEP_NEWEST));
        assertThat(batch.refresh().lines()).containsExactly("T1|1", "T2|20", "T3|30");
        batch.changed("b.csv", "2026-05-05T00:00:00Z");
        assertThat(batch.refresh().lines()).containsExactly("T1|10", "T3|3", "T2|20");
        batch.job(RowRules.equal(batch.job(), List.of("Trip"), RowRules.KEEP_LAST));
        assertThat(batch.refresh().lines()).containsExactly("T1|10", "T2|20", "T3|30");
    }

    @Test
    void aRowIsPutBackWhateverTheRulesSay() {
        ports();
        Batch.Made without = rows("Port is Hollin", false);
        assertThat(without.outcome().rowsRuledOut()).isEqualTo(2);
        MasterLine line;
        try (JobSession session = batch.open()) {
            line = session.looks().setAside(without.outcome(), 0, 1).get(0);
        }
        MasterPlan.Table table = without.outcome().proposal().plan().tables().stream()
                .filter(each -> each.id() == line.table())
                .findFirst()
                .orElseThrow();
        batch.job(RowRules.putBack(batch.job(), table.source(), table.sheet(), line.row()));
        Batch.Made back = batch.refresh();
        assertThat(back.outcome().rowsRuledOut()).isEqualTo(1);
        assertThat(back.outcome().rows()).isEqualTo(without.outcome().rows() + 1);
        assertThat(back.outcome().sentences())
                .filteredOn(sentence -> sentence.kind().equals(RowRules.PUT_BACK))
                .extracting(Sentence::text)
                .containsExactly("Keep " + table.source() + ", line " + line.row() + " whatever the rules say.");
    }

    @Test
    void rulesAreMovedAmongThoseOfTheirKind() {
        ports();
        rows("Port is Hollin", false);
        batch.settle("type", "Pax", "Decimal");
        rows("Pax over 0", false);
        List<Integer> first = byRule();
        batch.job(RowRules.moved(batch.job(), RowRules.ROWS, "Pax over 0", -1));
        assertThat(batch.job().settled())
                .extracting(Decision::subject)
                .containsExactly("Pax over 0", "Pax", "Port is Hollin");
        List<Integer> second = byRule();
        assertThat(second).isNotEqualTo(first);
        assertThat(second.stream().mapToInt(Integer::intValue).sum())
                .isEqualTo(first.stream().mapToInt(Integer::intValue).sum());
        batch.job(RowRules.moved(batch.job(), RowRules.ROWS, "Pax over 0", -1));
        assertThat(batch.job().settled().get(0).subject()).isEqualTo("Pax over 0");
    }

    private List<Integer> byRule() {
        return batch.refresh().outcome().ruledOut().stream()
                .map(rule -> rule.values().stream().mapToInt(Long::intValue).sum())
                .toList();
    }

    @Test
    void equalRowsAreShownGroupByGroupWithTheOneThatStays() {
        batch.csv("a.csv", "Trip,Pax", "T1,1", "T2,2", "T9,9").csv("b.csv", "Trip,Pax", "t1,10", "T3,3", "T2,20");
        batch.job(RowRules.equal(batch.job(), List.of("Trip"), RowRules.KEEP_LAST));
        Batch.Made made = batch.refresh();
        try (JobSession session = batch.open()) {
            assertThat(session.looks().groups(made.outcome(), 0, 10))
                    .extracting(row -> row.line().values().get(0) + " "
                            + row.line().values().get(1) + (row.stays() ? " stays" : ""))
                    .containsExactly("t1 10 stays", "T1 1", "T2 20 stays", "T2 2");
        }
    }
}
