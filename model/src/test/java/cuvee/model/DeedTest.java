package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What can be done by keys. */
class DeedTest {
    @Test
    void noTwoDeedsOfAStageHaveTheSameKeysAndNoneHasThoseOfAnotherEverywhere() {
        for (Stage stage : Stage.values()) {
            Set<String> keys = new HashSet<>();
            Deed.everywhere()
                    .forEach(deed ->
                            assertThat(keys.add(deed.keys())).as(deed.words()).isTrue());
            // What is done in Arrivals has keys of its own there.
            Deed.in(stage).stream()
                    .filter(deed -> !deed.words().endsWith("in Arrivals"))
                    .forEach(deed ->
                            assertThat(keys.add(deed.keys())).as(deed.words()).isTrue());
        }
    }

    @Test
    void aDeedIsFoundByItsWordsBehindWhatIsCalledSo() {
        assertThat(Finder.of(Optional.empty(), "hide")).singleElement().satisfies(found -> {
            assertThat(found.what()).isEqualTo("Ctrl+H, Master");
            assertThat(found.deed().orElseThrow().parts()).containsExactly("Ctrl", "H");
        });
        assertThat(Finder.of(Optional.empty(), "master").get(0).what()).isEqualTo("stage");
    }
}
