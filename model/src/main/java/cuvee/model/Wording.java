package cuvee.model;

import java.util.List;

/** Helps to write words that Cuvee has to understand: what is wrong with them, and what may come next. */
public interface Wording {
    /** What is wrong with words; empty where nothing is. */
    String problem(String words);

    /** What could be written, while nothing is; empty where there is no need to say so. */
    default String example() {
        return "";
    }

    /** Names and words that what stands before a place may be the beginning of. */
    List<String> completions(String words, int place);

    /** Says what is to be done once more can be offered than was at first. */
    default void onMore(Runnable listener) {}
}
