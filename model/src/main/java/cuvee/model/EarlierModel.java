package cuvee.model;

import cuvee.decision.Choice;
import cuvee.decision.ProofChoice;
import cuvee.deliver.TargetGuard;
import cuvee.finding.CuveeException;
import cuvee.job.Job;
import cuvee.refresh.EarlierMasters;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** The masters of earlier refreshes, and what the analyst can do with them. Used on the interface thread. */
public final class EarlierModel {
    private final JobModel model;

    EarlierModel(JobModel model) {
        this.model = model;
    }

    /** Those that are kept, the first first. */
    public List<EarlierMasters.Kept> kept() {
        return model.own().earlier().all();
    }

    /** Of how many refreshes the master is kept. */
    public int count() {
        long rows = model.outcomeProperty().get().map(made -> made.rows()).orElse(0L);
        return EarlierMasters.count(model.now(), rows);
    }

    /** Has the masters of so many refreshes kept from the next one on. */
    public void keep(int count) {
        Choice.Words words = new ProofChoice.KeptMasters(count).words();
        model.answers().decide(words.kind(), words.subject(), words.answer());
    }

    /** Opens one to be looked at; whoever is told of it closes it. */
    public void open(int number, Consumer<KeptGrid> told) {
        asked(
                number,
                earlier -> earlier.open(number),
                kept -> told.accept(new KeptGrid(kept, model.interfaceThread())));
    }

    /** Brings back the decisions by which one was made, as one act; places and deliveries stay as they are. */
    public void bringBack(int number) {
        asked(number, earlier -> earlier.job(number), then -> {
            Job now = model.now();
            model.bringBack(
                    then.withName(now.name()).withPlaces(now.places()).withDeliveries(now.deliveries()),
                    "brought back the decisions of refresh " + number);
        });
    }

    /** Writes one to a file. */
    public void write(int number, Path target, TargetGuard.Existing existing) {
        model.deliveries()
                .writeApart(target, made -> model.own().deliverEarlier(model.now(), number, target, existing));
    }

    private <T> void asked(int number, Function<EarlierMasters, T> asking, Consumer<T> told) {
        model.apart(
                () -> {
                    try {
                        T found = asking.apply(model.own().earlier());
                        return (Runnable) () -> told.accept(found);
                    } catch (CuveeException gone) {
                        return (Runnable) () -> model.tell("Looking at refresh " + number, gone);
                    }
                },
                Runnable::run);
    }
}
