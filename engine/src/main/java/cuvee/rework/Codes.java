package cuvee.rework;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A rule that writes names for the codes in a column, from a table: one in a file, or one that the job holds itself.
 *
 * @param file the table's file, relative to the job's folder; empty where the job holds the table
 * @param code the header of the file's codes
 * @param name the header of the file's names
 * @param held the table that the job holds: names by code
 */
public record Codes(String column, String file, String code, String name, Map<String, String> held, boolean on) {
    /** Decisions about codes; the subject is the column. */
    public static final String KIND = "codes";

    private static final String FROM = "from";
    private static final String HELD = "these";
    private static final String BY_HAND = "put so by you";

    public Codes {
        held = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(held));
    }

    /** Names for codes from a file. */
    public static Codes from(String column, String file, String code, String name) {
        return new Codes(column, file, code, name, Map.of(), true);
    }

    /** Names for codes that the job holds. */
    public static Codes these(String column, Map<String, String> names) {
        return new Codes(column, "", "", "", names, true);
    }

    /** All such rules of a job. */
    public static List<Codes> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(KIND))
                .flatMap(decision -> read(decision).stream())
                .toList();
    }

    public static Optional<Codes> read(Decision decision) {
        boolean on = decision.on();
        List<String> words = Names.splitTexts(decision.wanted());
        if (words.get(0).equals(FROM) && words.size() == 4) {
            return Optional.of(new Codes(decision.subject(), words.get(1), words.get(2), words.get(3), Map.of(), on));
        }
        if (words.get(0).equals(HELD) && words.size() % 2 == 1) {
            Map<String, String> names = new LinkedHashMap<>();
            for (int i = 1; i < words.size(); i += 2) {
                names.put(words.get(i), words.get(i + 1));
            }
            return Optional.of(new Codes(decision.subject(), "", "", "", names, on));
        }
        return Optional.empty();
    }

    /** The words of the answer before the headers of a file's table. */
    public String lead() {
        return Names.joinTexts(List.of(FROM, file)) + " | ";
    }

    /** The answer that puts it in force, or out of it. */
    public String answer(boolean wanted) {
        List<String> words = new ArrayList<>();
        if (file.isEmpty()) {
            words.add(HELD);
            held.forEach((each, said) -> words.addAll(List.of(each, said)));
        } else {
            words.addAll(List.of(FROM, file, code, name));
        }
        String answer = Names.joinTexts(words);
        return wanted ? answer : Decision.off(answer);
    }

    /** The job with this rule, in place of an earlier one of the column. */
    public Job put(Job job) {
        return job.withSettled(new Decision(KIND, column, answer(on), BY_HAND, ""));
    }
}
