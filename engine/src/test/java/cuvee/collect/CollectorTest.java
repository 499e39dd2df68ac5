package cuvee.collect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.job.Place;
import cuvee.testing.Workbooks;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CollectorTest {
    @TempDir
    Path folder;

    private Path file(String name, String text) {
        return Workbooks.text(folder.resolve(name), text);
    }

    private Collector.Collected collect(Place... places) {
        return new Collector(folder, Set.of()).collect(List.of(places));
    }

    @Test
    void filesComeInTheOrderInWhichPeopleCount() {
        for (String name : List.of("m10.csv", "m2.csv", "M1.csv", "b/x.csv", "a/y.csv", "a10/z.csv", "a2/z.csv")) {
            file(name, "content of " + name);
        }
        assertThat(collect(Place.of(".")).sources())
                .extracting(Source::path)
                .containsExactly("M1.csv", "m2.csv", "m10.csv", "a/y.csv", "a2/z.csv", "a10/z.csv", "b/x.csv");
    }

    @Test
    void monthsComeInTheOrderOfTheYear() {
        for (String name : List.of(
                "Hollin Apr 2026.csv",
                "Hollin Jan 2026.csv",
                "Hollin Dezember 2025.csv",
                "Hollin march 2026.csv",
                "Tarsk 2 February.csv",
                "Tarsk 10 January.csv",
                "Marchwood.csv")) {
            file(name, "content of " + name);
        }
        assertThat(collect(Place.of(".")).sources())
                .extracting(Source::path)
                .containsExactly(
                        "Hollin Dezember 2025.csv",
                        "Hollin Jan 2026.csv",
                        "Hollin march 2026.csv",
                        "Hollin Apr 2026.csv",
                        "Marchwood.csv",
                        "Tarsk 2 February.csv",
                        "Tarsk 10 January.csv");
    }

    @Test
    void strangersAreSetAsideEachWithItsReason() {
        file("good.csv", "a,b");
        file("~$good.xlsx", "x");
        file(".~lock.good.ods#", "x");
        file(".hidden.csv", "x");
        file("letter.docx", "x");
        file("half.xlsx.part", "x");
        file("job.cuvee", "{}");
        assertThat(collect(Place.of(".")).sources())
                .extracting(Source::path, Source::asideKind)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple("good.csv", ""),
                        org.assertj.core.groups.Tuple.tuple("~$good.xlsx", "lock-file"),
                        org.assertj.core.groups.Tuple.tuple(".~lock.good.ods#", "lock-file"),
                        org.assertj.core.groups.Tuple.tuple(".hidden.csv", "hidden"),
                        org.assertj.core.groups.Tuple.tuple("letter.docx", "other-kind"),
                        org.assertj.core.groups.Tuple.tuple("half.xlsx.part", "unfinished"),
                        org.assertj.core.groups.Tuple.tuple("job.cuvee", "own-file"));
    }

    @Test
    void anExactCopyCountsOnce() {
        file("march.csv", "a,b\n1,2\n");
        file("a copy of march.csv", "a,b\n1,2\n");
        file("april.csv", "a,b\n1,3\n");
        Collector.Collected collected = collect(Place.of("."));
        assertThat(collected.sources())
                .filteredOn(Source::taken)
                .extracting(Source::path)
                .containsExactly("march.csv", "april.csv");
        assertThat(collected.sources())
                .filteredOn(source -> !source.taken())
                .extracting(Source::aside)
                .containsExactly("an exact copy of march.csv, which is taken");
    }

    @Test
    void filesThatShareNoMoreThanSizeAndSumAreNoCopies() {
        // These two words have the same CRC-32.
        file("one.csv", "plumless");
        file("two.csv", "buckeroo");
        file("three.csv", "plumless");
        assertThat(collect(Place.of(".")).sources())
                .filteredOn(Source::taken)
                .extracting(Source::path)
                .containsExactlyInAnyOrder("one.csv", "two.csv");
    }

    @Test
    void innerFoldersAreTakenOrLeftOutAsThePlaceSays() {
        file("top.csv", "1");
        file("inner/deep.csv", "22");
        assertThat(collect(Place.of(".")).sources()).hasSize(2);
        assertThat(collect(Place.of(".").withDepth(-1)).sources())
                .extracting(Source::path)
                .containsExactly("top.csv");
    }

    @Test
    void aSingleFileIsAPlaceToo() {
        file("one.csv", "1");
        file("two.csv", "22");
        assertThat(collect(Place.of("one.csv")).sources())
                .extracting(Source::path)
                .containsExactly("one.csv");
    }

    @Test
    void theSameFileByTwoPlacesIsTakenOnceAndSameNamesStayApart() {
        file("north/march.csv", "1");
        file("south/march.csv", "22");
        assertThat(collect(Place.of("north"), Place.of("south"), Place.of(".")).sources())
                .extracting(Source::path)
                .containsExactly("march.csv", "south/march.csv");
    }

    @Test
    void aMissingFolderSaysWhatWasTried() {
        assertThatThrownBy(() -> collect(Place.of("nowhere")))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("There is no folder or file")
                .hasMessageContaining("nowhere")
                .hasMessageContaining("Check the spelling");
    }

    @Test
    void oneMissingFolderOfTwoDoesNotStopTheOther() {
        file("here/a.csv", "1");
        Collector.Collected collected = collect(Place.of("here"), Place.of("nowhere"));
        assertThat(collected.sources()).hasSize(1);
        assertThat(collected.findings()).extracting(finding -> finding.kind()).containsExactly("no-place");
    }

    @Test
    void anEmptyFolderAndOneWithoutAnySourceSaySo() throws Exception {
        Files.createDirectory(folder.resolve("empty"));
        file("letters/a.docx", "x");
        assertThat(collect(Place.of("empty")).findings().get(0).text())
                .contains("is empty")
                .contains("Put the workbooks there");
        assertThat(collect(Place.of("letters")).findings().get(0).text())
                .contains("holds 1 file, none of which can be a source");
    }
}
