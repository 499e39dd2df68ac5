package cuvee.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Columns of a text file whose cells stand below each other with spaces between them, as programs print lists: found by a
 * line drawn under the header, else by the positions that are blank in all lines with wide gaps.
 *
 * @param starts where each column begins, from 0
 */
record FixedColumns(List<Integer> starts) {
    private static final Pattern RULER = Pattern.compile("\\s*(?:-{2,}|={2,})(?:\\s+(?:-{2,}|={2,}))+\\s*");
    private static final Pattern STROKES =
            Pattern.compile("\\s*(?:-{2,}|={2,}|_{2,})(?:\\s+(?:-{2,}|={2,}|_{2,}))*\\s*");
    private static final Pattern DRAWN = Pattern.compile("-{2,}|={2,}");
    private static final Pattern NUMBER = Pattern.compile("[-+(]?\\p{Sc}?\\d[\\d.,'’]*[)%-]?");
    private static final Pattern PAGE = Pattern.compile(
            "(?i)(?:^| )(?:page|seite|pagina|p\u00e1gina)[ :.]*\\d+( *(?:of|von|de|di|/) *\\d+)?(?= |$)");
    private static final Pattern WIDE_GAP = Pattern.compile("\\S {2,}(?=\\S)");

    /** Fewer lines than this show no columns. */
    private static final int FEWEST_LINES = 5;
    /** So many of the lines with wide gaps go with the columns; the others are titles. */
    private static final double MOST = 0.7;
    /**
     * Positions that are blank in such a share of the lines may lie between columns: with the second, headings of many pages
     * do not hide a gap, and the first is the safer one.
     */
    private static final List<Double> MOSTLY_BLANK = List.of(0.85, MOST);

    private static final int LEAST_GAP = 2;
    /** A line that runs on over so many starts is no record with a long word in it. */
    private static final int SEVERAL = 2;
    /** A word that stands over the start of a column stays whole where it ends, or begins, so near. */
    private static final int NEAR = 6;

    FixedColumns {
        starts = List.copyOf(starts);
    }

    /** The columns of the lines that a file begins with; empty where they show none. */
    static Optional<FixedColumns> in(List<String> lines) {
        return drawn(lines).or(() -> byGaps(lines));
    }

