package cuvee.desktop;

import cuvee.place.Says;
import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.StackPane;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

/** The choosers of the desktop. */
final class SystemChoosers implements Choosers {
    private final Window owner;
    private final StackPane over;

    /**
     * @param over the pane that fills the window, over which a question is laid
     */
    SystemChoosers(Window owner, StackPane over) {
        this.owner = owner;
        this.over = over;
    }

    @Override
    public Optional<Path> folder(String title) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(title);
        chooser.setInitialDirectory(new File(System.getProperty("user.home")));
        return Optional.ofNullable(chooser.showDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> job(String title) {
        return opened(title, new ExtensionFilter("Cuvee jobs", "*.cuvee"));
    }

    @Override
    public Optional<Path> file(String title) {
        return opened(title);
    }

    private Optional<Path> opened(String title, ExtensionFilter... filters) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.setInitialDirectory(new File(System.getProperty("user.home")));
        chooser.getExtensionFilters().addAll(filters);
        return Optional.ofNullable(chooser.showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> target(String title, Path proposed, String... endings) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        Path folder = proposed.toAbsolutePath().getParent();
        if (folder != null && folder.toFile().isDirectory()) {
            chooser.setInitialDirectory(folder.toFile());
        }
        chooser.setInitialFileName(proposed.getFileName().toString());
        Arrays.stream(endings)
                .map(ending -> new ExtensionFilter(ending, "*." + ending))
                .forEach(chooser.getExtensionFilters()::add);
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
    }

    @Override
    public boolean replace(Path target, String loss) {
        return AskSheet.ask(
                        over,
                        "Write over " + target.getFileName() + "?",
                        Says.capital(loss) + ". All of it would be gone.",
                        List.of("Write over it", "Stay"),
                        1)
                == 0;
    }

    @Override
    public boolean beside(Path target, String why, Path other) {
        Path folder = other.getParent();
        boolean near = folder != null && folder.equals(target.getParent());
        return AskSheet.ask(
                        over,
                        target.getFileName() + " cannot be written for now",
                        why + " The master itself is kept. Write it to "
                                + Says.quoted(String.valueOf(other.getFileName()))
                                + (near ? " beside it" : " in " + folder) + " instead?",
                        List.of("Write it there", "Leave it"),
                        1)
                == 0;
    }

    @Override
    public Leaving leave(String jobName) {
        int act = AskSheet.ask(
                over,
                "Save the job " + Says.quoted(jobName) + " first?",
                "It has decisions that are not saved. Left unsaved, they are gone; your workbooks stay as they are.",
                List.of("Save and leave", "Leave unsaved", "Stay"),
                2);
        return List.of(Leaving.SAVE, Leaving.LEAVE, Leaving.STAY).get(act);
    }
}
