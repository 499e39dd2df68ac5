package cuvee.model;

import cuvee.audit.ExpectedList;
import cuvee.change.Board;
import cuvee.check.Arrivals;
import cuvee.collect.Collector;
import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.gather.ListedPlaces;
import cuvee.gather.ReadSheet;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.layout.PlacedTable;
import cuvee.layout.Signatures;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;

/** The places, files and sheets of an open job: which belong, and how they are read. Used on the interface thread. */
public final class FilesModel {
    private static final String TAKE = TableChoice.TAKE;
    private static final String ASIDE = TableChoice.ASIDE;
    private final JobModel model;

    FilesModel(JobModel model) {
        this.model = model;
    }

    /** Takes in another folder or file. */
    public void addPlaces(List<Path> paths) {
        List<Place> places = new ArrayList<>(model.now().places());
        for (Path path : paths) {
            Place place = Place.of(model.relative(path));
            if (places.stream().noneMatch(there -> there.path().equals(place.path()))) {
                places.add(place);
            }
        }
        model.take(model.now().withPlaces(places));
    }

    /** Takes places from a table that lists them, read again at each refresh; says why where it cannot. */
    public void addList(Path file) {
        try {
            Path folder =
                    Objects.requireNonNullElse(model.file().toAbsolutePath().getParent(), Path.of(""));
            model.take(model.now().withSettled(ListedPlaces.from(file, folder)));
        } catch (CuveeException refused) {
            model.say(refused.finding().text(), true);
        }
    }

    /** The file that a finding offers as a list of places; empty for other findings. */
    public Optional<Path> offeredList(Finding finding) {
        return finding.kind().equals(ListedPlaces.OFFER)
                ? model.session().fileOf(finding.where().source())
                : Optional.empty();
    }

    /** Takes who is expected from a table that lists them, read again at each refresh; says why where it cannot. */
    public void addExpected(Path file) {
        model.outcomeProperty().get().flatMap(Outcome::arrivals).ifPresent(arrivals -> {
            try {
                Path folder =
                        Objects.requireNonNullElse(model.file().toAbsolutePath().getParent(), Path.of(""));
                model.take(model.now()
                        .withSettled(ExpectedList.from(file, folder, arrivals.sender(), arrivals.senders())));
            } catch (CuveeException refused) {
                model.say(refused.finding().text(), true);
            }
        });
    }

