package cuvee.model;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** How large the window was left, kept in the state folder. */
public final class WindowSize {
    private static final Logger LOG = LoggerFactory.getLogger(WindowSize.class);
    private final Path file;

    public WindowSize(Path stateFolder) {
        this.file = stateFolder.resolve("window.txt");
    }

    /** Its width and height in pixels. */
    public record Size(double width, double height) {}

    /** The size it was left at; empty where none is known. */
    public Optional<Size> read() {
        if (!Files.exists(file)) {
            return Optional.empty();
        }
        try {
            String[] sides =
                    Files.readString(file, StandardCharsets.UTF_8).strip().split(" ", 2);
            double width = Double.parseDouble(sides[0]);
            double height = sides.length < 2 ? 0 : Double.parseDouble(sides[1]);
            return width >= 1 && height >= 1 ? Optional.of(new Size(width, height)) : Optional.empty();
        } catch (IOException | NumberFormatException unreadable) {
            LOG.warn("the size of the window cannot be read");
            return Optional.empty();
        }
    }

    /** Keeps a size; one that cannot be kept is forgotten. */
    public void write(Size size) {
        try {
            Files.createDirectories(file.getParent());
            Files.writeString(file, size.width() + " " + size.height(), StandardCharsets.UTF_8);
        } catch (IOException failed) {
            LOG.warn("the size of the window cannot be kept");
        }
    }
}
