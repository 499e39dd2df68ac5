package cuvee.desktop;

import cuvee.finding.Question;
import cuvee.layout.Layout;
import cuvee.model.BoardGrid;
import cuvee.model.JobModel;
import cuvee.model.Landing;
import cuvee.model.Questions;
import cuvee.model.Stage;
import cuvee.place.Says;
import cuvee.propose.NewColumns;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import javafx.geometry.VPos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * The board: layouts down, the master's columns across, in each cell the header as the layout spells it. A layout opens
 * into its tables; a question stands at its cell. What is done to the chosen column or header stands below, as a sentence
 * of words that can be changed, and goes by keys too.
 */
final class LineUpView extends VBox implements JobFrame.HasQuestions {
    private static final int BEFORE = BoardGrid.BEFORE;
    private static final String LATER = "Columns that come later:";
    private static final double LEAST_ROOM = 1200;
    private static final double LEAST_BESIDE_FACTS = 700;

    private final JobModel model;
    private final GridView grid = new GridView("line-up-grid");
    private final Label says = Pieces.label("", "says");
    private final Label beyond = Pieces.label("", "second");
    private final FactsSide factsSide;
    private final BiConsumer<Question, JobFrame.Spot> openSlip;
    private final Label about = Pieces.label("");
    private final Label facts = Pieces.label("", "second");
    private final TextField name = new TextField();
    private final Label typed = Pieces.label("type", "second");
    private final MenuButton type = Pieces.slot("board-type");
    private final MenuButton unite = Pieces.slot("board-unite");
    private final Button split;
    private final Button open;
    private final FlowPane leftOut = new FlowPane(12, 4);
    private final SlipLayer slips;
    private final FlowPane hands = new FlowPane(12, 6);
    private final MenuButton filter = Pieces.slot("board-filter");
    private final MenuButton laterColumns = Pieces.slot("board-later");
    private BoardGrid.Filter filtered = BoardGrid.Filter.ALL;
    private final Set<String> opened = new HashSet<>();
    private final Map<Integer, List<String>> firsts = new HashMap<>();
    private @Nullable BoardGrid board;
    /** True where the window has room for the whole names of layouts. */
    private boolean roomy;

    private List<Integer> shown = List.of();
    private String adding = "";
    private String chosen = "";
    /** The header that was cut, to be put on another column. */
    private Optional<JobFrame.Spot> cut = Optional.empty();

    LineUpView(JobModel model, FactsSide factsSide, SlipLayer slips, BiConsumer<Question, JobFrame.Spot> openSlip) {
        this.model = model;
        this.slips = slips;
        this.factsSide = factsSide;
        this.openSlip = openSlip;
        split = Pieces.go(
                "Make it a column of its own",
                "board-split",
                () -> header().ifPresent(header -> model.board().splitHeader(header.key(), header.header())));
        open = Pieces.go("Open its tables", "board-open", this::toggleLayout);
        setId("line-up");
        grid.setEmptyWords("No layout has been found yet.");
        grid.setOnSelect((row, column) -> {
            tell();
            followFacts();
        });
        grid.setOnOpen(this::opened);
        grid.setOnMark(this::marked);
        grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        grid.setOnCarried(this::carried);
        grid.setOnHead((column, more) -> grid.select(Math.max(0, grid.selectedRow()), column));
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().addAll(head(), grid, foot());
        model.outcomeProperty().addListener((o, before, now) -> {
            firsts.clear();
            show(now);
        });
        show(model.outcomeProperty().get());
    }

    GridView grid() {
        return grid;
    }

    /** Facts that are open go on to the chosen column, while this is the stage that is looked at. */
    void followFacts() {
        if (getScene() != null) {
            factsSide.follow(at(grid.selectedColumn()));
        }
    }

