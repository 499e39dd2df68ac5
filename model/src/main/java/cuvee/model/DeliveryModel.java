package cuvee.model;

import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetName;
import cuvee.finding.CuveeException;
import cuvee.finding.Question;
import cuvee.job.Delivery;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.refresh.Delivered;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** The deliveries of the job, and what else is written of its master. Used on the interface thread. */
public final class DeliveryModel {
    private final JobModel model;

    DeliveryModel(JobModel model) {
        this.model = model;
    }

    /** Adds a delivery to a file. */
    public void add(Path target) {
        String relative = model.relative(target);
        List<Delivery> deliveries = new ArrayList<>(model.now().deliveries());
        deliveries.removeIf(delivery -> delivery.target().equals(relative));
        deliveries.add(new Delivery(target.getFileName().toString(), relative));
        model.step(model.now().withDeliveries(deliveries));
    }

    /** Adds a delivery of some form, or changes the one that it stands for; one that is no more is left alone. */
    public void change(Optional<Delivery> before, Delivery now) {
        List<Delivery> deliveries = new ArrayList<>(model.now().deliveries());
        int at = before.map(deliveries::indexOf).orElse(deliveries.size());
        if (at < 0) {
            return;
        }
        if (at == deliveries.size()) {
            deliveries.add(now);
        } else {
            deliveries.set(at, now);
        }
        model.step(model.now().withDeliveries(deliveries));
    }

    /** A delivery to a file as the job has it. */
    public Delivery to(Path target, Delivery.Form form) {
        return new Delivery(target.getFileName().toString(), model.relative(target), form);
    }

    /**
     * Lets a delivery be written to another target, as the job has it; words in braces stand for what is known only then.
     * Where nothing could be written there it stays as it is, and why is told.
     *
     * @return true where it goes there from now on
     */
    public boolean moveTo(Delivery delivery, String target) {
        boolean calledByFile = delivery.name().equals(fileName(delivery.target()));
        Delivery there = new Delivery(
                calledByFile ? fileName(target) : delivery.name(),
                target,
                forTheNamed(delivery.form(), target),
                delivery.accepted());
        try {
            model.session().check(model.now(), there, TargetGuard.Existing.REPLACE);
        } catch (CuveeException refused) {
            model.tell(Message.failure(refused.finding().text()));
            return false;
        }
        change(Optional.of(delivery), there);
        return true;
    }

    /** A file for each value is one for each value of the columns that its name says, where it says another. */
    private Delivery.Form forTheNamed(Delivery.Form form, String target) {
        if (!(form instanceof Delivery.Each each)
                || TargetName.unknown(target, each.columns()).isEmpty()) {
            return form;
        }
        List<String> columns = model.outcomeProperty()
                .get()
                .map(made -> made.plan().columns().stream()
                        .map(MasterPlan.Column::name)
                        .toList())
                .orElse(List.of());
        List<String> named = TargetName.named(target, columns);
        return named.isEmpty()
                ? form
                : new Delivery.Each(named, named.size() == 1 ? each.names() : "", each.removesGone());
    }

    private static String fileName(String target) {
        return String.valueOf(Path.of(target).getFileName());
    }

    /** What a delivery would do, or why it cannot be done; told on the interface thread. */
    public void preview(Delivery delivery, Consumer<String> told) {
        model.ask(
                made -> {
                    try {
                        return model.session().look(made, delivery);
                    } catch (CuveeException refused) {
                        return refused.finding().text();
                    }
                },
                told);
    }

    /** How a delivery is called in a message: its file, or its table. */
    private String named(Delivery delivery) {
        return delivery.form() instanceof Delivery.Table table
                ? table.table()
                : String.valueOf(model.session().targetOf(delivery).getFileName());
    }

    /** Takes a delivery out of the job; its file is left alone. */
    public void remove(Delivery delivery) {
        model.step(model.now()
                .withDeliveries(model.now().deliveries().stream()
                        .filter(other -> !other.equals(delivery))
                        .toList()));
    }

    /** The open questions that hold a delivery; none where it may be written. */
    public List<Question> holding(Delivery delivery) {
        return model.outcomeProperty()
                .get()
                .map(made -> delivery.heldBy(made.questions()))
                .orElse(List.of());
    }

    /** Lets a delivery go past the questions that hold it now, each by name; they stay open. */
    public void accept(Delivery delivery) {
        List<String> ids = holding(delivery).stream().map(Question::id).toList();
        change(Optional.of(delivery).filter(model.now().deliveries()::contains), delivery.accepting(ids));
    }

    /** What of others would be lost if a delivery were written; empty where nothing would. */
    public Optional<String> loss(Delivery delivery) {
        return model.session().loss(model.now(), delivery);
    }

    /**
     * A delivery whose file cannot be written for now.
     *
     * @param why in words
     * @param beside the same to a free name
     */
    public record Held(Delivery delivery, String why, Delivery beside) {}

