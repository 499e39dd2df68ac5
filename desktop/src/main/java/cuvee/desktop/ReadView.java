package cuvee.desktop;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.TableColumn;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.gather.ReadingDecisions;
import cuvee.job.Decision;
import cuvee.layout.PlacedTable;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.model.ReadingEdit;
import cuvee.model.SheetGrid;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * The sheets as people see them, each row bracketed by what it was taken for. A bracket is corrected by dragging its
 * border, or by saying what the selected rows are; what that would change is shown before it is taken.
 */
final class ReadView extends VBox implements JobFrame.HasQuestions {
    private static final double LIST_WIDTH = 344;
    private final GridView list = new GridView("read-list");
    private final GridView sheet = new GridView("read-sheet");
    private final Label says = Pieces.label("", "says");
    private final ToggleGroup ends = new ToggleGroup();
    private final ToggleButton bothEnds = new ToggleButton("both ends");
    private final ToggleButton allLines = new ToggleButton("all lines");
    private final Label name = Pieces.label("", "bold");
    private final Label why = Pieces.wrapped("", "second");
    private final Label effect = new Label();
    private final Label selection = new Label();
    private final SheetRuleBar rule;
    private final Button take = new Button("Take it for this sheet");
    private final Button takeForLayout = new Button("Take it for its layout");
    private final Button leave = new Button("Leave it");
    private final Button inOrOut = Pieces.button("Leave the sheet out", "read-in-or-out", this::switchSheet);
    /** Longer sheets are hardly forms with one record. */
    private static final int MOST_ROWS_OF_A_FORM = 80;

    private final Button asForm = new Button("Read it as a form");
    private final Button asTable = new Button("Read it as a table");
    private final Button asFound = new Button("Read it as found");
    private final VBox choice = new VBox(6);
    private final VBox shape = new VBox(2);
    private final FlowPane rows = new FlowPane(10, 6);
    private final Button turn = new Button("Turn the columns into rows");
    private final JobModel model;
    private final BiConsumer<Question, JobFrame.Spot> openSlip;
    private final Executor ui;
    private @Nullable ListGrid<Grids.ReadLine> lines;
    private @Nullable SheetGrid shown;
    private Optional<ReadingEdit> edit = Optional.empty();

