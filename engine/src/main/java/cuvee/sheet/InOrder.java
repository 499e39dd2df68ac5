package cuvee.sheet;

import cuvee.finding.CuveeException;
import cuvee.place.Where;
import java.util.concurrent.CancellationException;

/**
 * Hands on what a reader tells as long as its rows come in order; a sheet whose rows go back or come twice is damaged. What
 * goes wrong behind it is told apart from what goes wrong in reading: it is no fault of the file.
 */
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
        try {
            return visitor.sheet(info);
        } catch (RuntimeException fault) {
            throw OwnFault.of(fault);
        }
    }

    @Override
    public void row(Row row) {
        if (row.number() <= last) {
            throw Unreadable.broken(
                    Where.sheet(source.source(), sheet).row(row.number()),
                    "it is damaged, row " + row.number() + " comes behind row " + last);
        }
        last = row.number();
        try {
            visitor.row(row);
        } catch (RuntimeException fault) {
            throw OwnFault.of(fault);
        }
    }

    @Override
    public void sight(SheetSight sight) {
        try {
            visitor.sight(sight);
        } catch (RuntimeException fault) {
            throw OwnFault.of(fault);
        }
    }

    @Override
    public void endSheet() {
        try {
            visitor.endSheet();
        } catch (RuntimeException fault) {
            throw OwnFault.of(fault);
        }
    }

    /** Something went wrong in what listens to a reader. */
    static final class OwnFault extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private OwnFault(RuntimeException fault) {
            super(fault);
        }

        /** The fault as such; what says itself what it is stays as it is. */
        static RuntimeException of(RuntimeException fault) {
            boolean told = fault instanceof CuveeException
                    || fault instanceof CancellationException
                    || fault instanceof OwnFault;
            return told ? fault : new OwnFault(fault);
        }
    }
}