    /**
     * Writes the master to a delivery's target, unless open questions hold it.
     *
     * @param existing what becomes of a file that is there already and that Cuvee did not write
     * @param held told on the interface thread where the file is open elsewhere, write-protected or not reached
     */
    public void write(Delivery delivery, TargetGuard.Existing existing, Consumer<Held> held) {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty() || model.workProperty().get().isPresent() || model.refusedInTrial()) {
            return;
        }
        String target = named(delivery);
        List<Question> holding = holding(delivery);
        if (made.get().failed() || !holding.isEmpty()) {
            String why = made.get().failed()
                    ? "the master is incomplete, see Check"
                    : Says.count(holding.size(), "open question") + " could change a number. Settle "
                            + (holding.size() == 1 ? "it" : "them") + ", or accept "
                            + (holding.size() == 1 ? "it" : "them") + " by name on its card";
            model.tell(Message.failure(target + " was not written: " + why + "."));
            return;
        }
        model.begin(
                reporting -> {
                    reporting.at("writing " + target, 0, 0);
                    return model.session().deliver(made.get(), delivery, existing);
                },
                state -> {
                    written(target, state);
                    if (state instanceof Work.State.Failed<Delivered> failed
                            && failed.why() instanceof CuveeException refused
                            && MasterFiles.isForNow(refused)) {
                        model.apart(
                                () -> model.session().beside(delivery),
                                beside -> beside.ifPresent(other -> held.accept(
                                        new Held(delivery, refused.finding().what(), other))));
                    }
                });
    }

    /** Writes a delivery whose file cannot be written to a name beside it. */
    public void writeBeside(Held held) {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty() || model.workProperty().get().isPresent()) {
            return;
        }
        String target = named(held.beside());
        model.begin(
                reporting -> {
                    reporting.at("writing " + target, 0, 0);
                    return model.session().deliverBeside(made.get(), held.delivery(), held.beside());
                },
                state -> written(target, state));
    }

    private void written(String target, Work.State<Delivered> state) {
        if (state instanceof Work.State.Done<Delivered> done) {
            model.tell(new Message(
                    "Written: " + target + ", " + done.result().said(),
                    done.result().incomplete() ? Message.Kind.FAILURE : Message.Kind.DONE));
        } else if (state instanceof Work.State.Failed<Delivered> failed) {
            model.tell("Writing", failed.why());
        }
    }

    /** What would be lost if a page were written to a file; empty where nothing would. */
    public Optional<String> lossOf(Path target) {
        return model.session().guard(model.now()).loss(target);
    }

    /** Writes the account of the master as a page, to be handed over with it. */
    public void writeAccount(Path target, TargetGuard.Existing existing) {
        writeApart(target, made -> model.session().writeAccount(made, target, existing));
    }

    /** Writes a page for whoever sent a source: what was wrong there, and what is asked of them. */
    public void writeSenderPage(String source, Path target, TargetGuard.Existing existing) {
        writeApart(target, made -> model.session().writeSenderPage(made, source, target, existing));
    }

    /** Writes a workbook for senders to fill in. */
    public void writeBlank(Path target, TargetGuard.Existing existing) {
        writeApart(target, made -> model.session().writeBlank(made, target, existing));
    }

    void writeApart(Path target, Consumer<Outcome> writing) {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty() || model.refusedInTrial()) {
            return;
        }
        model.apart(
                () -> {
                    try {
                        writing.accept(made.get());
                        return Optional.<CuveeException>empty();
                    } catch (CuveeException failed) {
                        return Optional.of(failed);
                    }
                },
                failed -> failed.ifPresentOrElse(
                        why -> model.tell("Writing", why),
                        () -> model.tell(new Message("Written: " + target.getFileName() + ".", Message.Kind.DONE))));
    }

    /**
     * Adds a delivery that fills a copy of a prepared workbook, by the columns whose values stand in it.
     *
     * @param added told on the interface thread once it is there
     */
    public void addPrepared(Path workbook, Path target, Consumer<Delivery> added) {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty()) {
            return;
        }
        model.apart(
                () -> {
                    try {
                        Optional<Delivery.Prepared> guessed = model.session().prepared(made.get(), workbook);
                        return (Runnable) () -> prepared(workbook, target, guessed, added);
                    } catch (CuveeException failed) {
                        return (Runnable) () -> model.tell("Reading the workbook", failed);
                    }
                },
                Runnable::run);
    }

    private void prepared(Path workbook, Path target, Optional<Delivery.Prepared> guessed, Consumer<Delivery> added) {
        if (guessed.isEmpty()) {
            model.tell(Message.failure("Nothing of the master stands in " + workbook.getFileName()
                    + ": no column's values down one column and across one row. Nothing was changed."));
            return;
        }
        Delivery delivery = to(target, guessed.get().withWorkbook(model.relative(workbook)));
        put(delivery);
        added.accept(delivery);
    }

    /** Changes by which columns a delivery fills its prepared workbook. */
    public void changePrepared(Delivery delivery, Delivery.Prepared prepared) {
        change(Optional.of(delivery), delivery.withForm(prepared));
    }

    private void put(Delivery delivery) {
        List<Delivery> deliveries = new ArrayList<>(model.now().deliveries());
        int at = deliveries.stream().map(Delivery::target).toList().indexOf(delivery.target());
        if (at < 0) {
            deliveries.add(delivery);
        } else {
            deliveries.set(at, delivery);
        }
        model.step(model.now().withDeliveries(deliveries));
    }
}
