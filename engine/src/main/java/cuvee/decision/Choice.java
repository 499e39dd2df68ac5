package cuvee.decision;

import cuvee.job.Decision;
import java.util.Set;

/** What a decision says, as values. {@link Choices} reads it from the words of a job. */
public sealed interface Choice permits ColumnChoice, RowChoice, TableChoice, SourceChoice, ProofChoice, Choice.Unclear {
    /** It in the words of a job. */
    Words words();

    /** The same after a column got another name. */
    Choice renamed(Renaming renaming);

    /** The same after the job was saved in another folder. */
    default Choice moved(Move move) {
        return this;
    }

    /** True where it is about a source alone, taking it or leaving it out apart. */
    default boolean isAbout(String source) {
        return false;
    }

    /** True where it can be followed as far as its own words tell. */
    default boolean understood() {
        return true;
    }

    /** A decision that says this, for the reason of another. */
    default Decision as(Decision decided) {
        Words said = words();
        return new Decision(said.kind(), said.subject(), said.answer(), decided.reason(), decided.evidence());
    }

    /** The words of a job: the kind, what it is about, what was decided. */
    record Words(String kind, String subject, String answer) {
        static Words of(String kind, String subject, String answer, boolean on) {
            return new Words(kind, subject, on ? answer : Decision.off(answer));
        }
    }

    /**
     * A column that gets another name.
     *
     * @param columns the names of all columns before that
     * @param made those of them that are made by a formula alone, which cannot name themselves
     */
    record Renaming(Set<String> columns, Set<String> made, String from, String to) {
        public Renaming {
            columns = Set.copyOf(columns);
            made = Set.copyOf(made);
        }

        String of(String name) {
            return name.equals(from) ? to : name;
        }
    }

    /** A job that is saved in another folder: how paths are said from there, and the keys of sources, which hold a path. */
    interface Move {
        String path(String path);

        String key(String key);
    }

    /** Words that this version cannot follow: of a newer one, or miswritten. They are kept as they are. */
    record Unclear(Words words) implements Choice {
        @Override
        public Choice renamed(Renaming renaming) {
            return this;
        }

        @Override
        public boolean understood() {
            return false;
        }
    }
}
