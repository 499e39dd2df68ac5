package cuvee.model;

import cuvee.layout.Layout;
import cuvee.place.Where;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.refresh.ReadSheet;
import cuvee.refresh.SourceReport;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What can be gone to by its name: stages, columns and the headers that feed them, files, sheets. */
public final class Finder {
    private static final int MOST = 12;

    private Finder() {}

    /**
     * Something that was found.
     *
     * @param name what it is called
     * @param what what it is, in words
     * @param column the column of the master to go to; empty for none
     * @param where the file or sheet to go to; the job where it is none
     */
    public record Found(String name, String what, Stage stage, String column, Where where) {}

    /** Whatever is called so, or in part; those that begin so stand first. */
    public static List<Found> of(Optional<Outcome> outcome, String words) {
        String asked = LooseText.key(words);
        if (asked.isEmpty()) {
            return List.of();
        }
        List<Found> all = new ArrayList<>();
        for (Stage stage : Stage.values()) {
            all.add(new Found(stage.title(), "stage", stage, "", Where.JOB));
        }
        outcome.ifPresent(made -> {
            columns(made, all);
            files(made, all);
        });
        List<Found> found = new ArrayList<>();
        List<Found> within = new ArrayList<>();
        for (Found each : all) {
            String name = LooseText.key(each.name());
            if (name.startsWith(asked)) {
                found.add(each);
            } else if (name.contains(asked)) {
                within.add(each);
            }
        }
        found.addAll(within);
        return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
    }

    private static void columns(Outcome made, List<Found> all) {
        for (Proposal.ColumnReport column : made.proposal().columns()) {
            all.add(new Found(column.name(), "column, " + column.typeWords(), Stage.LINE_UP, column.name(), Where.JOB));
        }
        Set<String> told = new HashSet<>();
        for (Layout layout : made.proposal().layouts()) {
            for (int at = 0; at < layout.keys().size(); at++) {
                String feeds =
                        made.proposal().lineUp().getOrDefault(layout.keys().get(at), "");
                String header = layout.headers().get(at);
                if (!feeds.isEmpty() && !header.equals(feeds) && told.add(header)) {
                    all.add(new Found(header, "header, feeds " + feeds, Stage.LINE_UP, feeds, Where.JOB));
                }
            }
        }
    }

    private static void files(Outcome made, List<Found> all) {
        for (SourceReport source : made.sources()) {
            all.add(new Found(
                    source.path(), "file, " + source.state().word(), Stage.COLLECT, "", Where.source(source.path())));
        }
        for (ReadSheet sheet : made.sheets()) {
            if (!sheet.name().isEmpty()) {
                all.add(new Found(
                        sheet.name() + " in " + sheet.source(),
                        "sheet",
                        Stage.READ,
                        "",
                        Where.sheet(sheet.source(), sheet.name())));
            }
        }
    }
}
