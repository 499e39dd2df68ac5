package cuvee.tag;

import cuvee.value.LooseText;
import cuvee.value.Period;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** What stands above the tables of a batch under labels, and which labels are other names of each other. */
final class TitleLabels {
    private static final Pattern CELLS = Pattern.compile(" \\| ");
    /** What begins a line of remarks in a text file. */
    private static final Pattern COMMENT = Pattern.compile("^(#+|//+|%+|\\*+)\\s+");

    private static final int LONGEST_VALUE = 40;
    private static final int FEWEST_HOMES = 3;
    /** Labels that nearly all homes have are of a kind of their own. */
    private static final double NEARLY_ALL = 0.9;

    /** What the loose key of a label that speaks of the sheet itself looks like; "Run date" can be said of a record. */
    private static final Pattern OF_THE_SHEET = Pattern.compile(
            "(source|quelle|hinweis|contact|kontakt|phone|telephone|telefon|email).*|notes?|tel|mail|comments?|status");
    /** Labels of how the paper came to be. */
    private static final Pattern OF_THE_PAPER = Pattern.compile(
            "(print|page|seite|export|generat|creat|erstellt|gedruckt|version|datei|http|prepared|checked"
                    + "|approved|signed).*|file|filename|path|run|runby|runat|runon|timestamp");

    private final List<Home> homes;

    /** What the one cell says whose label differs from home to home; empty where there is no such cell in all of them. */
    private final Map<Home, Map.Entry<String, String>> anyLabel = new HashMap<>();

    private final Set<String> besideOthers;

    /** The loose keys of what stands under a label, by the label's own. */
    private final Map<String, Set<String>> textsUnder = new HashMap<>();

    private final Map<Home, Map<String, String>> labels = new HashMap<>();
    private final Map<String, Label> labelCounts = new LinkedHashMap<>();

    /** What stands beside a label, by its loose key. */
    private final Map<String, Beside> besides = new HashMap<>();

    /** What stands above the tables that have a label: the keys of other labels, and the kinds of its texts. */
    private record Beside(Set<String> labels, Set<String> kinds) {}

    /** A label as it is spelled first, and how many homes have it. */
    private record Label(String spelling, int count) {}

    TitleLabels(List<Home> homes) {
        this.homes = homes;
        besideOthers = besideOthers();
        for (Home home : homes) {
            of(home).keySet()
                    .forEach(label -> labelCounts.merge(
                            LooseText.key(label),
                            new Label(label, 1),
                            (a, b) -> new Label(a.spelling(), a.count() + 1)));
        }
        anyLabel.putAll(anyLabel());
    }

    /** True for labels that say something of the sheet as a paper, rather than of its rows. */
    static boolean isOfTheSheet(String label) {
        return isOfThePaper(label) || OF_THE_SHEET.matcher(LooseText.key(label)).matches();
    }

    /** True for labels that say how the paper came to be: printed, exported, checked, signed. */
    static boolean isOfThePaper(String label) {
        return OF_THE_PAPER.matcher(LooseText.key(label)).matches();
    }

    /** True where each home has exactly one label that the others lack. */
    boolean eachHasAnother() {
        return !anyLabel.isEmpty();
    }

    /** What stands under the one label that a home has and the others lack. */
    Optional<String> textOfAny(Home home) {
        return Optional.ofNullable(anyLabel.get(home)).map(Map.Entry::getValue);
    }

    /** What stands under a label, or under another one where that text stands under this label elsewhere. */
    Optional<String> text(String label, Home home) {
        String key = LooseText.key(label);
        return Optional.ofNullable(labelsOf(home).get(key)).or(() -> underOtherLabel(key, home));
    }

    /** True for a text that stands beside others in titles of nearly all homes. */
    boolean isBesideOthers(String cell) {
        return besideOthers.contains(LooseText.key(cell));
    }

    /** Where each sender calls the same thing otherwise, each home has exactly one label that the others lack. */
    private Map<Home, Map.Entry<String, String>> anyLabel() {
        Map<Home, Map.Entry<String, String>> found = new LinkedHashMap<>();
        Set<String> labelsFound = new LinkedHashSet<>();
        int periods = 0;
        for (Home home : homes) {
            List<Map.Entry<String, String>> left = of(home).entrySet().stream()
                    .filter(label -> count(label.getKey()) < homes.size() * NEARLY_ALL)
                    .filter(label -> !isOfTheSheet(label.getKey()))
                    .toList();
            if (left.size() == 1) {
                found.put(home, left.get(0));
                labelsFound.add(LooseText.key(left.get(0).getKey()));
                periods += Period.of(left.get(0).getValue()).isPresent() ? 1 : 0;
            }
        }
        boolean everywhere = found.size() >= homes.size() * NEARLY_ALL && labelsFound.size() > 1;
        return everywhere && (periods == 0 || periods == found.size()) ? found : Map.of();
    }

    private int count(String label) {
        Label counted = labelCounts.get(LooseText.key(label));
        return counted == null ? 0 : counted.count();
    }

    /** The one labelled text above a table that stands under a label elsewhere, where this table calls it otherwise. */
    private Optional<String> underOtherLabel(String label, Home home) {
        Set<String> known = textsUnder.computeIfAbsent(
                label,
                key -> homes.stream()
                        .map(each -> labelsOf(each).get(key))
                        .filter(Objects::nonNull)
                        .map(LooseText::key)
                        .collect(Collectors.toSet()));
        List<String> here = of(home).entrySet().stream()
                .filter(each -> !isOfTheSheet(each.getKey()))
                .map(Map.Entry::getValue)
                .filter(text -> known.contains(LooseText.key(text)))
                .distinct()
                .toList();
        return here.size() == 1 ? Optional.of(here.get(0)) : Optional.empty();
    }

