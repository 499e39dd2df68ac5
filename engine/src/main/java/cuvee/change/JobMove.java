package cuvee.change;

import cuvee.collect.Collector;
import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import java.nio.file.Path;

/** A job that is saved in another folder: all its relative paths go from there, and name the same files. */
public record JobMove(Path from, Path to) {

    /** A path as it is said from the new folder. */
    public String path(String path) {
        return from.equals(to) ? path : JobDraft.relative(to, from.resolve(path).normalize());
    }

    /** The job as it is said from the new folder. */
    public Job of(Job job) {
        if (from.equals(to)) {
            return job;
        }
        Job moved = job.withPlaces(job.places().stream()
                        .map(place -> place.withPath(path(place.path())))
                        .toList())
                .withDeliveries(job.deliveries().stream()
                        .map(delivery -> delivery.withPaths(this::path))
                        .toList());
        return Choices.moved(moved, new Choice.Move() {
            @Override
            public String path(String path) {
                return JobMove.this.path(path);
            }

            @Override
            public String key(String key) {
                return keyOf(job, key);
            }
        });
    }

    /** Names of sources are kept by their place and the path in it. */
    private String keyOf(Job job, String key) {
        return job.places().stream()
                .map(place -> Collector.nameKeyAt(key, place.path(), path(place.path())))
                .filter(moved -> !moved.equals(key))
                .findFirst()
                .orElse(key);
    }
}
