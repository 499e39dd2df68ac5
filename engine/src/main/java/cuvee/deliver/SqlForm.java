package cuvee.deliver;

import cuvee.value.Type;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * A script that an administrator runs with {@code psql}: it makes the table {@code master} anew, with all rows, in one
 * transaction; where one of that name is there already it stops and changes nothing.
 */
final class SqlForm implements FileForm {
    private static final int FULL = 1 << 16;

    @Override
    public void write(Content content, Path file) throws IOException {
        Type[] types = Columns.types(content.plan());
        try (Writer out = new OutputStreamWriter(FileForm.open(file), StandardCharsets.UTF_8)) {
            out.write("-- A master written by Cuvee. Run it with: psql -v ON_ERROR_STOP=1 -f FILE\n");
            out.write("SET client_encoding = 'UTF8';\nBEGIN;\n");
            out.write("CREATE TABLE master (" + PostgresWords.columns(content.plan()) + ");\n");
            out.write("COPY master FROM stdin;\n");
            StringBuilder rows = new StringBuilder();
            content.reader().each(values -> {
                PostgresWords.row(values, types, rows);
                if (rows.length() > FULL) {
                    flush(rows, out);
                }
            });
            flush(rows, out);
            out.write("\\.\nCOMMIT;\n");
        } catch (UncheckedIOException failed) {
            throw new IOException(failed.getMessage(), failed);
        }
    }

    private static void flush(StringBuilder rows, Writer out) {
        try {
            out.append(rows);
            rows.setLength(0);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
