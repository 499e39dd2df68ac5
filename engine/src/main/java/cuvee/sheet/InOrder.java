package cuvee.sheet;

import cuvee.place.Where;

/** Hands on what a reader tells as long as its rows come in order; a sheet whose rows go back or come twice is damaged. */
final class InOrder implements SheetVisitor {
    private final SheetVisitor visitor;
    private final Where source;
    private String sheet = "";
    private int last;

    InOrder(SheetVisitor visitor, Where source) {
        this.visitor = visitor;
        this.source = source;
    }

    @Override
    public Wanted sheet(SheetInfo info) {
        sheet = info.name();
        last = 0;
        return visitor.sheet(info);
    }

    @Override
    public void row(Row row) {
        if (row.number() <= last) {
            throw Unreadable.broken(
                    Where.sheet(source.source(), sheet).row(row.number()),
                    "it is damaged, row " + row.number() + " comes behind row " + last);
        }
        last = row.number();
        visitor.row(row);
    }

    @Override
    public void sight(SheetSight sight) {
        visitor.sight(sight);
    }

    @Override
    public void endSheet() {
        visitor.endSheet();
    }
}
