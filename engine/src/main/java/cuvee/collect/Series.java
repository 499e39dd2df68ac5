package cuvee.collect;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.VersionMarks;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Names that follow each other, such as {@code Hollin 2026-01} to {@code Hollin 2026-09}, and what is missing between
 * them. Names are of one series when they differ in one number or date only.
 */
final class Series {
    private static final Pattern NUMBERS =
            Pattern.compile("(20\\d\\d)([-_. ]?)(0[1-9]|1[0-2])\\2(0[1-9]|[12]\\d|3[01])(?!\\d)"
                    + "|(20\\d\\d)([-_. ]?)(0[1-9]|1[0-2])(?!\\d)|\\d{1,4}");
    private static final Pattern BETWEEN_WORDS = Pattern.compile("[-_. ()]+");

    private static final int FEWEST = 3;
    private static final int MOST_NAMED = 6;

    private Series() {}

    private enum Unit {
        DAY,
        MONTH,
        NUMBER
    }

    private record Member(Unit unit, long value, String before, String written, String after, String path) {}

    /** The gaps in the names of the sources that are taken. */
    static List<Finding> gaps(List<Source> sources) {
        Map<String, Map<Long, Member>> series = new LinkedHashMap<>();
        for (Source source : sources) {
            if (source.taken()) {
                for (Member member : members(source.path())) {
                    series.computeIfAbsent(
                                    member.unit() + "|" + member.before() + "|" + member.after(), k -> new TreeMap<>())
                            .put(member.value(), member);
                }
            }
        }
        List<Finding> gaps = new ArrayList<>();
        List<String> taken =
                sources.stream().filter(Source::taken).map(Source::path).toList();
        series.values().forEach(members -> gap(new ArrayList<>(members.values()), taken, gaps));
        return gaps;
    }

    /** Each number or date of a name as the one thing that varies in it. */
    private static List<Member> members(String path) {
        List<Member> members = new ArrayList<>();
        int from = path.lastIndexOf('/') + 1;
        int to = path.lastIndexOf('.') > from ? path.lastIndexOf('.') : path.length();
        Matcher found = NUMBERS.matcher(path).region(from, to);
        while (found.find()) {
            String before = path.substring(0, found.start());
            String after = path.substring(found.end());
            if (found.group(1) != null) {
                day(found)
                        .ifPresent(day -> members.add(
                                new Member(Unit.DAY, day.toEpochDay(), before, found.group(), after, path)));
            } else if (found.group(5) != null) {
                long month = number(found, 5) * 12L + number(found, 7) - 1;
                members.add(new Member(Unit.MONTH, month, before, found.group(), after, path));
            } else {
                long value = Long.parseLong(found.group());
                members.add(new Member(Unit.NUMBER, value, before, found.group(), after, path));
            }
        }
        return members;
    }

    private static Optional<LocalDate> day(Matcher found) {
        try {
            return Optional.of(LocalDate.of(number(found, 1), number(found, 3), number(found, 4)));
        } catch (DateTimeException noDay) {
            return Optional.empty();
        }
    }

    private static int number(Matcher found, int group) {
        return Integer.parseInt(found.group(group));
    }

    private static void gap(List<Member> members, List<String> taken, List<Finding> gaps) {
        if (members.size() < FEWEST) {
            return;
        }
        long step = Long.MAX_VALUE;
        for (int i = 1; i < members.size(); i++) {
            step = Math.min(step, members.get(i).value() - members.get(i - 1).value());
        }
        List<String> missing = new ArrayList<>();
        long steps = 0;
        for (int i = 1; i < members.size(); i++) {
            long apart = members.get(i).value() - members.get(i - 1).value();
            if (apart % step != 0) {
                return;
            }
            steps += apart / step;
            for (long value = members.get(i - 1).value() + step;
                    value < members.get(i).value() && missing.size() <= MOST_NAMED;
                    value += step) {
                String written = written(members.get(i - 1), value);
                if (!isThere(members.get(i - 1), written, taken)) {
                    missing.add(written);
                }
            }
        }
        // Where more is missing than is there, the numbers are no series.
        if (missing.isEmpty() || steps + 1 > members.size() * 3L / 2) {
            return;
        }
        Member first = members.get(0);
        Member last = members.get(members.size() - 1);
        gaps.add(new Finding(
                Severity.REMARK,
                "gap",
                Where.source(last.path()),
                "Between " + Says.quoted(first.written()) + " and " + Says.quoted(last.written()) + " "
                        + Says.list(missing.stream().map(Says::quoted).toList())
                        + (missing.size() == 1 ? " is" : " are") + " missing in the names of "
                        + Says.count(members.size(), "file") + ".",
                "The master is made of what is there.",
                "Ask for it, or leave it if nothing was to be sent."));
    }

    /** True where a file has the name that is missed and a mark of its version behind it. */
    private static boolean isThere(Member like, String written, List<String> taken) {
        String folder = like.path().substring(0, like.path().lastIndexOf('/') + 1);
        int dot = like.after().lastIndexOf('.');
        String name = like.before().substring(folder.length())
                + written
                + (dot < 0 ? like.after() : like.after().substring(0, dot));
        return taken.stream()
                .filter(path -> path.startsWith(folder + name))
                .map(path -> path.substring(folder.length() + name.length()))
                .anyMatch(Series::isVersion);
    }

    private static boolean isVersion(String rest) {
        String words = rest.substring(0, Math.max(0, rest.lastIndexOf('.')));
        return !words.isEmpty()
                && BETWEEN_WORDS
                        .splitAsStream(words)
                        .filter(word -> !word.isEmpty())
                        .allMatch(VersionMarks::isMark);
    }

    /** A value in the way its neighbour is written. */
    private static String written(Member like, long value) {
        return switch (like.unit()) {
            case NUMBER -> String.format("%0" + like.written().length() + "d", value);
            case MONTH -> {
                String between = like.written().length() > 6 ? like.written().substring(4, 5) : "";
                yield String.format("%04d%s%02d", value / 12, between, value % 12 + 1);
            }
            case DAY -> {
                LocalDate day = LocalDate.ofEpochDay(value);
                String between = like.written().length() > 8 ? like.written().substring(4, 5) : "";
                yield String.format(
                        "%04d%s%02d%s%02d", day.getYear(), between, day.getMonthValue(), between, day.getDayOfMonth());
            }
        };
    }
}
