package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.value.Meaning;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What the cells of a column stand for in each table where they alone do not tell: days counted from 1899, months by name,
 * percent points, codes that lost their zeros, or numbers with a unit behind them. What the siblings hold, what the header says and what the file's name says
 * are evidence; two of them are enough, with one it is assumed and asked.
 */
final class WrittenAs {
    /** A thing that cells may stand for; a new one is one more of these. */
    private interface Way {
        /** What they stand for in each table where it is that. */
        Map<PlacedTable, Meant> of(DraftColumn column, Map<PlacedTable, LaidColumn> fed);
    }

    private final List<Way> ways;
    private final UnitsMixed unitsMixed;

    WrittenAs(WrittenEvidence seen) {
        DayNumbers dayNumbers = new DayNumbers(seen);
        WrittenDays bareDays = new WrittenDays(seen);
        WrittenMonths months = new WrittenMonths(seen);
        PercentPoints percentPoints = new PercentPoints(seen);
        UnitsBehind units = new UnitsBehind(seen);
        NotesBehind notes = new NotesBehind(seen);
        Thousands thousands = new Thousands(seen);
        LostZeros lostZeros = new LostZeros(seen);
        ZerosAndOnes zerosAndOnes = new ZerosAndOnes(seen);
        this.unitsMixed = new UnitsMixed(seen);
        this.ways = List.of(
                (column, fed) -> dayNumbers.of(column.name(), fed),
                (column, fed) -> ofYears(Meaning.DATES, bareDays.of(column, fed)),
                (column, fed) -> ofYears(Meaning.MONTHS, months.of(column, fed)),
                (column, fed) -> lostZeros.of(column.name(), fed),
                (column, fed) -> zerosAndOnes.of(column.name(), fed),
                (column, fed) -> percentPoints.of(column.name(), fed),
                (column, fed) -> units.of(column.name(), fed),
                (column, fed) -> notes.of(column.name(), fed),
                (column, fed) -> thousands.of(column));
    }

    private static Map<PlacedTable, Meant> ofYears(Meaning meaning, Map<PlacedTable, String> years) {
        Map<PlacedTable, Meant> meant = new HashMap<>();
        years.forEach((table, year) -> meant.put(table, new Meant(meaning, year, 0, 0)));
        return meant;
    }

    /** What the numbers of a column stand for in each of its tables; those that are not named mean what they say. */
    Map<PlacedTable, Meant> of(DraftColumn column) {
        Map<PlacedTable, LaidColumn> fed = new LinkedHashMap<>(column.fed());
        fed.values().removeIf(each -> !(each.origin() instanceof Origin.Cell));
        Map<PlacedTable, Meant> meant = ways.stream()
                .map(way -> way.of(column, fed))
                .filter(found -> !found.isEmpty())
                .findFirst()
                .orElse(Map.of());
        unitsMixed.tell(column.name(), fed, meant);
        return meant;
    }
}
