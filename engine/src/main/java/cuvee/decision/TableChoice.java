package cuvee.decision;

import cuvee.detect.Reading;
import cuvee.job.Names;
import java.util.List;
import java.util.Optional;

/** Decisions about sheets, their tables, and the layouts of those. No name of a master's column is among them. */
public sealed interface TableChoice extends Choice {
    String TAKE = "take";
    String ASIDE = "aside";
    String LEAVE = "leave";
    String CARRY = "carry down";
    String AS_FOUND = "as found";

    @Override
    default Choice renamed(Renaming renaming) {
        return this;
    }

    /**
     * Columns of a layout that become rows.
     *
     * @param turned how; empty where they stay columns
     */
    record Across(String layout, Optional<Turned> turned) implements TableChoice {
        @Override
        public Words words() {
            return new Words(Kinds.ACROSS, layout, turned.map(Turned::words).orElse(LEAVE));
        }
    }

    /**
     * Blank cells below a value that stand for it.
     *
     * @param header the layout, and the key of the header
     */
    record Carried(String header, boolean carry) implements TableChoice {
        @Override
        public Words words() {
            return new Words(Kinds.CARRY_DOWN, header, carry ? CARRY : LEAVE);
        }
    }

    /**
     * A header that is another one in the tables of a file or of a layout.
     *
     * @param key its loose key
     * @param scope the path of the file, or the signature of the layout
     * @param as the header as which it is read
     */
    record HeaderRead(String key, String scope, String as, boolean on) implements TableChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.HEADER, Names.joinTexts(List.of(key, scope)), as, on);
        }

        @Override
        public boolean isAbout(String source) {
            return scope.equals(source);
        }
    }

    /** Lines over the rows below them that become columns of these names, outer ones first; none where they do not. */
    record SectionLines(String layout, List<String> names) implements TableChoice {
        public SectionLines {
            names = List.copyOf(names);
        }

        @Override
        public Words words() {
            return new Words(Kinds.SECTION_LINE, layout, names.isEmpty() ? LEAVE : Names.joinTexts(names));
        }
    }

    /** Whether a layout that shares little with the others belongs to the master. */
    record OfAnotherJob(String layout, boolean take) implements TableChoice {
        @Override
        public Words words() {
            return new Words(Kinds.ANOTHER_JOB, layout, take ? TAKE : ASIDE);
        }
    }

    /** Whether a sheet belongs though its rows stand in others too; {@code * / Name} stands for all sheets of a name. */
    record Repeating(String subject, boolean take) implements TableChoice {
        @Override
        public Words words() {
            return new Words(Kinds.REPEATED_ROWS, subject, take ? TAKE : ASIDE);
        }
    }

    /** Whether the tables of a sheet, or those of a layout, belong to the master. */
    record OfSheet(String subject, boolean take) implements TableChoice {
        @Override
        public Words words() {
            return new Words(Kinds.SHEET, subject, take ? TAKE : ASIDE);
        }
    }

    /**
     * How sheets are read.
     *
     * @param kind that of the question which was answered, or {@link Kinds#READING}
     * @param subject a sheet or a layout
     * @param reading in words; empty where the evidence decides
     */
    record Read(String kind, String subject, String reading) implements TableChoice {
        @Override
        public Words words() {
            return new Words(kind, subject, reading.isEmpty() ? AS_FOUND : reading);
        }

        @Override
        public boolean isAbout(String source) {
            return subject.equals(source) || subject.startsWith(source + " / ");
        }

        @Override
        public boolean understood() {
            return reading.isEmpty()
                    ? !kind.equals(Kinds.READING)
                    : Reading.of(reading).isPresent();
        }
    }
}
