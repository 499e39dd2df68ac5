package cuvee.change;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import cuvee.lineup.HeaderBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The analyst's header book in the state folder. One that cannot be read is taken for an empty one. */
public final class HeaderBookFile {
    private static final Logger LOG = LoggerFactory.getLogger(HeaderBookFile.class);
    private static final ObjectMapper JSON = new ObjectMapper();

    private HeaderBookFile() {}

    private static Path file(Path state) {
        return state.resolve("header-book.json");
    }

    /** The book that is kept in the state folder; an empty one where there is none or it cannot be read. */
    public static HeaderBook read(Path state) {
        Path file = file(state);
        if (!Files.exists(file)) {
            return HeaderBook.EMPTY;
        }
        try {
            List<HeaderBook.Entry> entries = new ArrayList<>();
            for (JsonNode entry : JSON.readTree(file.toFile()).path("headers")) {
                entries.add(new HeaderBook.Entry(
                        entry.path("header").asText(),
                        entry.path("column").asText(),
                        entry.path("job").asText()));
            }
            return new HeaderBook(entries);
        } catch (IOException unreadable) {
            LOG.warn("the header book cannot be read", unreadable);
            return HeaderBook.EMPTY;
        }
    }

    /** A book that cannot be read is kept under another name before a new one takes its place. */
    private static void keepUnreadable(Path state) throws IOException {
        Path file = file(state);
        if (Files.exists(file)) {
            try {
                JSON.readTree(file.toFile());
            } catch (JsonProcessingException unreadable) {
                Files.move(file, state.resolve("header-book-not-read.json"), StandardCopyOption.REPLACE_EXISTING);
            }
        }
    }

    /** Adds what was settled about a header to the book that is kept in the state folder. */
    public static void add(Path state, HeaderBook.Entry entry) {
        ArrayNode headers = JSON.createArrayNode();
        read(state)
                .with(entry)
                .entries()
                .forEach(each -> headers.addObject()
                        .put("header", each.key())
                        .put("column", each.column())
                        .put("job", each.job()));
        try {
            Files.createDirectories(state);
            keepUnreadable(state);
            Path beside = Files.createTempFile(state, "header-book", ".json");
            JSON.writerWithDefaultPrettyPrinter()
                    .writeValue(beside.toFile(), JSON.createObjectNode().set("headers", headers));
            Files.move(beside, file(state), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            LOG.warn("the header book cannot be written", failed);
        }
    }
}
