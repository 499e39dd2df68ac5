package cuvee.deliver;

import cuvee.master.MasterPlan;
import java.util.stream.Stream;

/** The master's column names as files have them: tags last. */
final class Columns {
    private Columns() {}

    static String[] names(MasterPlan plan) {
        return Stream.concat(
                        plan.columns().stream().map(MasterPlan.Column::name),
                        plan.tags().stream().map(MasterPlan.Tag::name))
                .toArray(String[]::new);
    }
}
