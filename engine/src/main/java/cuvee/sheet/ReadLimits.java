package cuvee.sheet;

/**
 * How far a reader goes with a file that nobody vouches for.
 *
 * @param inflatedBytes the most bytes one part of a workbook may unfold to
 * @param ratio the most a part may unfold to, as a multiple of its packed size (above 10 MB)
 * @param entries the most parts in a workbook
 * @param cellLength the most characters in a cell
 * @param columns the most columns in a sheet
 */
public record ReadLimits(long inflatedBytes, int ratio, int entries, int cellLength, int columns) {
    public static final ReadLimits DEFAULT = new ReadLimits(8L << 30, 1000, 20_000, 1 << 20, 1024);
}
