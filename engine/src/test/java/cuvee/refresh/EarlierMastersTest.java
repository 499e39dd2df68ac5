package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.CuveeException;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.KeptMaster;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The masters of the last refreshes can be read, delivered again and gone back to; a refresh can be tried and thrown away. */
class EarlierMastersTest extends BatchTest {
    private void january() {
        batch.csv(
                "2026-01.csv",
                "Sailing date,Port,Fare,Open",
                "2026-01-02,Hollin,12.50,yes",
                "2026-01-03,\"Tarsk, east\",1204.75,no",
                "2026-01-04,,7,yes");
    }

    private void february() {
        batch.csv("2026-02.csv", "Sailing date,Port,Fare,Open", "2026-02-01,Hollin,99.90,no");
    }

    private static List<String> rows(KeptMaster kept) {
        List<String> lines = new ArrayList<>();
        try (MasterReader reader = kept.reader()) {
            reader.each(values -> lines.add(String.join(
                    "|",
                    Arrays.stream(values)
                            .map(value -> value == null ? "" : value)
                            .toList())));
        }
        return lines;
    }

    @Test
    void theMasterOfARefreshStaysAsItWasWhateverComesAfter() {
        january();
        List<String> then = batch.refresh().lines();
        february();
        batch.csv("2026-01.csv", "Sailing date,Port,Fare,Open", "2026-01-02,Hollin,0.01,yes");
        assertThat(batch.refresh().lines()).hasSize(2);
        try (JobSession session = batch.open()) {
            assertThat(session.earlier().all())
                    .extracting(EarlierMasters.Kept::number)
                    .containsExactly(1, 2);
            assertThat(session.earlier().all())
                    .allSatisfy(kept -> assertThat(kept.bytes()).isPositive());
            try (KeptMaster first = session.earlier().open(1)) {
                assertThat(first.rows()).isEqualTo(3);
                assertThat(rows(first))
                        .hasSameSizeAs(then)
                        .allSatisfy(line -> assertThat(then).anyMatch(line::startsWith));
                try (MasterReader reader = first.reader()) {
                    assertThat(reader.page(1, 1))
                            .singleElement()
                            .satisfies(line -> assertThat(line.values()).contains("Tarsk, east", "1204.75"));
                }
            }
        }
    }

    @Test
    void itIsDeliveredAgainInEveryFormAndNeverOverWhatIsNotOurs() throws IOException {
        january();
        batch.refresh();
        february();
        batch.refresh();
        try (JobSession session = batch.open()) {
            for (String ending : List.of("csv", "xlsx", "jsonl", "parquet", "sqlite", "sql")) {
                assertThat(session.deliverEarlier(batch.job(), 1, batch.place("then." + ending), Existing.KEEP))
                        .as(ending)
                        .isPositive();
            }
            assertThat(Files.readString(batch.place("then.csv")))
                    .contains("\"Tarsk, east\"")
                    .doesNotContain("99.9");
            Files.writeString(batch.place("mine.csv"), "mine");
            assertThatThrownBy(() -> session.deliverEarlier(batch.job(), 1, batch.place("mine.csv"), Existing.KEEP))
                    .isInstanceOf(CuveeException.class);
            assertThat(Files.readString(batch.place("mine.csv"))).isEqualTo("mine");
            assertThatThrownBy(() -> session.earlier().open(7))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("The master of refresh 7 is not kept");
        }
    }

    @Test
    void asManyAreKeptAsTheAnalystSays() {
        january();
        batch.refresh();
        for (int day = 1; day <= 4; day++) {
            batch.csv("2026-02.csv", "Sailing date,Port,Fare,Open", "2026-02-0" + day + ",Hollin,9" + day + ".90,no");
            batch.refresh();
        }
        try (JobSession session = batch.open()) {
            assertThat(session.earlier().all())
                    .as("three where nothing is said")
                    .extracting(EarlierMasters.Kept::number)
                    .containsExactly(3, 4, 5);
        }
        batch.settle(Kinds.KEPT_MASTERS, ProofChoice.KeptMasters.SUBJECT, "1");
        batch.csv("2026-03.csv", "Sailing date,Port,Fare,Open", "2026-03-01,Hollin,5.90,no");
        batch.refresh();
        try (JobSession session = batch.open()) {
            assertThat(session.earlier().all())
                    .extracting(EarlierMasters.Kept::number)
                    .containsExactly(6);
        }
        batch.settle(Kinds.KEPT_MASTERS, ProofChoice.KeptMasters.SUBJECT, "0");
        batch.csv("2026-03.csv", "Sailing date,Port,Fare,Open", "2026-03-01,Hollin,6.90,no");
        batch.refresh();
        try (JobSession session = batch.open()) {
            assertThat(session.earlier().all()).isEmpty();
        }
    }

    @Test
    void theDecisionsOfThenCanBeBroughtBack() {
        january();
        batch.refresh();
        batch.settle(Kinds.TYPE, "Fare", "Text");
        february();
        batch.refresh();
        try (JobSession session = batch.open()) {
            assertThat(session.earlier()
                            .job(2)
                            .decision(Kinds.TYPE, "Fare")
                            .orElseThrow()
                            .answer())
                    .isEqualTo("Text");
            batch.job(session.earlier().job(1));
        }
        assertThat(batch.refresh().lines()).hasSize(4).anyMatch(line -> line.contains("|1204.75|"));
        assertThat(batch.job().isSettled(Kinds.TYPE, "Fare")).isFalse();
    }

    @Test
    void aRefreshIsTriedAndNothingOfItIsLeft() {
        january();
        List<String> before = batch.refresh().lines();
        february();
        batch.csv("2026-01.csv", "Sailing date,Port,Fare,Open", "2026-01-02,Hollin,0.01,yes");
        try (JobSession session = batch.open()) {
            Outcome shown = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(shown.rows()).isEqualTo(2);
        }
        // Looked at and not concluded: what the last refresh was is still known.
        try (JobSession session = batch.open();
                JobSession trial = session.trial()) {
            Outcome tried = trial.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(tried.rows()).isEqualTo(2);
            assertThat(tried.changed().files().added()).containsExactly("2026-02.csv");
            assertThat(tried.changed().files().changed()).containsExactly("2026-01.csv");
            assertThatThrownBy(() -> trial.deliver(tried, batch.place("out.csv")))
                    .isInstanceOf(CuveeException.class)
                    .hasMessageContaining("This is a trial");
            assertThat(batch.place("out.csv")).doesNotExist();
            assertThat(session.history().entries()).hasSize(1);
            try (KeptMaster kept = session.earlier().open(1)) {
                assertThat(kept.rows()).isEqualTo(before.size());
            }
        }
        Batch.Made kept = batch.refresh();
        assertThat(kept.outcome().changed().files().added()).containsExactly("2026-02.csv");
        assertThat(kept.lines()).hasSize(2);
    }

    @Test
    void theMasterBesideATrialIsWhatItWas() {
        january();
        batch.refresh();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            february();
            batch.csv("2026-01.csv", "Sailing date,Port,Fare,Open", "2026-01-02,Hollin,0.01,yes");
            try (JobSession trial = session.trial()) {
                assertThat(trial.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE)
                                .rows())
                        .isEqualTo(2);
            }
            try (MasterReader reader = session.reader(outcome)) {
                assertThat(reader.rows()).isEqualTo(3);
                assertThat(reader.page(0, 3))
                        .extracting(line -> line.values().get(1))
                        .contains("Tarsk, east");
            }
        }
    }
}
