package cuvee.desktop;

import cuvee.command.LogFile;
import cuvee.command.Main;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import javafx.application.Application;

/**
 * Starts Cuvee: the window for {@code open}, {@code demo} and nothing at all, the command line for everything else, which
 * then never loads the toolkit.
 */
public final class Launcher {
    private static final Set<String> WINDOW = Set.of("open", "demo");

    private Launcher() {}

    /** A job or the path of a folder alone, as a double click gives it, is opened in the window; a word is a command. */
    static String[] meant(String[] arguments) {
        boolean alone = arguments.length == 1 && (arguments[0].endsWith(".cuvee") || isFolder(arguments[0]));
        return alone ? new String[] {"open", arguments[0]} : arguments;
    }

    private static boolean isFolder(String argument) {
        Path path = Path.of(argument);
        return (path.isAbsolute() || path.getNameCount() > 1) && Files.isDirectory(path);
    }

    public static void main(String[] given) {
        String[] arguments = meant(given);
        boolean headless = java.util.List.of(arguments).contains("--headless");
        boolean window = arguments.length == 0 || (WINDOW.contains(arguments[0]) && !headless);
        if (!window) {
            Main.main(arguments);
            return;
        }
        LogFile.use(Main.machine().workplace().state());
        Application.launch(CuveeApp.class, arguments);
        System.exit(0);
    }
}
