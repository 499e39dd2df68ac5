package cuvee.decision;

import cuvee.job.Names;
import cuvee.rework.Amendments;
import cuvee.rework.Correction;
import cuvee.sheet.ReadAs;
import java.util.List;
import java.util.Optional;

/** Decisions about sources: which belong, how they are read, and what becomes of those that are gone. */
public sealed interface SourceChoice extends Choice {
    /** The subject of what is said of all files. */
    String ALL_FILES = "all files";

    String KEEP = "keep";
    String REMOVE = "remove";
    /** The answer that takes all of several files that look like one sent again. */
    String ALL = "all";

    @Override
    default Choice renamed(Renaming renaming) {
        return this;
    }

    /** Whether a file belongs. */
    record OfFile(String path, boolean take) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.FILE, path, take ? TableChoice.TAKE : TableChoice.ASIDE);
        }
    }

    /** What parts the cells of a text file, and how it is encoded, in words. */
    record TextForm(String path, String form) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.TEXT_FORM, path, form);
        }

        @Override
        public boolean isAbout(String source) {
            return path.equals(source);
        }

        @Override
        public boolean understood() {
            return ReadAs.of(form).isPresent();
        }
    }

    /**
     * Which of several returns for the year to date count.
     *
     * @param sender who sent them
     * @param table the one that is set aside; empty where all of the sender's are spoken of
     * @param counts the one that counts in its place; {@link #NEWEST} or {@link #ALL} where all are spoken of
     */
    record YearToDate(String sender, String table, String counts) implements SourceChoice {
        /** The newest return counts for all its months. */
        public static final String NEWEST = "newest";

        @Override
        public Words words() {
            return new Words(
                    Kinds.YEAR_TO_DATE,
                    table.isEmpty() ? Names.joinTexts(List.of(sender)) : Names.joinTexts(List.of(sender, table)),
                    counts);
        }

        @Override
        public boolean understood() {
            return !table.isEmpty() || counts.equals(NEWEST) || counts.equals(ALL);
        }
    }

    /** Which sheets of a workbook belong, in words; the subject is a source, a layout, a folder, a place or all files. */
    record WhichSheets(String subject, String rule) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.SHEETS, subject, rule);
        }

        @Override
        public boolean isAbout(String source) {
            return subject.equals(source);
        }

        @Override
        public boolean understood() {
            return SheetRule.of(rule).isPresent();
        }
    }

    /** The order of the files. */
    record InOrder(List<String> paths) implements SourceChoice {
        public InOrder {
            paths = List.copyOf(paths);
        }

        @Override
        public Words words() {
            return new Words(Kinds.ORDER, ALL_FILES, String.join("\n", paths));
        }
    }

    /**
     * Places that stand in a table, read again at each refresh.
     *
     * @param list the file with the table
     * @param folder the header over the folders
     * @param label the header over their labels; empty where they have none
     */
    record Listed(String list, String folder, String label) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(
                    Kinds.PLACES_FROM,
                    list,
                    Names.joinTexts(label.isEmpty() ? List.of(folder) : List.of(folder, label)));
        }

        @Override
        public Choice moved(Move move) {
            return new Listed(move.path(list), folder, label);
        }
    }

    /**
     * A file that lists who is expected to send.
     *
     * @param list the file, as seen from the job
     * @param sender the header over the senders
     */
    record ExpectedFrom(String list, String sender) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.EXPECTED_FROM, list, sender);
        }

        @Override
        public Choice moved(Move move) {
            return new ExpectedFrom(move.path(list), sender);
        }
    }

    /** What becomes of the rows of a file that is gone, or that cannot be read. */
    record Lost(String kind, String path, boolean keep) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(kind, path, keep ? KEEP : REMOVE);
        }
    }

    /**
     * Which of several files that look like one sent again is taken.
     *
     * @param taken empty where all are
     * @param amendedBy where all are, the columns by which rows of the later ones take the place of those of the earlier;
     *     empty where none do
     */
    record SentAgain(List<String> paths, Optional<String> taken, Optional<List<String>> amendedBy)
            implements SourceChoice {
        public SentAgain {
            paths = List.copyOf(paths);
            amendedBy = amendedBy.map(List::copyOf);
        }

        @Override
        public Words words() {
            String answer =
                    taken.orElseGet(() -> amendedBy.map(Amendments::answer).orElse(ALL));
            return new Words(Kinds.SENT_AGAIN, Names.joinTexts(paths), answer);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new SentAgain(
                    paths,
                    taken,
                    amendedBy.map(columns -> columns.stream().map(renaming::of).toList()));
        }
    }

    /** What a source is called where its path alone does not tell it from another; the key is its place and path. */
    record Called(String key, String name) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.SOURCE_NAME, key, name);
        }

        @Override
        public Choice moved(Move move) {
            return new Called(move.key(key), name);
        }
    }

    /** A cell that is read as something else. */
    record Corrected(Correction correction) implements SourceChoice {
        @Override
        public Words words() {
            return new Words(Kinds.CORRECTION, correction.subject(), correction.answer(correction.on()));
        }

        @Override
        public boolean isAbout(String source) {
            return correction.source().equals(source);
        }
    }

    /** That a sender has nothing to report for a month. */
    record NilReturn(String sender, String month) implements SourceChoice {
        /** The one answer. */
        public static final String NIL = "nil";

        @Override
        public Words words() {
            return new Words(Kinds.NIL_RETURN, Names.joinTexts(List.of(sender, month)), NIL);
        }

        @Override
        public boolean understood() {
            return month.matches("\\d{4}-(0[1-9]|1[0-2])");
        }
    }

    /** What becomes of columns that appear later, in words. */
    record NewColumns(String policy) implements SourceChoice {
        /** What can become of them. */
        public static final List<String> POLICIES = List.of("take in and say so", "hold and ask", "leave out");

        @Override
        public Words words() {
            return new Words(Kinds.NEW_COLUMNS, ColumnChoice.ALL_COLUMNS, policy);
        }

        @Override
        public boolean understood() {
            return POLICIES.contains(policy);
        }
    }
}