    /** What the board shows, which columns of it, and what becomes of those that appear later. */
    private HBox head() {
        for (BoardGrid.Filter each : BoardGrid.Filter.values()) {
            filter.getItems().add(Pieces.item(each.words(), "", () -> {
                filtered = each;
                show(model.outcomeProperty().get());
            }));
        }
        for (NewColumns.Policy policy : NewColumns.Policy.values()) {
            laterColumns
                    .getItems()
                    .add(Pieces.item(policy.words(), "", () -> model.board().decideNewColumns(policy)));
        }
        Button add = Pieces.button(
                "Add a column", "board-add", () -> adding = model.board().addColumn());
        add.setTooltip(new Tooltip("A column that no source has so far; name it with F2"));
        says.setMinWidth(0);
        beyond.setMinWidth(0);
        beyond.textProperty().bind(grid.beyondProperty());
        Label later = Pieces.label(LATER, "second");
        later.setMinWidth(USE_PREF_SIZE);
        Label show = Pieces.label("Show", "second");
        show.setMinWidth(USE_PREF_SIZE);
        HBox head = Pieces.row(10, says, beyond, Pieces.space(), show, filter, later, laterColumns, add);
        head.getStyleClass().add("standing");
        widthProperty().addListener((o, before, now) -> {
            boolean narrow = now.doubleValue() < LEAST_ROOM;
            later.setText(narrow ? "Later:" : LATER);
            Pieces.show(beyond, !narrow);
            boolean facts = now.doubleValue() < LEAST_BESIDE_FACTS;
            Pieces.show(later, !facts);
            Pieces.show(laterColumns, !facts);
            boolean isRoomy = getScene() != null && getScene().getWidth() >= JobFrame.WIDE;
            if (isRoomy != roomy) {
                roomy = isRoomy;
                show(model.outcomeProperty().get());
                grid.forgetWidths();
            }
        });
        return head;
    }

