package cuvee.refresh;

import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A test on a folder of files. */
public abstract class BatchTest {
    @TempDir
    protected Path folder;

    protected Batch batch;

    @BeforeEach
    void batch() {
        batch = new Batch(folder);
    }

    protected static Object[] row(Object... cells) {
        return cells;
    }
}
