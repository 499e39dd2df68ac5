package cuvee.value;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Finds values of a text column that look like one value spelled in several ways: they differ in capitals, spaces or marks
 * only, or by one slip of the keys (a letter missing, added, changed, or two swapped). Candidates for slips are found by
 * the texts that two words share when one letter is left out of each, so that the cost grows with the values and not with
 * their pairs.
 */
public final class Spellings {
    private static final int SHORTEST_SLIP = 5;
    /** Longer texts are sentences, in which a slip is none of a name's; looking for one costs their length squared. */
    private static final int LONGEST_SLIP = 80;

    private static final int LONGEST_ALIKE = 400;

    private static final int FEWEST_LETTERS = 3;
    /** A slip is rarer than what was meant, so many times at least. */
    private static final int RARER = 3;

    private static final Pattern DIGITS = Pattern.compile("\\d+");
    private static final Pattern ZEROS = Pattern.compile("^0+(?=\\d)");

    private Spellings() {}

    /** A value and how many rows hold it. */
    public record Counted(String text, long rows) {}

    /**
     * Values that look like one.
     *
     * @param to the spelling that most rows have
     * @param others the other spellings, most frequent first
     */
    public record Group(Counted to, List<Counted> others) {
        public Group {
            others = List.copyOf(others);
        }

        public long rows() {
            return others.stream().mapToLong(Counted::rows).sum();
        }
    }

    /** Groups of near-equal spellings among different values, those that touch most rows first. */
    public static List<Group> nearlyAlike(List<Counted> values) {
        Map<String, List<Counted>> byKey = new LinkedHashMap<>();
        for (Counted value : values) {
            if (!value.text().isBlank() && value.text().length() <= LONGEST_ALIKE) {
                byKey.computeIfAbsent(key(value.text()), key -> new ArrayList<>())
                        .add(value);
            }
        }
        joinSlips(byKey);
        List<Group> groups = new ArrayList<>();
        for (List<Counted> alike : byKey.values()) {
            if (alike.size() > 1) {
                List<Counted> sorted = new ArrayList<>(alike);
                sorted.sort(Comparator.comparingLong(Counted::rows)
                        .reversed()
                        .thenComparing(value -> untidiness(value.text()))
                        .thenComparing(Counted::text));
                groups.add(new Group(sorted.get(0), sorted.subList(1, sorted.size())));
            }
        }
        groups.sort(Comparator.comparingLong(Group::rows).reversed());
        return groups;
    }

    /** Spaces at the ends or doubled speak against a spelling, as does a lack of capitals. */
    private static int untidiness(String text) {
        return (LooseText.tidy(text).equals(text) ? 0 : 2) + (text.equals(text.toLowerCase(Locale.ROOT)) ? 1 : 0);
    }

    /** What near-equal spellings share. In values with digits or few letters marks carry meaning (1.5, A+): they stay. */
    private static String key(String text) {
        String tidy = LooseText.tidy(text);
        if (DIGITS.matcher(tidy).matches()) {
            // A workbook that took a number for one has lost its zeros: 7 and 00007 are likely one customer.
            return ZEROS.matcher(tidy).replaceFirst("");
        }
        if (text.chars().anyMatch(Character::isDigit)
                || text.chars().filter(Character::isLetter).count() < FEWEST_LETTERS) {
            return Normalizer.normalize(LooseText.tidy(text), Normalizer.Form.NFKC)
                    .toLowerCase(Locale.ROOT)
                    .replace(" ", "");
        }
        String[] halves = tidy.split(", ", -1);
        // Moss, Ada is Ada Moss.
        return LooseText.key(halves.length == 2 && halves[1].indexOf(',') < 0 ? halves[1] + " " + halves[0] : tidy);
    }

    /** Joins rare spellings to the frequent one that they are a slip of. */
    private static void joinSlips(Map<String, List<Counted>> byKey) {
        Map<String, List<String>> shared = new HashMap<>();
        Map<String, Long> rows = new HashMap<>();
        for (Map.Entry<String, List<Counted>> entry : byKey.entrySet()) {
            String key = entry.getKey();
            if (canSlip(key)) {
                rows.put(key, entry.getValue().stream().mapToLong(Counted::rows).sum());
                for (String without : withoutOne(key)) {
                    shared.computeIfAbsent(without, each -> new ArrayList<>()).add(key);
                }
            }
        }
        List<String> rarest = new ArrayList<>(rows.keySet());
        rarest.sort(
                Comparator.comparing((String key) -> rows.getOrDefault(key, 0L)).thenComparing(key -> key));
        for (String slip : rarest) {
            long own = rows.getOrDefault(slip, 0L);
            String meant = "";
            long most = own * RARER - 1;
            for (String without : withoutOne(slip)) {
                for (String other : shared.getOrDefault(without, List.of())) {
                    long there = rows.getOrDefault(other, 0L);
                    if (!other.equals(slip) && byKey.containsKey(other) && there > most && oneSlip(slip, other)) {
                        meant = other;
                        most = there;
                    }
                }
            }
            List<Counted> joined = byKey.get(meant);
            List<Counted> alone = byKey.get(slip);
            if (joined != null && alone != null) {
                joined.addAll(alone);
                byKey.remove(slip);
            }
        }
    }

    private static boolean canSlip(String key) {
        return key.length() >= SHORTEST_SLIP
                && key.length() <= LONGEST_SLIP
                && key.chars().noneMatch(Character::isDigit);
    }

    /** A text itself, and every text that is left when one of its characters is left out. */
    private static Set<String> withoutOne(String text) {
        Set<String> texts = new HashSet<>();
        texts.add(text);
        for (int i = 0; i < text.length(); i++) {
            texts.add(text.substring(0, i) + text.substring(i + 1));
        }
        return texts;
    }

    /** True where one letter added, left out or changed, or two neighbours swapped, makes one text the other. */
    static boolean oneSlip(String a, String b) {
        if (Math.abs(a.length() - b.length()) > 1 || a.equals(b)) {
            return false;
        }
        int start = 0;
        while (start < Math.min(a.length(), b.length()) && a.charAt(start) == b.charAt(start)) {
            start++;
        }
        String restA = a.substring(start);
        String restB = b.substring(start);
        if (restA.length() == restB.length()) {
            boolean changed = restA.substring(1).equals(restB.substring(1));
            boolean swapped = restA.length() > 1
                    && restA.charAt(0) == restB.charAt(1)
                    && restA.charAt(1) == restB.charAt(0)
                    && restA.substring(2).equals(restB.substring(2));
            return changed || swapped;
        }
        String longer = restA.length() > restB.length() ? restA : restB;
        String shorter = restA.length() > restB.length() ? restB : restA;
        return longer.substring(1).equals(shorter);
    }
}
