package cuvee.value;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.regex.Pattern;

/** Lists of words that come with the program: a text file beside the classes, lines that begin with # left out. */
public final class Words {
    private static final Pattern SPACE = Pattern.compile(" ");

    private Words() {}

    static List<String> of(String file) {
        return of(Words.class, file);
    }

    /** The lines of a list that lies beside a class. */
    public static List<String> of(Class<?> beside, String file) {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(beside.getResourceAsStream(file), file), StandardCharsets.UTF_8))) {
            return lines.lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .toList();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    /** The words of a line. */
    public static List<String> in(String line) {
        return SPACE.splitAsStream(line).toList();
    }
}
