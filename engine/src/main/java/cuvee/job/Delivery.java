package cuvee.job;

import cuvee.finding.Question;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Where the master is written.
 *
 * @param target a file whose ending says the form, relative to the job file where possible; for a table of a database its
 *     address, without a password
 * @param form what of the target is written
 * @param accepted ids of questions that the analyst has accepted by name: open as they are, they do not hold this delivery
 */
public record Delivery(String name, String target, Form form, List<String> accepted) {
    public Delivery {
        accepted = List.copyOf(accepted);
    }

    /** A delivery of the master as a whole file. */
    public Delivery(String name, String target) {
        this(name, target, new Whole(), List.of());
    }

    public Delivery(String name, String target, Form form) {
        this(name, target, form, List.of());
    }

    public Delivery withForm(Form other) {
        return new Delivery(name, target, other, accepted);
    }

    /** The prepared workbook of which a copy is filled by key; empty for other forms. */
    public Optional<Prepared> prepared() {
        return form instanceof Prepared prepared ? Optional.of(prepared) : Optional.empty();
    }

    /** True where a file is written, one or several; false for a table of a database. */
    public boolean isToFile() {
        return !(form instanceof Table);
    }

    /** The same from the view of another folder. */
    public Delivery withPaths(UnaryOperator<String> moved) {
        Form there = form;
        if (form instanceof Prepared it) {
            there = it.withWorkbook(moved.apply(it.workbook()));
        } else if (form instanceof Each each && !each.names().isEmpty()) {
            there = new Each(each.columns(), moved.apply(each.names()), each.removesGone());
        }
        return new Delivery(name, isToFile() ? moved.apply(target) : target, there, accepted);
    }

    /** The same after a column got another name. */
    public Delivery renamed(String column, String other) {
        UnaryOperator<String> name = each -> each.equals(column) ? other : each;
        if (form instanceof Each each) {
            String there =
                    each.columns().contains(column) ? target.replace("{" + column + "}", "{" + other + "}") : target;
            return new Delivery(
                    this.name,
                    there,
                    new Each(names(each.columns(), name), each.names(), each.removesGone()),
                    accepted);
        }
        if (form instanceof Tab tab) {
            return withForm(new Tab(tab.tab(), tab.cell(), tab.how(), names(tab.keys(), name)));
        }
        if (form instanceof Table table) {
            return withForm(new Table(table.table(), table.how(), names(table.keys(), name)));
        }
        if (form instanceof Prepared it) {
            return withForm(
                    new Prepared(it.workbook(), name.apply(it.key()), name.apply(it.item()), name.apply(it.value())));
        }
        if (form instanceof Copies copies) {
            return withForm(new Copies(copies.changes().stream()
                    .map(change -> new Change(name.apply(change.column()), change.from(), change.to()))
                    .toList()));
        }
        return this;
    }

    private static List<String> names(List<String> columns, UnaryOperator<String> name) {
        return columns.stream().map(name).toList();
    }

    /** The same with more questions accepted. */
    public Delivery accepting(Collection<String> questions) {
        Set<String> all = new LinkedHashSet<>(accepted);
        all.addAll(questions);
        return new Delivery(name, target, form, List.copyOf(all));
    }

    /** The questions that hold this delivery: those open that were not accepted, as any could change a number. */
    public List<Question> heldBy(List<Question> open) {
        return open.stream()
                .filter(question -> !accepted.contains(question.id()))
                .toList();
    }

    /** What of a target is written. */
    public sealed interface Form {}

    /**
     * The whole file.
     *
     * @param about true where a workbook has a tab with the account of the master
     */
    public record Whole(boolean about) implements Form {
        public Whole() {
            this(false);
        }
    }

    /**
     * A workbook that someone prepared, with keys down one column and items across one row.
     *
     * @param workbook its file, relative to the job file where possible
     * @param key the master's column whose values are the keys
     * @param item the master's column whose values are the items; empty where the names of columns are
     * @param value the master's column whose values go into the cells; empty with the former
     */
    public record Prepared(String workbook, String key, String item, String value) implements Form {
        public Prepared withWorkbook(String path) {
            return new Prepared(path, key, item, value);
        }
    }

