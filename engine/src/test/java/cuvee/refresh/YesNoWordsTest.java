package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.job.Delivery;
import cuvee.tell.Outcome;
import cuvee.testing.Rows;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Yes and no are kept in the words of those who wrote them, until somebody wants others. */
class YesNoWordsTest {
    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void files() {
        batch = new Batch(folder)
                .csv("jan.csv", "Hive,Visit,Queen seen", "H1,2026-01-03,Yes", "H2,2026-01-04,No", "H3,2026-01-05,Yes")
                .csv("feb.csv", "Hive,Visit,Queen seen", "H1,2026-02-03,No", "H2,2026-02-04,", "H3,2026-02-05,Yes")
                .csv("mar.csv", "Hive,Visit,Queen seen", "H1,2026-03-03,yes", "H2,2026-03-04,no");
    }

    private Path deliver(String name, Delivery.Form form) {
        Path target = folder.resolve(name);
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            session.conclude(outcome);
            batch.job(outcome.job());
            session.deliver(outcome, new Delivery("out", target.toString(), form), Existing.REPLACE);
        }
        return target;
    }

    private List<String> seen(Path file, String separator) throws IOException {
        return Files.readString(file)
                .lines()
                .skip(1)
                .map(line -> line.split(separator, -1)[2])
                .toList();
    }

    private List<String> csv() throws IOException {
        return seen(deliver("master.csv", new Delivery.Whole()), ",");
    }

    @Test
    void theWordsThatTheSourcesUseStandInTheDeliveries() throws IOException {
        String[] words = {"Yes", "No", "Yes", "No", "", "Yes", "Yes", "No"};
        assertThat(csv()).containsExactlyInAnyOrder(words);
        Delivery.Text office = new Delivery.Text(Delivery.Separator.SEMICOLON, true, true);
        assertThat(seen(deliver("office.csv", office), ";")).containsExactlyInAnyOrder(words);
        assertThat(Rows.of(deliver("master.xlsx", new Delivery.Whole())))
                .anySatisfy(row -> assertThat(row).contains("H1").contains("Yes"))
                .noneSatisfy(row -> assertThat(row).contains("true"));
        assertThat(batch.assumed(Kinds.YES_NO_WORDS)).containsExactly("Queen seen: Yes | No");
        assertThat(batch.assumed(Kinds.TYPE)).contains("Queen seen: Yes/No");
    }

    @Test
    void theyStayWhenMoreSourcesComeThatWriteOthers() throws IOException {
        assertThat(csv()).contains("Yes");
        for (int month = 4; month < 9; month++) {
            batch.csv(
                    month + ".csv",
                    "Hive,Visit,Queen seen",
                    "H1,2026-0" + month + "-03,y",
                    "H2,2026-0" + month + "-04,n");
        }
        assertThat(csv()).hasSize(18).contains("Yes", "No").doesNotContain("y", "n");
    }

    @Test
    void whereSourcesUseSeveralWordsItIsTrueAndFalse() throws IOException {
        batch.csv("apr.csv", "Hive,Visit,Queen seen", "H1,2026-04-03,Y", "H2,2026-04-04,N");
        assertThat(csv()).contains("true", "false", "").doesNotContain("Yes", "No", "Y", "N");
        assertThat(batch.assumed(Kinds.YES_NO_WORDS)).containsExactly("Queen seen: true | false");
    }

    @Test
    void theAnalystCanHaveThemOtherwise() throws IOException {
        csv();
        batch.job(Board.yesNoWords(batch.job(), "Queen seen", YesNoWords.TRUE_FALSE));
        assertThat(csv()).contains("true", "false", "").doesNotContain("Yes", "No");
        batch.job(Board.yesNoWords(batch.job(), "Queen seen", new YesNoWords("seen, \"Q\"", "not")));
        assertThat(Files.readString(deliver("master.csv", new Delivery.Whole())))
                .contains(",\"seen, \"\"Q\"\"\",")
                .contains(",not,");
    }

    @Test
    void aColumnThatWasTypedBeforeTheWordsWereKeptIsDeliveredAsItWas() throws IOException {
        batch.job(batch.job()
                .withAssumed(
                        List.of("Hive", "Visit", "Queen seen"),
                        List.of(new Decision(Kinds.TYPE, "Queen seen", Type.YES_NO.word(), "", ""))));
        assertThat(csv()).contains("true", "false").doesNotContain("Yes");
    }

    @Test
    void trueAndFalseOfWorkbooksStayWhatTheyAre() throws IOException {
        batch = new Batch(folder.resolve("other")).sheet("a.xlsx", new Object[][] {
            {"Hive", "Visit", "Seen"}, {"H1", "x", true}, {"H2", "y", false}, {"H3", "y", true}
        });
        assertThat(csv()).containsExactly("true", "false", "true");
        assertThat(Rows.of(deliver("b.xlsx", new Delivery.Whole())))
                .anySatisfy(row -> assertThat(row).contains("YES_NO true"));
    }
}
