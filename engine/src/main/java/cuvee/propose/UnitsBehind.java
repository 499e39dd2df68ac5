package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.HeaderWords;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Meaning;
import cuvee.value.Units;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers with a unit, or a word for their sign, behind or before them. */
final class UnitsBehind {
    private static final Form[] WORDED = {Form.WORDS, Form.WORDS_AND_DIGITS};
    private static final Pattern FRACTION = Pattern.compile("\\d[.,]\\d{1,2}(?!\\d)");
    /** What stands behind amounts instead of a sign. */
    private static final Set<String> SIGNS = Set.of("cr", "dr", "cr.", "dr.");

    private static final Pattern WITH_UNIT =
            Pattern.compile("[-+]?\\d[\\d.,'\u00a0 ]*?[\u00a0 ]*(\\p{L}{1,6}[²³]?|°[CF]?)\\.?");
    /** Words for currencies that stand before amounts and are those of several countries. */
    private static final Pattern WORD_BEFORE =
            Pattern.compile("((?i:s?fr\\.?|kr\\.?|rs\\.?|r\\$|zł|kč|ft|lei))[\u00a0 ]?[-+]?\\d[\\d.,'\u00a0 ]*");

    private static final Set<String> UNITS = Set.of(
            "g", "kg", "t", "lb", "lbs", "mm", "cm", "m", "km", "mi", "m²", "m³", "l", "ml", "cl", "hl", "h", "hr",
            "hrs", "min", "mins", "s", "°", "°c", "°f", "kw", "kwh", "mwh", "pcs", "days", "nm", "kn");

    private final WrittenEvidence seen;

    UnitsBehind(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** The tables whose numbers have one and the same unit. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<String, Map<PlacedTable, LaidColumn>> byUnit = new LinkedHashMap<>();
        boolean numbers = false;
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            numbers |= e.count(WrittenEvidence.NUMBERS) * 2 > e.filled();
            String unit = e.count(WORDED) > 0
                            && e.count(WORDED)
                                            + e.count(WrittenEvidence.NUMBERS)
                                            + e.count(Form.NOTHING_WORD, Form.CELL_ERROR)
                                    == e.filled()
                    ? unit(e.oddities().keySet())
                    : "";
            if (!unit.isEmpty()
                    && seen.said(name, entry.getKey())
                            .filter(meaning -> meaning == Meaning.AS_WRITTEN)
                            .isEmpty()) {
                byUnit.computeIfAbsent(unit, any -> new LinkedHashMap<>()).put(entry.getKey(), entry.getValue());
            }
        }
        // Two units in one column are two scales: they stay as they are written, and the column is text.
        if (byUnit.size() != 1) {
            return Map.of();
        }
        String found = byUnit.keySet().iterator().next();
        Map<PlacedTable, LaidColumn> tables = byUnit.get(found);
        boolean signs = found.equals(Convention.CREDIT_OR_DEBIT);
        String unit = signs && tables != null && isOfCredits(tables) ? Convention.CREDITS : found;
        boolean confirmed = numbers
                || signs
                || Units.scale(unit) > 0
                || WORD_BEFORE.matcher(unit + "1").matches()
                || UNITS.contains(unit.toLowerCase(Locale.ROOT))
                || fed.values().stream().anyMatch(column -> HeaderWords.contained(unit, column.header()));
        if (!confirmed || tables == null) {
            return Map.of();
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        seen.looked(tables, Convention.DEFAULT.withUnit(unit)).forEach((table, range) -> {
            LaidColumn column = tables.get(table);
            long worded = column == null ? 0 : column.evidence().count(WORDED);
            long plain = column == null ? 0 : column.evidence().count(WrittenEvidence.NUMBERS);
            if (range.fits() - plain >= worded) {
                meant.put(table, new Meant(Meaning.AS_WRITTEN, unit, worded, range.decimals()));
            }
        });
        if (!meant.isEmpty()) {
            seen.find(new Finding(
                    Severity.REMARK,
                    "written-as",
                    WrittenEvidence.where(meant.keySet()),
                    "The cells of the column " + Says.quoted(name) + " say "
                            + (unit.equals(Convention.CREDIT_OR_DEBIT) ? "“CR” or “DR”" : Says.quoted(unit))
                            + " behind their numbers in "
                            + WrittenEvidence.files(meant.keySet()) + ".",
                    signs
                            ? "They are read as numbers, those with “" + (unit.equals(Convention.CREDITS) ? "CR" : "DR")
                                    + "” as below zero."
                            : Units.scale(unit) > 0 ? "They are read as numbers in full." : "They are read as numbers.",
                    ""));
        }
        return meant;
    }

    /** True where some amounts say CR, none DR, and others nothing: then CR turns them round. */
    private static boolean isOfCredits(Map<PlacedTable, LaidColumn> tables) {
        boolean debits = tables.values().stream()
                .flatMap(column -> column.evidence().oddities().keySet().stream())
                .map(text -> text.toLowerCase(Locale.ROOT))
                .anyMatch(text -> text.contains("dr"));
        return !debits
                && tables.values().stream().anyMatch(column -> column.evidence().count(WrittenEvidence.NUMBERS) > 0);
    }

    /** What stands behind the number in all of some texts; empty where that is not one and the same. */
    private static String unit(Set<String> texts) {
        List<String> units = new ArrayList<>();
        for (String text : texts) {
            if (Forms.saysNothing(text)) {
                continue;
            }
            Matcher matcher = WITH_UNIT.matcher(text.strip());
            Matcher before = WORD_BEFORE.matcher(text.strip());
            units.add(
                    matcher.matches()
                            ? text.strip().substring(matcher.start(1))
                            : before.matches() ? before.group(1) : "");
        }
        // A letter behind whole numbers may be months or a size: 12M.
        boolean fractions =
                texts.stream().anyMatch(text -> FRACTION.matcher(text).find());
        units.replaceAll(unit -> unit.length() == 1 && Units.scale(unit) > 0 && !fractions ? "" : unit);
        boolean signs = units.stream().allMatch(unit -> SIGNS.contains(unit.toLowerCase(Locale.ROOT)));
        return signs && !units.isEmpty()
                ? Convention.CREDIT_OR_DEBIT
                : Set.copyOf(units).size() == 1 ? units.get(0) : "";
    }
}
