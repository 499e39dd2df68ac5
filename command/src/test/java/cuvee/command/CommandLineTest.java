package cuvee.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import cuvee.job.JobFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class CommandLineTest extends CommandTest {
    @Test
    void aSourceOrAFileOfOthersIsNeverWrittenOverUnasked() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String source = Files.readString(folder.resolve("data/a.csv"));
        assertThat(cuvee("refresh", "job.cuvee", "--to", "data/a.csv", "--replace"))
                .isEqualTo(4);
        assertThat(warned())
                .contains("a file of that name lies in a place of this job")
                .contains("Name another file");
        assertThat(Files.readString(folder.resolve("data/a.csv"))).isEqualTo(source);
        write("out.csv", "somebody's");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv")).isEqualTo(4);
        assertThat(warned()).contains("Cuvee did not write it (10 bytes)").contains("--replace");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv", "--replace"))
                .isZero();
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv")).isZero();
        assertThat(Files.readString(folder.resolve("out.csv"))).startsWith("Date,Port,Pax");
    }

    @Test
    void aJobThatReplacesAnotherLeavesNoCacheOfIt() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String before = JobFile.open(folder.resolve("job.cuvee")).id();
        assertThat(folder.resolve("cache").resolve(before)).isDirectory();
        cuvee("draft", "data", "--out", "job.cuvee", "--replace");
        assertThat(folder.resolve("cache").resolve(before)).doesNotExist();
    }

    @Test
    void aFolderBecomesAJobAndTheJobAMaster() throws IOException {
        assertThat(cuvee("draft", "data", "--out", "job.cuvee")).isZero();
        assertThat(said()).contains("job: 3 rows from 2 files").contains("Pax: Whole number, 3 values");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv", "--to", "out.xlsx"))
                .isZero();
        assertThat(Files.readString(folder.resolve("out.csv")))
                .isEqualTo("Date,Port,Pax,Source file,Source sheet\r\n2026-01-01,Hollin,5,a.csv,\r\n"
                        + "2026-01-02,Hollin,6,a.csv,\r\n2026-02-01,Tarsk,7,b.csv,\r\n");
        assertThat(folder.resolve("out.xlsx")).isNotEmptyFile();
    }

    @Test
    void jsonIsOneObjectAndNothingElse() throws IOException {
        assertThat(cuvee("draft", "data", "--out", "job.cuvee", "--json")).isZero();
        JsonNode root = json();
        assertThat(root.path("job").asText()).isEqualTo("job");
        assertThat(root.path("rows").asInt()).isEqualTo(3);
        assertThat(root.path("columns").findValuesAsText("name"))
                .containsExactly("Date", "Port", "Pax", "Source file", "Source sheet");
        JsonNode table = root.path("sources").path(0).path("tables").path(0);
        assertThat(table.path("range").asText()).isEqualTo("A1:C3");
        assertThat(table.path("headerRows").path(0).asInt()).isEqualTo(1);
        assertThat(table.path("seen").asInt()).isEqualTo(3);
        assertThat(table.path("kept").asInt()).isEqualTo(2);
        assertThat(table.path("setAside").path("header").asInt()).isEqualTo(1);
        assertThat(root.path("sums").path("Pax").asText()).isEqualTo("18");
        assertThat(root.has("questions")
                        && root.has("findings")
                        && root.has("deliveries")
                        && root.has("changed")
                        && root.has("ms"))
                .isTrue();
    }

    @Test
    void aJobThatIsThereIsReplacedOnlyWhenToldSo() {
        assertThat(cuvee("draft", "data", "--out", "job.cuvee")).isZero();
        assertThat(cuvee("draft", "data", "--out", "job.cuvee")).isEqualTo(2);
        assertThat(warned()).contains("is there already").contains("--replace");
        assertThat(cuvee("draft", "data", "--out", "job.cuvee", "--replace")).isZero();
    }

    @Test
    void openQuestionsGiveTheirOwnStatusAndCanBeSettled() throws IOException {
        write("data/c.csv", "Watch,Early,Late\nMonday,Quill,Marl\n");
        assertThat(cuvee("draft", "data", "--out", "job.cuvee", "--json")).isEqualTo(3);
        JsonNode question = json().path("questions").path(0);
        assertThat(question.path("kind").asText()).isEqualTo("another-job");
        assertThat(cuvee("settle", "job.cuvee", question.path("id").asText(), "perhaps"))
                .isEqualTo(2);
        assertThat(warned()).contains("“perhaps” is no answer").contains("aside and take");
        assertThat(cuvee("settle", "job.cuvee", question.path("id").asText(), "aside"))
                .isZero();
        assertThat(cuvee("show", "job.cuvee")).isZero();
        assertThat(cuvee("settle", "job.cuvee", question.path("id").asText(), "take"))
                .isZero();
    }

    @Test
    void strictDeliversNothingWhileThereIsAQuestion() throws IOException {
        write("data/c.csv", "Watch,Early,Late\nMonday,Quill,Marl\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv", "--strict", "--json"))
                .isEqualTo(3);
        assertThat(folder.resolve("out.csv")).doesNotExist();
        assertThat(json().path("deliveries").path(0).path("state").asText()).isEqualTo("held");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv")).isEqualTo(3);
        assertThat(folder.resolve("out.csv")).exists();
    }

    @Test
    void showChangesNothing() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String before = Files.readString(folder.resolve("job.cuvee"));
        write("data/c.csv", "Date,Port,Pax,Crew\n2026-03-01,Hollin,5,3\n");
        cuvee("show", "job.cuvee", "--json");
        assertThat(json().path("rows").asInt()).isEqualTo(4);
        assertThat(Files.readString(folder.resolve("job.cuvee"))).isEqualTo(before);
        cuvee("refresh", "job.cuvee", "--json");
        assertThat(json().path("changed").path("filesNew").path(0).asText()).isEqualTo("c.csv");
    }

    @Test
    void peekTellsWhatIsInAFile() throws IOException {
        assertThat(cuvee("peek", "data/a.csv", "--json")).isZero();
        JsonNode table = json().path("files")
                .path(0)
                .path("sheets")
                .path(0)
                .path("tables")
                .path(0);
        assertThat(table.path("columns").findValuesAsText("type")).containsExactly("Date", "Text", "Whole number");
        assertThat(cuvee("peek", "data/a.csv", "data/none.csv")).isEqualTo(3);
        assertThat(cuvee("peek", "data/none.csv")).isEqualTo(4);
        assertThat(warned()).contains("none.csv: The file cannot be opened: it is no longer there.");
    }

    @Test
    void failuresSayWhatHappenedAndDeliverNothing() throws IOException {
        assertThat(cuvee("draft", "nowhere", "--out", "job.cuvee", "--json")).isEqualTo(4);
        assertThat(warned()).contains("There is no folder or file");
        assertThat(json().path("findings").path(0).path("kind").asText()).isEqualTo("no-place");
        assertThat(folder.resolve("job.cuvee")).doesNotExist();
        assertThat(cuvee("draft", "data", "--out", "no/job.cuvee")).isEqualTo(4);
        assertThat(warned()).contains("there is no folder");
        assertThat(cuvee("refresh", "missing.cuvee")).isEqualTo(4);
        assertThat(warned()).contains("There is no job file").contains("cuvee draft FOLDER --out missing.cuvee");
        write("torn.cuvee", "{\"cuvee\": 1, ");
        assertThat(cuvee("show", "torn.cuvee")).isEqualTo(4);
        assertThat(warned()).contains("The job file torn.cuvee cannot be read");
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "no/out.csv")).isEqualTo(4);
        assertThat(cuvee("refresh", "job.cuvee", "--deliver", "board")).isEqualTo(2);
    }

    @Test
    void wrongUsageHasItsOwnStatus() {
        assertThat(cuvee("draft", "data")).isEqualTo(2);
        assertThat(cuvee("frobnicate")).isEqualTo(2);
        assertThat(cuvee("--help")).isZero();
        assertThat(said()).contains("refresh").contains("Look at the places again");
    }

    @Test
    void anEmptyFolderMakesAJobThatSaysSo() throws IOException {
        Files.createDirectory(folder.resolve("empty"));
        assertThat(cuvee("draft", "empty", "--out", "job.cuvee")).isEqualTo(3);
        assertThat(said()).contains("is empty").contains("The master is empty.");
    }

    @Test
    void theLogHoldsNoData() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        Path log = folder.resolve("state").resolve("cuvee.log");
        if (Files.exists(log)) {
            assertThat(Files.readString(log)).doesNotContain("Hollin").doesNotContain("Tarsk");
        }
    }

    @Test
    void showSaysWhatHappensToTheRows() throws IOException {
        write("plans/plan.csv", "Depot,Jan,Feb,Mar\nHollin,1,2,3\nTarsk,4,,6\n");
        cuvee("draft", "plans", "--out", "plan.cuvee");
        cuvee("show", "plan.cuvee");
        assertThat(said())
                .contains("plan: 5 rows from 1 file")
                .contains("Turn the 3 columns “Jan” to “Mar” into rows: Month, Amount. (2 rows became 5 in 1 table; 1"
                        + " blank cell left out)");
    }

    @Test
    void theWholeJobIsAPageOfSentences() throws IOException {
        write("plans/plan.csv", "Depot,Jan,Feb,Mar\nHollin,1,2,3\nTarsk,4,,6\n");
        cuvee("draft", "plans", "--out", "plan.cuvee");
        cuvee("show", "plan.cuvee", "--page");
        assertThat(said())
                .startsWith(
                        "plan\n5 rows from 1 file.\n\nWhere the rows come from\n  From plans, with the folders in it.\n")
                .contains("\nColumns\n  Depot: Text.\n  Month: Text.\n  Amount: Whole number.\n")
                .contains("  Turn the 3 columns “Jan” to “Mar” into rows: Month, Amount. 2 rows became 5 in 1 table;")
                .doesNotContain("..");
    }

    @Test
    void aShapedMasterAndItsSumsAreInTheJson() throws IOException {
        cuvee("draft", "data", "--out", "s.cuvee");
        Path file = folder.resolve("s.cuvee");
        Files.writeString(
                file,
                Files.readString(file)
                        .replaceFirst(
                                "\"settled\" : \\[ ?\\]",
                                "\"settled\" : [ { \"kind\" : \"to-columns\", \"subject\" : \"rows\","
                                        + " \"answer\" : \"Port | sum | Pax | Date\" } ]"));
        cuvee("refresh", "s.cuvee", "--json", "--to", "out.csv");
        assertThat(json().path("columns"))
                .extracting(column -> column.path("name").asText())
                .startsWith("Date", "Hollin");
        assertThat(json().path("sums").has("Hollin")).isTrue();
        assertThat(Files.readAllLines(folder.resolve("out.csv")).get(0)).startsWith("Date,Hollin");
    }

    @Test
    void whatRulesSetAsideIsSaidInWordsAndInJson() throws IOException {
        cuvee("draft", "data", "--out", "r.cuvee");
        Path file = folder.resolve("r.cuvee");
        String rule =
                "\"settled\" : [ { \"kind\" : \"rows\", \"subject\" : \"Port is Hollin\", \"answer\" : \"set aside\" } ]";
        String job = Files.readString(file);
        Files.writeString(file, job.replaceFirst("\"settled\" : \\[ ?\\]", rule));
        cuvee("show", "r.cuvee");
        assertThat(said())
                .contains("r: 1 row from 2 files")
                .contains("Set aside rows where Port is Hollin. (2 rows set aside from 1 table)");
        cuvee("refresh", "r.cuvee", "--json", "--to", "out.csv");
        JsonNode table = json().path("sources").get(0).path("tables").get(0);
        assertThat(table.path("kept").asInt()).isEqualTo(2);
        assertThat(table.path("ruledOut").asInt()).isEqualTo(2);
        assertThat(json().path("rows").asInt()).isEqualTo(1);
        assertThat(Files.readString(folder.resolve("out.csv")).lines()).hasSize(2);
        assertThat(json().path("columns").get(0).has("currency")).isTrue();
    }

    @Test
    void aRuleWithoutGroundIsAWarningWithItsOwnStatus() throws IOException {
        cuvee("draft", "data", "--out", "r.cuvee");
        Path file = folder.resolve("r.cuvee");
        String rule =
                "\"settled\" : [ { \"kind\" : \"rows\", \"subject\" : \"Ship is Dunlin\", \"answer\" : \"keep\" } ]";
        Files.writeString(file, Files.readString(file).replaceFirst("\"settled\" : \\[ ?\\]", rule));
        assertThat(cuvee("refresh", "r.cuvee")).isEqualTo(3);
        assertThat(said() + warned())
                .contains("The rule “keep Ship is Dunlin” cannot be followed", "It sets no row aside.");
    }

    @Test
    void anythingIsDecidedInWordsAndTakenBackByItsId() throws IOException {
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Marsay,\"1,204\"\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("refresh", "job.cuvee");
        assertThat(cuvee("decide", "job.cuvee", "decimal-mark", "Pax", "c.csv", "comma"))
                .isZero();
        assertThat(said()).startsWith("Decided. ").contains("“Pax” adds up to 19.204 instead of 1222");
        assertThat(cuvee("decide", "job.cuvee", "rows", "Port is Hollin", "set aside"))
                .isZero();
        assertThat(said()).contains("The master has 2 rows instead of 4.");
        assertThat(cuvee("show", "job.cuvee", "--decisions")).isZero();
        assertThat(said()).contains("you: rows of “Port is Hollin”: set aside");
        cuvee("show", "job.cuvee", "--json");
        String id = json().path("decisions").path(1).path("id").asText();
        assertThat(cuvee("undo", "job.cuvee", id)).isZero();
        assertThat(said()).startsWith("Taken back. The master has 4 rows instead of 2.");
        assertThat(cuvee("undo", "job.cuvee", id)).isEqualTo(2);
        assertThat(warned()).contains("The job has no decision " + id);
    }

    @Test
    void columnsAreNamedUnitedMovedAndAddedAsAtTheWindow() throws IOException {
        write("data/c.csv", "Date,Harbour town,Pax\n2026-03-01,Marsay,1204\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("refresh", "job.cuvee");
        cuvee("decide", "job.cuvee", "line-up", "Harbour town", "Harbour town");
        cuvee("decide", "job.cuvee", "rows", "Port is Hollin", "set aside");
        assertThat(cuvee("column", "job.cuvee", "Harbour town", "--unite", "Port"))
                .isZero();
        assertThat(said()).contains("Gone: “Harbour town”.");
        assertThat(cuvee("column", "job.cuvee", "Port", "--name", "Quay")).isZero();
        cuvee("show", "job.cuvee", "--decisions");
        assertThat(said()).contains("rows of “Quay is Hollin”: set aside");
        assertThat(cuvee("column", "job.cuvee", "Pax", "--before", "Date")).isZero();
        assertThat(cuvee("column", "job.cuvee", "Berth", "--add")).isZero();
        assertThat(cuvee("column", "job.cuvee", "Date", "--last")).isZero();
        cuvee("show", "job.cuvee", "--json");
        assertThat(json().path("columns").findValuesAsText("name")).startsWith("Pax", "Quay", "Berth", "Date");
    }

    @Test
    void whatCannotBeDoneWithAColumnIsRefused() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String before = Files.readString(folder.resolve("job.cuvee"));
        assertThat(cuvee("column", "job.cuvee", "Fare", "--name", "Price")).isEqualTo(2);
        assertThat(warned()).contains("There is no column “Fare”. Nothing was changed. The columns are Date, Port");
        assertThat(cuvee("column", "job.cuvee", "Pax", "--name", "port")).isEqualTo(2);
        assertThat(warned()).contains("Another column is called “Port” already");
        assertThat(cuvee("column", "job.cuvee", "Pax", "--unite", "Port")).isEqualTo(2);
        assertThat(warned()).contains("stand beside each other");
        assertThat(cuvee("column", "job.cuvee", "Pax", "--unite", "Pax")).isEqualTo(2);
        assertThat(warned()).contains("“Pax” is one column already");
        assertThat(cuvee("column", "job.cuvee", "Pax", "--add")).isEqualTo(2);
        assertThat(cuvee("column", "job.cuvee", "Pax", "--name", " ")).isEqualTo(2);
        assertThat(warned()).contains("has to be called something");
        assertThat(cuvee("column", "job.cuvee", "Pax")).isEqualTo(2);
        assertThat(Files.readString(folder.resolve("job.cuvee"))).isEqualTo(before);
    }

    @Test
    void whatCannotBeDecidedIsRefusedAndSaysWhatCan() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        String before = Files.readString(folder.resolve("job.cuvee"));
        assertThat(cuvee("decide", "job.cuvee", "typ", "Pax", "Text")).isEqualTo(2);
        assertThat(warned()).contains("no kind of decision called “typ”").contains("line-up");
        assertThat(cuvee("decide", "job.cuvee", "type", "Pax", "Colour")).isEqualTo(2);
        assertThat(warned()).contains("“Colour” says nothing about “Pax”");
        assertThat(cuvee("decide", "job.cuvee", "type", "Fare", "Text")).isEqualTo(2);
        assertThat(warned()).contains("There is no column “Fare”. Nothing was changed. The columns are Date, Port");
        assertThat(cuvee("decide", "job.cuvee", "across", "nothing|here", "leave"))
                .isEqualTo(2);
        assertThat(cuvee("decide", "job.cuvee", "file", "z.csv", "aside")).isEqualTo(2);
        assertThat(cuvee("decide", "job.cuvee", "check", "Pax looks right", "wanted"))
                .isEqualTo(2);
        assertThat(warned()).contains("cannot be followed: it is no check that Cuvee knows");
        assertThat(cuvee("decide", "job.cuvee", "rows", "Prot is Hollin", "set aside"))
                .isEqualTo(2);
        assertThat(cuvee("decide", "job.cuvee", "made", "Double", "Pax twice")).isEqualTo(2);
        assertThat(Files.readString(folder.resolve("job.cuvee"))).isEqualTo(before);
    }

    @Test
    void aFindingIsSettledUntilAFigureInItChanges() throws IOException {
        write("totals/a.csv", "Port,Pax\nHollin,5\nTarsk,6\nMarsay,9\nTotal,24\n");
        cuvee("draft", "totals", "--out", "job.cuvee");
        assertThat(cuvee("refresh", "job.cuvee")).isEqualTo(3);
        cuvee("show", "job.cuvee", "--json");
        String id = json().path("findings").path(0).path("id").asText();
        assertThat(cuvee("decide", "job.cuvee", "finding", id, "so: the sender knows"))
                .isZero();
        assertThat(said()).contains("1 finding settled instead of 0.");
        assertThat(cuvee("refresh", "job.cuvee")).isZero();
        cuvee("show", "job.cuvee", "--json");
        assertThat(json().path("findings")).isEmpty();
        assertThat(json().path("findingsSettled").path(0).path("note").asText()).isEqualTo("the sender knows");
        write("totals/a.csv", "Port,Pax\nHollin,5\nTarsk,6\nMarsay,9\nTotal,25\n");
        assertThat(cuvee("refresh", "job.cuvee")).isEqualTo(3);
        assertThat(cuvee("decide", "job.cuvee", "finding", id, "so")).isEqualTo(2);
        assertThat(warned()).contains("There is no finding");
    }

    @Test
    void aMonthIsClosedAndClosedAgainFromTheCommandLine() throws IOException {
        for (int month = 1; month <= 3; month++) {
            write("months/Hollin 2026-0" + month + ".csv", "Vessel,Pax\nMV Skua," + month + "1\n");
        }
        cuvee("draft", "months", "--out", "job.cuvee");
        assertThat(cuvee("decide", "job.cuvee", "closed", "Month", "2026-01", "closed"))
                .isZero();
        write("months/Hollin 2026-01.csv", "Vessel,Pax\nMV Skua,99\n");
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv")).isEqualTo(3);
        assertThat(said() + warned()).contains("“2026-01” is closed, and the file has changed since");
        assertThat(Files.readString(folder.resolve("out.csv")))
                .contains("MV Skua,11")
                .doesNotContain("99");
        assertThat(cuvee("decide", "job.cuvee", "closed", "Month", "2026-01", "closed"))
                .isZero();
        assertThat(cuvee("refresh", "job.cuvee", "--to", "out.csv", "--replace"))
                .isZero();
        assertThat(Files.readString(folder.resolve("out.csv"))).contains("MV Skua,99");
    }

    @Test
    void placesAreTakenFromATableThatListsThem() throws IOException {
        write("ports/hollin/a.csv", "Vessel,Pax\nMV Skua,5\n");
        write("ports/tarsk/a.csv", "Vessel,Pax\nMV Skua,6\n");
        write("ports/list.csv", "Folder,Port\nhollin,Hollin quay\n");
        cuvee("draft", "ports/hollin", "--out", "job.cuvee");
        write("ports/list.csv", "Folder,Port\nhollin,Hollin quay\ntarsk,Tarsk\n");
        assertThat(cuvee("decide", "job.cuvee", "places-from", "ports/list.csv", "Folder | Port"))
                .isZero();
        assertThat(said()).contains("The master has 2 rows instead of 1.");
        cuvee("show", "job.cuvee", "--json");
        assertThat(json().path("sources")).hasSize(2);
    }

    @Test
    void whatRestsOnAnswersThatNobodyHasConfirmedIsSaidInRows() throws IOException {
        write("data/c.csv", "Name,Shift,Phone\nAda,early,017\nBo,late,018\nCai,early,019\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("show", "job.cuvee");
        assertThat(said()).contains("rows are left out by answers that nobody has confirmed.");
        cuvee("show", "job.cuvee", "--json");
        assertThat(json().path("unconfirmed").path("outside").asLong()).isEqualTo(3);
    }

    @Test
    void turnedTablesAndThoseSetAsideNameLayoutsThatAreListed() throws IOException {
        write("plan/d.csv", "Depot,Jan,Feb,Mar\nHollin,1,2,3\nTarsk,4,5,6\n");
        write("plan/e.csv", "Depot,Jan,Feb,Mar\nMarsay,1,2,3\n");
        write("plan/f.csv", "Crew,Berth\nA,1\n");
        cuvee("draft", "plan", "--out", "job.cuvee");
        cuvee("show", "job.cuvee", "--json");
        JsonNode shown = json();
        List<String> ids = new ArrayList<>();
        shown.path("layouts").forEach(layout -> ids.add(layout.path("id").asText()));
        assertThat(ids).doesNotHaveDuplicates();
        shown.path("sources")
                .forEach(source -> source.path("tables")
                        .forEach(table ->
                                assertThat(ids).contains(table.path("layout").asText())));
        String across = "";
        for (JsonNode layout : shown.path("layouts")) {
            across = layout.path("signature").asText().startsWith("depot|jan")
                    ? layout.path("id").asText()
                    : across;
        }
        assertThat(cuvee("decide", "job.cuvee", "across", across, "leave")).isZero();
        assertThat(said()).contains("New: ").contains("“Jan”");
    }

    @Test
    void whatIsInDoubtAboutOneColumnIsOneQuestion() throws IOException {
        for (int i = 1; i < 4; i++) {
            write("data/a" + i + ".csv", "Date,Port,Souls,Berth\n2026-01-0" + i + ",Marsay,1" + i + ",B1\n");
        }
        write("data/b.csv", "Date,Port,Heads,Berth\n2026-02-01,Marsay,12,B2\n2026-02-02,Tarsk,17,B1\n");
        write("data/c.csv", "Date,Port,Carried,Berth\n2026-03-01,Marsay,21,B2\n2026-03-02,Tarsk,11,B1\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        JsonNode card = questions().path(0);
        assertThat(questions()).hasSize(1);
        assertThat(card.path("parts")).hasSize(3);
        assertThat(cuvee("show", "job.cuvee")).isEqualTo(3);
        assertThat(said()).contains("are taken for the column “Souls”").contains("or each by itself:");
        assertThat(cuvee("settle", "job.cuvee", card.path("id").asText(), "Souls"))
                .isZero();
        assertThat(questions()).isEmpty();
    }

    @Test
    void aQuestionMayBeAnsweredAgain() throws IOException {
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Marsay,\"1,204\"\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        JsonNode question = questions().path(0);
        String id = question.path("id").asText();
        String first = question.path("answers").path(0).path("id").asText();
        String second = question.path("answers").path(1).path("id").asText();
        assertThat(cuvee("settle", "job.cuvee", id, first)).isZero();
        assertThat(cuvee("settle", "job.cuvee", id, second)).isZero();
        assertThat(said()).contains("is " + second + " instead of " + first);
        assertThat(cuvee("settle", "job.cuvee", id, "rubbish")).isEqualTo(2);
        assertThat(cuvee("settle", "job.cuvee", "q00000000", first)).isEqualTo(2);
    }

    @Test
    void allQuestionsAreSettledAsAssumedAtOnceAndNoCellChanges() throws IOException {
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Marsay,\"1,204\"\n");
        write("data/d.csv", "Date,Port,Heads\n2026-04-01,Marsay,7\n");
        cuvee("draft", "data", "--out", "job.cuvee");
        int open = questions().size();
        assertThat(open).isPositive();
        cuvee("refresh", "job.cuvee", "--to", "before.csv");
        assertThat(cuvee("settle", "job.cuvee", "--all-as-assumed", "sign")).isZero();
        assertThat(said()).contains("No open question of the kind sign");
        assertThat(questions().size()).isEqualTo(open);
        assertThat(cuvee("settle", "job.cuvee", "--all-as-assumed")).isZero();
        assertThat(said()).contains("settled as assumed.");
        assertThat(questions().size()).isZero();
        cuvee("refresh", "job.cuvee", "--to", "after.csv");
        assertThat(folder.resolve("after.csv")).hasSameTextualContentAs(folder.resolve("before.csv"));
        assertThat(cuvee("settle", "job.cuvee")).isEqualTo(2);
        assertThat(cuvee("settle", "job.cuvee", "q00000000", "--all-as-assumed"))
                .isEqualTo(2);
    }

    @Test
    void theAccountAddsUpLinesAndSumsAndIsWrittenAsAPage() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("account", "job.cuvee");
        assertThat(said())
                .contains("Sums, added up in the sources' own cells and in the master")
                .containsPattern("(?i)pax +18 +0 +0 +18 agrees");
        assertThat(cuvee("account", "job.cuvee", "--to", "account.html")).isNotEqualTo(Exit.FAILED);
        String page = Files.readString(folder.resolve("account.html"));
        assertThat(page)
                .startsWith("<!DOCTYPE html>")
                .doesNotContain("<script")
                .contains("<td>a.csv</td>")
                .contains("18</td>");
        write("mine.html", "mine");
        assertThat(cuvee("account", "job.cuvee", "--to", "mine.html")).isEqualTo(Exit.FAILED);
        assertThat(Files.readString(folder.resolve("mine.html"))).isEqualTo("mine");
    }

    @Test
    void aRefreshSaysWhatMovedInWordsAndInJson() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,50\n2026-01-02,Hollin,6\n");
        cuvee("refresh", "job.cuvee", "--json");
        JsonNode json = JSON.readTree(said());
        JsonNode source = json.path("changed").path("sources").path(0);
        assertThat(source.path("state").asText()).isEqualTo("changed");
        assertThat(source.path("cells").path(0).path("before").asText()).isEqualTo("5");
        assertThat(source.path("cells").path(0).path("now").asText()).isEqualTo("50");
        assertThat(json.path("reconciliation").toString())
                .contains("\"sources\":\"63\"")
                .contains("\"closes\":true");
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,50\n2026-01-02,Hollin,6\n2026-01-03,Hollin,1\n");
        cuvee("refresh", "job.cuvee");
        assertThat(said()).contains("changed, 1 row more, ").contains("+1; 1 row added");
    }

    @Test
    void aRefreshIsTriedWithNothingWrittenAndNothingKept() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        cuvee("delivery", "job.cuvee", "Board", "--to", "board.csv");
        cuvee("refresh", "job.cuvee");
        String job = Files.readString(folder.resolve("job.cuvee"));
        write("data/c.csv", "Date,Port,Pax\n2026-03-01,Oska,9\n");
        assertThat(cuvee("refresh", "job.cuvee", "--try", "--deliver", "all")).isZero();
        assertThat(said())
                .contains("4 rows")
                .contains("c.csv")
                .contains("A trial: nothing was written, and nothing of it is kept.");
        assertThat(folder.resolve("board.csv")).doesNotExist();
        assertThat(Files.readString(folder.resolve("job.cuvee"))).isEqualTo(job);
        assertThat(cuvee("refresh", "job.cuvee", "--try", "--to", "x.csv")).isEqualTo(2);
        assertThat(warned()).contains("--try writes nothing");
        cuvee("refresh", "job.cuvee", "--json");
        assertThat(json().path("changed").path("filesNew").get(0).asText()).isEqualTo("c.csv");
    }

    @Test
    void aMasterIsSummedUpInWordsAndTheSummaryKept() throws IOException {
        cuvee("draft", "data", "--out", "job.cuvee");
        assertThat(cuvee("summary", "job.cuvee", "total Pax: a line for each Port", "--save", "By port"))
                .isNotEqualTo(Exit.FAILED);
        assertThat(said())
                .contains("Total Pax: a line for each Port.")
                .containsPattern("Hollin +11")
                .containsPattern("All +18");
        cuvee("summary", "job.cuvee", "--json");
        JsonNode summary = JSON.readTree(said()).path("summaries").path(0);
        assertThat(summary.path("name").asText()).isEqualTo("By port");
        assertThat(summary.path("lines").path(0).path("values").path(0).asText())
                .isEqualTo("11");
        assertThat(cuvee("summary", "job.cuvee", "tally of everything")).isEqualTo(Exit.FAILED);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("is no figure");
    }
}
