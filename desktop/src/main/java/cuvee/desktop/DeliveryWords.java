package cuvee.desktop;

import cuvee.deliver.PostgresTable;
import cuvee.finding.CuveeException;
import cuvee.job.Delivery;
import cuvee.model.JobModel;
import cuvee.refresh.Summaries;
import cuvee.rework.Known;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.event.ActionEvent;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** What a delivery writes, as a sentence with words to change. */
final class DeliveryWords {
    /** Stands for the names of columns as items. */
    private static final String COLUMN_NAMES = "the names of columns";

    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final BiConsumer<Delivery, Delivery.Form> change;

    /**
     * @param change takes what a delivery writes from now on
     */
    DeliveryWords(JobModel model, Supplier<Choosers> choosers, BiConsumer<Delivery, Delivery.Form> change) {
        this.model = model;
        this.choosers = choosers;
        this.change = change;
    }

    /** What a delivery writes, in words that can be changed. */
    FlowPane of(Delivery delivery, Outcome made) {
        List<String> names = Known.of(made.plan()).names();
        if (delivery.form() instanceof Delivery.Prepared prepared) {
            return filling(delivery, prepared, made);
        }
        if (delivery.form() instanceof Delivery.Each each) {
            return each(delivery, each, names);
        }
        if (delivery.form() instanceof Delivery.Text text) {
            return TextWords.of(text, form -> change.accept(delivery, form));
        }
        if (delivery.form() instanceof Delivery.Picture picture) {
            return picture(delivery, picture, made);
        }
        if (delivery.form() instanceof Delivery.Copies copies) {
            return CopiesWords.of(copies, names, form -> change.accept(delivery, form));
        }
        return delivery.form() instanceof Delivery.Tab tab
                ? tab(delivery, tab, names)
                : table(delivery, (Delivery.Table) delivery.form(), names);
    }

    private FlowPane picture(Delivery delivery, Delivery.Picture picture, Outcome made) {
        List<String> kept =
                Summaries.of(made.job()).stream().map(Summaries.Named::name).toList();
        ComboBox<String> summary = choice("picture-summary", kept, picture.summary());
        summary.setOnAction(e -> change.accept(
                delivery, new Delivery.Picture(Objects.requireNonNullElse(summary.getValue(), picture.summary()))));
        return flow(new Label("A picture of the summary"), summary);
    }

    private FlowPane tab(Delivery delivery, Delivery.Tab tab, List<String> names) {
        TextField name = field("tab-name", tab.tab(), 140);
        TextField cell = field("tab-cell", tab.cell(), 60);
        cell.setPromptText("A1");
        cell.setTooltip(new Tooltip("The cell in which the header begins. All else of the tab stays then; "
                + "with none named the tab holds nothing but the rows"));
        Runnable changed = () -> change.accept(
                delivery,
                new Delivery.Tab(
                        kept(name, tab.tab()), cell.getText().strip().toUpperCase(Locale.ROOT), tab.how(), tab.keys()));
        name.setOnAction(e -> changed.run());
        cell.setOnAction(e -> changed.run());
        String stays =
                tab.cell().isEmpty() ? "All other tabs stay as they are." : "All else of the workbook stays as it is.";
        return withHow(
                flow(new Label("In its tab"), name, new Label("from the cell"), cell),
                how(
                        tab.how(),
                        tab.keys(),
                        names,
                        (how, keys) -> change.accept(delivery, new Delivery.Tab(tab.tab(), tab.cell(), how, keys))),
                stays);
    }

    private FlowPane table(Delivery delivery, Delivery.Table table, List<String> names) {
        TextField address = field("table-address", delivery.target(), 300);
        address.setOnAction(e -> moveTo(address.getText().strip(), delivery));
        TextField name = field("table-name", table.table(), 140);
        name.setOnAction(e ->
                change.accept(delivery, new Delivery.Table(kept(name, table.table()), table.how(), table.keys())));
        return withHow(
                flow(new Label("In the database"), address, new Label("the table"), name),
                how(
                        table.how(),
                        table.keys(),
                        names,
                        (how, keys) -> change.accept(delivery, new Delivery.Table(table.table(), how, keys))),
                "The password comes from PGPASSWORD or the database's password file.");
    }

    private static FlowPane withHow(FlowPane words, List<Node> how, String stays) {
        words.getChildren().addAll(how);
        words.getChildren().add(Pieces.label(stays, "second"));
        return words;
    }

    /** Writes a table to another database from now on; an address that cannot be one is told. */
    private void moveTo(String address, Delivery delivery) {
        if (address.equals(delivery.target())) {
            return;
        }
        try {
            PostgresTable.check(address);
            model.deliveries()
                    .change(
                            Optional.of(delivery),
                            new Delivery(delivery.name(), address, delivery.form(), delivery.accepted()));
        } catch (CuveeException refused) {
            model.say(refused.finding().text(), true);
        }
    }

    /** What a field says; what was there before where it says nothing. */
    private static String kept(TextField field, String before) {
        return field.getText().isBlank() ? before : field.getText().strip();
    }

