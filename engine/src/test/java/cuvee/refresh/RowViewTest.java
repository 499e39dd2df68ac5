package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.RowChoice;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.master.MasterLine;
import cuvee.master.RowView;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The master can be narrowed down and put in order to be looked at; the master itself stays as it is. */
class RowViewTest extends BatchTest {
    private static final int PORT = 0;
    private static final int FARE = 1;

    private void two() {
        batch.csv("a.csv", "Port,Fare,Note", "Tarsk,12.50,late", "hollin,3,", ",7.25,", "Marsay,,Late again");
        batch.csv("b.csv", "Port,Fare,Note", "Hollin,100,", "Tarsk,12.5,x", "Åland,0.5,LATE");
    }

    private interface Looking {
        void at(RowView view);
    }

    private void look(String where, List<RowView.By> order, Looking looking) {
        Batch.Made made = batch.refresh();
        Job job = batch.job();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            Asked asked = where.isEmpty()
                    ? new Asked(List.of(), "")
                    : Asked.of(where, Known.of(made.outcome().plan()));
            assertThat(asked.problem()).isEmpty();
            try (RowView view = session.view(outcome, asked.conditions(), order)) {
                looking.at(view);
            }
        }
    }

    private static List<@Nullable String> values(List<MasterLine> lines, int column) {
        List<@Nullable String> values = new ArrayList<>();
        lines.forEach(line -> values.add(line.values().get(column)));
        return values;
    }

    private static List<RowView.By> by(int column, boolean greatestFirst) {
        return List.of(new RowView.By(column, greatestFirst));
    }

    @Test
    void numbersFromTheGreatestAndBlanksLast() {
        two();
        look("", by(FARE, true), view -> {
            assertThat(values(view.page(0, 10), FARE)).containsExactly("100", "12.5", "12.5", "7.25", "3", "0.5", null);
            assertThat(view.rows()).isEqualTo(7);
        });
        look(
                "",
                by(FARE, false),
                view -> assertThat(values(view.page(0, 10), FARE))
                        .containsExactly("0.5", "3", "7.25", "12.5", "12.5", "100", null));
    }

    @Test
    void textsWhateverTheirCapitalsAndAmongEqualsTheOrderOfTheMaster() {
        two();
        look(
                "",
                List.of(new RowView.By(PORT, false)),
                view -> assertThat(values(view.page(0, 10), PORT))
                        .containsExactly("Hollin", "hollin", "Marsay", "Tarsk", "Tarsk", "Åland", null));
        look(
                "",
                List.of(new RowView.By(FARE, true), new RowView.By(PORT, false)),
                view -> assertThat(values(view.page(0, 3), 2)).containsExactly(null, "late", "x"));
    }

    @Test
    void onlyWhatMeetsThePhraseWithItsOwnSums() {
        two();
        look("Port is Hollin or Tarsk, Fare over 3", List.of(), view -> {
            assertThat(view.rows()).isEqualTo(3);
            assertThat(values(view.page(0, 10), PORT)).containsExactly("Tarsk", "Hollin", "Tarsk");
            assertThat(view.totals().get(FARE).sum()).isEqualTo("125");
            assertThat(view.totals().get(FARE).filled()).isEqualTo(3);
        });
        look("Port is Nowhere", List.of(), view -> {
            assertThat(view.rows()).isZero();
            assertThat(view.page(0, 10)).isEmpty();
        });
    }

    @Test
    void aMasterThatIsShapedIsLookedAtSummedUpAndCheckedAsItIsShown() {
        two();
        batch.refresh();
        batch.job(batch.job()
                .withSettled(new Decision("sorted", "rows", "Fare, greatest first", "", ""))
                .withSettled(new Decision("numbered", "rows", "No.", "", ""))
                .withSettled(new Decision("check", "Fare between 0 and 50", RowChoice.Checked.WANTED, "", "")));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("No.");
        assertThat(made.outcome().checks().get(0).fails()).isEqualTo(1);
        assertThat(made.outcome().checks().get(0).first().get(0).toString()).isEqualTo("b.csv, line 2");
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Known known = Known.of(outcome.plan());
            try (RowView view = session.view(
                    outcome,
                    Asked.of("Port is Tarsk or Hollin", known).conditions(),
                    List.of(new RowView.By(known.at("Fare"), false)))) {
                assertThat(values(view.page(0, 10), known.at("No."))).containsExactly("5", "2", "3", "1");
                assertThat(view.page(0, 1).get(0).row()).isEqualTo(3);
            }
            var summary = SummaryWords.read("total Fare: a line for each Port", known)
                    .summary()
                    .orElseThrow();
            assertThat(session.summary(outcome, summary).lines())
                    .extracting(line -> line.key(0) + " " + line.written().get(0))
                    .as("spelled otherwise is the same, as it is for phrases")
                    .containsExactly(
                            "Hollin 103.00", "Marsay ", "Tarsk 25.00", "Åland 0.50", "blank 7.25", "All 135.75");
        }
    }

    @Test
    void aTextIsFoundInAnyColumnFromARowOn() {
        two();
        look("", by(FARE, false), view -> {
            assertThat(view.holding("late")).isEqualTo(3);
            assertThat(view.find("late", 0)).isZero();
            assertThat(view.find("late", 1)).isEqualTo(3);
            assertThat(view.find("late", 4)).isEqualTo(6);
            assertThat(view.find("late", 7)).isNegative();
            assertThat(view.find("7.25", 0)).isEqualTo(2);
        });
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void anyPageOfAnyOrderIsThatOfAllRowsInThatOrder(long seed) {
        Random random = new Random(seed);
        for (String file : List.of("a.csv", "b.csv", "c.csv")) {
            List<String> lines = new ArrayList<>(List.of("Port,Fare,Note"));
            for (int i = 0; i < 400; i++) {
                lines.add("P" + random.nextInt(30) + "," + (random.nextInt(9) == 0 ? "" : random.nextInt(500) / 4.0)
                        + "," + file + i);
            }
            batch.csv(file, lines.toArray(String[]::new));
        }
        boolean greatest = random.nextBoolean();
        look("Port is not P7", List.of(new RowView.By(FARE, greatest), new RowView.By(PORT, !greatest)), view -> {
            List<MasterLine> all = view.page(0, 2000);
            assertThat(all).hasSize((int) view.rows());
            Comparator<BigDecimal> numbers = greatest ? Comparator.reverseOrder() : Comparator.naturalOrder();
            assertThat(all.stream()
                            .map(line -> line.values().get(FARE))
                            .map(text -> text == null ? null : new BigDecimal(text))
                            .toList())
                    .isSortedAccordingTo(Comparator.nullsLast(numbers));
            assertThat(all.stream().map(line -> line.values().get(PORT)).filter(Objects::nonNull))
                    .doesNotContain("P7");
            List<MasterLine> paged = new ArrayList<>();
            for (long from = 0; from < view.rows(); from += 77) {
                paged.addAll(view.page(from, 77));
            }
            assertThat(paged).isEqualTo(all);
        });
    }
}
