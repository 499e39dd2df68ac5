package cuvee.rework;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.master.Formula;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Columns that the analyst makes from others, each by a formula. They are made before rules set rows aside, each behind those
 * that it needs, so that it does not matter in which order they were put.
 */
public final class MadeColumns {
    /** Decisions about made columns; the subject is the column's name, the answer its formula in words. */
    public static final String KIND = "made";

    private static final String BY_HAND = "put so by you";
    /** Room for the sums and products of what it is made from. */
    private static final int WHOLE_DIGITS = 38 - Formula.MOST_DECIMALS;

    /** Decimals of a column whose numbers are said to be of another type than its formula's. */
    private static final int MOST_DECIMALS_SAID = 6;

    private MadeColumns() {}

    /** For each text of a column that is replaced, what stands in its place. */
    public interface Replacing {
        Map<String, String> of(String column);
    }

    /**
     * A made column as the job has it.
     *
     * @param words its formula
     * @param problem why it cannot be made; empty where it can
     */
    public record Stated(Decision decision, String words, boolean on, Optional<Formula> formula, String problem) {
        public String name() {
            return decision.subject();
        }
    }

    /**
     * What made columns come to.
     *
     * @param columns all columns of the master, the made ones with their types
     */
    public record Resolved(List<MasterPlan.Column> columns, List<MasterPlan.Making> makings, List<Stated> stated) {}

    /** The names of the columns that a job makes, those switched off left out. */
    public static Set<String> names(Job job) {
        Set<String> names = new LinkedHashSet<>();
        job.settled().stream()
                .filter(decision -> decision.kind().equals(KIND) && decision.on())
                .forEach(decision -> names.add(decision.subject()));
        return names;
    }

    /** A column that is to be made, as long as nothing is known of it. */
    public static MasterPlan.Column unknown(String name) {
        return column(name, Type.TEXT, 0, "", Map.of());
    }

    /** A column that a formula would make. */
    public static MasterPlan.Column column(String name, Formula formula, Known known) {
        return column(name, formula.type(), formula.decimals(), FormulaReader.currency(formula, known), Map.of());
    }

    private static MasterPlan.Column column(
            String name, Type type, int decimals, String currency, Map<String, String> replaced) {
        return new MasterPlan.Column(
                name, type, WHOLE_DIGITS, decimals, replaced, MasterPlan.Column.Part.MADE, currency);
    }

    /**
     * Reads the formulas of a job over the columns of a master.
     *
     * @param columns all columns in their order, those to be made {@link #unknown}
     * @param replacing what rules about values write in the place of texts
     * @param types what the analyst says of the types of columns, by name
     */
    public static Resolved resolve(
            Job job,
            List<MasterPlan.Column> columns,
            List<MasterPlan.Tag> tags,
            Map<String, Type> types,
            Replacing replacing) {
        List<MasterPlan.Column> typed = new ArrayList<>(columns);
        Map<String, Decision> open = new HashMap<>();
        Map<String, Stated> stated = new HashMap<>();
        Set<String> hidden = new LinkedHashSet<>();
        List<Decision> changes = new ArrayList<>();
        for (MasterPlan.Column column : columns) {
            if (column.part() == MasterPlan.Column.Part.MADE) {
                hidden.add(column.name());
            }
        }
        for (Decision decision : job.settled()) {
            if (decision.kind().equals(KIND)) {
                if (!decision.on()) {
                    stated.put(
                            decision.subject(), new Stated(decision, decision.wanted(), false, Optional.empty(), ""));
                } else if (hidden.contains(decision.subject())) {
                    open.put(decision.subject(), decision);
                } else {
                    changes.add(decision);
                }
            }
        }
        List<MasterPlan.Making> makings = new ArrayList<>();
        for (Decision decision : changes) {
            stated.put(decision.subject(), change(decision, new Known(typed, tags, hidden), typed, makings));
        }
        boolean further = true;
        while (further) {
            further = false;
            for (String name : List.copyOf(hidden)) {
                Decision decision = open.get(name);
                Known known = new Known(typed, tags, hidden);
                FormulaReader.Read read = decision == null ? null : FormulaReader.read(decision.answer(), known);
                if (decision != null && read != null && read.formula().isPresent()) {
                    Formula formula = read.formula().get();
                    int at = columns.stream()
                            .map(MasterPlan.Column::name)
                            .toList()
                            .indexOf(name);
                    Type type = types.getOrDefault(name, formula.type());
                    typed.set(at, made(name, type, formula, known, replacing));
                    makings.add(new MasterPlan.Making(at, formula, false));
                    stated.put(name, new Stated(decision, decision.answer(), true, read.formula(), ""));
                    hidden.remove(name);
                    further = true;
                }
            }
        }
        for (String name : hidden) {
            Decision decision = open.get(name);
            if (decision != null) {
                String problem = FormulaReader.read(decision.answer(), new Known(typed, tags, hidden))
                        .problem();
                stated.put(name, new Stated(decision, decision.answer(), true, Optional.empty(), problem));
            }
        }
        List<Stated> inOrder = job.settled().stream()
                .filter(decision -> decision.kind().equals(KIND))
                .flatMap(decision -> Optional.ofNullable(stated.get(decision.subject())).stream())
                .toList();
        return new Resolved(typed, makings, inOrder);
    }

    /** The column that a formula makes, as the type that is said of it. */
    private static MasterPlan.Column made(String name, Type type, Formula formula, Known known, Replacing replacing) {
        int decimals = type == formula.type() ? formula.decimals() : type.isNumber() ? MOST_DECIMALS_SAID : 0;
        return column(
                name,
                type,
                decimals,
                FormulaReader.currency(formula, known),
                type == Type.TEXT ? replacing.of(name) : Map.of());
    }

    /** A column that cells feed, changed where it stands: what it holds may be told anew, but not be of another type. */
    private static Stated change(
            Decision decision, Known known, List<MasterPlan.Column> columns, List<MasterPlan.Making> makings) {
        int at = known.at(decision.subject());
        FormulaReader.Read read = FormulaReader.read(decision.answer(), known);
        String problem = at < 0 || at >= columns.size()
                ? "there is no such column"
                : read.formula().isEmpty()
                        ? read.problem()
                        : fits(read.formula().get().type(), columns.get(at).type())
                                ? ""
                                : "it makes " + read.formula().get().type().word() + " of "
                                        + columns.get(at).type().word() + "; make a column of another name from it";
        if (problem.isEmpty()) {
            makings.add(new MasterPlan.Making(at, read.formula().orElseThrow(), true));
        }
        return new Stated(
                decision, decision.answer(), true, problem.isEmpty() ? read.formula() : Optional.empty(), problem);
    }

    private static boolean fits(Type made, Type held) {
        return made == held || held == Type.TEXT || made == Type.WHOLE_NUMBER && held.isNumber();
    }

    /** Formulas that have lost their ground. */
    public static List<Finding> findings(List<Stated> stated) {
        return stated.stream()
                .filter(each -> !each.problem().isEmpty())
                .map(each -> new Finding(
                        Severity.WARNING,
                        "rule-lost",
                        Where.JOB,
                        "The column " + Says.quoted(each.name()) + " cannot be made from " + Says.quoted(each.words())
                                + ": " + each.problem() + ".",
                        "It is empty in the master.",
                        "Change its words in Rework, or switch it off."))
                .toList();
    }

    // ---- what the analyst does ----

    /** The job with a column made by a formula. */
    public static Job make(Job job, String name, String words) {
        return job.withSettled(new Decision(KIND, name, words, BY_HAND, ""));
    }
}
