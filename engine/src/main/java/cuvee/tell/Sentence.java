package cuvee.tell;

import cuvee.decision.Kinds;
import cuvee.decision.Turned;
import cuvee.job.Names;
import cuvee.rework.RowRules;
import java.util.List;

/**
 * A decision about how rows become what they are in the master, as a sentence that can be switched on and off.
 *
 * @param kind the kind of the decision behind it
 * @param subject what the decision is about
 * @param text what it does, in words; its names are in {@code names}
 * @param touched how many rows and tables it touches, in words
 * @param on true where it is in force
 * @param yours true where the analyst decided it
 * @param reason why, in words
 * @param lead the words of its answer before the names
 * @param names the names that it gives, which can be changed
 * @param off its answer where it is not in force
 * @param tables the numbers of the tables that it touches
 */
public record Sentence(
        String kind,
        String subject,
        Paragraph paragraph,
        String text,
        String touched,
        boolean on,
        boolean yours,
        String reason,
        String lead,
        List<String> names,
        String off,
        List<Integer> tables) {

    public Sentence {
        names = List.copyOf(names);
        tables = List.copyOf(tables);
    }

    /** What sentences are about. */
    public enum Paragraph {
        TAGS("Tags: what names, folders and titles say"),
        SHAPE("Shape: which cells become rows and columns"),
        COLUMNS("Columns: what is made from others"),
        VALUES("Values: what is written otherwise than in the sheets"),
        ROWS("Rows: which are kept and which are set aside"),
        MASTER("The master as a whole: its order, and values that become columns");

        private final String title;

        Paragraph(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** The whole of it as people say it, its names included. */
    public String said() {
        return names.isEmpty() || text.endsWith(".") ? text : text + " " + String.join(", ", names) + ".";
    }

    /** The answer that puts it in force with these names. */
    public String answer(List<String> newNames) {
        return kind.equals(Kinds.TAG) ? newNames.get(0) : lead + Names.joinTexts(newNames);
    }

    /** The answer that switches it on or off. */
    public String answer(boolean wanted) {
        boolean byPhrase = kind.equals(RowRules.ROWS);
        return wanted ? byPhrase ? lead : answer(names) : off;
    }

    /** True for a sentence about columns that become rows. */
    public boolean turns() {
        return kind.equals(Kinds.ACROSS);
    }

    /** True where blank cells of columns that become rows are rows too. */
    public boolean keepsBlanks() {
        return Turned.of(answer(names)).filter(Turned::blanks).isPresent();
    }

    /** The answer by which blank cells become rows too, or are left out. */
    public String keepingBlanks(boolean keep) {
        return Turned.of(answer(names))
                .map(turned -> turned.keeping(keep).words())
                .orElse(lead);
    }
}
