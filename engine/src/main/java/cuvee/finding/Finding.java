package cuvee.finding;

import cuvee.place.Where;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32C;

/**
 * Something that the analyst should know.
 *
 * @param kind a stable word for its sort, such as {@code empty-folder}
 * @param what what happened, naming the thing, the value and the rule; a whole sentence
 * @param done what Cuvee did about it; a whole sentence
 * @param canDo what the analyst can do; a whole sentence, or empty
 */
public record Finding(Severity severity, String kind, Where where, String what, String done, String canDo) {

    /** The whole message, with its place. */
    public String text() {
        StringBuilder text = new StringBuilder();
        if (!where.equals(Where.JOB)) {
            text.append(where).append(": ");
        }
        text.append(what);
        if (!done.isEmpty()) {
            text.append(' ').append(done);
        }
        if (!canDo.isEmpty()) {
            text.append(' ').append(canDo);
        }
        return text.toString();
    }

    /** A short name of it, another one as soon as it says something else or of another place. */
    public String id() {
        CRC32C hash = new CRC32C();
        hash.update(String.join("\u0000", kind, where.toString(), what).getBytes(StandardCharsets.UTF_8));
        return "f%08x".formatted(hash.getValue());
    }

    public boolean atLeast(Severity least) {
        return severity.compareTo(least) >= 0;
    }
}
