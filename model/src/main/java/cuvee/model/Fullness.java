package cuvee.model;

import cuvee.layout.PlacedTable;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How full each column of the master is by group of sources; a column that a group does not have is told from a blank one. */
public final class Fullness implements GridModel {
    /** The filled cells of a column in a group; below zero where no table of it has the column. */
    private static final long ABSENT = -1;

    private final List<String> names = new ArrayList<>();
    private final List<Long> kept = new ArrayList<>();
    private final List<long[]> filled = new ArrayList<>();
    private final List<String> columns = new ArrayList<>();
    private final Grouping grouping;

    public Fullness(Outcome outcome, Grouping grouping) {
        this.grouping = grouping;
        Map<String, Integer> places = new HashMap<>();
        Proposal proposal = outcome.proposal();
        for (int at = 0; at < proposal.columns().size(); at++) {
            String name = proposal.columns().get(at).name();
            if (proposal.hasCells(at) && !proposal.isTag(name)) {
                places.put(name, columns.size());
                columns.add(name);
            }
        }
        Map<String, List<SourceReport>> groups = new LinkedHashMap<>();
        for (SourceReport source : outcome.sources()) {
            if (!source.tables().isEmpty()) {
                groups.computeIfAbsent(grouping.of(source), any -> new ArrayList<>())
                        .add(source);
            }
        }
        groups.forEach((name, sources) -> {
            long[] counts = new long[columns.size()];
            java.util.Arrays.fill(counts, ABSENT);
            long rows = 0;
            for (SourceReport source : sources) {
                for (PlacedTable table : source.tables()) {
                    rows += (long) table.table().kept() * Math.max(1, table.turned());
                    table.columns().forEach(column -> {
                        String feeds = proposal.lineUp().get(cuvee.value.LooseText.key(column.header()));
                        Integer at = feeds == null ? null : places.get(feeds);
                        if (at != null) {
                            counts[at] =
                                    Math.max(0, counts[at]) + column.evidence().filled();
                        }
                    });
                }
            }
            names.add(name);
            kept.add(rows);
            filled.add(counts);
        });
    }

    @Override
    public long rows() {
        return names.size();
    }

    @Override
    public int columns() {
        return columns.size() + 1;
    }

    @Override
    public int pinned() {
        return 1;
    }

    @Override
    public String title(int column) {
        return column == 0
                ? Character.toUpperCase(grouping.words().charAt(0))
                        + grouping.words().substring(1)
                : columns.get(column - 1);
    }

    @Override
    public String subtitle(int column) {
        return "";
    }

    @Override
    public double width(int column) {
        return column == 0
                ? grouping.texts().isEmpty() ? 260 : 120
                : Math.max(84, title(column).length() * 7.8 + 20);
    }

    @Override
    public boolean numeric(int column) {
        return false;
    }

    @Override
    public String text(long row, int column) {
        if (column == 0) {
            return names.get((int) row);
        }
        long count = filled.get((int) row)[column - 1];
        return count == ABSENT ? "absent" : MasterGrid.fullness(count, kept.get((int) row));
    }

    @Override
    public Tone tone(long row, int column) {
        String text = text(row, column);
        return column == 0 || !text.equals("absent") && !text.equals("full") && !text.equals("empty")
                ? Tone.PLAIN
                : text.equals("absent") ? Tone.ABSENT : text.equals("empty") ? Tone.MARKED : Tone.QUIET;
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }
}
