package cuvee.desktop;

import cuvee.model.RecentJobs;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The start screen: a new job from a folder, the jobs opened last, and the demo. */
final class StartView extends VBox {
    /** What can be begun here. */
    interface Doors {
        void newJob();

        void openJob();

        void demo();
    }

    StartView(Doors doors, List<RecentJobs.Entry> recent, Consumer<RecentJobs.Entry> open) {
        setId("start");
        getStyleClass().add("start");
        setAlignment(Pos.CENTER);
        setSpacing(28);

        Label name = new Label("Cuvee");
        name.getStyleClass().add("wordmark");
        Label claim = new Label("Many workbooks, one master table that you can defend.");
        claim.getStyleClass().add("claim");
        VBox head = new VBox(4, name, claim);
        head.setAlignment(Pos.CENTER);

        Label drop = new Label("Drop a folder of workbooks here");
        drop.getStyleClass().add("drop-title");
        Label hint = new Label(
                "Cuvee looks at every file, proposes the whole master at once, and asks what it cannot settle.");
        hint.getStyleClass().add("hint");
        Button folder = button("Choose a folder", "start-folder", doors::newJob);
        folder.getStyleClass().add("chief");
        folder.setDefaultButton(true);
        HBox buttons = new HBox(
                12,
                folder,
                button("Open a job", "start-open", doors::openJob),
                button("Try the demo", "start-demo", doors::demo));
        buttons.setAlignment(Pos.CENTER);
        VBox well = new VBox(14, drop, hint, buttons);
        well.getStyleClass().add("drop-well");
        well.setAlignment(Pos.CENTER);
        well.setMaxWidth(720);

        getChildren().addAll(head, well, recentJobs(recent, open));
    }

    private static VBox recentJobs(List<RecentJobs.Entry> recent, Consumer<RecentJobs.Entry> open) {
        VBox list = new VBox(2);
        list.setMaxWidth(720);
        Label title = new Label(recent.isEmpty() ? "No job has been opened yet." : "Opened last");
        title.getStyleClass().add(recent.isEmpty() ? "hint" : "section-title");
        list.getChildren().add(title);
        for (RecentJobs.Entry entry : recent) {
            Hyperlink link = new Hyperlink(entry.name());
            link.setOnAction(e -> open.accept(entry));
            Label where = new Label(String.valueOf(entry.file().getParent()));
            where.getStyleClass().add("hint");
            HBox line = new HBox(10, link, where);
            line.setAlignment(Pos.CENTER_LEFT);
            list.getChildren().add(line);
        }
        return list;
    }

    private static Button button(String text, String id, Runnable action) {
        return Pieces.button(text, id, action);
    }
}
