package cuvee.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;

/** Writes all files of the demo, or copies those that are there. */
public final class DemoFiles {
    private DemoFiles() {}

    /** Writes the files and the truth: {@code returns}, {@code fuel} and {@code later} below the one, totals below the other. */
    public static void write(Path files, Path truth) {
        Scenario scenario = new Scenario();
        Ports ports = new Ports(scenario);
        ports.write(files.resolve("returns"), 1, Scenario.MONTHS);
        ports.write(files.resolve("later"), Scenario.MONTHS + 1, Scenario.MONTHS + 1);
        Strangers.write(files.resolve("returns"), files.resolve("fuel"));
        Truth.write(scenario, truth);
    }

    /** Copies a folder with all that is in it over another, times of change included. */
    public static void copy(Path from, Path to) throws IOException {
        List<Path> all;
        try (Stream<Path> walk = Files.walk(from)) {
            all = walk.sorted().toList();
        }
        for (Path path : all) {
            Path target = to.resolve(from.relativize(path).toString());
            if (Files.isDirectory(path)) {
                Files.createDirectories(target);
            } else {
                Files.copy(path, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.COPY_ATTRIBUTES);
            }
        }
    }

    /** Writes the demo's files into the repository: {@code files} and {@code truth} below the named folder. */
    public static void main(String[] arguments) {
        Path folder = Path.of(arguments.length > 0 ? arguments[0] : "demo");
        write(folder.resolve("files"), folder.resolve("truth"));
    }
}