    /** The file that lists who is expected; empty where no list is kept. */
    public Optional<String> expectedList() {
        return model.now().settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.EXPECTED_FROM) && decision.on())
                .map(Decision::subject)
                .findFirst();
    }

    /** Tells what is expected from what came again. */
    public void removeExpected() {
        expectedList().ifPresent(list -> model.answers().decide(Kinds.EXPECTED_FROM, list, ""));
    }

    /** The lists that places are taken from. */
    public List<SourceChoice.Listed> lists() {
        return model.now().settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.PLACES_FROM))
                .map(decision -> Choices.of(decision, List.of()))
                .filter(SourceChoice.Listed.class::isInstance)
                .map(SourceChoice.Listed.class::cast)
                .toList();
    }

    /** Takes places from a list no more. */
    public void removeList(SourceChoice.Listed list) {
        model.answers().decide(Kinds.PLACES_FROM, list.list(), "");
    }

    /** Changes a place: its label, how deep it goes, which names belong to it. */
    public void changePlace(int at, Place changed) {
        List<Place> places = new ArrayList<>(model.now().places());
        if (!places.get(at).equals(changed)) {
            places.set(at, changed);
            model.take(model.now().withPlaces(places));
        }
    }

    /** A place with all that was said of it, on another folder. */
    public Place placeAt(Path folder, Place place) {
        return place.withPath(model.relative(folder));
    }

    /** Takes a place out of the job; its files are left alone. */
    public void removePlace(int at) {
        List<Place> places = new ArrayList<>(model.now().places());
        places.remove(at);
        model.take(model.now().withPlaces(places));
    }

    /** Takes files whatever speaks against them, or leaves them out. */
    public void decideFiles(List<String> paths, boolean take) {
        Job now = model.now();
        for (String path : paths) {
            now = now.withSettled(new Decision(
                    Kinds.FILE, path, take ? TAKE : ASIDE, take ? "put back by you" : "left out by you", ""));
            for (ReadSheet sheet : sheetsOf(path)) {
                now = take && !sheet.reason().isEmpty() ? with(now, sheet, true) : now;
            }
        }
        model.take(now);
    }

    /** Takes a sheet's tables into the master whatever speaks against them, or leaves them out. */
    public void decideSheet(ReadSheet sheet, boolean take) {
        model.take(with(model.now(), sheet, take));
    }

    private static Job with(Job job, ReadSheet sheet, boolean take) {
        String reason = take ? "put back by you" : "left out by you";
        Job decided = job.withSettled(new Decision(Kinds.SHEET, sheet.subject(), take ? TAKE : ASIDE, reason, ""));
        if (take) {
            for (PlacedTable table : sheet.tables()) {
                String signature = Signatures.of(table.table());
                decided = decided.withSettled(new Decision(Kinds.ANOTHER_JOB, signature, TAKE, reason, ""))
                        .withSettled(new Decision(Kinds.SHEET, signature, TAKE, reason, ""));
            }
        }
        return decided;
    }

    private List<ReadSheet> sheetsOf(String path) {
        return model.outcomeProperty()
                .get()
                .map(made -> made.sheets().stream()
                        .filter(sheet -> sheet.source().equals(path))
                        .toList())
                .orElse(List.of());
    }

    /** Moves files earlier or later in the order of the master, which stays so. */
    public void moveFiles(List<String> paths, boolean later) {
        List<String> order = new ArrayList<>(model.outcomeProperty()
                .get()
                .map(made -> made.sources().stream().map(SourceReport::path).toList())
                .orElse(List.of()));
        if (later) {
            Collections.reverse(order);
        }
        for (int i = 1; i < order.size(); i++) {
            if (paths.contains(order.get(i)) && !paths.contains(order.get(i - 1))) {
                Collections.swap(order, i, i - 1);
            }
        }
        if (later) {
            Collections.reverse(order);
        }
        model.answers().decide(Kinds.ORDER, SourceChoice.ALL_FILES, String.join("\n", order));
    }

    /** Puts all files in the order of their names again. */
    public void orderByName() {
        model.answers().decide(Kinds.ORDER, SourceChoice.ALL_FILES, "");
    }

    /** Leaves it to Cuvee again whether files are taken. */
    public void undecideFiles(List<String> paths) {
        Job now = model.now();
        for (String path : paths) {
            now = now.withoutSettled(Kinds.FILE, path);
        }
        model.take(now);
    }

    /** Says that a sender has nothing to report for a month, or no longer. */
    public void decideNil(Arrivals.Place place, boolean nil) {
        SourceChoice.NilReturn choice =
                new SourceChoice.NilReturn(place.sender(), place.month().toString());
        Choice.Words words = choice.words();
        model.take(
                nil
                        ? model.now().withSettled(new Decision(words.kind(), words.subject(), words.answer(), "", ""))
                        : model.now().withoutSettled(words.kind(), words.subject()));
    }

    /** Says how a text file, or all, are written; empty words leave it to be told from the files. */
    public void decideTextForm(String subject, String words) {
        model.answers().decide(Kinds.TEXT_FORM, subject, words);
    }

    /** Says which sign is decimal in a text file, or in all; empty words leave it to the values. */
    public void decideDecimalSign(String source, String words) {
        model.take(Board.decimalSign(model.now(), source, words));
    }

    /** Tries a password on locked workbooks for as long as the job is open. */
    public void tryPassword(String password) {
        model.session().tryPassword(password);
        model.refresh();
    }

    /** The files that a place would give, with what it would say of each; told on the interface thread. */
    public void tryPlaces(List<Place> places, Consumer<Collector.Collected> told) {
        Job now = model.now();
        model.apart(() -> model.session().collect(now.withPlaces(places)), told);
    }
}
