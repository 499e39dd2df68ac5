package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.chart.Chart;
import cuvee.chart.ChartLook;
import cuvee.chart.ChartPicture;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.CuveeException;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.rework.Known;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.awt.image.BufferedImage;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** A summary is drawn in the form that fits it, in the window as in a file. */
class ChartsTest extends BatchTest {
    private static final int WIDTH = 600;
    private static final int HEIGHT = 240;

    @BeforeEach
    void sailings() {
        List<String> lines = new ArrayList<>(List.of("Port,Sailing date,Deck,Fare,Heads"));
        String[] ports = {"Hollin", "Tarsk", "Oska", "Fenn", "Brannock", "Eastray", "Quay", "Lund", "Mere"};
        for (int port = 0; port < ports.length; port++) {
            for (int month = 1; month <= 4; month++) {
                String deck = List.of("upper", "lower", "car").get((port + month) % 3);
                lines.add(ports[port] + ",2026-0" + month + "-0" + (port + 1) + "," + deck + "," + (port * 10 + month)
                        + ".5," + (port - 2));
            }
        }
        batch.csv("a.csv", lines.toArray(String[]::new));
    }

    private Optional<Chart> chart(String words) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            SummaryWords.Read read = SummaryWords.read(words, Known.of(outcome.plan()));
            assertThat(read.problem()).isEmpty();
            return Chart.of(session.summary(outcome, read.summary().orElseThrow()));
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            total Fare: a line for each Port | BARS
            total Fare: a line for each Deck, a column for each month of Sailing date | LINES
            total Fare: a line for each Port, a column for each month of Sailing date | HEAT
            total Fare: a line for each Port, a column for each Deck | STACKED
            average Fare: a line for each Port, a column for each Deck | HEAT
            total Heads: a line for each Port, a column for each Deck | HEAT
            total Fare: a line for each Port, a column for each Deck; drawn as a heat map | HEAT
            total Fare: a line for each Port, a column for each Deck; drawn as bars | BARS
            total Fare: a line for each month of Sailing date; drawn as lines | LINES
            average Fare: a line for each Port, a column for each Deck; drawn as stacked bars | HEAT
            """)
    void theFormFitsTheSummaryUnlessItsWordsAskForAnotherThatCanBeDrawn(String words, Chart.Form form) {
        assertThat(chart(words))
                .hasValueSatisfying(chart -> assertThat(chart.form()).isEqualTo(form));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            total Fare
            least Sailing date: a line for each Port
            total Fare: a line for each Port and Sailing date and Deck, a column for each Sailing date
            """)
    void whatHasNothingToCompareOrTooMuchIsNotDrawn(String words) {
        assertThat(chart(words)).isEmpty();
    }

    @Test
    void aChartHasTheFiguresOfTheSummaryWithoutItsTotals() {
        Chart chart = chart("total Fare: a line for each Deck, a column for each month of Sailing date")
                .orElseThrow();
        assertThat(chart.across()).containsExactly("2026-01", "2026-02", "2026-03", "2026-04");
        assertThat(chart.series()).extracting(Chart.Series::name).containsExactly("car", "lower", "upper");
        BigDecimal sum = chart.series().stream()
                .flatMap(series -> series.values().stream())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(sum).isEqualByComparingTo("1548");
        assertThat(chart.says()).isEqualTo("Drawn as a line for each Deck, total Fare, all on one scale from zero");
        assertThat(chart("total Fare: a line for each Port, a column for each Deck")
                        .orElseThrow()
                        .says())
                .isEqualTo("Drawn as stacked bars, total Fare; from below car, lower, upper");
    }

    @ParameterizedTest
    @EnumSource(Chart.Form.class)
    void everyFormIsDrawnInTheColoursAskedForAndFillsItsRoom(Chart.Form form) {
        Chart chart = chart("total Fare: a line for each Deck, a column for each month of Sailing date; "
                        + switch (form) {
                            case BARS -> "drawn as bars";
                            case LINES -> "drawn as lines";
                            case STACKED -> "drawn as stacked bars";
                            case HEAT -> "drawn as a heat map";
                        })
                .orElseThrow();
        assertThat(chart.form()).isEqualTo(form);
        BufferedImage image = ChartPicture.of(chart, ChartLook.PAPER, WIDTH, HEIGHT, 2);
        assertThat(image.getWidth()).isEqualTo(2 * WIDTH);
        assertThat(image.getHeight()).isEqualTo(2 * HEIGHT);
        int strong = ChartLook.PAPER.strong().getRGB();
        int[] drawn = new int[4];
        for (int x = 0; x < image.getWidth(); x++) {
            for (int y = 0; y < image.getHeight(); y++) {
                int quarter = (x < WIDTH ? 0 : 1) + (y < HEIGHT ? 0 : 2);
                drawn[quarter] += image.getRGB(x, y) == ChartLook.PAPER.paper().getRGB() ? 0 : 1;
            }
        }
        assertThat(drawn).as("something in every quarter").doesNotContain(0);
        boolean found = false;
        for (int x = 0; x < image.getWidth() && !found; x++) {
            for (int y = 0; y < image.getHeight() && !found; y++) {
                found = image.getRGB(x, y) == strong;
            }
        }
        assertThat(found).as("the strong colour").isTrue();
    }

    @Test
    void aSummaryOfTheJobIsDeliveredAsAPictureThatFollowsTheMaster() throws Exception {
        Path target = batch.place("fares.png");
        Delivery delivery = new Delivery("fares.png", "fares.png", new Delivery.Picture("Fares"));
        batch.settle("summary", "Fares", "total Fare: a line for each Port");
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(session.look(outcome, delivery)).isEqualTo("Drawn as bars, total Fare, from zero.");
            assertThat(session.deliver(outcome, delivery, Existing.KEEP).said()).startsWith("a picture of “Fares”, ");
            assertThat(ImageIO.read(target.toFile()).getWidth()).isEqualTo(1920);
            byte[] before = Files.readAllBytes(target);
            batch.csv("b.csv", "Port,Sailing date,Deck,Fare,Heads", "Hollin,2026-05-01,car,900.5,4");
            Outcome later = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            session.deliver(later, delivery, Existing.KEEP);
            assertThat(Files.readAllBytes(target)).isNotEqualTo(before);
        }
    }

    @Test
    void aPictureThatCannotBeDrawnSaysWhyAndWritesNothing() throws Exception {
        batch.settle("summary", "Whole", "total Fare");
        Path other = batch.place("mine.png");
        Files.writeString(other, "not Cuvee's");
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThatThrownBy(() -> session.deliver(
                            outcome, new Delivery("p", "p.png", new Delivery.Picture("Whole")), Existing.KEEP))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("no numbers to compare");
            assertThatThrownBy(() -> session.deliver(
                            outcome, new Delivery("p", "p.png", new Delivery.Picture("Gone")), Existing.KEEP))
                    .hasMessageContaining("keeps no summary “Gone”");
            assertThatThrownBy(() -> session.deliver(
                            outcome, new Delivery("p", "p.jpg", new Delivery.Picture("Whole")), Existing.KEEP))
                    .hasMessageContaining("ends in .png");
            assertThatThrownBy(() -> session.deliver(
                            outcome, new Delivery("p", "mine.png", new Delivery.Picture("Whole")), Existing.KEEP))
                    .hasMessageContaining("mine.png");
        }
        assertThat(batch.place("p.png")).doesNotExist();
        assertThat(other).hasContent("not Cuvee's");
    }
}
