package cuvee.sheet;

import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is said about how a file is to be read, where it is not told from the file itself.
 *
 * @param separator what parts the cells of a line of text
 * @param charset how its text is encoded
 * @param quoting what its cells are quoted with
 * @param passwords what may open a locked workbook; never written anywhere
 * @param room a folder that only the user can read, where workbooks lie while they are unlocked; needed with passwords
 */
public record ReadAs(
        Optional<Character> separator,
        Optional<Charset> charset,
        Optional<Quoting> quoting,
        List<String> passwords,
        Optional<Path> room) {
    /** All is told from the file. */
    public static final ReadAs FOUND =
            new ReadAs(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), Optional.empty());

    private static final Map<String, Character> SEPARATORS = Map.of(
            "commas", ',', "semicolons", ';', "tabs", '\t', "upright bars", '|', "fixed columns", TextForm.FIXED);

    public ReadAs {
        passwords = List.copyOf(passwords);
    }

    /**
     * Reads {@code semicolons, UTF-8, single quotes} or a part of it; empty where the words say something else.
     */
    public static Optional<ReadAs> of(String words) {
        Optional<Character> separator = Optional.empty();
        Optional<Charset> charset = Optional.empty();
        Optional<Quoting> quoting = Optional.empty();
        for (String part : words.split(",", -1)) {
            String word = part.strip();
            Character parted = SEPARATORS.get(word);
            if (parted != null) {
                separator = Optional.of(parted);
            } else if (Quoting.of(word).isPresent()) {
                quoting = Quoting.of(word);
            } else if (isCharset(word)) {
                charset = Optional.of(Charset.forName(word));
            } else {
                return Optional.empty();
            }
        }
        return Optional.of(new ReadAs(separator, charset, quoting, List.of(), Optional.empty()));
    }

    private static boolean isCharset(String name) {
        try {
            return Charset.isSupported(name);
        } catch (IllegalArgumentException noName) {
            return false;
        }
    }

    public ReadAs withQuoting(Quoting said) {
        return new ReadAs(separator, charset, Optional.of(said), passwords, room);
    }

    public ReadAs withPasswords(List<String> tried, Path unlockedIn) {
        return new ReadAs(separator, charset, quoting, tried, Optional.of(unlockedIn));
    }

    /** What is said about the form of a text file, in the words of {@link #of}; empty where nothing is. */
    public String words() {
        Optional<String> parted = separator.flatMap(c -> SEPARATORS.entrySet().stream()
                .filter(entry -> entry.getValue().equals(c))
                .map(Map.Entry::getKey)
                .findFirst());
        return Stream.of(parted, charset.map(Charset::displayName), quoting.map(Quoting::words))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(", "));
    }
}
