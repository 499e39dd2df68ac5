package cuvee.command;

import cuvee.change.Deciding;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "decide",
        description = {
            "Decide anything that the window can decide, in the words of the job file; tells what that changed.",
            "A subject of several parts is given part by part: decide JOB decimal-mark Fare a.csv comma"
        })
final class DecideCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", paramLabel = "KIND", description = "Such as type, line-up, sheet, rows, across.")
    private String kind = "";

    @Parameters(
            index = "2..*",
            arity = "1..*",
            paramLabel = "SUBJECT... ANSWER",
            description = "What it is about, then what is decided; layouts by the ids that show --json tells.")
    private List<String> words = List.of();

    DecideCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        List<String> subject = words.subList(0, words.size() - 1);
        String answer = words.get(words.size() - 1);
        return DecidedJob.decide(
                machine,
                file,
                "Decided",
                outcome -> new Deciding(outcome, machine.workplace().signed()).decide(kind, subject, answer));
    }
}
