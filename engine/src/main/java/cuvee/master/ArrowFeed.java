package cuvee.master;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.apache.arrow.c.ArrowArrayStream;
import org.apache.arrow.c.Data;
import org.apache.arrow.memory.ArrowBuf;
import org.apache.arrow.memory.BufferAllocator;
import org.apache.arrow.memory.RootAllocator;
import org.apache.arrow.vector.FieldVector;
import org.apache.arrow.vector.ipc.ArrowReader;
import org.apache.arrow.vector.ipc.message.ArrowFieldNode;
import org.apache.arrow.vector.types.pojo.ArrowType;
import org.apache.arrow.vector.types.pojo.Field;
import org.apache.arrow.vector.types.pojo.Schema;
import org.duckdb.DuckDBConnection;

/** Hands a batch to the store as an Arrow C stream, the quickest way in that was measured (docs/decisions.md). */
final class ArrowFeed implements AutoCloseable {
    private final BufferAllocator allocator = new RootAllocator();

    void insert(DuckDBConnection connection, String table, StageBatch batch) throws SQLException {
        String name = "feed_" + Thread.currentThread().getId();
        try (OneBatch reader = new OneBatch(allocator, batch);
                ArrowArrayStream stream = ArrowArrayStream.allocateNew(allocator)) {
            Data.exportArrayStream(allocator, reader, stream);
            connection.registerArrowStream(name, stream);
            try (Statement insert = connection.createStatement()) {
                insert.execute("INSERT INTO " + table + " SELECT * FROM " + name);
                insert.execute("DROP VIEW IF EXISTS " + name);
            }
        } catch (IOException failed) {
            throw new SQLException(failed);
        }
    }

    @Override
    public void close() {
        allocator.close();
    }

    private static final class OneBatch extends ArrowReader {
        private final StageBatch batch;
        private boolean given;

        OneBatch(BufferAllocator allocator, StageBatch batch) {
            super(allocator);
            this.batch = batch;
        }

        @Override
        protected Schema readSchema() {
            List<Field> fields = new ArrayList<>();
            fields.add(Field.nullable("tbl", new ArrowType.Int(32, true)));
            fields.add(Field.nullable("row", new ArrowType.Int(32, true)));
            for (int i = 0; i < batch.columns(); i++) {
                fields.add(Field.nullable("c" + i, ArrowType.Utf8.INSTANCE));
            }
            return new Schema(fields);
        }

        @Override
        public boolean loadNextBatch() throws IOException {
            if (given) {
                return false;
            }
            given = true;
            prepareLoadNextBatch();
            List<FieldVector> vectors = getVectorSchemaRoot().getFieldVectors();
            load(vectors.get(0), List.of(allOnes(), ints(batch.tables(), batch.count())), 0);
            load(vectors.get(1), List.of(allOnes(), ints(batch.rows(), batch.count())), 0);
            byte[] present = new byte[(batch.count() + 7) / 8];
            int[] offsets = new int[batch.count() + 1];
            for (int i = 0; i < batch.columns(); i++) {
                int cells = batch.present(i, present);
                byte[] data = new byte[batch.length(i)];
                batch.put(i, data, offsets);
                load(
                        vectors.get(i + 2),
                        List.of(
                                bytes(present, present.length),
                                ints(offsets, offsets.length),
                                bytes(data, data.length)),
                        batch.count() - cells);
            }
            getVectorSchemaRoot().setRowCount(batch.count());
            return true;
        }

        private void load(FieldVector vector, List<ArrowBuf> buffers, int nulls) {
            vector.loadFieldBuffers(new ArrowFieldNode(batch.count(), nulls), buffers);
            buffers.forEach(ArrowBuf::close);
        }

        private ArrowBuf allOnes() {
            ArrowBuf ones = allocator.buffer((batch.count() + 7) / 8);
            ones.setOne(0L, (batch.count() + 7L) / 8);
            ones.writerIndex((batch.count() + 7) / 8);
            return ones;
        }

        private ArrowBuf ints(int[] values, int count) {
            ArrowBuf buffer = allocator.buffer(count * 4L);
            buffer.nioBuffer(0, count * 4)
                    .order(java.nio.ByteOrder.nativeOrder())
                    .asIntBuffer()
                    .put(values, 0, count);
            buffer.writerIndex(count * 4L);
            return buffer;
        }

        private ArrowBuf bytes(byte[] values, int count) {
            ArrowBuf buffer = allocator.buffer(Math.max(count, 1));
            buffer.setBytes(0, values, 0, count);
            buffer.writerIndex(count);
            return buffer;
        }

        @Override
        public long bytesRead() {
            return 0;
        }

        @Override
        protected void closeReadSource() {}
    }
}
