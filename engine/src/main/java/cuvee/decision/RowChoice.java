package cuvee.decision;

import cuvee.check.OwnCheck;
import cuvee.job.Names;
import cuvee.place.Where;
import cuvee.rework.Phrase;
import cuvee.rework.RowRules;
import cuvee.summary.SummaryWords;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Decisions about the rows of the master: which are kept, how they are ordered, and which values become columns. */
public sealed interface RowChoice extends Choice {
    /** The subject of what is said of all rows. */
    String ALL_ROWS = "rows";

    /** Rows that a phrase is true of are kept, or set aside. */
    record ByPhrase(String phrase, boolean keep, boolean on) implements RowChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.ROWS, phrase, keep ? RowRules.KEEP : RowRules.ASIDE, on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return Phrase.read(phrase, List.copyOf(renaming.columns()))
                    .<Choice>map(read -> new ByPhrase(
                            read.renamed(renaming.from(), renaming.to()).said(), keep, on))
                    .orElse(this);
        }
    }

    /** Of rows that are equal in some columns one is kept. */
    record Equal(List<String> columns, String verb, boolean on) implements RowChoice {
        public Equal {
            columns = List.copyOf(columns);
        }

        @Override
        public Words words() {
            return Words.of(Kinds.EQUAL_ROWS, Names.joinTexts(columns), verb, on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Equal(columns.stream().map(renaming::of).toList(), verb, on);
        }
    }

    /** A row of a sheet that is kept whatever rules say. */
    record PutBack(Where row) implements RowChoice {
        @Override
        public Words words() {
            return new Words(
                    Kinds.PUT_BACK,
                    Names.joinTexts(List.of(row.source(), row.sheet(), String.valueOf(row.row()))),
                    RowRules.KEEP);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return this;
        }

        @Override
        public boolean isAbout(String source) {
            return row.source().equals(source);
        }
    }

    /**
     * Values of a column that become columns.
     *
     * @param label the column whose values become columns
     * @param how what is made of several values
     * @param value the column that they hold
     * @param stays the columns that stay
     */
    record ToColumns(String label, String how, String value, List<String> stays, boolean on) implements RowChoice {
        public ToColumns {
            stays = List.copyOf(stays);
        }

        @Override
        public Words words() {
            List<String> parts = new ArrayList<>(List.of(label, how, value));
            parts.addAll(stays);
            return Words.of(Kinds.TO_COLUMNS, ALL_ROWS, Names.joinTexts(parts), on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new ToColumns(
                    renaming.of(label),
                    how,
                    renaming.of(value),
                    stays.stream().map(renaming::of).toList(),
                    on);
        }
    }

    /** The order of the rows. */
    record Sorted(List<By> by, boolean on) implements RowChoice {
        private static final String GREATEST = ", greatest first";

        public Sorted {
            by = List.copyOf(by);
        }

        /** One column of an order. */
        record By(String column, boolean greatestFirst) {
            static By of(String words) {
                boolean greatest = words.endsWith(GREATEST);
                return new By(greatest ? words.substring(0, words.length() - GREATEST.length()) : words, greatest);
            }

            String words() {
                return greatestFirst ? column + GREATEST : column;
            }
        }

        @Override
        public Words words() {
            return Words.of(
                    Kinds.SORTED,
                    ALL_ROWS,
                    Names.joinTexts(by.stream().map(By::words).toList()),
                    on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Sorted(
                    by.stream()
                            .map(each -> new By(renaming.of(each.column()), each.greatestFirst()))
                            .toList(),
                    on);
        }
    }

    /** A check of the analyst's own, in words. */
    record Checked(String said, boolean on) implements RowChoice {
        /** The answer that has it made. */
        public static final String WANTED = "wanted";

        @Override
        public Words words() {
            return Words.of(Kinds.CHECK, said, WANTED, on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Checked(
                    OwnCheck.renamed(said, List.copyOf(renaming.columns()), renaming.from(), renaming.to()), on);
        }
    }

    /** A summary of the rows: its name, and what it sums up in words. */
    record Summarised(String name, String said, boolean on) implements RowChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.SUMMARY, name, said, on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Summarised(
                    name,
                    SummaryWords.renamed(said, List.copyOf(renaming.columns()), renaming.from(), renaming.to()),
                    on);
        }
    }

    /**
     * How the columns of the master stand in the window; nothing that is delivered follows it.
     *
     * @param columns in their order; those that are not named stand where the master has them
     */
    record InView(List<Placed> columns) implements RowChoice {
        public InView {
            columns = List.copyOf(columns);
        }

        /** Whether a column is seen. */
        public enum Seen {
            SHOWN,
            /** Stays where it is when the others are scrolled. */
            KEPT,
            HIDDEN;

            String word() {
                return name().toLowerCase(Locale.ROOT);
            }
        }

        /**
         * A column.
         *
         * @param width in pixels; 0 for the one that suits it
         */
        public record Placed(String column, Seen seen, int width) {
            private static Optional<Placed> of(String words) {
                List<String> parts = Names.splitTexts(words);
                return parts.size() == 3 && parts.get(2).matches("\\d{1,5}")
                        ? Arrays.stream(Seen.values())
                                .filter(seen -> seen.word().equals(parts.get(1)))
                                .findFirst()
                                .map(seen -> new Placed(parts.get(0), seen, Integer.parseInt(parts.get(2))))
                        : Optional.empty();
            }

            private String words() {
                return Names.joinTexts(List.of(column, seen.word(), String.valueOf(width)));
            }
        }

        static Optional<InView> of(String answer) {
            List<Placed> columns = new ArrayList<>();
            for (String words : Names.splitTexts(answer)) {
                Optional<Placed> placed = Placed.of(words);
                if (placed.isEmpty()) {
                    return Optional.empty();
                }
                columns.add(placed.get());
            }
            return Optional.of(new InView(columns));
        }

        @Override
        public Words words() {
            return new Words(
                    Kinds.IN_VIEW,
                    ALL_ROWS,
                    Names.joinTexts(columns.stream().map(Placed::words).toList()));
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new InView(columns.stream()
                    .map(each -> new Placed(renaming.of(each.column()), each.seen(), each.width()))
                    .toList());
        }
    }

    /** A column that numbers the rows. */
    record Numbered(String column, boolean on) implements RowChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.NUMBERED, ALL_ROWS, Names.joinTexts(List.of(column)), on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Numbered(renaming.of(column), on);
        }
    }
}
