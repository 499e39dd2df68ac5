package cuvee.sheet;

/**
 * A cell in one number: its kind, and where its characters lie among those of its row or block of rows. What is not
 * there is 0.
 */
public final class PackedCell {
    /** A shape holds the kind in so many bits and the length above them. */
    private static final int KIND_BITS = 4;

    private static final int KIND_MASK = (1 << KIND_BITS) - 1;

    private static final CellKind[] KINDS = CellKind.values();

    private PackedCell() {}

    static long of(CellKind kind, int end, int length) {
        return (long) end << Integer.SIZE | (long) length << KIND_BITS | kind.ordinal();
    }

    /** The same cell, its characters lying so many further on. */
    static long moved(long cell, int by) {
        return cell == 0 ? 0 : cell + ((long) by << Integer.SIZE);
    }

    /** The kind of a cell, or of a shape. */
    public static CellKind kind(long cell) {
        return KINDS[(int) cell & KIND_MASK];
    }

    /** Where its first character lies. */
    public static int start(long cell) {
        return end(cell) - length(cell);
    }

    /** Where its last character lies, and one. */
    public static int end(long cell) {
        return (int) (cell >>> Integer.SIZE);
    }

    /** How many characters a cell, or one of a shape, has. */
    public static int length(long cell) {
        return (int) cell >>> KIND_BITS;
    }

    /** Kind and length in one number: among cells of one kind, the longer ones have the greater. */
    public static int shape(long cell) {
        return (int) cell;
    }

    /** The shape of cells of a kind and length. */
    public static int shape(CellKind kind, int length) {
        return length << KIND_BITS | kind.ordinal();
    }

    /**
     * How many characters a shape is longer than a shorter one of its kind; below zero, or more than any cell has, for
     * one that is not longer and for another kind.
     */
    public static int longerBy(int shape, int shorter) {
        // The bits of another kind come to stand above those of the length.
        return Integer.rotateRight(shape - shorter, KIND_BITS);
    }
}
