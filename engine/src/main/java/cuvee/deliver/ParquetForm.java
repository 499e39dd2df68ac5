package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import java.nio.file.Path;

/** Apache Parquet, written by the store itself. */
final class ParquetForm implements MasterFiles.Form {
    @Override
    public void write(MasterReader reader, MasterPlan plan, Path file) {
        reader.writeParquet(file);
    }
}
