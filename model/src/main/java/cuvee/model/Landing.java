package cuvee.model;

import cuvee.layout.Layout;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.util.List;
import java.util.Optional;

/** What stands where a header or a column would be put on the board. */
public sealed interface Landing {
    /** Nothing speaks against it. */
    record Free() implements Landing {}

    /** The layout has another header for the column already. */
    record Filled(String key, String header) implements Landing {}

    /** Values of one kind would come among values of another. */
    record OtherKind(String said) implements Landing {}

    /** Layouts have both columns, so that they cannot be one. */
    record Beside(String said) implements Landing {}

    /** What stands where the header of a column in a layout would be put. */
    static Landing of(Outcome made, Layout layout, String from, String target) {
        Optional<BoardGrid.Header> there = BoardGrid.header(made, layout, target);
        return there.isPresent()
                ? new Filled(there.get().key(), there.get().header())
                : kinds(made.proposal(), from, target);
    }

    /** What stands where a column with all its headers would be put. */
    static Landing of(Outcome made, String from, String target) {
        List<Layout> both = made.proposal().layouts().stream()
                .filter(layout -> BoardGrid.header(made, layout, from).isPresent()
                        && BoardGrid.header(made, layout, target).isPresent())
                .toList();
        return both.isEmpty()
                ? kinds(made.proposal(), from, target)
                : new Beside(Says.quoted(from) + " and " + Says.quoted(target) + " stand beside each other in "
                        + Says.count(both.size(), "layout")
                        + ", so that they cannot be one column. Nothing was changed.");
    }

    private static Landing kinds(Proposal proposal, String from, String target) {
        Optional<Proposal.ColumnReport> one = column(proposal, from);
        Optional<Proposal.ColumnReport> other = column(proposal, target);
        if (one.isEmpty()
                || other.isEmpty()
                || other.get().filled() == 0
                || kind(one.get().type()).equals(kind(other.get().type()))
                || other.get().type() == Type.TEXT) {
            return new Free();
        }
        return new OtherKind(from + " holds " + one.get().type().word() + " and " + target + " "
                + other.get().type().word() + "; values that do not fit would be blank, each with a finding.");
    }

    private static Optional<Proposal.ColumnReport> column(Proposal proposal, String name) {
        return proposal.columns().stream()
                .filter(column -> column.name().equals(name))
                .findFirst();
    }

    private static String kind(Type type) {
        return type.isNumber() ? "number" : type.isMoment() ? "moment" : type.word();
    }
}
