package cuvee.command;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.util.List;
import java.util.Map;

/** What the commands with a job share. */
final class JobRun {
    private JobRun() {}

    static Outcome look(Machine machine, JobSession session, Job job, Reread mode) {
        String password = System.getenv("CUVEE_PASSWORD");
        if (password != null && !password.isEmpty()) {
            session.tryPassword(password);
        }
        return session.refresh(job, mode, progress(machine));
    }

    /** Counts on standard error, a line for each stage and every hundred files. */
    private static Progress progress(Machine machine) {
        return (stage, done, of) -> {
            if (stage == Progress.Stage.READING && done > 0 && (done % 100 == 0 || done == of)) {
                machine.err().println("read " + done + " of " + of + " files");
            }
        };
    }

    static void print(Machine machine, Outcome outcome, boolean json, List<Map<String, String>> deliveries) {
        if (json) {
            ObjectNode root = OutcomeJson.of(outcome);
            ArrayNode array = root.withArray("deliveries");
            deliveries.forEach(delivery -> {
                ObjectNode node = array.addObject();
                delivery.forEach(node::put);
            });
            machine.out().println(root);
        } else {
            OutcomeText.print(outcome, machine.out());
            deliveries.forEach(delivery -> machine.out()
                    .println(delivery.getOrDefault("state", "") + " " + delivery.getOrDefault("target", "")
                            + delivery.getOrDefault("reason", "")));
        }
    }
}
