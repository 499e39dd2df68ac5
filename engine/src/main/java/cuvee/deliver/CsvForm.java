package cuvee.deliver;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** RFC 4180: UTF-8 without mark, CRLF; a blank is nothing, empty text is a pair of quotes. */
final class CsvForm implements FileForm {
    @Override
    public void write(Content content, Path file) throws IOException {
        try (OutputStream out = FileForm.open(file)) {
            CsvWriter header = CsvWriter.builder()
                    .lineDelimiter(LineDelimiter.CRLF)
                    .build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
            header.writeRecord(Columns.names(content.plan()));
            header.flush();
            content.reader().writeCsvRows(out, rows(file));
        }
    }

    /** Where the rows lie while they are written. */
    static Path rows(Path file) {
        return file.resolveSibling(file.getFileName() + ".rows");
    }
}
