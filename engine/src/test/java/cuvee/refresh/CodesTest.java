package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.gather.SmallTable;
import cuvee.propose.CodeTables;
import cuvee.refresh.Batch.Made;
import cuvee.rework.Codes;
import cuvee.rework.MadeColumns;
import cuvee.tell.Sentence;
import cuvee.testing.Workbooks;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Codes here and names there, brought to names by a small table. */
class CodesTest {
    @TempDir
    private Path folder;

    private Batch batch;

    @BeforeEach
    void codesHereAndNamesThere() {
        batch = new Batch(folder)
                .csv("a.csv", "Date,Vessel,Pax", "2026-01-05,K07,10", "2026-01-06,H02,20", "2026-01-07,,5")
                .csv("b.csv", "Date,Vessel,Pax", "2026-02-01,MV Kestrel,7", "2026-02-02,MV Heron,8");
    }

    private Path vessels(String... lines) {
        Path file = folder.resolve("vessels.csv");
        Workbooks.text(file, String.join("\n", lines) + "\n");
        return file;
    }

    private Made with(Codes codes) {
        batch.job(codes.put(batch.job()));
        return batch.refresh();
    }

    private static List<String> column(Made made, int at) {
        return made.lines().stream().map(line -> line.split("\\|", -1)[at]).toList();
    }

