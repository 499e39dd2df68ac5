package cuvee.collect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SeriesTest {
    private static List<String> gaps(String... paths) {
        List<Source> sources = Arrays.stream(paths)
                .map(path -> new Source(path, "", path, "", Path.of(path), new Stamp(1, 1, 1, ""), "", "", ""))
                .toList();
        return Series.gaps(sources).stream().map(Finding::what).toList();
    }

    @Test
    void aMissingMonthIsNamedAsItsNeighboursAre() {
        assertThat(gaps("Hollin/Hollin 2025-11.xlsx", "Hollin/Hollin 2025-12.xlsx", "Hollin/Hollin 2026-02.xlsx"))
                .containsExactly("Between “2025-11” and “2026-02” “2026-01” is missing in the names of 3 files.");
    }

    @Test
    void aMissingDayAndAMissingNumberAreNamed() {
        assertThat(gaps("d20260227.csv", "d20260228.csv", "d20260302.csv").get(0))
                .contains("“20260301” is");
        assertThat(gaps("week 08.csv", "week 09.csv", "week 11.csv", "week 12.csv")
                        .get(0))
                .contains("“10” is");
    }

    @Test
    void aFileOfSomebodyElseDoesNotStandForTheOneThatIsMissing() {
        assertThat(gaps("2026-01.csv", "2026-02.csv", "2026-04.csv", "Tarsk 2026-03.csv"))
                .singleElement()
                .asString()
                .contains("“2026-03” is missing");
    }

    @Test
    void eachPlaceHasItsOwnSeries() {
        assertThat(gaps(
                        "Hollin 2026-01.csv",
                        "Hollin 2026-02.csv",
                        "Hollin 2026-03.csv",
                        "Tarsk 2026-01.csv",
                        "Tarsk 2026-02.csv",
                        "Tarsk 2026-03.csv",
                        "Tarsk 2026-05.csv"))
                .singleElement()
                .asString()
                .contains("“2026-04” is missing in the names of 4 files");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "a 2026-01.csv,a 2026-02.csv,a 2026-03.csv",
                "quarter 1.csv,quarter 3.csv",
                "report 17.csv,report 112.csv,report 940.csv",
                "2026-03-31.csv,2026-04-30.csv,2026-05-31.csv",
                "week 2.csv,week 4.csv,week 6.csv,week 8.csv",
                "a 2026-01.csv,a 2026-02.csv,a 2026-03 v2.csv,a 2026-04.csv,a 2026-05.csv"
            })
    void whatIsNoSeriesOrHasNoGapIsLeftAlone(String names) {
        assertThat(gaps(names.split(",", -1))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "north, data/North 03.xlsx, true",
        "north, north/03.xlsx, false",
        "north/*, north/03.xlsx, true",
        "*.CSV, data/a.csv, true",
        "h?llin*, data/Hollin 03.csv, true",
        "draft*, data/a draft.csv, false",
        "a[1].csv, a[1].csv, true",
        "a[1]*, a1.csv, false",
    })
    void namesFitAsAnalystsWriteThem(String pattern, String path, boolean fits) {
        assertThat(new NamePattern(pattern).fits(path)).isEqualTo(fits);
    }
}
