package cuvee.deliver;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The name of a delivery's file, in which words in braces stand for what is known only when it is written: {@code {date}},
 * {@code {month}}, {@code {last month}} and {@code {year}} for the day of the delivery, and the names of columns for their
 * values, where a file is written for each. Folders that such a word names are made; others have to be there, so that a
 * drive that is not there is not taken for an empty folder.
 */
public final class TargetName {
    private static final Pattern WORD = Pattern.compile("\\{([^{}/\\\\]+)}");

    private TargetName() {}

    /** The name on a day; words that stand for a column stay, those of given ones also where one is called Month or Year. */
    public static String on(String target, LocalDate day, List<String> columns) {
        return WORD.matcher(target)
                .replaceAll(found ->
                        Matcher.quoteReplacement(Optional.of(found.group(1).strip())
                                .filter(word -> columns.stream().noneMatch(word::equalsIgnoreCase))
                                .flatMap(word -> said(word.toLowerCase(Locale.ROOT), day))
                                .orElse(found.group())));
    }

    private static Optional<String> said(String word, LocalDate day) {
        return switch (word) {
            case "date" -> Optional.of(day.toString());
            case "month" -> Optional.of(YearMonth.from(day).toString());
            case "last month" -> Optional.of(YearMonth.from(day).minusMonths(1).toString());
            case "year" -> Optional.of(String.valueOf(day.getYear()));
            default -> Optional.empty();
        };
    }

    /** The words in braces that stand for nothing: neither for a day nor for one of some columns. */
    public static List<String> unknown(String target, List<String> columns) {
        return WORD.matcher(target)
                .results()
                .map(found -> found.group(1).strip())
                .filter(word -> columns.stream().noneMatch(word::equalsIgnoreCase)
                        && said(word.toLowerCase(Locale.ROOT), LocalDate.EPOCH).isEmpty())
                .toList();
    }

    /** Those of some columns that words in braces stand for. */
    public static List<String> named(String target, List<String> columns) {
        return columns.stream().filter(column -> hasColumn(target, column)).toList();
    }

    /** True where a name has a word for a column. */
    static boolean hasColumn(String target, String column) {
        return WORD.matcher(target)
                .results()
                .anyMatch(found -> found.group(1).strip().equalsIgnoreCase(column));
    }

    /** The name for a value of a column. */
    static String with(String target, String column, String value) {
        return WORD.matcher(target)
                .replaceAll(found -> Matcher.quoteReplacement(
                        found.group(1).strip().equalsIgnoreCase(column) ? value : found.group()));
    }

    /** True where a folder in the name has a word in braces, so that it is made. */
    public static boolean namesFolder(String target) {
        Path folder = Path.of(target).getParent();
        return folder != null && WORD.matcher(folder.toString()).find();
    }

    /** The folder up to the first one that is made. */
    public static Path standing(Path target) {
        Path standing = target.getParent();
        while (standing != null && WORD.matcher(standing.toString()).find()) {
            standing = standing.getParent();
        }
        return standing == null ? target : standing;
    }
}