    /** By a line under the header that is drawn for each column, where most lines below it are blank between the strokes. */
    private static Optional<FixedColumns> drawn(List<String> lines) {
        for (int at = 0; at < lines.size(); at++) {
            String ruler = lines.get(at);
            if (ruler.indexOf('\t') < 0 && RULER.matcher(ruler).matches()) {
                List<Integer> starts = new ArrayList<>();
                List<Integer> gaps = new ArrayList<>();
                Matcher stroke = DRAWN.matcher(ruler);
                int end = -1;
                while (stroke.find()) {
                    if (end >= 0) {
                        gaps.add(end);
                    }
                    starts.add(stroke.start());
                    end = stroke.end();
                }
                List<String> below = lines.subList(at + 1, lines.size()).stream()
                        .filter(line -> !line.isBlank() && !RULER.matcher(line).matches())
                        .toList();
                long fitting = below.stream()
                        .filter(line -> gaps.stream().allMatch(gap -> isBlank(line, gap)))
                        .count();
                return below.size() >= 2 && fitting >= below.size() * MOST
                        ? Optional.of(new FixedColumns(starts))
                        : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** True for a line of strokes. */
    static boolean isDrawn(String line) {
        return STROKES.matcher(line).matches();
    }

    private static Optional<FixedColumns> byGaps(List<String> lines) {
        List<String> gapped = lines.stream()
                .filter(line -> line.indexOf('\t') < 0 && WIDE_GAP.matcher(line).find())
                .toList();
        if (gapped.size() < FEWEST_LINES) {
            return Optional.empty();
        }
        // Where both find as many columns, those of the first count.
        return MOSTLY_BLANK.stream()
                .flatMap(share -> byGaps(gapped, share).stream())
                .reduce((found, other) -> other.starts().size() > found.starts().size() ? other : found);
    }

    private static Optional<FixedColumns> byGaps(List<String> gapped, double share) {
        List<int[]> likely = gaps(gapped, share);
        List<String> fitting = gapped.stream()
                .filter(line -> likely.stream().allMatch(gap -> blankSomewhere(line, gap)))
                .toList();
        if (fitting.size() < FEWEST_LINES || fitting.size() < gapped.size() * MOST) {
            return Optional.empty();
        }
        List<int[]> sure = gaps(fitting, 1);
        // The space between two words of a total is blank in a gap too, and leaves no more of it.
        Stream<int[]> narrowed =
                likely.stream().filter(gap -> sure.stream().noneMatch(other -> other[0] < gap[1] && other[1] > gap[0]));
        List<Integer> starts = Stream.concat(
                        Stream.of(0),
                        Stream.concat(sure.stream(), narrowed)
                                .map(gap -> gap[1])
                                .sorted())
                .toList();
        FixedColumns found = new FixedColumns(starts);
        return starts.size() > 1 && found.holdsValues(fitting) ? Optional.of(found) : Optional.empty();
    }

    /** True where most cells of some column have a digit: words alone may be sentences below each other. */
    private boolean holdsValues(List<String> lines) {
        int[] digits = new int[starts.size()];
        for (String line : lines) {
            List<String> cells = cells(line);
            for (int column = 0; column < digits.length; column++) {
                digits[column] += cells.get(column).chars().anyMatch(Character::isDigit) ? 1 : 0;
            }
        }
        return Arrays.stream(digits).anyMatch(count -> count * 2 > lines.size());
    }

    /** The stretches, from and to, that are blank in so many lines, and lie between others that are not. */
    private static List<int[]> gaps(List<String> lines, double share) {
        int length = lines.stream().mapToInt(String::length).max().orElse(0);
        int first = lines.stream().mapToInt(FixedColumns::indent).min().orElse(0);
        List<int[]> gaps = new ArrayList<>();
        int from = -1;
        for (int at = first; at < length; at++) {
            int position = at;
            boolean blank =
                    lines.stream().filter(line -> isBlank(line, position)).count() >= lines.size() * share;
            if (blank) {
                from = from < 0 ? at : from;
            } else {
                if (from >= 0 && at - from >= LEAST_GAP) {
                    gaps.add(new int[] {from, at});
                }
                from = -1;
            }
        }
        return gaps;
    }

    private static int indent(String line) {
        int at = 0;
        while (at < line.length() && line.charAt(at) == ' ') {
            at++;
        }
        return at;
    }

    private static boolean blankSomewhere(String line, int[] gap) {
        for (int at = gap[0]; at < gap[1]; at++) {
            if (isBlank(line, at)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isBlank(String line, int at) {
        return at >= line.length() || line.charAt(at) == ' ';
    }

    /** The cells of a line without the spaces around them. */
    List<String> cells(String line) {
        return spans(line).stream()
                .map(span -> line.substring(span.from(), span.to()).strip())
                .toList();
    }

    /** True where a cell of a line reaches into the next column. */
    boolean cuts(String line) {
        return reached(line) > 0 && !isProse(line);
    }

    /** True for a line that runs on where most of the columns begin, with no more than one wide gap: a title or a note. */
    private boolean isProse(String line) {
        if (isOfAPage(line)) {
            return true;
        }
        if (WIDE_GAP.matcher(line).results().limit(SEVERAL).count() == SEVERAL) {
            return false;
        }
        long within =
                starts.stream().skip(1).filter(start -> start < line.length()).count();
        long reached = reached(line);
        // Words of a sentence may well begin where a column does.
        long joined = starts.stream()
                .skip(1)
                .filter(start ->
                        start < line.length() && (!isBlank(line, start - 1) || isBetweenWords(line, start - 1)))
                .count();
        return reached >= SEVERAL && reached * 2 >= within || reached > 0 && joined > SEVERAL && joined == within;
    }

    /** True for the heading or the foot of a page: {@code Northside Stores      Page 2 of 3}. */
    private boolean isOfAPage(String line) {
        Matcher page = PAGE.matcher(line);
        if (!page.find()) {
            return false;
        }
        boolean first = line.substring(0, page.start()).isBlank();
        boolean last = line.substring(page.end()).isBlank();
        boolean counted = page.group(1) != null;
        boolean apart = page.start() > 0 && isBlank(line, page.start() - 1);
        // A record may end so too, where a column says on which page something stands.
        return counted ? first || last : last && apart && !first && reached(line) > 0;
    }

    /** True for a single space. */
    private static boolean isBetweenWords(String line, int at) {
        return at > 0 && isBlank(line, at) && !isBlank(line, at - 1) && !isBlank(line, at + 1);
    }

    private long reached(String line) {
        return starts.stream()
                .skip(1)
                .filter(start -> start < line.length() && !isBlank(line, start - 1))
                .count();
    }

    /** Where a cell stands in its line, with the spaces around it. */
    private record Span(int from, int to) {}

    private List<Span> spans(String line) {
        List<Span> spans = new ArrayList<>();
        if (isProse(line)) {
            spans.add(new Span(0, line.length()));
            spans.addAll(Collections.nCopies(starts.size() - 1, new Span(line.length(), line.length())));
            return spans;
        }
        int from = 0;
        for (int column = 1; column <= starts.size(); column++) {
            int cut = column == starts.size() ? line.length() : cut(line, starts.get(column), from);
            int to = Math.max(from, Math.min(cut, line.length()));
            spans.add(new Span(from, to));
            from = to;
        }
        return spans;
    }

    /** A line with another text in one of its cells, all others where they stood; empty where there is no room for it. */
    Optional<String> with(String line, int column, String text) {
        if (column >= starts.size()) {
            return Optional.empty();
        }
        Span span = spans(line).get(column);
        String cell = line.substring(span.from(), span.to());
        boolean last = span.to() == line.length();
        int room = cell.length() - (last ? 0 : 1);
        if (text.length() > room && !last || text.indexOf('\n') >= 0 || text.indexOf('\r') >= 0) {
            return Optional.empty();
        }
        boolean right = cell.length() - cell.stripLeading().length()
                > cell.length() - cell.stripTrailing().length();
        int behind = cell.length() - cell.stripTrailing().length();
        String written = right
                ? " ".repeat(Math.max(0, cell.length() - behind - text.length())) + text + " ".repeat(behind)
                : text + " ".repeat(Math.max(0, cell.length() - text.length()));
        return Optional.of(line.substring(0, span.from()) + written + line.substring(span.to()));
    }

    /**
     * Where the cell before a column ends: before its start; where a word stands over that, behind the word, and before
     * it where it is a number, since those stand to the right of their column.
     */
    private static int cut(String line, int start, int from) {
        if (start >= line.length() || isBlank(line, start - 1)) {
            return start;
        }
        int begin = start - 1;
        while (begin > from && !isBlank(line, begin - 1)) {
            begin--;
        }
        int end = start;
        while (!isBlank(line, end)) {
            end++;
        }
        boolean before = begin > from && start - begin <= NEAR;
        boolean behind = end - start <= NEAR;
        if (before && (NUMBER.matcher(line.substring(begin, end)).matches() || !behind)) {
            return begin;
        }
        return behind ? end : start;
    }
}