    @Test
    void namesOfAFileAreWrittenForCodes() {
        vessels("Vessels of the line", "Code;Vessel;Built", "K07;MV Kestrel;1999", "H02;MV Heron;2004");
        Made made = with(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        assertThat(column(made, 1)).containsExactly("MV Kestrel", "MV Heron", "", "MV Kestrel", "MV Heron");
        assertThat(made.findings("no-name")).isEmpty();
        assertThat(made.outcome().sentences())
                .filteredOn(sentence -> sentence.kind().equals(Codes.KIND))
                .singleElement()
                .satisfies(sentence -> {
                    assertThat(sentence.touched()).isEqualTo("2 cells");
                    assertThat(sentence.names()).containsExactly("Code", "Vessel");
                    assertThat(sentence.answer(List.of("Code", "Built")))
                            .isEqualTo("from | vessels.csv | Code | Built");
                });
    }

    @Test
    void aChangedFileIsReadAgainAtTheNextRefresh() {
        vessels("Code,Vessel", "K07,MV Kestrel", "H02,MV Heron");
        with(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        vessels("Code,Vessel", "K07,MV Kestrel", "H02,MV Grey Heron");
        Made made = batch.refresh();
        assertThat(column(made, 1)).containsExactly("MV Kestrel", "MV Grey Heron", "", "MV Kestrel", "MV Heron");
        assertThat(made.findings("no-name"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("1 value of “Vessel” in 1 row has no name in the table of codes: “MV Heron”.");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void codesWithoutANameStayAndAreNamed() {
        vessels("Code,Vessel", "K07,MV Kestrel", "H02,MV Heron");
        with(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        batch.csv("c.csv", "Date,Vessel,Pax", "2026-03-01,T11,1", "2026-03-02,T11,2");
        Made made = batch.refresh();
        assertThat(column(made, 1)).endsWith("T11", "T11");
        assertThat(made.findings("no-name"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("1 value of “Vessel” in 2 rows has no name in the table of codes: “T11”.");
    }

    @Test
    void aFileThatIsGoneOrOtherwiseIsSaidAndCodesStay() {
        Made none = with(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        assertThat(none.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("The names for the codes of “Vessel” cannot be read: there is no such file.");
        assertThat(column(none, 1)).startsWith("K07", "H02");
        vessels("Key,Ship", "K07,MV Kestrel");
        assertThat(batch.refresh().findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo(
                        "The names for the codes of “Vessel” cannot be read: it has no column “Code”; it has “Key” and “Ship”.");
    }

    @Test
    void aCodeWithTwoNamesIsSaid() {
        vessels("Code,Vessel", "K07,MV Kestrel", "K07,MV Osprey", "H02,MV Heron");
        Made made = with(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        assertThat(column(made, 1)).startsWith("MV Kestrel", "MV Heron");
        assertThat(made.findings("codes-twice"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("1 code has several names there, such as “K07”.");
    }

    @Test
    void theJobMayHoldTheTableItself() {
        Map<String, String> names = new LinkedHashMap<>();
        names.put("K07", "MV Kestrel | the old one");
        names.put("H02", "MV Heron");
        Made made = with(Codes.these("Vessel", names));
        assertThat(made.outcome().rows()).isEqualTo(5);
        assertThat(made.outcome().proposal().columns().get(1).name()).isEqualTo("Vessel");
        assertThat(made.lines().get(0)).isEqualTo("2026-01-05|MV Kestrel | the old one|10");
        assertThat(Codes.of(batch.job()))
                .singleElement()
                .satisfies(codes -> assertThat(codes.held()).isEqualTo(names));
    }

    @Test
    void numbersThatAreCodesBecomeText() {
        batch.csv("a.csv", "Date,Vessel,Pax", "2026-01-05,7,10", "2026-01-06,2,20")
                .changed("a.csv", "2026-05-01T00:00:00Z");
        batch.delete("b.csv");
        Made made = with(Codes.these("Vessel", Map.of("7", "MV Kestrel", "2", "MV Heron")));
        assertThat(column(made, 1)).containsExactly("MV Kestrel", "MV Heron");
        batch.settle(Codes.KIND, "Vessel", Codes.of(batch.job()).get(0).answer(false));
        assertThat(column(batch.refresh(), 1)).containsExactly("7", "2");
    }

    @Test
    void aMadeColumnMayHoldTheNamesBesideTheCodes() {
        batch.job(MadeColumns.make(batch.job(), "Name", "Vessel"));
        Made made = with(Codes.these("Name", Map.of("K07", "MV Kestrel", "H02", "MV Heron")));
        assertThat(column(made, 1)).startsWith("K07", "H02");
        assertThat(column(made, 3)).containsExactly("MV Kestrel", "MV Heron", "", "MV Kestrel", "MV Heron");
    }

    @Test
    void theColumnsOfCodesAndNamesAreGuessed() {
        SmallTable table = SmallTable.read(
                vessels("Built,Vessel,Code", "1999,MV Kestrel,K07", "2004,MV Heron,H02", "2010,MV Tern,T11"));
        assertThat(CodeTables.guess("Vessel", "vessels.csv", table, List.of("K07", "H02", "MV Kestrel")))
                .contains(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        assertThat(CodeTables.guess("Vessel", "vessels.csv", table, List.of("K07", "MV Heron", "MV Kestrel")))
                .contains(Codes.from("Vessel", "vessels.csv", "Code", "Vessel"));
        assertThat(CodeTables.guess("Vessel", "vessels.csv", table, List.of("nothing")))
                .isEmpty();
    }

    @Test
    void aTableWithoutCodesIsSaid() {
        batch.settle(Codes.KIND, "Vessel", "these");
        Made none = batch.refresh();
        assertThat(none.findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("The names for the codes of “Vessel” cannot be read: it holds no codes with names.");
        batch.settle(Codes.KIND, "Vessel", "some words");
        assertThat(batch.refresh().findings("not-followed")).hasSize(1);
        Workbooks.text(folder.resolve("vessels.csv"), "nothing but words\n");
        assertThat(with(Codes.from("Vessel", "vessels.csv", "Code", "Name")).findings("rule-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("The names for the codes of “Vessel” cannot be read: It holds no table with headers.");
    }

    @Test
    void cellsWithCodesAreShownBeforeAndAfter() {
        Made made = with(Codes.these("Vessel", Map.of("K07", "MV Kestrel")));
        Sentence sentence = made.outcome().sentences().stream()
                .filter(each -> each.kind().equals(Codes.KIND))
                .findFirst()
                .orElseThrow();
        try (JobSession session = batch.open()) {
            assertThat(session.looks().changes(made.outcome(), sentence, 5))
                    .extracting(change -> change.where() + ": " + change.before() + " to " + change.after())
                    .containsExactly("a.csv, line 2: K07 to MV Kestrel");
        }
    }
}
