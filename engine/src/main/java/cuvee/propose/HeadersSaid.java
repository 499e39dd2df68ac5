package cuvee.propose;

import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Headers that the analyst says are others in the tables of a file or of a layout: {@code Amount}, which is the net amount
 * here and the gross amount there, or two that have changed places.
 */
final class HeadersSaid implements Draft.Step {
    private final List<TableChoice.HeaderRead> said;

    HeadersSaid(Job job) {
        this.said = job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.HEADER))
                .flatMap(decision -> Stream.of(Choices.of(decision, job.columns())))
                .flatMap(choice -> choice instanceof TableChoice.HeaderRead read ? Stream.of(read) : Stream.empty())
                .filter(TableChoice.HeaderRead::on)
                .toList();
    }

    @Override
    public Draft on(Draft draft) {
        return said.isEmpty()
                ? draft
                : draft.withLaid(draft.laid().stream().map(this::called).toList());
    }

    private PlacedTable called(PlacedTable table) {
        Map<String, String> headers = new HashMap<>();
        Stream.of(table.signature(), table.source())
                .forEach(scope -> said.stream()
                        .filter(read -> read.scope().equals(scope))
                        .forEach(read -> headers.put(read.key(), read.as())));
        return table.calling(headers);
    }
}