    /**
     * The one label above a table that could be another name of a label: no table that has the label has it too, and what
     * stands under it is of the same kind.
     */
    Optional<Map.Entry<String, String>> onlyOther(String spelled, Home home) {
        String label = LooseText.key(spelled);
        if (isOfTheSheet(spelled)
                || labelsOf(home).containsKey(label)
                || underOtherLabel(label, home).isPresent()) {
            return Optional.empty();
        }
        if (count(spelled) < 2 || count(spelled) * 2 < homes.size()) {
            return Optional.empty();
        }
        Beside beside = besides.computeIfAbsent(label, this::beside);
        List<Map.Entry<String, String>> left = of(home).entrySet().stream()
                .filter(each -> !isOfTheSheet(each.getKey()))
                .filter(each -> !beside.labels().contains(LooseText.key(each.getKey())))
                .toList();
        boolean alike = left.size() == 1
                && beside.kinds().equals(Set.of(kind(left.get(0).getValue())));
        return alike ? Optional.of(left.get(0)) : Optional.empty();
    }

    /** What stands above the tables that have a label: their other labels, and of what kinds the texts under it are. */
    private Beside beside(String label) {
        Set<String> others = new HashSet<>();
        Set<String> kinds = new HashSet<>();
        for (Home home : homes) {
            String text = labelsOf(home).get(label);
            if (text != null) {
                others.addAll(labelsOf(home).keySet());
                kinds.add(kind(text));
            }
        }
        return new Beside(others, kinds);
    }

    private static String kind(String text) {
        return Period.of(text).isPresent() ? "period" : hasDigits(text) ? "digits" : "words";
    }

    private static boolean hasDigits(String text) {
        return text.chars().anyMatch(Character::isDigit);
    }

    /** The label that most homes have for what each calls otherwise. */
    Optional<String> usual() {
        return anyLabel.values().stream()
                .map(Map.Entry::getKey)
                .max(Comparator.comparingInt(this::count)
                        .thenComparing(Comparator.comparingInt(String::length).reversed())
                        .thenComparing(Comparator.reverseOrder()));
    }

    /** The labels above a table by their loose keys. */
    private Map<String, String> labelsOf(Home home) {
        return labels.computeIfAbsent(home, each -> {
            Map<String, String> byKey = new HashMap<>();
            of(each).forEach((label, text) -> byKey.putIfAbsent(LooseText.key(label), text));
            return byKey;
        });
    }

    /** The labels above a table with what they say: {@code Port: Hollin} in one cell or in two. */
    Map<String, String> of(Home home) {
        Map<String, String> labels = new LinkedHashMap<>();
        for (String title : home.titles()) {
            List<String> cells = CELLS.splitAsStream(title).toList();
            for (int i = 0; i < cells.size(); i++) {
                String cell = COMMENT.matcher(cells.get(i).strip()).replaceFirst("");
                int colon = cell.indexOf(':');
                boolean clock = colon > 0 && Character.isDigit(cell.charAt(colon - 1));
                if (colon > 0 && !clock && colon == cell.length() - 1 && i + 1 < cells.size()) {
                    labels.putIfAbsent(
                            cell.substring(0, colon).strip(), cells.get(++i).strip());
                } else if (colon > 0 && !clock && colon < cell.length() - 1 && colon <= 30) {
                    labels.putIfAbsent(
                            cell.substring(0, colon).strip(),
                            cell.substring(colon + 1).strip());
                } else if (cells.size() == 2
                        && i == 0
                        && colon < 0
                        && isName(cell)
                        && cells.get(1).length() <= LONGEST_VALUE) {
                    labels.putIfAbsent(cell, cells.get(1).strip());
                    break;
                } else if (colon < 0 && i + 1 < cells.size() && isLabelOfAll(cell, cells.get(i + 1))) {
                    labels.putIfAbsent(cell, cells.get(++i).strip());
                }
            }
        }
        return labels;
    }

    /** True for a name that stands in titles of nearly all homes, before what differs from home to home. */
    private boolean isLabelOfAll(String cell, String next) {
        return isName(cell)
                && next.strip().length() <= LONGEST_VALUE
                && besideOthers.contains(LooseText.key(cell))
                && !besideOthers.contains(LooseText.key(next));
    }

    /** The loose keys of texts that stand beside others in titles of nearly all homes. */
    private Set<String> besideOthers() {
        Map<String, Integer> counts = new HashMap<>();
        for (Home home : homes) {
            Set<String> here = new HashSet<>();
            home.titles().stream()
                    .map(title -> CELLS.splitAsStream(title).toList())
                    .filter(cells -> cells.size() > 1)
                    .forEach(cells -> cells.forEach(cell -> here.add(LooseText.key(cell))));
            here.forEach(key -> counts.merge(key, 1, Integer::sum));
        }
        Set<String> usual = new HashSet<>();
        counts.forEach((key, count) -> {
            if (count >= FEWEST_HOMES && count >= homes.size() * NEARLY_ALL) {
                usual.add(key);
            }
        });
        return usual;
    }

    /** True for a short text that can be a label. */
    private static boolean isName(String text) {
        return text.length() <= 25
                && text.chars().noneMatch(Character::isDigit)
                && Period.of(text).isEmpty();
    }
}
