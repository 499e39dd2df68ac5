package cuvee.model;

import cuvee.job.Place;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;

/**
 * A part of the sources for which something can be said alone.
 *
 * @param words what people call it
 * @param id what a rule calls it; empty for all
 */
public record Scope(String words, String id) {
    public static final Scope ALL = new Scope("in all files", "");

    /** All of the sources, then the layouts, the places with a label, and the files, that feed the master. */
    public static List<Scope> of(Outcome outcome) {
        List<Scope> scopes = new ArrayList<>(List.of(ALL));
        if (outcome.proposal().layouts().size() > 1) {
            outcome.proposal()
                    .layouts()
                    .forEach(layout -> scopes.add(
                            new Scope("in the layout of " + BoardGrid.layoutName(layout), layout.signature())));
        }
        outcome.job().places().stream()
                .map(Place::label)
                .filter(label -> !label.isEmpty())
                .forEach(label -> scopes.add(new Scope("in the place " + label, label)));
        outcome.proposal().plan().tables().stream()
                .map(table -> table.source())
                .distinct()
                .forEach(source -> scopes.add(new Scope("in " + source, source)));
        return scopes;
    }
}
