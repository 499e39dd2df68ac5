package cuvee.refresh;

import cuvee.collect.Collector;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.Place;
import cuvee.rework.Codes;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

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
        for (Codes codes : Codes.of(moved)) {
            moved = codes.file().isEmpty()
                    ? moved
                    : new Codes(
                                    codes.column(),
                                    path(codes.file()),
                                    codes.code(),
                                    codes.name(),
                                    codes.held(),
                                    codes.on())
                            .put(moved);
        }
        return moved.withAssumed(moved.columns(), named(job, moved.assumed()));
    }

    /** Names of sources are kept by their place and the path in it. */
    private List<Decision> named(Job job, List<Decision> assumed) {
        List<Decision> moved = new ArrayList<>();
        for (Decision decision : assumed) {
            String subject = decision.subject();
            if (decision.kind().equals(JobSession.SOURCE_NAME)) {
                for (Place place : job.places()) {
                    subject = Collector.nameKeyAt(decision.subject(), place.path(), path(place.path()));
                    if (!subject.equals(decision.subject())) {
                        break;
                    }
                }
            }
            moved.add(
                    new Decision(decision.kind(), subject, decision.answer(), decision.reason(), decision.evidence()));
        }
        return moved;
    }
}
