package cuvee.decision;

import cuvee.job.Names;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the analyst says of what was found in the master. */
public sealed interface ProofChoice extends Choice {
    @Override
    default Choice renamed(Renaming renaming) {
        return this;
    }

    /**
     * Rows that are closed: those with a value of a column, a month as {@code 2026-03}. What comes or changes later waits
     * until it is accepted.
     *
     * @param held what the rows were when they were closed; empty until the next refresh has written it down
     */
    record Closed(String column, String value, Optional<Held> held) implements ProofChoice {
        /** How the answer begins. */
        public static final String CLOSED = "closed";

        /**
         * What closed rows were.
         *
         * @param sums those of the number columns, by name, in plain digits
         * @param sources where they came from: each source that holds nothing else with the fingerprint of its content,
         *     the others with none
         */
        public record Held(long rows, Map<String, String> sums, Map<String, String> sources) {
            public Held {
                sums = Collections.unmodifiableMap(new LinkedHashMap<>(sums));
                sources = Collections.unmodifiableMap(new LinkedHashMap<>(sources));
            }
        }

        @Override
        public Words words() {
            String answer = held.map(now -> Names.joinTexts(
                            List.of(CLOSED, String.valueOf(now.rows()), joined(now.sums()), joined(now.sources()))))
                    .orElse(CLOSED);
            return new Words(Kinds.CLOSED, Names.joinTexts(List.of(column, value)), answer);
        }

        private static String joined(Map<String, String> pairs) {
            List<String> texts = new ArrayList<>();
            pairs.forEach((key, value) -> texts.addAll(List.of(key, value)));
            return Names.joinTexts(texts);
        }

        private static Map<String, String> pairs(String joined) {
            Map<String, String> pairs = new LinkedHashMap<>();
            List<String> texts = joined.isEmpty() ? List.of() : Names.splitTexts(joined);
            for (int i = 0; i + 1 < texts.size(); i += 2) {
                pairs.put(texts.get(i), texts.get(i + 1));
            }
            return pairs;
        }

        /** What the words of a decision say; empty where they cannot be followed. */
        static Optional<Closed> of(String subject, String answer) {
            List<String> about = Names.splitTexts(subject);
            List<String> said = Names.splitTexts(answer);
            if (about.size() != 2 || !said.get(0).equals(CLOSED)) {
                return Optional.empty();
            }
            if (said.size() == 1) {
                return Optional.of(new Closed(about.get(0), about.get(1), Optional.empty()));
            }
            return said.size() == 4 && said.get(1).matches("\\d{1,18}")
                    ? Optional.of(new Closed(
                            about.get(0),
                            about.get(1),
                            Optional.of(new Held(Long.parseLong(said.get(1)), pairs(said.get(2)), pairs(said.get(3))))))
                    : Optional.empty();
        }

        @Override
        public Choice renamed(Renaming renaming) {
            return new Closed(renaming.of(column), value, held.map(now -> {
                Map<String, String> sums = new LinkedHashMap<>();
                now.sums().forEach((name, sum) -> sums.put(renaming.of(name), sum));
                return new Held(now.rows(), sums, now.sources());
            }));
        }

        @Override
        public Choice moved(Move move) {
            return new Closed(column, value, held.map(now -> {
                Map<String, String> sources = new LinkedHashMap<>();
                now.sources().forEach((path, sum) -> sources.put(move.path(path), sum));
                return new Held(now.rows(), now.sums(), sources);
            }));
        }
    }

    /**
     * A finding that is so: it is known, and stays settled while it says the same.
     *
     * @param finding the id of the finding, which another figure in it changes
     * @param note why it is so; empty where nothing was said
     */
    record Accepted(String finding, String note) implements ProofChoice {
        /** How the answer begins; the note stands behind a colon. */
        public static final String SO = "so";

        private static final String BEFORE_NOTE = SO + ": ";

        @Override
        public Words words() {
            return new Words(Kinds.FINDING, finding, note.isEmpty() ? SO : BEFORE_NOTE + note);
        }

        /** What an answer says of a finding; null where it says nothing. */
        static @org.jspecify.annotations.Nullable Accepted of(String finding, String answer) {
            if (answer.equals(SO)) {
                return new Accepted(finding, "");
            }
            boolean noted = answer.startsWith(BEFORE_NOTE) && answer.length() > BEFORE_NOTE.length();
            return noted ? new Accepted(finding, answer.substring(BEFORE_NOTE.length())) : null;
        }
    }

    /** Of how many refreshes the master is kept as it was. */
    record KeptMasters(int count) implements ProofChoice {
        /** What the decision is about. */
        public static final String SUBJECT = "masters";

        @Override
        public Words words() {
            return new Words(Kinds.KEPT_MASTERS, SUBJECT, String.valueOf(count));
        }

        /** What the words of a decision say; empty where they cannot be followed. */
        static Optional<KeptMasters> of(String subject, String answer) {
            return subject.equals(SUBJECT) && answer.matches("\\d{1,3}")
                    ? Optional.of(new KeptMasters(Integer.parseInt(answer)))
                    : Optional.empty();
        }
    }
}
