package cuvee.model;

import cuvee.change.Board;
import cuvee.change.RuleLooks;
import cuvee.decision.Kinds;
import cuvee.decision.Turned;
import cuvee.detect.TableColumn;
import cuvee.gather.SmallTable;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.RuleRows;
import cuvee.master.Shaping.How;
import cuvee.master.ValueList;
import cuvee.place.Says;
import cuvee.propose.CodeTables;
import cuvee.propose.Proposal;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.ValueRule;
import cuvee.tell.BeforeAndAfter;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.Trail;
import cuvee.value.Convention;
import cuvee.value.Spellings;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import cuvee.value.YesNoWords;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** The rules of an open job: what the analyst makes, changes and looks at. Used on the interface thread. */
public final class RuleModel {
    private static final int VALUES_COMPARED = 2000;
    private static final int ROWS_TRIED = 4;
    private final JobModel model;

    RuleModel(JobModel model) {
        this.model = model;
    }

    /** Keeps or sets aside the rows of which a phrase holds. */
    public void ruleByPhrase(String phrase, boolean keep) {
        model.take(RowRules.byPhrase(model.now(), phrase, keep));
    }

    /**
     * What a rule about rows would do.
     *
     * @param words it in words, with the figures of the master after it
     * @param rows the first rows that it would set aside, their values as they are shown, the names of the columns first
     */
    public record Trial(String words, List<List<String>> rows) {}

    /** Says what a rule would do before it is in force; nothing where its words say nothing yet. */
    public void tryPhrase(String phrase, boolean keep, Consumer<Optional<Trial>> told) {
        model.ask(
                made -> {
                    Optional<Weighing> weighing = Weighing.of(made);
                    int summed = weighing.map(weighed -> made.proposal().columns().stream()
                                    .map(Proposal.ColumnReport::name)
                                    .toList()
                                    .indexOf(weighed.column()))
                            .orElse(-1);
                    return looks().would(made, phrase, keep, summed, ROWS_TRIED)
                            .map(would -> trial(made, would, weighing));
                },
                told);
    }

    private static Trial trial(Outcome made, RuleRows.Would would, Optional<Weighing> weighing) {
        long before = made.rowsBefore();
        StringBuilder words = new StringBuilder(
                would.rows() == 0
                        ? "No row would go."
                        : Says.count(would.rows(), "row") + " would go; " + Says.number(before) + " rows become "
                                + Says.number(before - would.rows()) + ".");
        String sum = would.sum();
        if (weighing.isPresent() && sum != null) {
            words.append(' ')
                    .append(weighing.get().column())
                    .append(" loses ")
                    .append(MasterGrid.shownAs(sum, Type.MONEY))
                    .append('.');
        }
        List<List<String>> rows = new ArrayList<>();
        rows.add(made.proposal().columns().stream()
                .map(Proposal.ColumnReport::name)
                .toList());
        for (MasterLine line : would.first()) {
            List<String> cells = new ArrayList<>();
            for (int at = 0; at < made.proposal().columns().size(); at++) {
                String value = line.values().get(at);
                cells.add(
                        value == null
                                ? ""
                                : MasterGrid.shownAs(
                                        value, made.proposal().columns().get(at).type()));
            }
            rows.add(cells);
        }
        return new Trial(words.toString(), rows);
    }

    /** Says what a formula would make before it is in force; nothing where its words say nothing yet. */
    public void tryFormula(String formula, Consumer<Optional<Trial>> told) {
        model.ask(
                made -> looks().wouldMake(made, formula, ROWS_TRIED)
                        .map(would -> made(made, would.getKey(), would.getValue())),
                told);
    }

    private static Trial made(Outcome outcome, MasterPlan.Column column, RuleRows.Making making) {
        MasterPlan plan = outcome.proposal().plan();
        List<String> heads = new ArrayList<>();
        List<Type> types = new ArrayList<>();
        for (int at : making.used()) {
            boolean tag = at >= plan.columns().size();
            heads.add(
                    tag
                            ? plan.tags().get(at - plan.columns().size()).name()
                            : plan.columns().get(at).name());
            types.add(tag ? Type.TEXT : plan.columns().get(at).type());
        }
        heads.add("would be");
        types.add(column.type());
        List<List<String>> rows = new ArrayList<>(List.of(heads));
        for (List<@Nullable String> line : making.first()) {
            List<String> cells = new ArrayList<>();
            for (int i = 0; i < line.size(); i++) {
                String value = line.get(i);
                cells.add(value == null ? "" : MasterGrid.shownAs(value, types.get(i)));
            }
            rows.add(cells);
        }
        return new Trial(
                Says.capital(column.type().word()) + ", filled in " + Says.number(making.filled()) + " of "
                        + Says.count(making.all(), "row") + ".",
                rows);
    }

