package cuvee.model;

import cuvee.change.JobMove;
import cuvee.decision.Choice;
import cuvee.finding.CuveeException;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobHistory;
import cuvee.refresh.JobSession;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/**
 * One open job: its history, the outcome of the last refresh, and what the analyst can do with them. Used on the
 * interface thread; the engine works on a thread of its own. Whoever opens it closes it.
 */
public final class JobModel implements AutoCloseable {
    static final String BY_HAND = "put so by you";
    private final Executor ui;
    /** Set and asked on the interface thread only. */
    private boolean closed;

    private final Workplace workplace;
    private final Beside worker;
    private final JobSession session;
    /** The session that is shown: the job's own, or that of a trial. */
    private volatile JobSession current;

    private Optional<Trial> trial = Optional.empty();
    private final AnswerModel answers = new AnswerModel(this);
    private final RuleModel rules = new RuleModel(this);
    private final EarlierModel earlier = new EarlierModel(this);
    private final DeliveryModel deliveries = new DeliveryModel(this);
    private final BoardModel board = new BoardModel(this);
    private final FilesModel files = new FilesModel(this);
    private final Watch watch;
    private History<Job> history;
    private final RecentJobs recent;
    private Path file;
    private boolean saved;
    private Job savedJob;
    /** The job that the last look was asked for, whatever came of it. */
    private Job shown;

    private final ReadOnlyObjectWrapper<Job> job = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Optional<Outcome>> outcome = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<WhatChanged> whatChanged = new ReadOnlyObjectWrapper<>(WhatChanged.NOTHING);
    private final ReadOnlyObjectWrapper<Optional<Work<?>>> work = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Message> message = new ReadOnlyObjectWrapper<>(Message.NONE);
    private final ReadOnlyStringWrapper title = new ReadOnlyStringWrapper("");
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper lastAct = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper undoneAct = new ReadOnlyStringWrapper("");
    /** What was done since the last master; empty where nothing was. */
    private String pending = "";

    private Runnable onFilesCame = () -> {};

    private final ReadOnlyBooleanWrapper canUndo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper trying = new ReadOnlyBooleanWrapper();

    /** A refresh that is tried, and what is shown again when it is thrown away. */
    private record Trial(JobSession session, History<Job> history, Optional<Outcome> outcome, WhatChanged changed) {}

    private JobModel(Workplace workplace, Executor ui, Job first, Path file, boolean saved) {
        // What ends after the job was closed has nobody left to hear of it, and no store to be looked up in.
        this.ui = task -> ui.execute(() -> {
            if (!closed) {
                task.run();
            }
        });
        this.workplace = workplace;
        this.file = file;
        this.saved = saved;
        this.savedJob = first;
        this.shown = first;
        this.history = new History<>(first);
        this.recent = new RecentJobs(workplace.state());
        this.session = JobSession.ofFile(workplace, first.id(), file);
        this.current = session;
        this.worker = new Beside("cuvee-work", this.ui, this::tell);
        this.watch = new Watch(this);
        show();
        if (saved) {
            recent.opened(file, first.name());
        }
    }

    /** Opens a saved job. */
    public static JobModel open(Workplace workplace, Executor ui, Path file) {
        return new JobModel(workplace, ui, JobFile.open(file), file, true);
    }

    /** A new job over a folder or files; it is saved when the analyst says so. */
    public static JobModel draft(Workplace workplace, Executor ui, List<Path> places) {
        Path first = places.get(0).toAbsolutePath().normalize();
        Path folder = first.getParent() == null ? first : first.getParent();
        Path file = folder.resolve(first.getFileName() + ".cuvee");
        return new JobModel(workplace, ui, JobDraft.of(file, places), file, false);
    }

    // ---- what is shown ----

    public ReadOnlyObjectProperty<Job> jobProperty() {
        return job.getReadOnlyProperty();
    }

    /** What changed with the files that came last. */
    public ReadOnlyObjectProperty<WhatChanged> whatChangedProperty() {
        return whatChanged.getReadOnlyProperty();
    }

    /** The last refresh; empty before the first. */
    public ReadOnlyObjectProperty<Optional<Outcome>> outcomeProperty() {
        return outcome.getReadOnlyProperty();
    }