    ReadView(JobModel model, Executor ui, BiConsumer<Question, JobFrame.Spot> openSlip) {
        this.model = model;
        this.openSlip = openSlip;
        this.ui = ui;
        rule = new SheetRuleBar(model);
        rule.setOnTrial(this::showTrial);
        setId("read");
        list.setEmptyWords("No table has been found yet.");
        list.setOnSelect((row, column) -> choose(row));
        list.setOnOpen((row, column) -> marked(row));
        list.setOnMark((row, column) -> marked(row));
        says.setMinWidth(0);
        VBox left = new VBox(rule, list);
        VBox.setVgrow(list, Priority.ALWAYS);
        Edge.of(left, HPos.RIGHT, LIST_WIDTH);

        sheet.setEmptyWords("Choose a sheet on the left to see how it was read.");
        sheet.setOnBracket((border, target) ->
                propose(current().flatMap(each -> ReadingEdit.border(each, sheetRow(border), sheetRow(target)))));
        sheet.setOnSelect((row, column) -> tellSelection());
        sheet.setOnOpen((row, column) -> opened(row));
        sheet.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        name.setMinWidth(0);
        HBox head = Pieces.row(12, name, Pieces.space(), inOrOut);
        VBox about = new VBox(1, head, why, shape);
        about.getStyleClass().add("view-head");
        VBox right = new VBox(about, sheet, foot());
        VBox.setVgrow(sheet, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        right.setMinWidth(0);
        right.getStyleClass().add("read-sheet-side");
        for (ToggleButton face : List.of(bothEnds, allLines)) {
            face.getStyleClass().setAll("toggle-button", "face");
            face.setToggleGroup(ends);
        }
        bothEnds.setId("read-both-ends");
        bothEnds.setSelected(true);
        bothEnds.setOnAction(e -> showBothEnds(true));
        allLines.setId("read-all-lines");
        allLines.setOnAction(e -> showBothEnds(false));
        HBox standing = Pieces.row(
                14,
                says,
                Pieces.space(),
                Pieces.label("Drag a bracket, or choose lines and press H, R, T, N or L", "second"),
                bothEnds,
                allLines);
        standing.getStyleClass().add("standing");
        HBox both = new HBox(left, right);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().addAll(standing, both);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        show(model.outcomeProperty().get());
    }

    GridView list() {
        return list;
    }

    private int sheetRow(long line) {
        SheetGrid now = shown;
        return now == null || now.rows() == 0 ? (int) line + 1 : now.sheetRow(line);
    }

    /** Shows both ends of long tables, or all lines; what was selected stays. */
    private void showBothEnds(boolean wanted) {
        bothEnds.setSelected(wanted);
        allLines.setSelected(!wanted);
        SheetGrid now = shown;
        if (now != null) {
            int row = sheetRow(sheet.selectedRow());
            now.showBothEnds(wanted);
            sheet.setModel(now);
            sheet.select(now.lineOf(row), sheet.selectedColumn());
        }
    }

    /** The question at a sheet opens its slip there. */
    private void marked(long row) {
        ListGrid<Grids.ReadLine> now = lines;
        if (now != null && row < now.rows()) {
            model.outcomeProperty()
                    .get()
                    .flatMap(made -> Grids.question(made, now.item(row)))
                    .ifPresent(question -> openSlip.accept(question, new JobFrame.Spot(list, row, 0)));
        }
    }

    /** A folded line unfolds. */
    private void opened(long line) {
        SheetGrid now = shown;
        if (now != null && now.isFolded(line)) {
            showBothEnds(false);
        }
    }

    GridView sheet() {
        return sheet;
    }

    /** Goes to the first sheet with lines that are no records. */
    void showAside() {
        ListGrid<Grids.ReadLine> now = lines;
        for (long row = 0; now != null && row < now.rows(); row++) {
            boolean lossy = now.item(row)
                    .sheet()
                    .filter(each -> each.tables().stream()
                            .anyMatch(table -> !table.table().setAside().isEmpty()))
                    .isPresent();
            if (lossy) {
                list.select(row, 0);
                return;
            }
        }
    }

    @Override
    public Optional<JobFrame.Spot> spot(Question question) {
        if (question.where().source().isEmpty()) {
            return Optional.empty();
        }
        go(question.where());
        return Optional.of(
                new JobFrame.Spot(sheet, Math.max(0, sheet.selectedRow()), Math.max(0, sheet.selectedColumn())));
    }

    private VBox foot() {
        selection.getStyleClass().add("second");
        selection.setMinWidth(108);
        rows.setAlignment(Pos.CENTER_LEFT);
        turn.setId("read-turn");
        turn.getStyleClass().add("go");
        turn.setTooltip(new Tooltip("The column that is selected and those before it stay; so do they next month"));
        turn.setOnAction(e -> tableToTurn().ifPresent(table -> model.rules().turnAfter(table, sheet.selectedColumn())));
        rows.getChildren()
                .addAll(
                        selection,
                        rowButton("Header", "H", () -> rowsAre(Optional.of(RowClass.HEADER))),
                        rowButton("Record", "R", () -> rowsAre(Optional.empty())),
                        rowButton("Total", "T", () -> rowsAre(Optional.of(RowClass.TOTAL))),
                        rowButton("Note", "N", () -> rowsAre(Optional.of(RowClass.NOTE))),
                        rowButton("Last row", "L", this::endHere),
                        asTable,
                        asForm,
                        turn,
                        asFound);
        asForm.setId("read-as-form");
        asForm.setTooltip(new Tooltip("It holds one record: labels with their values beside or below them"));
        asForm.setOnAction(e -> propose(current().map(ReadingEdit::asForm)));
        asTable.setId("read-as-table");
        asTable.setTooltip(new Tooltip("It is no form with one record, but a table"));
        asTable.setOnAction(e -> propose(current().map(ReadingEdit::asTable)));
        asFound.setId("read-as-found");
        asFound.getStyleClass().add("go");
        asFound.setTooltip(new Tooltip("Forget what was put by hand for this sheet"));
        asFound.setOnAction(e -> current()
                .ifPresent(each -> model.answers().decideReading(each.subject(), cuvee.detect.Reading.DEFAULT)));
        take.setId("read-take");
        take.getStyleClass().add("chief");
        take.setOnAction(e -> take(false));
        takeForLayout.setId("read-take-layout");
        takeForLayout.setOnAction(e -> take(true));
        leave.setId("read-leave");
        leave.getStyleClass().add("go");
        leave.setOnAction(e -> propose(Optional.empty()));
        effect.setId("read-effect");
        effect.setWrapText(true);
        effect.setMinWidth(0);
        effect.setMinHeight(USE_PREF_SIZE);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox buttons = new HBox(8, space, leave, takeForLayout, take);
        buttons.setAlignment(Pos.CENTER_RIGHT);
        choice.getChildren().addAll(effect, buttons);
        for (Button button : List.of(leave, takeForLayout, take)) {
            button.setMinWidth(USE_PREF_SIZE);
        }
        VBox foot = new VBox(6, rows, choice);
        foot.getStyleClass().add("view-foot");
        propose(Optional.empty());
        return foot;
    }

    private void switchSheet() {
        current()
                .ifPresent(
                        each -> model.files().decideSheet(each, !each.reason().isEmpty()));
    }

    private static Button rowButton(String text, String key, Runnable action) {
        Button button = new Button(text);
        button.setId("read-" + text.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
        button.setTooltip(
                new Tooltip("The selected rows are: " + text.toLowerCase(java.util.Locale.ROOT) + " (" + key + ")"));
        button.setOnAction(e -> action.run());
        return button;
    }

    private void key(KeyEvent e) {
        if (e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        switch (e.getCode()) {
            case H -> rowsAre(Optional.of(RowClass.HEADER));
            case R -> rowsAre(Optional.empty());
            case T -> rowsAre(Optional.of(RowClass.TOTAL));
            case N -> rowsAre(Optional.of(RowClass.NOTE));
            case L -> endHere();
            case ESCAPE -> propose(Optional.empty());
            default -> {
                if (e.getCode() == KeyCode.ENTER && edit.isPresent()) {
                    take(false);
                    break;
                }
                return;
            }
        }
        e.consume();
    }

    // ---- what is shown ----

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            long tables = made.sources().stream()
                    .mapToLong(source -> source.tables().size())
                    .sum();
            says.setText(Says.count(tables, "table") + " read: " + Says.count(made.seen(), "line") + " seen, "
                    + Says.number(made.kept()) + " kept, " + Says.number(made.seen() - made.kept()) + " set aside.");
            Optional<String> before = current().map(ReadSheet::subject);
            shownSubject(Optional.empty());
            list(Grids.read(made), before);
        });
    }

