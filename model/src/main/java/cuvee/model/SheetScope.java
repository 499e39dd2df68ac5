package cuvee.model;

import cuvee.decision.SourceChoice;
import cuvee.gather.ReadSheet;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * The sheets that a rule about sheets may be said of.
 *
 * @param words what people call them
 * @param subject what the decision is about
 * @param holds true for the sheets meant
 */
public record SheetScope(String words, String subject, Predicate<ReadSheet> holds) {
    public static final SheetScope ALL = new SheetScope("all files", SourceChoice.ALL_FILES, sheet -> true);

    /** From the widest to the narrowest, what a rule can be said of that takes in the sheet shown. */
    public static List<SheetScope> around(Outcome outcome, ReadSheet shown) {
        List<SheetScope> scopes = new ArrayList<>(List.of(ALL));
        String place = shown.place();
        boolean several =
                outcome.sheets().stream().map(ReadSheet::place).distinct().count() > 1;
        if (several && !place.isEmpty()) {
            scopes.add(new SheetScope(
                    "the place " + place, place, sheet -> sheet.place().equals(place)));
        }
        for (int slash = shown.source().indexOf('/');
                slash > 0;
                slash = shown.source().indexOf('/', slash + 1)) {
            String folder = shown.source().substring(0, slash + 1);
            scopes.add(new SheetScope(
                    "the folder " + folder, folder, sheet -> sheet.source().startsWith(folder)));
        }
        if (!shown.signatures().isEmpty()) {
            String layout = shown.signatures().get(0);
            scopes.add(new SheetScope(
                    "sheets with these headers",
                    layout,
                    sheet -> sheet.signatures().contains(layout)));
        }
        scopes.add(new SheetScope(
                "this file", shown.source(), sheet -> sheet.source().equals(shown.source())));
        return scopes;
    }

    /** The files that have such a sheet, with all their sheets: positions are counted among all of them. */
    public List<ReadSheet> files(Outcome outcome) {
        List<String> files = outcome.sheets().stream()
                .filter(holds)
                .map(ReadSheet::source)
                .distinct()
                .toList();
        return outcome.sheets().stream()
                .filter(sheet -> files.contains(sheet.source()))
                .toList();
    }
}
