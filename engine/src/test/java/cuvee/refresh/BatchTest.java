package cuvee.refresh;

import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A test on a folder of files. */
abstract class BatchTest {
    @TempDir
    Path folder;

    Batch batch;

    @BeforeEach
    void batch() {
        batch = new Batch(folder);
    }

    static Object[] row(Object... cells) {
        return cells;
    }
}
