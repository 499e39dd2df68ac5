package cuvee.change;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.lineup.HeaderBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was settled about headers is kept for other jobs. */
class HeaderBookFileTest {
    @TempDir
    private Path state;

    private final HeaderBook.Entry pax = new HeaderBook.Entry("pax", "Passengers", "returns");

    @Test
    void whatIsAddedIsRead() {
        assertThat(HeaderBookFile.read(state).entries()).isEmpty();
        HeaderBookFile.add(state, pax);
        HeaderBookFile.add(state, new HeaderBook.Entry("souls", "Passengers", "returns"));
        assertThat(HeaderBookFile.read(state).entries())
                .extracting(HeaderBook.Entry::key)
                .containsExactlyInAnyOrder("pax", "souls");
    }

    @Test
    void aBookThatCannotBeReadIsKeptUnderAnotherName() throws IOException {
        Files.writeString(state.resolve("header-book.json"), "{\"headers\": [{\"header\": ");
        assertThat(HeaderBookFile.read(state).entries()).isEmpty();
        HeaderBookFile.add(state, pax);
        assertThat(HeaderBookFile.read(state).entries()).containsExactly(pax);
        assertThat(state.resolve("header-book-not-read.json")).hasContent("{\"headers\": [{\"header\": ");
    }
}
