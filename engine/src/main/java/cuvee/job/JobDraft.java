package cuvee.job;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/** A new job before anything is decided. */
public final class JobDraft {
    private JobDraft() {}

    /** A job to be saved in a file, over absolute places; they are kept relative to the file where possible. */
    public static Job of(Path jobFile, List<Path> places) {
        Path folder = jobFile.toAbsolutePath().normalize().getParent();
        String fileName = jobFile.getFileName().toString();
        String name = fileName.toLowerCase(Locale.ROOT).endsWith(".cuvee")
                ? fileName.substring(0, fileName.length() - ".cuvee".length())
                : fileName;
        List<Place> kept =
                places.stream().map(place -> Place.of(relative(folder, place))).toList();
        return Job.of(newId(name), name, kept);
    }

    /** A new id: readable, and never the same twice. */
    public static String newId(String name) {
        String readable =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return (readable.length() > 30 ? readable.substring(0, 30) : readable) + "-"
                + UUID.randomUUID().toString().substring(0, 8);
    }

    /** The place as seen from the job's folder; absolute where they share no root. */
    public static String relative(@org.jspecify.annotations.Nullable Path folder, Path place) {
        Path absolute = place.toAbsolutePath().normalize();
        if (folder == null || !java.util.Objects.equals(folder.getRoot(), absolute.getRoot())) {
            return absolute.toString();
        }
        String relative = folder.relativize(absolute).toString().replace('\\', '/');
        return relative.isEmpty() ? "." : relative;
    }
}