    private void list(ListGrid<Grids.ReadLine> now, Optional<String> subject) {
        lines = now;
        list.setModel(now);
        list.select(rowOf(now, subject), 0);
    }

    /** While a rule about sheets is tried out the list tells what it finds in each file. */
    private void showTrial(Optional<ListGrid<Grids.ReadLine>> finds) {
        model.outcomeProperty()
                .get()
                .ifPresent(made ->
                        list(finds.orElseGet(() -> Grids.read(made)), current().map(ReadSheet::subject)));
    }

    private static long rowOf(ListGrid<Grids.ReadLine> lines, Optional<String> subject) {
        long first = -1;
        for (long row = 0; row < lines.rows(); row++) {
            Optional<ReadSheet> here = lines.item(row).sheet();
            if (here.isPresent()) {
                first = first < 0 ? row : first;
                if (subject.isEmpty() || here.get().subject().equals(subject.get())) {
                    return row;
                }
            }
        }
        return Math.max(0, first);
    }

    /** Goes to a sheet, and to a row of it. */
    void go(Where where) {
        ListGrid<Grids.ReadLine> there = lines;
        if (there != null) {
            list.select(rowOf(there, Optional.of(ReadingDecisions.subject(where.source(), where.sheet()))), 0);
            if (where.row() > 0) {
                SheetGrid now = shown;
                if (now != null && now.isFolded(now.lineOf(where.row()))) {
                    showBothEnds(false);
                }
                sheet.select(now == null ? where.row() - 1L : now.lineOf(where.row()), Math.max(0, where.column() - 1));
            }
        }
    }

