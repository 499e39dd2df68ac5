package cuvee.deliver;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import cuvee.master.MasterPlan;
import cuvee.value.Type;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;

/** One JSON object a line; numbers and true/false as such, dates as ISO text, blanks left out. */
final class JsonLinesForm implements FileForm {
    @Override
    public void write(Content content, Path file) throws IOException {
        MasterPlan plan = content.plan();
        String[] names = Columns.names(content.plan());
        try (JsonGenerator json = new JsonFactory().createGenerator(new BufferedOutputStream(FileForm.open(file)))) {
            json.setRootValueSeparator(null);
            content.reader().each(values -> {
                try {
                    json.writeStartObject();
                    for (int i = 0; i < values.length; i++) {
                        String value = values[i];
                        if (value != null) {
                            json.writeFieldName(names[i]);
                            write(
                                    json,
                                    value,
                                    i < plan.columns().size()
                                            ? plan.columns().get(i).type()
                                            : Type.TEXT);
                        }
                    }
                    json.writeEndObject();
                    json.writeRaw('\n');
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            });
        } catch (UncheckedIOException failed) {
            throw new IOException(failed.getMessage(), failed);
        }
    }

    private static void write(JsonGenerator json, String value, Type type) throws IOException {
        if (type.isNumber()) {
            json.writeNumber(value);
        } else if (type == Type.YES_NO) {
            json.writeBoolean(value.equals("true"));
        } else {
            json.writeString(value);
        }
    }
}
