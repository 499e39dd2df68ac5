package cuvee.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import javafx.scene.control.Alert;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBar.ButtonData;
import javafx.scene.control.ButtonType;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

/** The choosers of the desktop. */
final class SystemChoosers implements Choosers {
    private final Window owner;

    SystemChoosers(Window owner) {
        this.owner = owner;
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
        ButtonType replace = new ButtonType("Write over it", ButtonData.YES);
        ButtonType stay = new ButtonType("Stay", ButtonData.CANCEL_CLOSE);
        Alert alert = new Alert(
                Alert.AlertType.NONE,
                "Write over " + target.getFileName() + "?\n\n" + Character.toUpperCase(loss.charAt(0))
                        + loss.substring(1) + ". All of it would be gone.",
                replace,
                stay);
        alert.initOwner(owner);
        alert.setTitle("Cuvee");
        ((Button) alert.getDialogPane().lookupButton(stay)).setDefaultButton(true);
        ((Button) alert.getDialogPane().lookupButton(replace)).setDefaultButton(false);
        return alert.showAndWait().orElse(stay) == replace;
    }

    @Override
    public Leaving leave(String jobName) {
        ButtonType save = new ButtonType("Save", ButtonData.YES);
        ButtonType leave = new ButtonType("Leave unsaved", ButtonData.NO);
        ButtonType stay = new ButtonType("Stay", ButtonData.CANCEL_CLOSE);
        Alert alert = new Alert(
                Alert.AlertType.NONE, "The job “" + jobName + "” has decisions that are not saved.", save, leave, stay);
        alert.initOwner(owner);
        alert.setTitle("Cuvee");
        ButtonType chosen = alert.showAndWait().orElse(stay);
        return chosen == save ? Leaving.SAVE : chosen == leave ? Leaving.LEAVE : Leaving.STAY;
    }
}
