package cuvee.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** What has been done with a job, and what is asked of those who send. */
class HistoryCommandTest extends CommandTest {
    @Test
    void theMasterOfAnEarlierRefreshIsWrittenAgainAndItsDecisionsBroughtBack() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("refresh", "job.cuvee");
        cuvee("decide", "job.cuvee", "type", "Pax", "Text");
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Oska,9\n");
        cuvee("refresh", "job.cuvee");
        cuvee("history", "job.cuvee");
        assertThat(said()).contains("1  ").contains("Its master is kept, ");
        assertThat(cuvee("history", "job.cuvee", "--master", "1")).isEqualTo(2);
        assertThat(cuvee("history", "job.cuvee", "--master", "1", "--to", "then.csv"))
                .isZero();
        assertThat(Files.readString(folder.resolve("then.csv")))
                .contains("Tarsk")
                .doesNotContain("Oska");
        assertThat(cuvee("history", "job.cuvee", "--master", "9", "--to", "nine.csv"))
                .isEqualTo(4);
        assertThat(warned()).contains("The master of refresh 9 is not kept");
        assertThat(cuvee("history", "job.cuvee", "--master", "1", "--back")).isZero();
        cuvee("refresh", "job.cuvee");
        assertThat(said()).contains("Pax: Whole number");
        assertThat(cuvee("decide", "job.cuvee", "kept-masters", "masters", "1")).isZero();
    }

    @Test
    void aJobWithWhichNothingHasBeenDoneSaysSo() {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("history", "job.cuvee");
        String before = said();
        assertThat(before.isBlank()).isFalse();
        assertThat(cuvee("history", "missing.cuvee")).isEqualTo(4);
        assertThat(warned()).contains("missing.cuvee");
    }

    @Test
    void twoRefreshesAreComparedSourceBySource() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("refresh", "job.cuvee");
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,5\n2026-01-02,Hollin,16\n2026-01-03,Hollin,1\n");
        Files.delete(folder.resolve("data/b.csv"));
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Oska,9\n");
        cuvee("refresh", "job.cuvee");
        cuvee("history", "job.cuvee", "--json");
        JsonNode all = json().path("history");
        int last = all.path(all.size() - 1).path("number").asInt();
        int first = all.path(0).path("number").asInt();
        assertThat(all.path(0).path("what").asText()).isEqualTo("refreshed");
        assertThat(all.path(all.size() - 1).path("rows").asInt()).isEqualTo(5);
        assertThat(cuvee("history", "job.cuvee", "--compare", "" + first, "" + last))
                .isZero();
        assertThat(said()).contains("sources differ:").contains("  a.csv: ").contains("  c.csv: ");
        cuvee("history", "job.cuvee", "--compare", "" + first, "" + last, "--json");
        JsonNode a = json().path("sources").path(0);
        assertThat(a.path("path").asText()).isEqualTo("a.csv");
        assertThat(a.path("rowsBefore").asInt()).isEqualTo(2);
        assertThat(a.path("rowsNow").asInt()).isEqualTo(3);
        assertThat(a.path("sums").path("Pax").path("now").asText()).isEqualTo("22");
        assertThat(cuvee("history", "job.cuvee", "--compare", "1", "77")).isEqualTo(2);
        assertThat(warned()).contains("are not kept").contains("Nothing was done");
    }

    @Test
    void aPageForASenderSaysWhatWasWrongInHisFileAndNothingOfOthers() throws IOException {
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,5\n2026-01-02,Hollin,six\n2026-01-03,Hollin,7\n");
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Oska,9\n2026-03-02,Oska,1\n2026-03-03,Oska,2\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("settle", "job.cuvee", "--all-as-assumed");
        cuvee("sender", "job.cuvee", "a.csv");
        assertThat(said())
                .contains("“six” is no Whole number")
                .doesNotContain("Oska")
                .doesNotContain("b.csv");
        cuvee("sender", "job.cuvee", "a.csv", "--to", "a.html");
        assertThat(Files.readString(folder.resolve("a.html"))).contains("six").doesNotContain("<script");
        write("mine.html", "somebody's");
        assertThat(cuvee("sender", "job.cuvee", "a.csv", "--to", "mine.html")).isEqualTo(4);
        assertThat(Files.readString(folder.resolve("mine.html"))).isEqualTo("somebody's");
        assertThat(cuvee("sender", "job.cuvee", "a.csv", "--to", "mine.html", "--replace"))
                .isNotEqualTo(4);
    }

    @Test
    void aBlankWorkbookToFillInIsReadLikeTheOthersOnceItIsFilled() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        Path blank = folder.resolve("blank.xlsx");
        cuvee("sender", "job.cuvee", "--blank", "blank.xlsx");
        assertThat(blank).isNotEmptyFile();
        cuvee("peek", "blank.xlsx");
        assertThat(said()).contains("Date").contains("Port").contains("Pax");
        assertThat(cuvee("sender", "job.cuvee")).isEqualTo(2);
        assertThat(warned()).contains("Name a source, or a file for --blank");
        assertThat(cuvee("sender", "job.cuvee", "a.csv", "--blank", "x.xlsx")).isEqualTo(2);
    }
}
