package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.summary.NamedTable;
import java.util.List;

/**
 * What is delivered.
 *
 * @param summaries those that go with the master, where a form has room for them
 * @param tab the tab of the master, where a form has tabs
 * @param about what is said of the master, where a form has room for it
 */
public record Content(MasterReader reader, MasterPlan plan, List<NamedTable> summaries, String tab, About about) {
    public Content {
        summaries = List.copyOf(summaries);
    }

    public Content(MasterReader reader, MasterPlan plan, List<NamedTable> summaries) {
        this(reader, plan, summaries, "Master", About.NOTHING);
    }

    public Content with(About said) {
        return new Content(reader, plan, summaries, tab, said);
    }

    Content inTab(String name) {
        return new Content(reader, plan, summaries, name, about);
    }
}