    /** The work under way, if any. */
    public ReadOnlyObjectProperty<Optional<Work<?>>> workProperty() {
        return work.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Message> messageProperty() {
        return message.getReadOnlyProperty();
    }

    /** The job's name, with a star while it is not saved. */
    public ReadOnlyStringProperty titleProperty() {
        return title.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty unsavedProperty() {
        return unsaved.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty canUndoProperty() {
        return canUndo.getReadOnlyProperty();
    }

    /** True while what is shown is a trial, of which nothing is kept yet. */
    public ReadOnlyBooleanProperty tryingProperty() {
        return trying.getReadOnlyProperty();
    }

    /** The name of the act that undo takes back; empty where there is none. */
    public ReadOnlyStringProperty lastActProperty() {
        return lastAct.getReadOnlyProperty();
    }

    /** The name of the act that was taken back last; empty where there is none to do again. */
    public ReadOnlyStringProperty undoneActProperty() {
        return undoneAct.getReadOnlyProperty();
    }

    /** Where the job is saved, or would be. */
    public Path file() {
        return file;
    }

    /** True once the job has a file of its own. */
    public boolean hasFile() {
        return saved;
    }

    /** What the analyst answers and decides. */
    public AnswerModel answers() {
        return answers;
    }

    /** The rules of the job. */
    public RuleModel rules() {
        return rules;
    }

    /** The columns of the job. */
    public BoardModel board() {
        return board;
    }

    /** The deliveries of the job. */
    public DeliveryModel deliveries() {
        return deliveries;
    }

    /** The masters of earlier refreshes. */
    public EarlierModel earlier() {
        return earlier;
    }

    /** The places, files and sheets of the job. */
    public FilesModel files() {
        return files;
    }

    /** What comes to the places of the job while it is open. */
    public Watch watch() {
        return watch;
    }

    Job now() {
        return history.now();
    }

    Executor interfaceThread() {
        return ui;
    }

    Clock clock() {
        return workplace.clock();
    }

    /** A path as the job says it. */
    public String relative(Path path) {
        return JobDraft.relative(file.toAbsolutePath().getParent(), path);
    }

    /** Asks the engine something about the last refresh; told on the interface thread, as is why it has no answer. */
    public <T> void ask(Function<Outcome, T> asked, Consumer<T> told) {
        outcome.get().ifPresent(made -> apart(() -> asked.apply(made), told));
    }

    /** Does something on the thread of the engine; what came of it is told on the interface thread. */
    <T> void apart(Supplier<T> work, Consumer<T> told) {
        worker.execute(() -> {
            T found = work.get();
            ui.execute(() -> told.accept(found));
        });
    }

    public JobSession session() {
        return current;
    }

    /** The session of the job itself, whatever is shown. */
    JobSession own() {
        return session;
    }

    // ---- what can be done ----

    /** Looks at the places again; a refresh under way goes on. */
    public void refresh() {
        run("Refreshing", Reread.CHANGED_ONLY);
    }

    private void run(String what, Reread mode) {
        if (work.get().isPresent()) {
            return;
        }
        Job asked = history.now();
        shown = asked;
        JobSession by = current;
        begin(reporting -> look(by, asked, mode, reporting), state -> {
            boolean plain = pending.isEmpty();
            refreshed(what, asked, state);
            if (plain && state instanceof Work.State.Done<Outcome> done) {
                tellFilesCame(done.result());
            }
        });
    }

    private void tellFilesCame(Outcome result) {
        if (filesChanged(result) && !result.changed().first()) {
            onFilesCame.run();
        }
    }

    /** Refreshes; of a trial nothing is kept. */
    private Outcome look(JobSession by, Job asked, Reread mode, Work.Reporting reporting) {
        Outcome found = by.refresh(asked, mode, (stage, done, of) -> reporting.at(stage.words(), done, of));
        if (by.equals(session)) {
            session.conclude(found);
        }
        return found;
    }

    private void refreshed(String what, Job asked, Work.State<Outcome> state) {
        if (state instanceof Work.State.Done<Outcome> done) {
            shown(asked, done.result());
        } else if (state instanceof Work.State.Failed<Outcome> failed) {
            tell(what, failed.why());
        } else {
            message.set(Message.news("Stopped. The master is what it was."));
        }
    }

    /** Shows what came of a refresh. */
    private void shown(Job asked, Outcome result) {
        boolean latest = history.now().equals(asked);
        if (latest) {
            history.amend(result.job());
            shown = result.job();
        }
        String said = news(outcome.get(), result, latest ? pending : "");
        pending = latest ? "" : pending;
        if (filesChanged(result)) {
            // What decisions change is told at once; what the files brought stays until others come.
            whatChanged.set(WhatChanged.of(result));
        }
        outcome.set(Optional.of(result));
        message.set(Message.news(said));
        show();
    }

    /** Told after a refresh that followed no decision and found other files, once what changed can be seen. */
    public void onFilesCame(Runnable listener) {
        onFilesCame = listener;
    }

    // ---- a refresh on trial ----

    /** Looks at the places as a refresh would, beside what is kept: nothing of it stays unless the analyst keeps it. */
    public void tryRefresh() {
        if (work.get().isPresent() || trial.isPresent()) {
            return;
        }
        Job asked = history.now();
        shown = asked;
        begin(
                reporting -> {
                    JobSession apart = session.trial();
                    boolean ready = false;
                    try {
                        Outcome found = look(apart, asked, Reread.CHANGED_ONLY, reporting);
                        ready = true;
                        return Map.entry(apart, found);
                    } finally {
                        if (!ready) {
                            apart.close();
                        }
                    }
                },
                state -> tried(asked, state));
    }

    private void tried(Job asked, Work.State<Map.Entry<JobSession, Outcome>> state) {
        if (state instanceof Work.State.Done<Map.Entry<JobSession, Outcome>> done) {
            trial = Optional.of(new Trial(done.result().getKey(), history, outcome.get(), whatChanged.get()));
            current = done.result().getKey();
            history = history.copy();
            trying.set(true);
            shown(asked, done.result().getValue());
            tellFilesCame(done.result().getValue());
        } else if (state instanceof Work.State.Failed<Map.Entry<JobSession, Outcome>> failed) {
            tell("Trying a refresh", failed.why());
        } else {
            message.set(Message.news("Stopped. The master is what it was."));
        }
    }

    /** Makes what was tried the master; what was decided meanwhile stays decided. */
    public void keepTrial() {
        if (work.get().isPresent() || trial.isEmpty()) {
            return;
        }
        Trial kept = trial.get();
        Job asked = history.now();
        shown = asked;
        begin(reporting -> look(session, asked, Reread.CHANGED_ONLY, reporting), state -> {
            if (state instanceof Work.State.Done<Outcome>) {
                end(kept);
                // What was settled on trial goes into the header book only now.
                asked.settled().stream()
                        .filter(decision -> !kept.history().now().settled().contains(decision))
                        .forEach(decision -> session.remember(asked, decision));
            }
            refreshed("Keeping the trial", asked, state);
        });
    }

    /** Throws away what was tried, with what was decided meanwhile: all is as it was before. */
    public void throwTrialAway() {
        if (work.get().isPresent() || trial.isEmpty()) {
            return;
        }
        Trial thrown = trial.get();
        end(thrown);
        history = thrown.history();
        shown = history.now();
        pending = "";
        whatChanged.set(thrown.changed());
        outcome.set(thrown.outcome());
        message.set(Message.news("The trial was thrown away. "
                + thrown.outcome()
                        .map(before -> "The master is what it was, with " + Says.count(before.rows(), "row") + ".")
                        .orElse("Nothing of it was kept.")));
        show();
    }

    private void end(Trial ended) {
        trial = Optional.empty();
        current = session;
        trying.set(false);
        worker.execute(ended.session()::close);
    }

    /** True where something would be kept or written of a trial, which is refused and said. */
    boolean refusedInTrial() {
        if (trial.isPresent()) {
            message.set(Message.failure("This is a trial: keep it, or throw it away, first. Nothing was written."));
        }
        return trial.isPresent();
    }

    /** What came of a refresh: of the act that asked for it, else of the files. */
    private static String news(Optional<Outcome> before, Outcome now, String done) {
        if (done.isEmpty() || before.isEmpty()) {
            return now.changed().sentence();
        }
        String act = Character.toUpperCase(done.charAt(0)) + done.substring(1);
        return act + ": " + Effect.between(before.get(), now) + "."
                + (filesChanged(now) ? " " + now.changed().sentence() : "");
    }

    private static boolean filesChanged(Outcome now) {
        return !now.changed().files().equals(Changed.Files.SAME);
    }

    /** Whatever was decided while work was under way is not forgotten: after its end, however it ended, the master follows. */
    private void followDecisions() {
        if (!history.now().withDeliveries(List.of()).equals(shown.withDeliveries(List.of()))) {
            refresh();
        }
    }

    /** Begins work of its own, whose end is told once it is over; the master follows what was decided meanwhile. */
    <T> void begin(Work.Task<T> task, Consumer<Work.State<T>> ended) {
        work.set(Optional.of(Work.<T>start(task, worker, ui, state -> {
            work.set(Optional.empty());
            ended.accept(state);
            followDecisions();
        })));
    }

    void tell(Message told) {
        message.set(told);
    }

    /** Stops the work under way. */
    public void cancel() {
        work.get().ifPresent(Work::cancel);
    }

    /** Takes a job that was as the present one, as one act; the master follows. */
    void bringBack(Job then, String act) {
        step(then, act);
        refresh();
    }

    /** Keeps how the columns of the master stand in the window; the master stays as it is. */
    public void keepLook(ColumnLook look) {
        boolean followed = history.now().equals(shown);
        Choice.Words words = look.choice().words();
        step(
                look.placed().isEmpty()
                        ? history.now().withoutSettled(words.kind(), words.subject())
                        : history.now()
                                .withSettled(new Decision(words.kind(), words.subject(), words.answer(), BY_HAND, "")));
        pending = followed ? "" : pending;
        shown = followed ? history.now() : shown;
    }

    Set<String> columnNames() {
        Set<String> names = new HashSet<>(history.now().columns());
        outcome.get().ifPresent(made -> {
            made.proposal().plan().columns().forEach(column -> names.add(column.name()));
            made.proposal().plan().tags().forEach(tag -> names.add(tag.name()));
            made.proposal().made().forEach(each -> names.add(each.name()));
        });
        return names;
    }

    static String freeName(Set<String> names, String wanted) {
        String name = wanted;
        for (int copy = 2; names.contains(name); copy++) {
            name = wanted + " " + copy;
        }
        return name;
    }

    /** A word to the analyst, under the ledger. */
    public void say(String text, boolean failure) {
        message.set(failure ? Message.failure(text) : Message.news(text));
    }

    void take(Job next) {
        if (!next.equals(history.now())) {
            step(next);
            refresh();
        }
    }

    /** What has been done with the job, the first first. */
    public List<JobHistory.Entry> history() {
        return session.history().entries();
    }

    public void undo() {
        if (history.canUndo()) {
            pending = "taken back: " + history.lastAct();
        }
        history.undo();
        followHistory();
    }

    public void redo() {
        if (history.canRedo()) {
            pending = "done again: " + history.undoneAct();
        }
        history.redo();
        followHistory();
    }

    private void followHistory() {
        show();
        refresh();
    }

    void step(Job next) {
        step(next, Acts.between(history.now(), next, Called.in(outcome.get())));
    }

    private void step(Job next, String act) {
        if (!next.equals(history.now())) {
            pending = act;
            history.step(next, pending);
            show();
        }
    }

    /** Saves the job in its file. */
    public void save() {
        saveAs(file);
    }

    /** Saves the job in a file; its places are then relative to that. */
    public void saveAs(Path target) {
        if (refusedInTrial()) {
            return;
        }
        try {
            Path before = file.toAbsolutePath().normalize();
            Path oldFolder = before.getParent();
            Path newFolder = target.toAbsolutePath().normalize().getParent();
            UnaryOperator<Job> moved = oldFolder == null || newFolder == null
                    ? UnaryOperator.identity()
                    : new JobMove(oldFolder, newFolder)::of;
            Job now = moved.apply(history.now());
            String name = target.getFileName().toString().replaceFirst("(?i)\\.cuvee$", "");
            if (!saved) {
                now = now.withName(name);
            }
            JobFile.save(now, target);
            history.replaceAll(moved);
            history.amend(now);
            file = target;
            if (!before.equals(target.toAbsolutePath().normalize())) {
                // Work under way goes on from the old folder; what is shown is asked for anew after it.
                worker.execute(() -> session.moveTo(target));
            }
            if (!Objects.equals(oldFolder, newFolder)) {
                refresh();
            }
            saved = true;
            savedJob = now;
            recent.opened(target, now.name());
            message.set(new Message("Saved: " + target.getFileName() + ".", Message.Kind.DONE));
            show();
        } catch (CuveeException failed) {
            tell("Saving", failed);
        }
    }

    void tell(String what, Throwable why) {
        tell(Message.failed(what, why));
    }

    private void show() {
        Job now = history.now();
        boolean dirty = !saved || !now.equals(savedJob);
        job.set(now);
        unsaved.set(dirty);
        title.set(now.name() + (dirty ? " *" : ""));
        lastAct.set(history.lastAct());
        undoneAct.set(history.undoneAct());
        canUndo.set(history.canUndo());
    }

    /** Stops the work and gives the store back. */
    @Override
    public void close() {
        if (closed) {
            return;
        }
        closed = true;
        cancel();
        trial.ifPresent(left -> worker.execute(left.session()::close));
        worker.execute(session::close);
        worker.close();
    }

    /** True once the job was closed. */
    public boolean isClosed() {
        return closed;
    }

    /** Waits until everything has come to an end after {@link #close}. */
    public boolean awaitClosed(long millis) throws InterruptedException {
        return worker.awaitEnd(millis);
    }
}
