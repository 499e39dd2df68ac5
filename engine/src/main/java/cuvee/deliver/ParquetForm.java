package cuvee.deliver;

import java.nio.file.Path;

/** Apache Parquet, written by the store itself. */
final class ParquetForm implements FileForm {
    @Override
    public void write(Content content, Path file) {
        content.reader().writeParquet(file);
    }
}
