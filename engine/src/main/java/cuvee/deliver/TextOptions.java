package cuvee.deliver;

import cuvee.job.Delivery;
import cuvee.master.MasterPlan;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import de.siegmar.fastcsv.writer.QuoteStrategies;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The master as text for a program that wants other separators or a decimal comma. */
final class TextOptions implements FileForm {
    private static final char MARK = '\uFEFF';
    private final Delivery.Text text;

    TextOptions(Delivery.Text text) {
        this.text = text;
    }

    @Override
    public void write(Content content, Path file) throws IOException {
        MasterPlan plan = content.plan();
        Type[] types = Columns.types(plan);
        YesNoWords[] words = Columns.words(plan);
        try (OutputStream out = FileForm.open(file);
                Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8)) {
            if (text.mark()) {
                writer.write(MARK);
            }
            CsvWriter csv = CsvWriter.builder()
                    .fieldSeparator(text.separator().sign())
                    .lineDelimiter(LineDelimiter.CRLF)
                    // A blank is nothing, empty text a pair of quotes.
                    .quoteStrategy(QuoteStrategies.EMPTY)
                    .build(writer);
            csv.writeRecord(Columns.names(plan));
            content.reader().each(values -> csv.writeRecord(cells(values, types, words)));
            csv.flush();
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    private List<@Nullable String> cells(@Nullable String[] values, Type[] types, YesNoWords[] words) {
        List<@Nullable String> cells = new ArrayList<>(values.length);
        for (int at = 0; at < values.length; at++) {
            String value = values[at];
            if (value != null && types[at].isNumber() && text.decimalComma()) {
                cells.add(value.replace('.', ','));
            } else {
                cells.add(value != null && types[at] == Type.YES_NO ? words[at].of(value) : value);
            }
        }
        return cells;
    }
}