    /**
     * A tab of a workbook, whose other tabs stay as they are; the workbook is made where there is none.
     *
     * @param cell the cell in which the header begins, such as {@code C5}; all else of the tab stays as it is then. Empty
     *     where the tab holds nothing but the rows
     */
    public record Tab(String tab, String cell, How how, List<String> keys) implements Form {
        public Tab {
            keys = List.copyOf(keys);
        }

        /** A tab that holds nothing but the rows. */
        public Tab(String tab, How how, List<String> keys) {
            this(tab, "", how, keys);
        }

        /** Where its header begins in words: the tab, or a cell of it. */
        public String said() {
            return cell.isEmpty() ? tab : tab + ", cell " + cell;
        }
    }

    /** A table of a database, with its schema where it is not the database's own. */
    public record Table(String table, How how, List<String> keys) implements Form {
        public Table {
            keys = List.copyOf(keys);
        }
    }

    /**
     * A file for each value of a column, named by it: {@code Returns Hollin.xlsx} beside {@code Returns.xlsx}; of several
     * columns, a file for each of their values that stand together in a row: {@code Returns Hollin 2026-01.xlsx}.
     *
     * @param names a file with a small table of values and what their files are called, relative to the job file where
     *     possible, where there is one column; empty where they are called by the values
     * @param removesGone true where files that were written for values that are gone are removed
     */
    public record Each(List<String> columns, String names, boolean removesGone) implements Form {
        public Each {
            columns = List.copyOf(columns);
        }

        public Each(String... columns) {
            this(List.of(columns), "", false);
        }

        /** The columns in words: {@code Port and Month}. */
        public String said() {
            return String.join(" and ", columns);
        }
    }

    /** Copies of all sources in a folder, with the same changes made in each; the target is the folder. */
    public record Copies(List<Change> changes) implements Form {
        public Copies {
            changes = List.copyOf(changes);
        }
    }

    /**
     * A text file written for a program that wants it otherwise than RFC 4180 with plain numbers.
     *
     * @param decimalComma true where decimals have a comma
     * @param mark true where the file begins with the mark by which some programs know UTF-8
     */
    public record Text(Separator separator, boolean decimalComma, boolean mark) implements Form {}

    /** What parts the cells of a text file. */
    public enum Separator {
        COMMA("commas", ','),
        SEMICOLON("semicolons", ';'),
        TAB("tabs", '\t');

        private final String word;
        private final char sign;

        Separator(String word, char sign) {
            this.word = word;
            this.sign = sign;
        }

        public String word() {
            return word;
        }

        public char sign() {
            return sign;
        }

        /** That of a word; empty where there is none. */
        public static Optional<Separator> of(String word) {
            return Arrays.stream(values())
                    .filter(separator -> separator.word.equals(word))
                    .findFirst();
        }
    }

    /** A picture of a summary that the job keeps; the target ends in {@code .png}. */
    public record Picture(String summary) implements Form {}

    /**
     * A change in copies of sources.
     *
     * @param column the column of the master whose cells say something else then; empty for a header
     * @param from what stands there, as the source writes it
     */
    public record Change(String column, String from, String to) {
        /** It in words. */
        public String said() {
            return (column.isEmpty() ? "the header " : "in " + column + " ") + "“" + from + "” becomes “" + to + "”";
        }
    }

    /** What becomes of rows that are there already. */
    public enum How {
        /** All are replaced. */
        REPLACE("replace", "replaces all rows"),
        /** All stay; every row of the master is added below them. */
        ADD("add", "adds every row"),
        /** They are matched by key, and rows with new keys are added. */
        NEW("new", "adds rows with new keys"),
        /** They are matched by key; rows with new keys are added and those that differ are changed. */
        MATCH("match", "adds rows with new keys and changes those that differ"),
        /** The same, and rows whose keys the master does not have any more are removed. */
        MIRROR("mirror", "adds rows with new keys, changes those that differ and removes those gone");

        private final String word;
        private final String words;

        How(String word, String words) {
            this.word = word;
            this.words = words;
        }

        /** The word by which a job and its commands know it. */
        public String word() {
            return word;
        }

        /** What it does, in words. */
        public String words() {
            return words;
        }

        /** True where rows are matched by key. */
        public boolean isByKey() {
            return this == NEW || this == MATCH || this == MIRROR;
        }

        /** The one of a word; empty where there is none. */
        public static Optional<How> of(String word) {
            for (How how : values()) {
                if (how.word.equals(word)) {
                    return Optional.of(how);
                }
            }
            return Optional.empty();
        }
    }
}
