package cuvee.sheet;

/** Receives the sheets and rows of one file, in file order. */
public interface SheetVisitor {

    /** A sheet begins. Answers whether its rows are wanted. */
    Wanted sheet(SheetInfo sheet);

    /** A row; blank ones may be left out, row numbers tell. The row is valid only during this call. */
    void row(Row row);

    /** What is known of the sheet besides its cells; called once, behind its last row, and only where there is something. */
    default void sight(SheetSight sight) {}

    /** The sheet has ended. */
    void endSheet();

    /** Whether to read a sheet's rows. */
    enum Wanted {
        ROWS,
        NOTHING
    }
}
