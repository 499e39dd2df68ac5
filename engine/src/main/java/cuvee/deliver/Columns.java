package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.util.stream.Stream;

/** The master's columns as files have them: tags last. */
final class Columns {
    private Columns() {}

    static String[] names(MasterPlan plan) {
        return Stream.concat(
                        plan.columns().stream().map(MasterPlan.Column::name),
                        plan.tags().stream().map(MasterPlan.Tag::name))
                .toArray(String[]::new);
    }

    static Type[] types(MasterPlan plan) {
        return Stream.concat(
                        plan.columns().stream().map(MasterPlan.Column::type),
                        plan.tags().stream().map(tag -> Type.TEXT))
                .toArray(Type[]::new);
    }

    /** How yes and no stand in a workbook: as its own true and false where nobody writes them in words. */
    static YesNoWords[] words(MasterPlan plan) {
        return Stream.concat(
                        plan.columns().stream().map(MasterPlan.Column::words),
                        plan.tags().stream().map(tag -> YesNoWords.TRUE_FALSE))
                .toArray(YesNoWords[]::new);
    }

    /** The number format of a column in a workbook; empty for none of its own. */
    static String format(MasterPlan plan, int column) {
        if (column >= plan.columns().size()) {
            return "";
        }
        String currency = plan.columns().get(column).currency();
        return switch (plan.columns().get(column).type()) {
            case DATE -> "yyyy-mm-dd";
            case DATE_AND_TIME -> "yyyy-mm-dd hh:mm:ss";
            case TIME -> "hh:mm:ss";
            case PERCENT -> "0.0%";
            case MONEY -> currency.isEmpty() ? "#,##0.00" : "#,##0.00 \"" + currency + "\"";
            default -> "";
        };
    }
}
