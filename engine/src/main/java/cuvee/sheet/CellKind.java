package cuvee.sheet;

/**
 * What the file itself says a cell is. A cell is staged as its text with the kind's mark in front; text itself bears no
 * mark unless its first character could be mistaken for one.
 */
public enum CellKind {
    EMPTY('\0'),
    TEXT('\1'),
    /** A number, as the shortest plain decimal of at most 15 digits. */
    NUMBER('\2'),
    /** A date, date and time, or time of day, in ISO form. */
    DATE('\3'),
    /** {@code true} or {@code false}. */
    YES_NO('\4'),
    /** An error such as {@code #N/A}, or a formula without a stored result. */
    ERROR('\5'),
    /** A number that the file shows as a percent; its text is the fraction. */
    PERCENT('\6');

    private static final CellKind[] KINDS = values();
    private final char mark;

    CellKind(char mark) {
        this.mark = mark;
    }

    public char mark() {
        return mark;
    }

    /** The kind of a staged cell. */
    public static CellKind ofStaged(String staged) {
        if (staged.isEmpty() || staged.charAt(0) >= KINDS.length || staged.charAt(0) == 0) {
            return TEXT;
        }
        return KINDS[staged.charAt(0)];
    }

    /** The text of a staged cell, without its mark. */
    public static String textOf(String staged) {
        return staged.isEmpty() || staged.charAt(0) >= KINDS.length || staged.charAt(0) == 0
                ? staged
                : staged.substring(1);
    }

    static boolean isMark(char first) {
        return first > 0 && first < KINDS.length;
    }
}