    private VBox foot() {
        about.setId("board-about");
        about.setMinWidth(USE_PREF_SIZE);
        facts.setMinWidth(0);
        name.setId("board-name");
        name.setPrefColumnCount(13);
        name.setTooltip(new Tooltip("Another name for the column (F2); Enter takes it"));
        name.setOnAction(e -> {
            model.board().renameColumn(chosen, name.getText());
            grid.requestFocus();
        });
        name.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                name.setText(chosen);
            }
        });
        for (Type each : Type.values()) {
            type.getItems().add(Pieces.item(each.word(), "", () -> model.board().decideType(chosen, each)));
        }
        unite.setText("Unite it with another column");
        Button earlier = Pieces.go("To the left", "board-left", () -> move(-1));
        earlier.setTooltip(new Tooltip("Ctrl+Left"));
        Button later = Pieces.go("To the right", "board-right", () -> move(1));
        later.setTooltip(new Tooltip("Ctrl+Right"));
        Button out = Pieces.go("Leave it out", "board-out", () -> model.board().leaveOutColumn(chosen, true));
        out.setTooltip(new Tooltip("Delete"));
        Button factsButton =
                Pieces.button("Column facts", "F4", "board-facts", () -> factsSide.toggle(at(grid.selectedColumn())));
        hands.getChildren()
                .addAll(
                        Pieces.label("Name", "second"),
                        name,
                        typed,
                        type,
                        unite,
                        split,
                        earlier,
                        later,
                        out,
                        factsButton);
        hands.setRowValignment(VPos.CENTER);
        VBox foot = new VBox(6, Pieces.row(12, about, facts, Pieces.space(), open), hands, leftOut);
        foot.getStyleClass().add("view-foot");
        return foot;
    }

    private void key(KeyEvent event) {
        boolean handled = true;
        if (event.isShortcutDown() && event.getCode() == KeyCode.LEFT) {
            move(-1);
        } else if (event.isShortcutDown() && event.getCode() == KeyCode.RIGHT) {
            move(1);
        } else if (event.getCode() == KeyCode.F4 && column().isPresent()) {
            factsSide.toggle(at(grid.selectedColumn()));
        } else if (event.getCode() == KeyCode.F2) {
            name.requestFocus();
            name.selectAll();
        } else if (event.getCode() == KeyCode.DELETE && hands.isVisible()) {
            model.board().leaveOutColumn(chosen, true);
        } else if (event.isShortcutDown() && event.getCode() == KeyCode.X) {
            cut = Optional.of(new JobFrame.Spot(grid, grid.selectedRow(), grid.selectedColumn()));
            model.say("Choose the column that it feeds and press Ctrl+V.", false);
        } else if (event.isShortcutDown() && event.getCode() == KeyCode.V && cut.isPresent()) {
            JobFrame.Spot from = cut.get();
            cut = Optional.empty();
            carried(from.row(), from.column(), grid.selectedColumn());
        } else {
            handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    // ---- layouts that are opened, questions ----

    /** Enter or a double press: a question opens its slip, a layout its tables. */
    private void opened(long row, int column) {
        if (!marked(row, column)) {
            toggleLayout();
        }
    }

    private boolean marked(long row, int column) {
        BoardGrid now = board;
        Optional<Question> question = now == null ? Optional.empty() : now.question(row, column);
        question.ifPresent(asked -> openSlip.accept(asked, new JobFrame.Spot(grid, row, column)));
        return question.isPresent();
    }

    private void toggleLayout() {
        BoardGrid now = board;
        if (now == null || grid.selectedRow() >= now.rows()) {
            return;
        }
        Layout layout = now.line(grid.selectedRow()).layout();
        if (!opened.remove(layout.signature())) {
            opened.add(layout.signature());
            model.ask(outcome -> BoardGrid.firstRecords(model.session(), outcome, layout), found -> {
                firsts.putAll(found);
                show(model.outcomeProperty().get());
            });
        }
        show(model.outcomeProperty().get());
        now = board;
        for (long row = 0; now != null && row < now.rows(); row++) {
            if (now.line(row).layout().equals(layout)) {
                grid.select(row, grid.selectedColumn());
                return;
            }
        }
    }

    /** Goes to a column by its name. */
    void goTo(String column) {
        filtered = BoardGrid.Filter.ALL;
        show(model.outcomeProperty().get());
        model.outcomeProperty().get().ifPresent(made -> {
            int place = columnNamed(made, column);
            if (place >= 0) {
                grid.select(Math.max(0, grid.selectedRow()), place);
                grid.requestFocus();
            }
        });
    }

    @Override
    public Optional<JobFrame.Spot> spot(Question question) {
        filtered = BoardGrid.Filter.ALL;
        show(model.outcomeProperty().get());
        BoardGrid now = board;
        return now == null ? Optional.empty() : now.placeOf(question).map(at -> new JobFrame.Spot(grid, at[0], at[1]));
    }

    /** A column put on a column is one with it; a header put on a column feeds that one. */
    private void carried(long row, int from, int to) {
        Optional<Outcome> made = model.outcomeProperty().get();
        BoardGrid now = board;
        if (made.isEmpty() || now == null || from < BEFORE || to < BEFORE || from == to) {
            return;
        }
        Proposal proposal = made.get().proposal();
        String column = proposal.columns().get(at(from)).name();
        String target = proposal.columns().get(at(to)).name();
        boolean beside = !proposal.hasCells(at(from)) || !proposal.hasCells(at(to));
        if (beside || proposal.isTag(column) || proposal.isTag(target)) {
            model.say("Tags and made columns have no headers to put together with others. Nothing was changed.", false);
            return;
        }
        if (row < 0) {
            landed(
                    Landing.of(made.get(), column, target),
                    to,
                    () -> model.board().uniteColumns(column, target));
            return;
        }
        BoardGrid.header(made.get(), now.line(row).layout(), column).ifPresent(header -> {
            Landing landing = Landing.of(made.get(), now.line(row).layout(), column, target);
            grid.select(row, to);
            BoardGrid.Line line = now.line(row);
            if (landing instanceof Landing.Filled filled) {
                BoardGrid.Header other = new BoardGrid.Header(filled.key(), filled.header(), false, List.of());
                askFilled(made.get(), line, row, to, header, column, other, target);
            } else if (!also(made.get(), line, header).isEmpty()) {
                String kinds = landing instanceof Landing.OtherKind differ ? " " + differ.said() : "";
                askHere(made.get(), line, row, to, header, target, kinds);
            } else {
                landed(landing, to, () -> model.board().splitHeader(header.key(), target));
            }
        });
    }

    /** Takes what was put on a column; where values of another kind would come together, a slip asks first. */
    private void landed(Landing landing, int to, Runnable take) {
        if (landing instanceof Landing.Beside beside) {
            model.say(beside.said(), false);
        } else if (landing instanceof Landing.OtherKind other) {
            slip(
                    Math.max(0, grid.selectedRow()),
                    to,
                    "Put it there all the same?",
                    other.said(),
                    Pieces.chief(Pieces.button("Put it there", "landing-take", folding(take))));
        } else {
            take.run();
        }
    }

    /** Asks what becomes of the header that feeds the column already. */
    private void askFilled(
            Outcome made,
            BoardGrid.Line line,
            long row,
            int to,
            BoardGrid.Header header,
            String column,
            BoardGrid.Header other,
            String target) {
        String there = Says.quoted(other.header());
        String also = also(made, line, header) + also(made, line, other);
        boolean elsewhere = !also.isEmpty();
        Button here = Pieces.button(
                "Exchange the two here",
                "landing-exchange-here",
                folding(() -> model.board().exchangeHeadersHere(line, header, other)));
        Button everywhere = Pieces.button(
                elsewhere ? "Exchange them everywhere" : "Exchange the two",
                "landing-exchange",
                folding(() -> model.board().exchangeHeaders(header.key(), target, other.key(), column)));
        Button own = Pieces.button(
                "Make " + there + " a column of its own",
                "landing-own",
                folding(() -> model.board().putInPlaceOf(header.key(), target, other.key(), other.header())));
        slip(
                row,
                to,
                there + " feeds " + target + " here already.",
                "What becomes of it when " + Says.quoted(header.header()) + " does?" + also,
                elsewhere
                        ? new Button[] {Pieces.chief(here), everywhere, own}
                        : new Button[] {Pieces.chief(everywhere), own});
    }

    /** Asks whether a header that other tables have too is to feed the column there as well. */
    private void askHere(
            Outcome made, BoardGrid.Line line, long row, int to, BoardGrid.Header header, String target, String kinds) {
        String as = BoardGrid.headerOf(made, target, line.layout()).orElse(target);
        slip(
                row,
                to,
                "Does " + Says.quoted(header.header()) + " feed " + target + " in this line only?",
                (also(made, line, header) + kinds).strip(),
                Pieces.chief(Pieces.button(
                        "In this line only",
                        "landing-here",
                        folding(() -> model.board().putHeaderHere(line, header.key(), as)))),
                Pieces.button(
                        "Wherever it stands",
                        "landing-everywhere",
                        folding(() -> model.board().splitHeader(header.key(), target))));
    }

    private static String also(Outcome made, BoardGrid.Line line, BoardGrid.Header header) {
        long elsewhere = BoardGrid.tablesWith(made, header.key(), line);
        return elsewhere == 0
                ? ""
                : " " + Says.quoted(header.header()) + " stands in " + Says.count(elsewhere, "other table") + " too.";
    }

    private Runnable folding(Runnable act) {
        return () -> {
            slips.close();
            act.run();
        };
    }

    private void slip(long row, int column, String title, String words, Button... acts) {
        grid.cell(row, column).ifPresent(place -> {
            slips.open(
                    grid,
                    place,
                    Pieces.wrapped(title, "heading"),
                    Pieces.wrapped(words, "second"),
                    new FlowPane(12, 8, acts),
                    Pieces.label("Esc leaves all as it is", "second", "small"));
            acts[0].requestFocus();
        });
    }

    private void move(int by) {
        int at = grid.selectedColumn();
        model.board().moveColumn(chosen, by);
        grid.select(grid.selectedRow(), at + by);
    }

    // ---- what is shown ----

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            says.setText(sentence(made));
            long row = grid.selectedRow();
            int column = grid.selectedColumn();
            shown = BoardGrid.columns(made, filtered);
            BoardGrid now = new BoardGrid(made, shown, opened, firsts, roomy);
            board = now;
            grid.setModel(now);
            if (row >= 0 && row < now.rows()) {
                grid.select(row, Math.min(column, now.columns() - 1));
            }
            filter.setText(filtered.words());
            laterColumns.setText(NewColumns.policy(made.job()).words());
            showLeftOut(made);
            int added = columnNamed(made, adding);
            if (added >= 0) {
                adding = "";
                grid.select(Math.max(0, grid.selectedRow()), added);
                name.requestFocus();
                name.selectAll();
            }
            tell();
        });
    }

    private static String sentence(Outcome made) {
        Proposal proposal = made.proposal();
        long fed = 0;
        for (int at = 0; at < proposal.columns().size(); at++) {
            boolean header = proposal.hasCells(at)
                    && !proposal.isTag(proposal.columns().get(at).name());
            fed += header ? 1 : 0;
        }
        long others = proposal.columns().size() - fed;
        long asked = Questions.open(made, Stage.LINE_UP);
        int layouts = proposal.layouts().size();
        return Says.count(layouts, "layout") + (layouts == 1 ? " feeds " : " feed ") + Says.count(fed, "column")
                + (others == 0 ? "" : "; " + others + (others == 1 ? " is a tag or made" : " are tags or made"))
                + "."
                + (asked == 0 ? "" : " " + Says.count(asked, "question") + " here.");
    }

    /** The place on the board of a column; below zero where it is not shown. */
    private int columnNamed(Outcome made, String wanted) {
        for (int place = 0; place < shown.size(); place++) {
            if (made.proposal().columns().get(shown.get(place)).name().equals(wanted)) {
                return place + BEFORE;
            }
        }
        return -1;
    }

    private void showLeftOut(Outcome made) {
        leftOut.getChildren().clear();
        if (made.proposal().leftOut().isEmpty()) {
            return;
        }
        leftOut.getChildren().add(Pieces.label("Left out:", "second"));
        made.proposal().leftOut().forEach((column, filled) -> {
            Button back = Pieces.go(
                    "Put back " + column + ", " + Says.count(filled, "filled cell"),
                    "board-back-" + column,
                    () -> model.board().leaveOutColumn(column, false));
            leftOut.getChildren().add(back);
        });
    }

    /** The column of the master that the board shows at a place; below zero for none. */
    private int at(int boardColumn) {
        int place = boardColumn - BEFORE;
        return place >= 0 && place < shown.size() ? shown.get(place) : -1;
    }

    private Optional<Proposal.ColumnReport> column() {
        int at = at(grid.selectedColumn());
        return model.outcomeProperty()
                .get()
                .map(made -> made.proposal().columns())
                .filter(columns -> at >= 0 && at < columns.size())
                .map(columns -> columns.get(at));
    }

    private Optional<BoardGrid.Header> header() {
        BoardGrid now = board;
        long row = grid.selectedRow();
        Optional<Outcome> made = model.outcomeProperty().get();
        return now == null || row < 0 || row >= now.rows() || made.isEmpty()
                ? Optional.empty()
                : column().flatMap(column ->
                        BoardGrid.header(made.get(), now.line(row).layout(), column.name()));
    }

    /** Says of the chosen column, and of the header in the chosen layout, what there is to say. */
    private void tell() {
        Optional<Proposal.ColumnReport> column = column();
        chosen = column.map(Proposal.ColumnReport::name).orElse("");
        int place = at(grid.selectedColumn());
        Optional<Proposal> proposal = model.outcomeProperty().get().map(Outcome::proposal);
        boolean own = column.isPresent()
                && proposal.filter(made -> made.hasCells(place) || made.isMade(place))
                        .isPresent();
        Pieces.show(hands, own);
        tellLayout();
        if (column.isEmpty()) {
            about.setText("Choose a column to name it, type it, move it, unite it with another or leave it out.");
            facts.setText("");
            return;
        }
        Proposal.ColumnReport it = column.get();
        if (!own) {
            about.setText(it.name() + ": " + it.typeWords());
            facts.setText("It says the currency of each amount in the column before it: " + it.reason() + ".");
            return;
        }
        boolean byRule = proposal.orElseThrow().isMade(place);
        boolean data = !byRule && !proposal.orElseThrow().isTag(it.name());
        about.setText(it.name() + ": " + it.typeWords() + ", "
                + Says.count(it.filled(), "filled cell")
                + (it.misfits() > 0 ? ", " + Says.number(it.misfits()) + " do not fit" : "")
                + (byRule ? "" : " in " + Says.count(it.layouts(), "layout"))
                + (data ? "" : byRule ? "; made by a rule, which stands in Rework" : "; filled by a tag"));
        Optional<BoardGrid.Header> header = header();
        facts.setText(header.map(found -> "Here it is called " + Says.quoted(found.header())
                        + (found.samples().isEmpty()
                                ? "."
                                : ", with values such as "
                                        + Says.list(found.samples().stream()
                                                .map(Says::quoted)
                                                .toList())
                                        + "."))
                .orElse(data ? "This layout has no such column." : ""));
        if (!name.isFocused()) {
            name.setText(it.name());
        }
        type.setText(it.typeWords());
        Pieces.show(type, data);
        Pieces.show(typed, data);
        showUnite(data, proposal.orElseThrow());
        boolean ownName = header.map(BoardGrid.Header::own).orElse(true);
        Pieces.show(split, data && !ownName);
    }

    private void tellLayout() {
        BoardGrid now = board;
        boolean any = now != null && grid.selectedRow() < now.rows();
        Pieces.show(open, any);
        if (any && now != null) {
            boolean isOpen =
                    opened.contains(now.line(grid.selectedRow()).layout().signature());
            open.setText(isOpen ? "Fold its tables" : "Open its tables");
        }
    }

    private void showUnite(boolean data, Proposal proposal) {
        Pieces.show(unite, data);
        List<javafx.scene.control.MenuItem> others = new ArrayList<>();
        for (Proposal.ColumnReport other : proposal.columns()) {
            boolean may = !other.name().equals(chosen)
                    && !proposal.isTag(other.name())
                    && !proposal.isMadeNamed(other.name());
            if (may) {
                String with = other.name();
                others.add(Pieces.item(with, "", () -> model.board().uniteColumns(chosen, with)));
            }
        }
        unite.getItems().setAll(others);
    }
}
