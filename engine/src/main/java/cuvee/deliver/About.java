package cuvee.deliver;

import java.util.ArrayList;
import java.util.List;

/** What is said of a master beside it: a title, whether it can be relied on, and sections. */
public record About(String title, String verdict, List<Section> sections) {
    public static final About NOTHING = new About("", "", List.of());

    public About {
        sections = List.copyOf(sections);
    }

    /** The same with a section of sentences. */
    public About said(String section, List<String> sentences) {
        return more(new Section(section, sentences.stream().map(List::of).toList(), false));
    }

    /** The same with a table, the names of its columns first. */
    public About table(String section, List<List<String>> rows) {
        return more(new Section(section, rows, true));
    }

    private About more(Section section) {
        List<Section> all = new ArrayList<>(sections);
        all.add(section);
        return new About(title, verdict, all);
    }

    boolean isNothing() {
        return title.isEmpty() && sections.isEmpty();
    }

    /**
     * A section.
     *
     * @param head true where the first row names the columns
     */
    record Section(String title, List<List<String>> rows, boolean head) {
        Section {
            rows = List.copyOf(rows);
        }
    }
}