    private Optional<ReadSheet> current() {
        SheetGrid now = shown;
        return now == null ? Optional.empty() : Optional.of(now.sheet());
    }

    private void shownSubject(Optional<SheetGrid> next) {
        SheetGrid before = shown;
        shown = next.orElse(null);
        if (before != null) {
            before.close();
        }
    }

    private void choose(long row) {
        ListGrid<Grids.ReadLine> now = lines;
        if (now == null || row >= now.rows()) {
            return;
        }
        Optional<ReadSheet> chosen = now.item(row).sheet();
        if (chosen.isEmpty() || chosen.equals(current())) {
            return;
        }
        SheetGrid grid = new SheetGrid(model.session(), chosen.get(), ui);
        grid.showBothEnds(bothEnds.isSelected());
        Pieces.show(bothEnds, grid.isLong());
        Pieces.show(allLines, grid.isLong());
        shownSubject(Optional.of(grid));
        sheet.setModel(grid);
        sheet.select(grid.lineOf((int) firstHeader(chosen.get()) + 1), 0);
        name.setText(chosen.get().source()
                + (chosen.get().name().isEmpty()
                        ? ""
                        : ", sheet " + chosen.get().name()));
        why.setText(why(chosen.get()));
        showShape(chosen.get());
        rule.around(chosen);
        asFound.setDisable(chosen.get().reading().words().isEmpty());
        inOrOut.setText(chosen.get().reason().isEmpty() ? "Leave the sheet out" : "Take the sheet in");
        inOrOut.setDisable(chosen.get().tables().isEmpty());
        propose(Optional.empty());
    }

    /** What happens to the cells of the sheet's tables besides being rows of the master; switched here as in Rework. */
    private void showShape(ReadSheet chosen) {
        shape.getChildren().clear();
        List<Integer> tables = chosen.tables().stream().map(PlacedTable::id).toList();
        List<Sentence> sentences =
                model.outcomeProperty().get().map(Sentences::of).orElse(List.of());
        for (Sentence sentence : sentences) {
            if (sentence.paragraph() == Sentence.Paragraph.SHAPE
                    && sentence.tables().stream().anyMatch(tables::contains)) {
                String names = String.join(", ", sentence.names());
                CheckBox on = new CheckBox(sentence.text() + (names.isEmpty() ? "" : " " + names));
                on.setId("shape-" + Decision.idOf(sentence.kind(), sentence.subject()));
                on.setSelected(sentence.on());
                on.setTooltip(new Tooltip(sentence.touched() + "; for all tables of this layout"));
                on.setOnAction(e -> model.rules().decideSentence(sentence, on.isSelected()));
                shape.getChildren().add(on);
            }
        }
    }

    private static long firstHeader(ReadSheet sheet) {
        return sheet.tables().stream()
                .flatMap(table -> table.table().headerRows().stream())
                .findFirst()
                .map(row -> row - 1L)
                .orElse(0L);
    }

    private static String why(ReadSheet sheet) {
        if (sheet.tables().isEmpty()) {
            return "Not in the master: " + sheet.reason() + ".";
        }
        String aside = sheet.reason().isEmpty() ? "" : "Not in the master: " + sheet.reason() + ". ";
        List<FoundTable> records =
                sheet.tables().stream().map(PlacedTable::table).toList();
        return aside
                + (records.size() > 1 && records.stream().allMatch(FoundTable::isForm)
                        ? sentence(records.get(0)) + Says.count(records.size(), "record") + " of "
                                + Says.count(records.get(0).columns().size(), "field") + ", a row each."
                        : records.stream().map(ReadView::kept).collect(Collectors.joining(" ")));
    }

    private static String sentence(FoundTable table) {
        String reason = table.reason() + (table.reason().endsWith(".") ? " " : ". ");
        return Character.toUpperCase(reason.charAt(0)) + reason.substring(1);
    }

    private static String kept(FoundTable table) {
        String kept = table.isForm()
                ? Says.count(table.columns().size(), "field") + " kept as 1 row"
                : Says.count(table.kept(), "row") + " kept";
        String aside = Grids.aside(table);
        return sentence(table) + kept + (aside.isEmpty() ? "" : "; set aside: " + aside) + ".";
    }

