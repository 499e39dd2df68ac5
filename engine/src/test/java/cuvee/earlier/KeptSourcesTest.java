package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.BatchTest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The rows of a file that is gone outlive the cache, and what cannot be read of them is not thrown away. */
class KeptSourcesTest extends BatchTest {
    @BeforeEach
    void aFileIsGone() {
        batch.csv("Hollin.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,6");
        batch.csv("Tarsk.csv", "Vessel,Pax", "MV Fenwick,7");
        batch.refresh();
        batch.delete("Tarsk.csv");
        batch.refresh();
        batch.forgetCache();
    }

    @Test
    void itsRowsAreTakenBack() {
        assertThat(batch.refresh().lines())
                .containsExactly("MV Dunlin|5|Hollin", "MV Petrel|6|Hollin", "MV Fenwick|7|Tarsk");
    }

    @ParameterizedTest
    @ValueSource(strings = {"facts.json", ".parquet"})
    void whatCannotBeReadStaysAndIsReadOnceItIsMended(String part) throws IOException {
        Path file = kept().stream()
                .filter(each -> each.getFileName().toString().endsWith(part))
                .findFirst()
                .orElseThrow();
        byte[] whole = Files.readAllBytes(file);
        Files.writeString(file, "{\"written\": \"by another version\"");
        assertThat(batch.refresh().findings("rows-lost")).hasSize(1);
        Files.write(file, whole);
        batch.forgetCache();
        assertThat(batch.refresh().lines()).contains("MV Fenwick|7|Tarsk");
    }

    private List<Path> kept() {
        try (Stream<Path> all = Files.walk(folder.resolve("state"))) {
            return all.filter(Files::isRegularFile).toList();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
