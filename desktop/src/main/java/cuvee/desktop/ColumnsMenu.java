package cuvee.desktop;

import cuvee.decision.RowChoice.InView.Seen;
import cuvee.model.ColumnLook;
import cuvee.model.JobModel;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** How the columns of the master stand in the window: what is hidden, what stays in view, in what order. */
final class ColumnsMenu extends MenuButton {
    private final JobModel model;
    private final Supplier<Optional<Chosen>> chosen;

    /**
     * The column that is selected.
     *
     * @param names the columns of the master in its own order
     */
    record Chosen(String column, List<String> names) {}

    ColumnsMenu(JobModel model, Supplier<Optional<Chosen>> chosen) {
        super("Columns");
        this.model = model;
        this.chosen = chosen;
        setId("master-columns");
        setMinWidth(USE_PREF_SIZE);
        setTooltip(new Tooltip(
                "Hide a column, keep it in view, move it; the master and what is delivered stay as they are"));
        getItems().add(new MenuItem(""));
        setOnShowing(e -> offer());
    }

    private ColumnLook look() {
        return ColumnLook.of(model.jobProperty().get());
    }

    private void offer() {
        getItems().clear();
        chosen.get().ifPresent(now -> {
            ColumnLook look = look();
            String name = now.column();
            boolean kept = look.isKept(name);
            add("Hide " + name, "Ctrl+H", () -> see(now, Seen.HIDDEN));
            add(
                    (kept ? "Let " + name + " scroll with the others" : "Keep " + name + " in view"),
                    "Ctrl+P",
                    () -> keep(now));
            add("Move " + name + " to the left", "Alt+Left", () -> move(now, false));
            add("Move " + name + " to the right", "Alt+Right", () -> move(now, true));
            List<String> hidden = look.hidden(now.names());
            if (!hidden.isEmpty()) {
                getItems().add(new SeparatorMenuItem());
                hidden.forEach(each ->
                        add("Show " + each, "", () -> model.keepLook(look.with(each, Seen.SHOWN, now.names()))));
            }
            if (!look.placed().isEmpty()) {
                getItems().add(new SeparatorMenuItem());
                add("All as in the master", "Ctrl+Shift+H", this::asInTheMaster);
            }
        });
    }

    private void add(String words, String keys, Runnable act) {
        getItems().add(Pieces.item(words + (keys.isEmpty() ? "" : "  (" + keys + ")"), "", act));
    }

    private void see(Chosen now, Seen seen) {
        model.keepLook(look().with(now.column(), seen, now.names()));
    }

    private void keep(Chosen now) {
        see(now, look().isKept(now.column()) ? Seen.SHOWN : Seen.KEPT);
    }

    private void move(Chosen now, boolean behind) {
        model.keepLook(look().moved(now.column(), behind, now.names()));
    }

    private void asInTheMaster() {
        model.keepLook(ColumnLook.OF_THE_MASTER);
    }

    /** Says how many columns are hidden, so that none is missed. */
    void tell(int hidden) {
        setText(hidden == 0 ? "Columns" : "Columns, " + hidden + " hidden");
    }

    /** Does by keys what the menu offers; true where the keys meant it. */
    boolean key(KeyEvent e) {
        Optional<Chosen> now = chosen.get();
        boolean meant = true;
        if (e.isShortcutDown() && e.isShiftDown() && e.getCode() == KeyCode.H) {
            asInTheMaster();
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.H) {
            now.ifPresent(each -> see(each, Seen.HIDDEN));
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.P) {
            now.ifPresent(this::keep);
        } else if (e.isAltDown() && (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT)) {
            now.ifPresent(each -> move(each, e.getCode() == KeyCode.RIGHT));
        } else {
            meant = false;
        }
        return meant;
    }
}