    /** True for a sheet that is small enough to be a form. */
    private static boolean mayBeForm(ReadSheet each) {
        return each.lastRow() <= MOST_ROWS_OF_A_FORM;
    }

    // ---- what is changed ----

    private void tellSelection() {
        boolean form = current().stream()
                .flatMap(each -> each.tables().stream())
                .anyMatch(table -> table.table().isForm());
        rows.getChildren().stream()
                .filter(button -> String.valueOf(button.getId()).matches("read-(header|record|total|note|last-row)"))
                .forEach(button -> Pieces.show(button, !form));
        Pieces.show(asTable, form);
        Pieces.show(asForm, !form && current().filter(ReadView::mayBeForm).isPresent());
        if (form) {
            boolean several = current().filter(each -> each.tables().size() > 1).isPresent();
            selection.setText(
                    several
                            ? "Labels with the values of several records, each a row of the master."
                            : "A form: one record, each label with its value beside it.");
            Pieces.show(turn, false);
            return;
        }
        long[] selected = sheet.selectedRows();
        selection.setText(
                selected[0] == selected[1]
                        ? "Row " + Says.number(sheetRow(selected[0])) + " is:"
                        : "Rows " + Says.number(sheetRow(selected[0])) + " to " + Says.number(sheetRow(selected[1]))
                                + " are:");
        Optional<String> last = lastThatStays();
        Pieces.show(turn, last.isPresent());
        turn.setText("Turn the columns after " + Says.quoted(last.orElse("")) + " into rows");
    }

    /** The table in which the selected cell lies, where it has columns behind that cell. */
    private Optional<PlacedTable> tableToTurn() {
        int row = sheetRow(sheet.selectedRow());
        int column = sheet.selectedColumn();
        return current().stream()
                .flatMap(each -> each.tables().stream())
                .filter(table ->
                        table.table().firstRow() <= row && row <= table.table().lastRow())
                .filter(table -> table.table().firstColumn() <= column
                        && column < table.table().lastColumn())
                .findFirst();
    }

    private Optional<String> lastThatStays() {
        return tableToTurn()
                .flatMap(table -> table.table().columns().stream()
                        .filter(column -> column.index() == sheet.selectedColumn())
                        .map(TableColumn::header)
                        .findFirst());
    }

    private void rowsAre(Optional<RowClass> what) {
        long[] selected = sheet.selectedRows();
        propose(current()
                .flatMap(each -> ReadingEdit.rowsAre(each, sheetRow(selected[0]), sheetRow(selected[1]), what)));
    }

    private void endHere() {
        long[] selected = sheet.selectedRows();
        propose(current().map(each -> ReadingEdit.endsAt(each, sheetRow(selected[1]))));
    }

    /** Shows what a change would do; it is not taken yet. */
    private void propose(Optional<ReadingEdit> change) {
        edit = change;
        Pieces.show(choice, change.isPresent());
        SheetGrid grid = shown;
        if (grid == null) {
            return;
        }
        if (change.isEmpty()) {
            grid.showAsRead();
            return;
        }
        effect.setText("Trying it out.");
        Pieces.show(takeForLayout, change.get().forLayout().isPresent());
        model.answers().tryOut(grid.sheet(), change.get().reading(), found -> {
            if (edit.equals(change) && grid.equals(shown)) {
                effect.setText(ReadingEdit.effect(grid.sheet(), found));
                grid.show(found);
            }
        });
    }

    private void take(boolean forLayout) {
        Optional<ReadSheet> now = current();
        if (now.isEmpty() || edit.isEmpty()) {
            return;
        }
        ReadingEdit taken = edit.get();
        propose(Optional.empty());
        if (forLayout
                && taken.forLayout().isPresent()
                && !now.get().signatures().isEmpty()) {
            model.answers()
                    .decideReading(
                            now.get().signatures().get(0), taken.forLayout().get());
        } else {
            model.answers().decideReading(now.get().subject(), taken.reading());
        }
    }

    void close() {
        shownSubject(Optional.empty());
    }
}
