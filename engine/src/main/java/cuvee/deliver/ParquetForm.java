package cuvee.deliver;

import java.nio.file.Path;

/** Apache Parquet, written by the store itself. */
final class ParquetForm implements MasterFiles.Form {
    @Override
    public void write(MasterFiles.Content content, Path file) {
        content.reader().writeParquet(file);
    }
}
