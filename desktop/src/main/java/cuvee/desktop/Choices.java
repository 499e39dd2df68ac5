package cuvee.desktop;

import java.util.function.Function;
import javafx.util.StringConverter;

/** Words for the values of a choice. */
final class Choices {
    private Choices() {}

    static <T> StringConverter<T> words(Function<T, String> words) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException(text);
            }
        };
    }
}
