package cuvee.rework;

import java.util.List;
import java.util.Locale;

/** Completes the name or word that is being written in a rule. */
public final class Completing {
    /** No name is looked for further back than this. */
    private static final int MOST_BACK = 80;

    private Completing() {}

    /**
     * What may be meant by what stands before a place: the names and words that the longest stretch of it begins; empty where
     * it begins none, or is one already.
     *
     * @param vocabulary all names and words that may stand there
     */
    public static List<String> of(String words, int place, List<String> vocabulary) {
        for (int start = Math.max(0, place - MOST_BACK); start < place; start++) {
            if (begins(words, start)) {
                String begun = words.substring(start, place).toLowerCase(Locale.ROOT);
                List<String> found = vocabulary.stream()
                        .filter(each -> each.toLowerCase(Locale.ROOT).startsWith(begun))
                        .toList();
                if (!found.isEmpty()) {
                    return found.stream().anyMatch(each -> each.equalsIgnoreCase(begun)) ? List.of() : found;
                }
            }
        }
        return List.of();
    }

    /** The words with a whole name or word in the place of the beginning of it that stands before a place. */
    public static String completed(String words, int place, String whole) {
        return words.substring(0, start(words, place, whole)) + whole + words.substring(place);
    }

    /** Where one goes on writing behind a completed name or word. */
    public static int behind(String words, int place, String whole) {
        return start(words, place, whole) + whole.length();
    }

    private static int start(String words, int place, String whole) {
        for (int start = Math.max(0, place - whole.length()); start < place; start++) {
            if (begins(words, start) && whole.regionMatches(true, 0, words, start, place - start)) {
                return start;
            }
        }
        return place;
    }

    /** True where a name or word may begin: behind anything but a letter or digit. */
    private static boolean begins(String words, int place) {
        return words.charAt(place) != ' ' && (place == 0 || !Character.isLetterOrDigit(words.charAt(place - 1)));
    }
}