    /**
     * Makes a column by a formula, under a name that is free; answers the name.
     *
     * @param wanted what it is to be called; blank where that is said later
     */
    public String makeColumn(String wanted, String formula) {
        String name = JobModel.freeName(model.columnNames(), wanted.isBlank() ? "New column" : wanted.strip());
        model.take(MadeColumns.make(model.now(), name, formula));
        return name;
    }

    /** Lets one of rows that are equal in some columns stay. */
    public void ruleEqual(List<String> columns, String verb) {
        model.take(RowRules.equal(model.now(), columns, verb));
    }

    /** Makes columns of the values of one, which hold the sum of another, or its first value where that is no number. */
    public void makeColumnsOf(String label, String value, boolean numbers, List<String> keys) {
        model.take(Shapings.toColumns(model.now(), label, numbers ? How.SUM : How.FIRST, value, keys));
    }

    /** Orders the rows of the master by a column first. */
    public void sortBy(String column, boolean greatestFirst) {
        model.take(Shapings.sortedBy(model.now(), column, greatestFirst));
    }

    /** Numbers the rows of the master. */
    public void numberRows() {
        model.take(Shapings.numbered(model.now(), JobModel.freeName(model.columnNames(), "Number")));
    }

    /**
     * Reads one cell of a source as something else, for as long as it says what it says now.
     *
     * @return what speaks against it; empty where it was done
     */
    public String correct(int column, Trail trail, String to, String why) {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty() || trail.where().column() < 1) {
            return "This value stands in no cell of its row, so there is none to correct.";
        }
        Type type = made.get().plan().columns().get(column).type();
        if (!to.isBlank() && ValueReader.read(to.strip(), type, Convention.DEFAULT) == null) {
            return Says.quoted(to.strip()) + " is no " + type.word() + ", the type of the column.";
        }
        String by = "by " + System.getProperty("user.name", "you") + " on "
                + LocalDate.now(model.clock().withZone(ZoneId.systemDefault()));
        model.take(new Correction(
                        trail.where().source(),
                        trail.where().sheet(),
                        trail.where().row(),
                        trail.where().column() - 1,
                        trail.raw(),
                        to.strip(),
                        why.strip(),
                        by,
                        true)
                .put(model.now()));
        return "";
    }

    /** Writes names for the codes of a column by the table in a file, whose columns of codes and names are told by the values. */
    public void codesFromFile(String column, Path from) {
        String path = model.relative(from);
        model.ask(
                made -> guess(made, column, from, path),
                codes -> codes.ifPresentOrElse(
                        found -> model.take(found.put(model.now())),
                        () -> model.say(
                                "None of the values of " + Says.quoted(column) + " stands in " + from.getFileName()
                                        + ". Nothing was changed.",
                                true)));
    }

    private Optional<Codes> guess(Outcome made, String column, Path from, String path) {
        SmallTable table = SmallTable.read(from);
        int at = made.proposal().columns().stream()
                .map(Proposal.ColumnReport::name)
                .toList()
                .indexOf(column);
        if (at < 0) {
            return Optional.empty();
        }
        try (ValueList values = model.session().values(made, at)) {
            List<String> texts = values.page(0, VALUES_COMPARED).stream()
                    .map(Spellings.Counted::text)
                    .toList();
            return CodeTables.guess(column, path, table, texts);
        }
    }

    /** Writes names for the codes of a column by lines of a code and a name each, parted by a tab, semicolon or comma. */
    public void codesPasted(String column, String lines) {
        Map<String, String> names = new LinkedHashMap<>();
        for (String line : lines.lines().toList()) {
            String[] cells = line.split(line.contains("\t") ? "\t" : line.contains(";") ? ";" : ",", 2);
            if (cells.length == 2 && !cells[0].isBlank() && !cells[1].isBlank()) {
                names.put(cells[0].strip(), cells[1].strip());
            }
        }
        if (names.isEmpty()) {
            model.say(
                    "What was copied holds no codes with names: copy two columns, codes and names beside them.", true);
        } else {
            model.take(Codes.these(column, names).put(model.now()));
        }
    }

    /** Makes columns from others by formulas, under names that are free. */
    public void makeColumns(MadeFrom from) {
        Job next = model.now();
        Set<String> names = model.columnNames();
        for (Map.Entry<String, String> column : from.columns().entrySet()) {
            String name = JobModel.freeName(names, column.getKey());
            names.add(name);
            next = MadeColumns.make(next, name, column.getValue());
        }
        model.take(next);
    }

    /** Changes what a column holds where it stands, by a formula. */
    public void changeColumn(String name, String words) {
        model.take(MadeColumns.make(model.now(), name, words));
    }

    /** Reads the first rows that the rule of a sentence sets aside; told on the interface thread. */
    public void setAside(Sentence sentence, int rows, Consumer<List<MasterLine>> told) {
        model.ask(made -> looks().setAside(made, made.ruleNumber(sentence), rows), told);
    }

    /** Reads the first groups of rows that the rule of a sentence finds equal; told on the interface thread. */
    public void groups(Sentence sentence, int rows, Consumer<List<RuleRows.Equal>> told) {
        model.ask(made -> looks().groups(made, made.ruleNumber(sentence), rows), told);
    }

    /** Reads the first rows of the master before and after it is shaped; told on the interface thread. */
    public void shapedRows(int rows, Consumer<List<List<List<String>>>> told) {
        model.ask(made -> looks().shapedRows(made, rows), told);
    }

    /** Looks for some of the cells that the rule of a sentence touches; told on the interface thread. */
    public void changes(Sentence sentence, int most, Consumer<List<RuleLooks.CellChange>> told) {
        model.ask(made -> looks().changes(made, sentence, most), told);
    }

    private RuleLooks looks() {
        return model.session().looks();
    }

    /** Carries values of a column down to the blank cells below them, in the tables of one layout. */
    public void carryDown(String subject) {
        model.take(Board.carryDown(model.now(), subject));
    }

    /** Keeps a row that rules set aside, whatever they say. */
    public void putBack(MasterLine line) {
        model.outcomeProperty()
                .get()
                .flatMap(made -> made.proposal().plan().tables().stream()
                        .filter(table -> table.id() == line.table())
                        .findFirst())
                .ifPresent(
                        table -> model.take(RowRules.putBack(model.now(), table.source(), table.sheet(), line.row())));
    }

    /** Puts a rule earlier or later among those of its kind. */
    public void moveSentence(Sentence sentence, int by) {
        model.take(RowRules.moved(model.now(), sentence.kind(), sentence.subject(), by));
    }

    /** Says which of the rows that are equal stays. */
    public void decideEqual(Sentence sentence, String verb) {
        model.answers().decide(sentence.kind(), sentence.subject(), verb);
    }

    /** Writes texts of a column as another, or takes them for blank where that is empty. */
    public void writeValues(String column, List<String> texts, String to) {
        writeValues(column, texts, to, "");
    }

    /** The same in some of the sources: a file, a place or the layout of a signature. */
    public void writeValues(String column, List<String> texts, String to, String scope) {
        model.take(ValueRule.write(model.now(), column, texts, to, scope));
    }

    /** Brings near-equal spellings of a column to the one that most rows have, group by group. */
    public void writeAlike(String column, List<Spellings.Group> groups) {
        Job next = model.now();
        for (Spellings.Group group : groups) {
            next = ValueRule.write(
                    next,
                    column,
                    group.others().stream().map(Spellings.Counted::text).toList(),
                    group.to().text());
        }
        model.take(next);
    }

    /** Says how the texts of a column are spelled. */
    public void decideSpelling(String column, MasterPlan.Spelling spelling) {
        model.take(Board.spelling(model.now(), column, spelling));
    }

    /** Says how yes and no are written in a column. */
    public void decideYesNoWords(String column, YesNoWords words) {
        model.take(Board.yesNoWords(model.now(), column, words));
    }

    /** Turns the columns of a table's layout behind one of them into rows; that one and those before it stay. */
    public void turnAfter(PlacedTable table, int lastColumn) {
        List<String> stays = table.table().columns().stream()
                .filter(column -> column.index() <= lastColumn)
                .map(TableColumn::header)
                .toList();
        model.answers().decide(Kinds.ACROSS, table.signature(), Turned.allBut(stays, List.of("Item", "Amount")));
    }

    /** Switches what a sentence says on or off. */
    public void decideSentence(Sentence sentence, boolean on) {
        if (!on && sentence.kind().equals(Kinds.TAG)) {
            model.board().leaveOutTag(sentence.subject());
        } else {
            model.answers().decide(sentence.kind(), sentence.subject(), sentence.answer(on));
        }
    }

    /** Lets blank cells of columns that become rows be rows too, or leaves them out. */
    public void keepBlanks(Sentence sentence, boolean keep) {
        model.answers().decide(sentence.kind(), sentence.subject(), sentence.keepingBlanks(keep));
    }

    /** Gives other names to the columns that a sentence makes. */
    public void nameSentence(Sentence sentence, List<String> names) {
        if (names.equals(sentence.names()) || names.stream().anyMatch(String::isBlank)) {
            return;
        }
        if (sentence.kind().equals(RowRules.ROWS)) {
            model.take(RowRules.reworded(model.now(), sentence.kind(), sentence.subject(), names.get(0)));
        } else {
            model.answers().decide(sentence.kind(), sentence.subject(), sentence.answer(names));
        }
    }

    /** Leaves to Cuvee again what a sentence says. */
    public void undecideSentence(Sentence sentence) {
        model.answers().decide(sentence.kind(), sentence.subject(), "");
    }

    /** Reads the first rows of a table as its sheet and as the master has them; told on the interface thread. */
    public void beforeAndAfter(int table, int rows, Consumer<BeforeAndAfter> told) {
        model.ask(made -> model.session().beforeAndAfter(made, table, rows), found -> found.ifPresent(told));
    }
}
