package cuvee.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Deliveries kept in a job, looked at and carried out from the command line. */
class DeliveryCommandTest extends CommandTest {
    /** A job with two deliveries, of which the first is open in another program. */
    private void oneDeliveryIsLocked() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("settle", "job.cuvee", "--all");
        cuvee("delivery", "job.cuvee", "Board", "--to", "board.csv");
        cuvee("delivery", "job.cuvee", "Office", "--to", "office.csv");
        write("board.csv", "of last month");
        write(".~lock.board.csv#", "somebody");
    }

    @Test
    void aDeliveryThatCannotBeWrittenKeepsNoOtherBackAndLosesNothing() throws IOException {
        oneDeliveryIsLocked();
        assertThat(cuvee("refresh", "job.cuvee", "--deliver", "all", "--json")).isEqualTo(4);
        JsonNode board = json().path("deliveries").get(0);
        assertThat(board.path("state").asText()).isEqualTo("not written");
        assertThat(board.path("reason").asText())
                .contains("another program has it open")
                .contains("another name such as board 2.csv");
        assertThat(json().path("deliveries").get(1).path("state").asText()).isEqualTo("written");
        assertThat(json().path("rows").asInt()).isPositive();
        assertThat(folder.resolve("office.csv")).exists();
        assertThat(folder.resolve("board.csv")).hasContent("of last month");
        assertThat(folder.resolve("board 2.csv")).doesNotExist();
    }

    @Test
    void aDeliveryThatCannotBeWrittenGoesToANameBesideItWhereThatIsSaid() throws IOException {
        oneDeliveryIsLocked();
        cuvee("delivery", "job.cuvee", "Drive", "--to", "drive.csv");
        Path file = folder.resolve("job.cuvee");
        Job job = JobFile.open(file);
        JobFile.save(
                job.withDeliveries(List.of(job.deliveries().get(0), new Delivery("Drive", "not there/drive.csv"))),
                file);
        assertThat(cuvee("refresh", "job.cuvee", "--deliver", "all", "--beside", "--json"))
                .isEqualTo(3);
        for (JsonNode delivery : json().path("deliveries")) {
            assertThat(delivery.path("state").asText()).isEqualTo("not written");
            assertThat(delivery.path("reason").asText()).contains("written beside as");
        }
        assertThat(folder.resolve("board.csv")).hasContent("of last month");
        assertThat(folder.resolve("board 2.csv")).isNotEmptyFile();
        assertThat(folder.resolve("drive.csv")).isNotEmptyFile();
        assertThat(cuvee("refresh", "job.cuvee", "--json"))
                .as("what Cuvee wrote is no source, wherever it lies")
                .isZero();
    }

    @Test
    void aDeliveryWaitsForOpenQuestionsUnlessTheyAreAcceptedByName() throws IOException {
        write("data/c.csv", "Date,Port,Pax\n03/04/2026,Oska,7\n05/06/2026,Oska,8\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        Path file = folder.resolve("job.cuvee");
        JobFile.save(JobFile.open(file).withDeliveries(List.of(new Delivery("Board", "board.csv"))), file);
        cuvee("refresh", "job.cuvee", "--deliver", "Board", "--json");
        assertThat(json().path("deliveries").get(0).path("state").asText()).isEqualTo("held");
        assertThat(folder.resolve("board.csv")).doesNotExist();
        String id = json().path("questions").get(0).path("id").asText();
        assertThat(json().path("deliveries").get(0).path("reason").asText()).contains(id);
        assertThat(cuvee("accept", "job.cuvee", "Board", "q00000000")).isEqualTo(2);
        for (JsonNode question : questions()) {
            assertThat(cuvee("accept", "job.cuvee", "Board", question.path("id").asText()))
                    .isZero();
        }
        assertThat(cuvee("refresh", "job.cuvee", "--deliver", "Board")).isEqualTo(3);
        assertThat(folder.resolve("board.csv")).isNotEmptyFile();
    }

    @Test
    void aCellOfATabIsNamed() {
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("delivery", "job.cuvee", "Board", "--to", "board.xlsx", "--cell", "C5"))
                .isEqualTo(Exit.USAGE);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("A cell is one of a tab");
        assertThat(cuvee("delivery", "job.cuvee", "Board", "--to", "board.xlsx", "--tab", "Pack", "--cell", "c5"))
                .isEqualTo(Exit.DONE);
        assertThat(JobFile.open(folder.resolve("job.cuvee")).deliveries().get(0).form())
                .isEqualTo(new Delivery.Tab("Pack", "C5", Delivery.How.REPLACE, List.of()));
    }

    @Test
    void copiesOfTheSourcesAreWrittenWithTheSameChange() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("delivery", "job.cuvee", "Copies", "--to", "corrected", "--copies"))
                .isEqualTo(Exit.USAGE);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("Say by --header or --value");
        assertThat(cuvee(
                        "delivery",
                        "job.cuvee",
                        "Copies",
                        "--to",
                        "corrected",
                        "--copies",
                        "--header",
                        "Port | Harbour"))
                .isEqualTo(Exit.DONE);
        cuvee("settle", "job.cuvee", "--all-as-assumed");
        cuvee("refresh", "job.cuvee", "--deliver", "Copies");
        assertThat(folder.resolve("corrected")).isDirectoryRecursivelyContaining("glob:**.csv");
        assertThat(Files.readString(folder.resolve("corrected/a.csv"))).contains("Harbour");
        assertThat(Files.readString(folder.resolve("data/a.csv"))).doesNotContain("Harbour");
    }

    @Test
    void textAndPicturesAreDeliveredAsTheyAreAskedFor() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("delivery", "job.cuvee", "Office", "--to", "office.csv", "--parted-by", "dots"))
                .isEqualTo(Exit.USAGE);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("“dots” is none of commas, semicolons and tabs.");
        assertThat(cuvee("delivery", "job.cuvee", "Office", "--to", "office.xlsx", "--decimal-comma"))
                .isEqualTo(Exit.USAGE);
        assertThat(cuvee("delivery", "job.cuvee", "Office", "--to", "office.csv", "--parted-by", "semicolons"))
                .isEqualTo(Exit.DONE);
        cuvee("summary", "job.cuvee", "number of rows: a line for each Port", "--save", "Ports");
        assertThat(cuvee("delivery", "job.cuvee", "Picture", "--to", "ports.jpg", "--picture", "Ports"))
                .isEqualTo(Exit.USAGE);
        assertThat(cuvee("delivery", "job.cuvee", "Picture", "--to", "ports.png", "--picture", "Ports"))
                .isEqualTo(Exit.DONE);
        cuvee("settle", "job.cuvee", "--all-as-assumed");
        cuvee("refresh", "job.cuvee", "--deliver", "all");
        assertThat(Files.readString(folder.resolve("office.csv"))).contains("Port;");
        assertThat(folder.resolve("ports.png")).isNotEmptyFile();
    }

    @Test
    void aDeliveryIsKeptInTheJobLookedAtAndCarriedOut() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("delivery", "job.cuvee", "Board", "--to", "board.xlsx", "--tab", "Data", "--how", "match"))
                .isEqualTo(Exit.USAGE);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("Say by --key how rows are matched");
        assertThat(cuvee(
                        "delivery",
                        "job.cuvee",
                        "Board",
                        "--to",
                        "board.xlsx",
                        "--tab",
                        "Data",
                        "--how",
                        "match",
                        "--key",
                        "Date"))
                .isEqualTo(Exit.DONE);
        cuvee("delivery", "job.cuvee", "Board", "--preview");
        assertThat(said()).contains("3 rows added, 0 changed, 0 removed");
        assertThat(folder.resolve("board.xlsx")).doesNotExist();
        cuvee("refresh", "job.cuvee", "--deliver", "Board", "--json");
        String state =
                JSON.readTree(said()).path("deliveries").path(0).path("state").asText();
        if (state.equals("held")) {
            List<String> accept = new ArrayList<>(List.of("accept", "job.cuvee", "Board"));
            JSON.readTree(said())
                    .path("questions")
                    .forEach(question -> accept.add(question.path("id").asText()));
            cuvee(accept.toArray(String[]::new));
            cuvee("refresh", "job.cuvee", "--deliver", "Board", "--json");
        }
        assertThat(JSON.readTree(said())
                        .path("deliveries")
                        .path(0)
                        .path("reason")
                        .asText())
                .contains("3 rows added");
        assertThat(folder.resolve("board.xlsx")).exists();
        cuvee("delivery", "job.cuvee", "Board", "--preview");
        assertThat(said()).contains("0 rows added, 0 changed, 0 removed, 3 as they were");
        assertThat(cuvee("delivery", "job.cuvee", "Board", "--drop")).isEqualTo(Exit.DONE);
        assertThat(cuvee("delivery", "job.cuvee", "Board", "--preview")).isEqualTo(Exit.USAGE);
        assertThat(cuvee("delivery", "job.cuvee", "Secret", "--to", "postgresql://me:pw@host/db", "--table", "t"))
                .isEqualTo(Exit.FAILED);
    }

    @Test
    void aFileForEachValueOfTwoColumnsIsKeptAndWritten() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String[] lake = {"delivery", "job.cuvee", "Lake", "--to", "Port={Port}/Date={Date}/part.csv"};
        assertThat(cuvee(with(lake, "--each", "Port", "--each", "Date", "--names", "names.csv")))
                .isEqualTo(Exit.USAGE);
        assertThat(warned()).contains("--names goes with one --each");
        assertThat(cuvee(with(lake, "--each", "Port", "--each", "Date"))).isEqualTo(Exit.DONE);
        assertThat(JobFile.open(folder.resolve("job.cuvee")).deliveries().get(0).form())
                .isEqualTo(new Delivery.Each("Port", "Date"));
        cuvee("settle", "job.cuvee", "--all-as-assumed");
        cuvee("refresh", "job.cuvee", "--deliver", "Lake");
        assertThat(Files.readString(folder.resolve("Port=Hollin/Date=2026-01-02/part.csv")))
                .contains("Hollin")
                .doesNotContain("2026-01-01");
        assertThat(folder.resolve("Port=Tarsk/Date=2026-02-01/part.csv")).isRegularFile();
    }

    private static String[] with(String[] some, String... more) {
        return Stream.concat(Stream.of(some), Stream.of(more)).toArray(String[]::new);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "board.xlsx --how sometimes               | “sometimes” is none of replace, add, new, match, mirror.",
                "board.xlsx --tab Data --how add --key Date | Rows are matched by key with --how new, match or mirror only.",
                "board.xlsx --table master                | A table is in a database: --to postgresql://…",
                "postgresql://host/db                     | Say by --table which table is written.",
                "board.xlsx --tab Data --each Port        | Name one of --tab, --table and --each.",
                "board.xlsx --how add                     | A whole file is always replaced",
                "board.csv --about                        | An account of the master goes with a whole workbook",
                "board.csv --names names.csv              | --names and --remove-gone are said of --each only.",
                "board.csv --remove-gone                  | --names and --remove-gone are said of --each only.",
                "corrected --copies --header Port         | A header is renamed by --header",
                "corrected --copies --value Port          | A value is written otherwise by --value",
            })
    void whatCannotBeDeliveredIsRefusedAndTheJobStays(String to, String why) throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String before = Files.readString(folder.resolve("job.cuvee"));
        String[] delivery = {"delivery", "job.cuvee", "Board", "--to"};
        assertThat(cuvee(with(delivery, to.split(" +")))).isEqualTo(Exit.USAGE);
        assertThat(warned()).contains(why).contains("Nothing was changed.");
        assertThat(folder.resolve("job.cuvee")).hasContent(before);
    }
}
