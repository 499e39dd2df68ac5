package cuvee.master;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import net.jpountz.lz4.LZ4Compressor;
import net.jpountz.lz4.LZ4Factory;
import org.apache.parquet.format.ColumnChunk;
import org.apache.parquet.format.ColumnMetaData;
import org.apache.parquet.format.ColumnOrder;
import org.apache.parquet.format.CompressionCodec;
import org.apache.parquet.format.ConvertedType;
import org.apache.parquet.format.DataPageHeader;
import org.apache.parquet.format.Encoding;
import org.apache.parquet.format.FieldRepetitionType;
import org.apache.parquet.format.FileMetaData;
import org.apache.parquet.format.PageHeader;
import org.apache.parquet.format.PageType;
import org.apache.parquet.format.RowGroup;
import org.apache.parquet.format.SchemaElement;
import org.apache.parquet.format.Statistics;
import org.apache.parquet.format.Type;
import org.apache.parquet.format.TypeDefinedOrder;
import org.apache.parquet.format.Util;

/**
 * Writes many staged rows of one width to a file of their own, in the form of Apache Parquet
 * (https://parquet.apache.org/docs/file-format/), which the store reads where it lies: each batch becomes a page of each
 * column, plain values behind their definition levels, compressed with LZ4; some batches are a row group. Taking the same
 * rows into the store's own file costs several times as much (docs/decisions.md). Whoever opens it closes it; what was not
 * {@linkplain #finish finished} is no file that can be read.
 */
final class StagedFile implements AutoCloseable {
    private static final byte[] MAGIC = "PAR1".getBytes(StandardCharsets.US_ASCII);
    /** The store's own unit of rows: it makes the master of row groups, several at a time. */
    private static final int GROUP_ROWS = 122_880;

    private static final int GROUP_BYTES = 16 << 20;
    private final Path file;
    private final int columns;
    private final OutputStream out;
    private final LZ4Compressor compressor = LZ4Factory.fastestInstance().fastCompressor();
    private final List<RowGroup> groups = new ArrayList<>();
    private final Map<Integer, Long> rowsBySheet = new TreeMap<>();
    private final Chunk tables = new Chunk("tbl", Type.INT32);
    private final Chunk numbers = new Chunk("row", Type.INT32);
    private final List<Chunk> cells = new ArrayList<>();
    private final byte[] present = new byte[StageBatch.MOST_ROWS / 8];
    private byte[] page = new byte[1 << 18];
    private byte[] packed = new byte[1 << 18];
    private long position;
    private long rows;
    private int groupRows;
    private int groupBytes;

