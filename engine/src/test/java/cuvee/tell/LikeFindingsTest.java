package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is so in many places is read once, with its places. */
class LikeFindingsTest {
    private static Finding finding(Severity severity, String source, int row, String what) {
        return new Finding(
                severity, "below-total", Where.source(source).row(row), what, "Set aside.", "Look at it there.");
    }

    @Test
    void whatDiffersInItsRowOnlyIsOneWithAllItsPlaces() {
        List<Finding> findings = new ArrayList<>();
        for (int month = 1; month <= 6; month++) {
            findings.add(finding(
                    Severity.WARNING,
                    "2026-0" + month + ".csv",
                    10 + month,
                    "Row " + (10 + month) + " stands behind a total."));
        }
        List<LikeFindings> like = LikeFindings.of(findings);
        assertThat(like).singleElement().satisfies(each -> {
            assertThat(each.findings()).isEqualTo(findings);
            assertThat(each.places()).hasSize(6);
            assertThat(each.text())
                    .isEqualTo(
                            "2026-01.csv, line 11: Row 11 stands behind a total. Set aside. Look at it there. Likewise"
                                    + " in 5 more places: 2026-02.csv, line 12; 2026-03.csv, line 13; 2026-04.csv, line 14; and 2"
                                    + " more.");
        });
    }

    @Test
    void whatSaysSomethingElseOrWeighsOtherwiseStandsByItself() {
        List<Finding> findings = List.of(
                finding(Severity.WARNING, "a.csv", 3, "The value “5 t” is no number."),
                finding(Severity.WARNING, "b.csv", 3, "The value “kg” is no number."),
                finding(Severity.REMARK, "c.csv", 3, "The value “5 t” is no number."),
                finding(Severity.WARNING, "d.csv", 5, "The total says 24 and the rows 20."),
                finding(Severity.WARNING, "e.csv", 5, "The total says 90 and the rows 10."));
        assertThat(LikeFindings.of(findings)).extracting(LikeFindings::first).containsExactlyElementsOf(findings);
        assertThat(LikeFindings.of(findings).get(0).text())
                .isEqualTo(findings.get(0).text());
    }
}
