package cuvee.command;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A job before and after a decision: it is saved, and what the decision changed is told. */
final class DecidedJob {
    private DecidedJob() {}

    /**
     * Decides over a job as it is now, saves it, and tells the difference.
     *
     * @param done what was done, in a word
     * @param deciding the job after the decision; throws where it is refused, and nothing is changed then
     */
    static int decide(Machine machine, String file, String done, Function<Outcome, Job> deciding) {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        JobFile.checkWritable(path);
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome before = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            Job decided;
            try {
                decided = deciding.apply(before);
            } catch (CuveeException refused) {
                machine.err().println(refused.finding().text());
                return Exit.USAGE;
            }
            Outcome after = JobRun.look(machine, session, decided, Reread.CHANGED_ONLY);
            JobFile.save(after.job(), path);
            machine.out().println(done + ". " + String.join(" ", difference(before, after)));
            List<Finding> lost = newWarnings(before, after);
            lost.forEach(
                    finding -> machine.out().println("  " + finding.severity().word() + ": " + finding.text()));
            return lost.isEmpty() ? Exit.DONE : Exit.LOOK;
        }
    }

    private static List<Finding> newWarnings(Outcome before, Outcome after) {
        return after.findings().stream()
                .filter(finding -> finding.atLeast(Severity.WARNING))
                .filter(finding -> !before.findings().contains(finding))
                .toList();
    }

    /** Sentences about rows, columns and questions that are others than before; one sentence where nothing is. */
    private static List<String> difference(Outcome before, Outcome after) {
        List<String> said = new ArrayList<>();
        if (before.rows() != after.rows()) {
            said.add("The master has " + Says.count(after.rows(), "row") + " instead of " + Says.number(before.rows())
                    + ".");
        }
        Map<String, Proposal.ColumnReport> was = columns(before);
        Map<String, Proposal.ColumnReport> is = columns(after);
        List<String> gone =
                was.keySet().stream().filter(name -> !is.containsKey(name)).toList();
        List<String> come =
                is.keySet().stream().filter(name -> !was.containsKey(name)).toList();
        if (!gone.isEmpty()) {
            said.add("Gone: " + Says.list(gone.stream().map(Says::quoted).toList()) + ".");
        }
        if (!come.isEmpty()) {
            said.add("New: " + Says.list(come.stream().map(Says::quoted).toList()) + ".");
        }
        is.forEach((name, column) -> {
            Proposal.ColumnReport old = was.get(name);
            if (old != null) {
                said.addAll(changes(old, column));
            }
        });
        said.addAll(sums(before, after));
        Set<String> open = before.questions().stream().map(each -> each.id()).collect(Collectors.toSet());
        long asked = after.questions().stream()
                .filter(question -> !open.contains(question.id()))
                .count();
        if (before.questions().size() != after.questions().size() || asked > 0) {
            said.add(Says.count(after.questions().size(), "question") + " open instead of "
                    + Says.number(before.questions().size()) + ".");
        }
        if (before.settled().size() != after.settled().size()) {
            said.add(Says.count(after.settled().size(), "finding") + " settled instead of "
                    + Says.number(before.settled().size()) + ".");
        }
        return said.isEmpty() ? List.of("Nothing in the master has changed.") : said;
    }

    private static List<String> changes(Proposal.ColumnReport before, Proposal.ColumnReport after) {
        List<String> said = new ArrayList<>();
        String name = Says.quoted(after.name());
        if (!before.typeWords().equals(after.typeWords())) {
            said.add(name + " is " + after.typeWords() + " instead of " + before.typeWords() + ".");
        }
        if (before.filled() != after.filled()) {
            said.add(name + " holds " + Says.count(after.filled(), "value") + " instead of "
                    + Says.number(before.filled()) + ".");
        }
        if (before.misfits() != after.misfits()) {
            said.add(Says.count(after.misfits(), "value") + " of " + name + " do not fit, instead of "
                    + Says.number(before.misfits()) + ".");
        }
        return said;
    }

    private static List<String> sums(Outcome before, Outcome after) {
        Map<String, String> sums = new HashMap<>();
        before.totals().stream()
                .filter(total -> total.sum() != null)
                .forEach(total -> sums.put(total.column(), String.valueOf(total.sum())));
        return after.totals().stream()
                .filter(total -> total.sum() != null && sums.containsKey(total.column()))
                .filter(total -> !String.valueOf(total.sum()).equals(sums.get(total.column())))
                .map(total -> Says.quoted(total.column()) + " adds up to " + total.sum() + " instead of "
                        + sums.get(total.column()) + ".")
                .toList();
    }

    private static Map<String, Proposal.ColumnReport> columns(Outcome outcome) {
        Map<String, Proposal.ColumnReport> columns = new LinkedHashMap<>();
        outcome.columns().forEach(column -> columns.put(column.name(), column));
        return columns;
    }
}
