package cuvee.sheet;

/**
 * How far a reader goes with a file that nobody vouches for.
 *
 * @param inflatedBytes the most bytes one part of a workbook may unfold to
 * @param ratio the most a part may unfold to, as a multiple of its packed size (above 10 MB)
 * @param entries the most parts in a workbook
 * @param cellLength the most characters in a cell
 * @param columns the most columns in a sheet
 * @param work how much a few bytes may make it do
 */
public record ReadLimits(long inflatedBytes, int ratio, int entries, int cellLength, int columns, Work work) {
    public static final ReadLimits DEFAULT =
            new ReadLimits(8L << 30, 1000, 20_000, 1 << 20, 1024, new Work(1 << 24, 20_000_000, 400, 255));

    /** Numbers of more characters are no numbers but texts, whoever writes them. */
    public static final int NUMBER_LENGTH = 400;

    /**
     * What a file may ask for in few bytes. These are counts, never times, so that a busy machine reads no otherwise.
     *
     * @param rows the most rows that a sheet may count up to
     * @param repeatedCells the most cells that a file may make by saying that others are repeated
     * @param numberLength the most characters of a number
     * @param formatLength the most characters of a number format; a longer one says nothing
     */
    public record Work(int rows, long repeatedCells, int numberLength, int formatLength) {}

    public ReadLimits(long inflatedBytes, int ratio, int entries, int cellLength, int columns) {
        this(inflatedBytes, ratio, entries, cellLength, columns, DEFAULT.work());
    }
}
