package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import de.siegmar.fastcsv.writer.QuoteStrategies;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** RFC 4180: UTF-8 without mark, CRLF; a blank is nothing, empty text is a pair of quotes. */
final class CsvForm implements MasterFiles.Form {
    @Override
    public void write(MasterReader reader, MasterPlan plan, Path file) throws IOException {
        try (CsvWriter csv = CsvWriter.builder()
                .lineDelimiter(LineDelimiter.CRLF)
                .quoteStrategy(QuoteStrategies.EMPTY)
                .build(new BufferedWriter(
                        new OutputStreamWriter(MasterFiles.open(file), StandardCharsets.UTF_8), 1 << 16))) {
            csv.writeRecord(Columns.names(plan));
            reader.each(csv::writeRecord);
        } catch (UncheckedIOException failed) {
            throw new IOException(failed.getCause() == null ? failed.getMessage() : failed.getCause().getMessage(), failed);
        }
    }
}