    StagedFile(Path file, int columns) throws IOException {
        this.file = file;
        this.columns = columns;
        this.out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16);
        for (int i = 0; i < columns; i++) {
            cells.add(new Chunk("c" + i, Type.BYTE_ARRAY));
        }
        write(MAGIC, MAGIC.length);
    }

    /** True for a file of so many bytes that ends as it should. */
    static boolean isWhole(Path file, long bytes) throws IOException {
        if (!Files.isRegularFile(file) || Files.size(file) != bytes) {
            return false;
        }
        try (RandomAccessFile end = new RandomAccessFile(file.toFile(), "r")) {
            byte[] last = new byte[MAGIC.length];
            end.seek(bytes - last.length);
            end.readFully(last);
            return Arrays.equals(last, MAGIC);
        }
    }

    Path file() {
        return file;
    }

    int columns() {
        return columns;
    }

    long rows() {
        return rows;
    }

    /** How many rows of each sheet are in it, by the number under which they are staged. */
    Map<Integer, Long> rowsBySheet() {
        return rowsBySheet;
    }

    /** Adds the rows of a batch of the same width. */
    void add(StageBatch batch) throws IOException {
        int count = batch.count();
        count(batch.tables(), count);
        add(tables, batch.tables(), count);
        add(numbers, batch.rows(), count);
        for (int i = 0; i < columns; i++) {
            add(cells.get(i), batch, i);
        }
        rows += count;
        groupRows += count;
        if (groupRows >= GROUP_ROWS || groupBytes >= GROUP_BYTES) {
            endGroup();
        }
    }

    private void count(int[] sheets, int count) {
        int from = 0;
        for (int i = 1; i <= count; i++) {
            if (i == count || sheets[i] != sheets[from]) {
                rowsBySheet.merge(sheets[from], (long) (i - from), Long::sum);
                from = i;
            }
        }
    }

    private void add(Chunk chunk, int[] values, int count) throws IOException {
        room(count * Integer.BYTES);
        ByteBuffer.wrap(page).order(ByteOrder.LITTLE_ENDIAN).asIntBuffer().put(values, 0, count);
        for (int i = 0; i < count; i++) {
            chunk.least = Math.min(chunk.least, values[i]);
            chunk.most = Math.max(chunk.most, values[i]);
        }
        endPage(chunk, count * Integer.BYTES, count);
    }

    private void add(Chunk chunk, StageBatch batch, int column) throws IOException {
        int count = batch.count();
        int filled = batch.present(column, present);
        room(count * Integer.BYTES + batch.length(column) + present.length + 16 + StageBatch.SPARE);
        int at = putLevels(count, filled);
        endPage(chunk, batch.putWithLengths(column, page, at), count);
        chunk.nulls += count - filled;
    }

    /** Tells of each row whether it has a cell: one run where all have or none has, else a bit each. Answers the end. */
    private int putLevels(int count, int filled) {
        int at = Integer.BYTES;
        if (filled == count || filled == 0) {
            at = putVarint(at, count << 1);
            page[at++] = (byte) (filled == 0 ? 0 : 1);
        } else {
            int bytes = (count + 7) / 8;
            at = putVarint(at, bytes << 1 | 1);
            System.arraycopy(present, 0, page, at, bytes);
            at += bytes;
        }
        putInt(0, at - Integer.BYTES);
        return at;
    }

    private int putVarint(int from, int value) {
        int at = from;
        int left = value;
        while (left >= 0x80) {
            page[at++] = (byte) (left & 0x7F | 0x80);
            left >>>= 7;
        }
        page[at++] = (byte) left;
        return at;
    }

    private void putInt(int at, int value) {
        page[at] = (byte) value;
        page[at + 1] = (byte) (value >> 8);
        page[at + 2] = (byte) (value >> 16);
        page[at + 3] = (byte) (value >> 24);
    }

    private void room(int bytes) {
        if (page.length < bytes) {
            page = new byte[Math.max(bytes, page.length * 2)];
        }
    }

    private void endPage(Chunk chunk, int plain, int count) throws IOException {
        int most = compressor.maxCompressedLength(plain);
        if (packed.length < most) {
            packed = new byte[most];
        }
        int length = compressor.compress(page, 0, plain, packed, 0, packed.length);
        PageHeader header = new PageHeader(PageType.DATA_PAGE, plain, length);
        header.setData_page_header(new DataPageHeader(count, Encoding.PLAIN, Encoding.RLE, Encoding.RLE));
        int before = chunk.pages.size();
        Util.writePageHeader(header, chunk.pages);
        chunk.plainBytes += chunk.pages.size() - before + plain;
        chunk.pages.write(packed, 0, length);
        groupBytes += chunk.pages.size() - before;
    }

    /** The pages of one column of the row group under way. */
    private static final class Chunk {
        private final String name;
        private final Type type;
        private final ByteArrayOutputStream pages = new ByteArrayOutputStream();
        private long plainBytes;
        private long nulls;
        private int least = Integer.MAX_VALUE;
        private int most = Integer.MIN_VALUE;

        Chunk(String name, Type type) {
            this.name = name;
            this.type = type;
        }

        Statistics statistics() {
            Statistics statistics = new Statistics();
            statistics.setNull_count(nulls);
            if (type == Type.INT32) {
                statistics.setMin_value(bytes(least));
                statistics.setMax_value(bytes(most));
            }
            return statistics;
        }

        void clear() {
            pages.reset();
            plainBytes = 0;
            nulls = 0;
            least = Integer.MAX_VALUE;
            most = Integer.MIN_VALUE;
        }
    }

    private static byte[] bytes(int value) {
        return ByteBuffer.allocate(Integer.BYTES)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(value)
                .array();
    }

    private void endGroup() throws IOException {
        RowGroup group = new RowGroup(new ArrayList<>(), 0, groupRows);
        end(group, tables);
        end(group, numbers);
        for (Chunk chunk : cells) {
            end(group, chunk);
        }
        groups.add(group);
        groupRows = 0;
        groupBytes = 0;
    }

    private void end(RowGroup group, Chunk chunk) throws IOException {
        ColumnMetaData column = new ColumnMetaData(
                chunk.type,
                List.of(Encoding.PLAIN, Encoding.RLE),
                List.of(chunk.name),
                CompressionCodec.LZ4_RAW,
                groupRows,
                chunk.plainBytes,
                chunk.pages.size(),
                position);
        column.setStatistics(chunk.statistics());
        group.addToColumns(new ColumnChunk(position).setMeta_data(column));
        group.setTotal_byte_size(group.getTotal_byte_size() + chunk.plainBytes);
        chunk.pages.writeTo(out);
        position += chunk.pages.size();
        chunk.clear();
    }

    private void write(byte[] bytes, int length) throws IOException {
        out.write(bytes, 0, length);
        position += length;
    }

    /** Writes what makes it a whole file, and closes it. */
    void finish() throws IOException {
        if (groupRows > 0) {
            endGroup();
        }
        List<SchemaElement> schema = new ArrayList<>();
        schema.add(new SchemaElement("rows").setNum_children(columns + 2));
        schema.add(number("tbl"));
        schema.add(number("row"));
        for (int i = 0; i < columns; i++) {
            schema.add(new SchemaElement("c" + i)
                    .setType(Type.BYTE_ARRAY)
                    .setRepetition_type(FieldRepetitionType.OPTIONAL)
                    .setConverted_type(ConvertedType.UTF8));
        }
        FileMetaData metadata = new FileMetaData(1, schema, rows, groups);
        metadata.setColumn_orders(Collections.nCopies(columns + 2, ColumnOrder.TYPE_ORDER(new TypeDefinedOrder())));
        ByteArrayOutputStream foot = new ByteArrayOutputStream();
        Util.writeFileMetaData(metadata, foot);
        write(foot.toByteArray(), foot.size());
        write(bytes(foot.size()), Integer.BYTES);
        write(MAGIC, MAGIC.length);
        out.close();
    }

    private static SchemaElement number(String name) {
        return new SchemaElement(name).setType(Type.INT32).setRepetition_type(FieldRepetitionType.REQUIRED);
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