    /** A file for each value: of which columns, how they are called, and what becomes of those of values that are gone. */
    private FlowPane each(Delivery delivery, Delivery.Each each, List<String> columns) {
        MenuButton column = several(
                "each-column",
                columns,
                each.columns(),
                wanted -> change.accept(
                        delivery,
                        wanted.isEmpty()
                                ? each
                                : new Delivery.Each(
                                        wanted, wanted.size() > 1 ? "" : each.names(), each.removesGone())));
        MenuButton named = Pieces.slot("each-names");
        named.setText(each.names().isEmpty() ? "its value" : "what " + each.names() + " says");
        named.getItems()
                .addAll(
                        Pieces.item(
                                "its value",
                                "",
                                () -> change.accept(
                                        delivery, new Delivery.Each(each.columns(), "", each.removesGone()))),
                        Pieces.item(
                                "what a small table says …",
                                "",
                                () -> choosers.get()
                                        .file("The table of values and what their files are called")
                                        .ifPresent(file -> change.accept(
                                                delivery,
                                                new Delivery.Each(
                                                        each.columns(), model.relative(file), each.removesGone())))));
        CheckBox gone = new CheckBox("files of values that are gone are removed");
        gone.setId("each-gone");
        gone.setSelected(each.removesGone());
        gone.setTooltip(new Tooltip("Only those that this delivery wrote and nobody has changed since"));
        gone.setOnAction(
                e -> change.accept(delivery, new Delivery.Each(each.columns(), each.names(), gone.isSelected())));
        FlowPane words = flow(new Label("A file for each"), column);
        if (each.columns().size() == 1) {
            words.getChildren().addAll(new Label("named by"), named);
        }
        words.getChildren().add(gone);
        return words;
    }

    /** Takes what becomes of rows that are there, and by which columns they are matched. */
    private interface HowTaken {
        void take(Delivery.How how, List<String> keys);
    }

    private static List<Node> how(Delivery.How now, List<String> keys, List<String> names, HowTaken taken) {
        MenuButton how = Pieces.slot("deliver-how");
        how.setText(now.words());
        for (Delivery.How each : Delivery.How.values()) {
            how.getItems()
                    .add(Pieces.item(
                            each.words(),
                            "",
                            () -> taken.take(
                                    each,
                                    !each.isByKey() ? List.of() : keys.isEmpty() ? List.of(names.get(0)) : keys)));
        }
        List<Node> nodes = new ArrayList<>(List.of(new Label("it"), how));
        if (now.isByKey()) {
            MenuButton by = several("deliver-key", names, keys, wanted -> taken.take(now, wanted));
            nodes.addAll(List.of(new Label("matched by"), by));
        }
        return nodes;
    }

    /** Columns of which several can be taken, in the order in which they were. */
    private static MenuButton several(
            String id, List<String> columns, List<String> taken, Consumer<List<String>> change) {
        MenuButton button = Pieces.slot(id);
        button.setText(taken.isEmpty() ? "no column yet" : String.join(" and ", taken));
        for (String name : columns) {
            CheckMenuItem item = new CheckMenuItem(name);
            item.setMnemonicParsing(false);
            item.setSelected(taken.contains(name));
            item.setOnAction(e -> {
                List<String> wanted = new ArrayList<>(taken);
                if (!wanted.remove(name)) {
                    wanted.add(name);
                }
                change.accept(wanted);
            });
            button.getItems().add(item);
        }
        return button;
    }

    static TextField field(String id, String text, double wide) {
        TextField field = new TextField(text);
        field.setId(id);
        field.setPrefWidth(wide);
        field.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                field.getOnAction().handle(new ActionEvent());
            }
        });
        return field;
    }

    static FlowPane flow(Node... nodes) {
        FlowPane words = new FlowPane(6, 4, nodes);
        words.setAlignment(Pos.CENTER_LEFT);
        return words;
    }

    /** By which columns a prepared workbook is filled, to be chosen. */
    private FlowPane filling(Delivery delivery, Delivery.Prepared prepared, Outcome made) {
        List<String> names = new ArrayList<>();
        made.plan().columns().forEach(column -> names.add(column.name()));
        made.plan().tags().forEach(tag -> names.add(tag.name()));
        List<String> items = new ArrayList<>(names);
        items.add(0, COLUMN_NAMES);
        ComboBox<String> key = choice("prepared-key", names, prepared.key());
        ComboBox<String> item =
                choice("prepared-item", items, prepared.item().isEmpty() ? COLUMN_NAMES : prepared.item());
        ComboBox<String> value = choice("prepared-value", names, prepared.value());
        Label holding = new Label("holding");
        boolean wide = prepared.item().isEmpty();
        for (Control each : List.of(holding, value)) {
            Pieces.show(each, !wide);
        }
        Runnable take = () -> {
            boolean names0 = COLUMN_NAMES.equals(item.getValue());
            String held = value.getValue() == null || value.getValue().isEmpty() ? names.get(0) : value.getValue();
            model.deliveries()
                    .changePrepared(
                            delivery,
                            new Delivery.Prepared(
                                    prepared.workbook(),
                                    Objects.requireNonNullElse(key.getValue(), prepared.key()),
                                    names0 ? "" : Objects.requireNonNullElse(item.getValue(), ""),
                                    names0 ? "" : held));
        };
        List.of(key, item, value).forEach(each -> each.setOnAction(e -> take.run()));
        FlowPane words = new FlowPane(
                6,
                4,
                new Label("Fills a copy of " + prepared.workbook() + ": down it"),
                key,
                new Label("across it"),
                item,
                holding,
                value);
        words.setAlignment(Pos.CENTER_LEFT);
        return words;
    }

    static ComboBox<String> choice(String id, List<String> of, String chosen) {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId(id);
        choice.getItems().setAll(of);
        choice.setValue(chosen);
        return choice;
    }
}
