package cuvee.model;

import cuvee.change.Board;
import cuvee.change.Columns;
import cuvee.decision.Kinds;
import cuvee.finding.CuveeException;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.propose.NewColumns;
import cuvee.propose.Proposal;
import cuvee.rework.MadeColumns;
import cuvee.tag.TagSource;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.util.List;
import java.util.Optional;

/** The columns of an open job: what they are called, where they stand, what feeds them. Used on the interface thread. */
public final class BoardModel {
    private final JobModel model;

    BoardModel(JobModel model) {
        this.model = model;
    }

    /** Gives a column another name; that another column has it already is said. */
    public void renameColumn(String name, String newName) {
        model.outcomeProperty().get().map(Outcome::proposal).ifPresent(made -> {
            try {
                model.take(Columns.rename(model.now(), made, name, newName));
            } catch (CuveeException refused) {
                model.say(refused.finding().text(), false);
            }
        });
    }

    /** Puts a column so many places to the right. */
    public void moveColumn(String name, int by) {
        model.outcomeProperty()
                .get()
                .map(made -> made.proposal().columns().stream()
                        .map(Proposal.ColumnReport::name)
                        .toList())
                .ifPresent(shown -> model.take(Board.move(model.now(), shown, name, by)));
    }

    /** Lets all headers of a column feed another one. */
    public void uniteColumns(String name, String with) {
        model.outcomeProperty()
                .get()
                .ifPresent(made ->
                        model.take(Board.unite(model.now(), made.proposal().lineUp(), name, with)));
    }

    /** Makes a header a column of its own. */
    public void splitHeader(String key, String header) {
        model.take(Board.split(model.now(), key, header));
    }

    /** Lets a header of one file or layout only feed a column, as the header that feeds it elsewhere. */
    public void putHeaderHere(BoardGrid.Line line, String key, String as) {
        model.take(Board.readHeader(model.now(), scope(line), key, as));
    }

    /** Exchanges two headers of one file or layout only. */
    public void exchangeHeadersHere(BoardGrid.Line line, BoardGrid.Header one, BoardGrid.Header other) {
        model.take(
                Board.exchangeHeaders(model.now(), scope(line), one.key(), one.header(), other.key(), other.header()));
    }

    /** The file of a line of the board that is one table, else its layout. */
    private static String scope(BoardGrid.Line line) {
        return line.table()
                .or(() -> line.layout().tables().stream()
                        .filter(table -> line.layout().tables().size() == 1)
                        .findFirst())
                .map(PlacedTable::source)
                .orElse(line.layout().signature());
    }

    /** Puts a header on a column that another header of its layout feeds, and that one where the first was. */
    public void exchangeHeaders(String key, String target, String other, String column) {
        model.take(Board.split(Board.split(model.now(), key, target), other, column));
    }

    /** Puts a header on a column that another header of its layout feeds, and makes that one a column of its own. */
    public void putInPlaceOf(String key, String target, String other, String header) {
        boolean taken = header.equals(target) || model.columnNames().contains(header);
        String own = taken ? JobModel.freeName(model.columnNames(), header) : header;
        model.take(Board.split(Board.split(model.now(), key, target), other, own));
    }

    /** Leaves a column out of the master, or takes it in again; a tag is then none any more, and a made one not made. */
    public void leaveOutColumn(String name, boolean out) {
        if (out && MadeColumns.names(model.now()).contains(name)) {
            model.now()
                    .decision(MadeColumns.KIND, name)
                    .ifPresent(made -> model.answers().decide(MadeColumns.KIND, name, Decision.off(made.answer())));
            return;
        }
        Optional<Proposal> made =
                model.outcomeProperty().get().map(Outcome::proposal).filter(proposal -> out && proposal.isTag(name));
        Job next = made.isPresent() ? model.now() : Board.leaveOut(model.now(), name, out);
        for (Proposal.TagReport tag : made.map(Proposal::tags).orElse(List.of())) {
            boolean fills = tag.on() && tag.column().equals(name);
            next = fills ? Board.leaveOutTag(next, tag.source().words(), true) : next;
        }
        model.take(next);
    }

    /** Adds a column that no source has so far, under a name that is free; answers the name. */
    public String addColumn() {
        String name = JobModel.freeName(model.columnNames(), "New column");
        model.take(Board.add(model.now(), name));
        return name;
    }

    /** Says what becomes of columns that appear later. */
    public void decideNewColumns(NewColumns.Policy policy) {
        if (NewColumns.policy(model.now()) != policy) {
            model.take(Board.newColumns(model.now(), policy));
        }
    }

    /** Says how a column's numbers or dates are written in some of the sources; empty words leave it to the evidence. */
    public void decideConvention(String kind, String column, String scope, String words) {
        model.take(Board.convention(model.now(), kind, column, scope, words));
    }

    public void decideType(String column, Type type) {
        model.take(Board.type(model.now(), column, type.word()));
    }

    void leaveOutTag(String source) {
        boolean alone = model.outcomeProperty()
                .get()
                .map(Outcome::proposal)
                .filter(made -> made.tags().stream()
                        .anyMatch(tag -> tag.source().words().equals(source) && made.isTag(tag.column())))
                .isPresent();
        model.take(Board.leaveOutTag(model.now(), source, alone));
    }

    /** Makes a tag a column of the master under a name, or with an empty one no column. */
    public void decideTag(TagSource source, String name) {
        if (name.isEmpty()) {
            leaveOutTag(source.words());
        } else {
            model.answers().decide(Kinds.TAG, source.words(), name);
        }
    }
}
