package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.HeaderBookFile;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.Question;
import cuvee.master.MasterReader;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A refresh on trial, which is thrown away or kept, and masters of before. */
class TrialTest extends OpenJob {
    @Test
    void aTrialIsThrownAwayWithAllThatWasDecidedInIt() throws Exception {
        Question question = refreshed().questions().get(0);
        long rows = model.outcomeProperty().get().orElseThrow().rows();
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.tryRefresh();
        idle();
        assertThat(model.tryingProperty().get()).isTrue();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(rows + 1);
        model.answers().settle(question, "Heads");
        idle();
        assertThat(columns()).contains("Heads");
        model.save();
        assertThat(model.messageProperty().get().text()).startsWith("This is a trial");
        assertThat(model.hasFile()).isFalse();
        model.deliveries().add(folder.resolve("out.csv"));
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        idle();
        assertThat(folder.resolve("out.csv")).doesNotExist();
        model.throwTrialAway();
        idle();
        assertThat(model.tryingProperty().get()).isFalse();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(rows);
        assertThat(model.jobProperty().get().deliveries()).isEmpty();
        assertThat(columns()).doesNotContain("Heads");
        assertThat(model.canUndoProperty().get()).isFalse();
        try (MasterReader reader =
                model.session().reader(model.outcomeProperty().get().orElseThrow())) {
            assertThat(reader.page(0, 10)).hasSize((int) rows);
        }
        assertThat(model.history()).hasSize(1);
    }

    @Test
    void aTrialThatIsKeptIsTheNextRefresh() throws Exception {
        Question question = refreshed().questions().get(0);
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.tryRefresh();
        idle();
        model.answers().settle(question, "Heads");
        idle();
        model.keepTrial();
        idle();
        assertThat(model.tryingProperty().get()).isFalse();
        assertThat(columns()).contains("Heads");
        assertThat(model.history()).hasSize(2);
        assertThat(model.outcomeProperty().get().orElseThrow().changed().files().added())
                .containsExactly("c.csv");
        model.undo();
        idle();
        assertThat(columns()).doesNotContain("Heads");
    }

    @Test
    void whatIsSettledOnTrialIsInTheHeaderBookOnceItIsKept() throws Exception {
        Question question = refreshed().questions().get(0);
        model.tryRefresh();
        idle();
        model.answers().settle(question, question.assumed());
        idle();
        assertThat(HeaderBookFile.read(workplace.state()).entries()).isEmpty();
        model.keepTrial();
        idle();
        assertThat(HeaderBookFile.read(workplace.state()).entries())
                .extracting(entry -> entry.key() + " = " + entry.column())
                .containsExactly(question.subject() + " = " + question.assumed());
    }

    @Test
    void anEarlierMasterIsShownWrittenAndItsDecisionsBroughtBackAsOneAct() throws Exception {
        Question question = refreshed().questions().get(0);
        model.answers().settle(question, "Heads");
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.refresh();
        idle();
        assertThat(model.earlier().kept()).isNotEmpty();
        int first = model.earlier().kept().get(0).number();
        List<KeptGrid> opened = new ArrayList<>();
        model.earlier().open(first, opened::add);
        until(() -> !opened.isEmpty());
        KeptGrid grid = opened.get(0);
        assertThat(grid.rows()).isEqualTo(3);
        grid.text(0, 0);
        until(() -> grid.text(0, 0) != null);
        assertThat(grid.text(0, 0)).isNotBlank();
        assertThat(grid.title(0)).isEqualTo("Date");
        grid.close();
        model.earlier().write(first, folder.resolve("then.csv"), Existing.KEEP);
        until(() -> model.messageProperty().get().text().equals("Written: then.csv."));
        assertThat(Files.readAllLines(folder.resolve("then.csv"))).hasSize(4);
        model.earlier().bringBack(first);
        until(() -> model.lastActProperty().get().startsWith("brought back"));
        idle();
        assertThat(model.lastActProperty().get()).isEqualTo("brought back the decisions of refresh " + first);
        assertThat(columns()).doesNotContain("Heads");
        model.undo();
        idle();
        assertThat(columns()).contains("Heads");
    }
}
