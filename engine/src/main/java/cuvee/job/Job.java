package cuvee.job;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is saved: one job makes one master.
 *
 * @param id names the job's cache and state; made when the job is drafted and never changed
 * @param columns the master's columns in their order, tags left out
 * @param settled the analyst's decisions
 * @param assumed Cuvee's own, kept so that next month is decided the same
 * @param unknown fields of a newer version, kept as they were: JSON by name
 */
public record Job(
        String id,
        String name,
        List<Place> places,
        List<String> columns,
        List<Decision> settled,
        List<Decision> assumed,
        List<Delivery> deliveries,
        Map<String, String> unknown) {

    public Job {
        places = List.copyOf(places);
        columns = List.copyOf(columns);
        settled = List.copyOf(settled);
        assumed = List.copyOf(assumed);
        deliveries = List.copyOf(deliveries);
        unknown = Map.copyOf(unknown);
    }

    public static Job of(String id, String name, List<Place> places) {
        return new Job(id, name, places, List.of(), List.of(), List.of(), List.of(), Map.of());
    }

    public Job withPlaces(List<Place> newPlaces) {
        return new Job(id, name, newPlaces, columns, settled, assumed, deliveries, unknown);
    }

    public Job withName(String newName) {
        return new Job(id, newName, places, columns, settled, assumed, deliveries, unknown);
    }

    public Job withAssumed(List<String> newColumns, List<Decision> newAssumed) {
        return new Job(id, name, places, newColumns, settled, newAssumed, deliveries, unknown);
    }

    /** The job with other columns, or the same in another order. */
    public Job withColumns(List<String> newColumns) {
        return withAssumed(newColumns, assumed);
    }

    /** The job with more of Cuvee's own decisions. */
    public Job withMoreAssumed(List<Decision> more) {
        List<Decision> all = new ArrayList<>(assumed);
        all.addAll(more);
        return new Job(id, name, places, columns, settled, all, deliveries, unknown);
    }

    public Job withDeliveries(List<Delivery> newDeliveries) {
        return new Job(id, name, places, columns, settled, assumed, newDeliveries, unknown);
    }

    /** The job with one more decision of the analyst, in place of an earlier one about the same. */
    public Job withSettled(Decision decision) {
        List<Decision> all = new ArrayList<>(settled);
        all.add(decision);
        return withSettled(all);
    }

    /** The job with these decisions of the analyst in their order; of several about the same the last holds. */
    public Job withSettled(List<Decision> decisions) {
        Map<String, Decision> byId = new LinkedHashMap<>();
        decisions.forEach(decision -> byId.put(decision.id(), decision));
        return new Job(id, name, places, columns, new ArrayList<>(byId.values()), assumed, deliveries, unknown);
    }

    /** The job without the analyst's decision about a subject. */
    public Job withoutSettled(String kind, String subject) {
        List<Decision> others = settled.stream()
                .filter(d -> !d.kind().equals(kind) || !d.subject().equals(subject))
                .toList();
        return new Job(id, name, places, columns, others, assumed, deliveries, unknown);
    }

    /** The job without Cuvee's own decision about a subject, which is decided anew. */
    public Job withoutAssumed(String kind, String subject) {
        List<Decision> others = assumed.stream()
                .filter(d -> !d.kind().equals(kind) || !d.subject().equals(subject))
                .toList();
        return new Job(id, name, places, columns, settled, others, deliveries, unknown);
    }

    /** The decision in force about a subject: the analyst's before Cuvee's own. */
    public Optional<Decision> decision(String kind, String subject) {
        return find(settled, kind, subject).or(() -> find(assumed, kind, subject));
    }

    public boolean isSettled(String kind, String subject) {
        return find(settled, kind, subject).isPresent();
    }

    private static Optional<Decision> find(List<Decision> decisions, String kind, String subject) {
        // Asked for each header of each table: the plain loop is what that costs least in.
        for (Decision each : decisions) {
            if (each.subject().equals(subject) && each.kind().equals(kind)) {
                return Optional.of(each);
            }
        }
        return Optional.empty();
    }
}
