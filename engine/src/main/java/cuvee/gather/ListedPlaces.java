package cuvee.gather;

import cuvee.collect.Source;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice.Listed;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.Place;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetFiles;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Places that stand in a table that people keep: a workbook or a text that lists folders, with labels where it has them. It
 * is read again at each refresh. A folder beside those listed that holds files and is not listed is pointed out.
 */
public final class ListedPlaces {
    /** A column names folders where so many of its texts are some. */
    private static final double MOSTLY = 0.5;

    /** A list has so many rows at most. */
    private static final int LONGEST_LIST = 500;

    private static final int FEWEST_LISTED = 2;

    private ListedPlaces() {}

    /** The lists of a job. */
    static List<Listed> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.PLACES_FROM))
                .map(decision -> Choices.of(decision, List.of()))
                .filter(Listed.class::isInstance)
                .map(Listed.class::cast)
                .toList();
    }

    /** The files of the lists, which are no sources. */
    public static Set<Path> files(Job job, Path jobFolder) {
        Set<Path> files = new HashSet<>();
        of(job).forEach(listed ->
                files.add(jobFolder.resolve(listed.list()).toAbsolutePath().normalize()));
        return files;
    }

    /**
     * The job with the places that its lists name behind its own; what is wrong with a list is said.
     *
     * @param before the places of the last refresh, which stand where a list cannot be read
     */
    public static Job with(Job job, Path jobFolder, Collection<String> before, List<Finding> findings) {
        List<Listed> lists = of(job);
        if (lists.isEmpty()) {
            return job;
        }
        Map<String, Place> places = new LinkedHashMap<>();
        job.places().forEach(place -> places.put(place.path(), place));
        for (Listed listed : lists) {
            Path file = jobFolder.resolve(listed.list());
            try {
                places(listed, file, SmallTable.read(file), jobFolder, findings)
                        .forEach(place -> places.putIfAbsent(place.path(), place));
            } catch (CuveeException unreadable) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "list-unreadable",
                        Where.source(listed.list()),
                        "The list of places cannot be read: "
                                + unreadable.finding().what(),
                        "The places of the last refresh are looked at.",
                        "Put it back, or take the list out of the job."));
                before.stream()
                        .filter(home -> !home.isEmpty())
                        .forEach(home -> places.putIfAbsent(home, Place.of(home)));
            }
        }
        beside(places, jobFolder, findings);
        return job.withPlaces(List.copyOf(places.values()));
    }

    private static List<Place> places(
            Listed listed, Path file, SmallTable table, Path jobFolder, List<Finding> findings) {
        int folder = table.at(listed.folder());
        int label = listed.label().isEmpty() ? -1 : table.at(listed.label());
        if (folder < 0) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "list-column",
                    Where.source(listed.list()),
                    "The list of places has no column " + Says.quoted(listed.folder()) + ".",
                    "The places that it names are not looked at.",
                    "Its columns are "
                            + Says.list(
                                    table.headers().stream().map(Says::quoted).toList()) + "."));
            return List.of();
        }
        List<Place> places = new ArrayList<>();
        for (List<String> row : table.rows()) {
            path(row.get(folder), file, jobFolder).ifPresent(path -> {
                Place place =
                        Place.of(JobDraft.relative(jobFolder.toAbsolutePath().normalize(), path));
                places.add(label < 0 ? place : place.withLabel(row.get(label)));
            });
        }
        return places;
    }

    /** A folder as a list names it: as it is, or from where the list lies, or from where the job lies. */
    private static Optional<Path> path(String text, Path list, Path jobFolder) {
        String plain = text.strip().replace('\\', '/');
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        try {
            Path beside = list.toAbsolutePath().resolveSibling(plain).normalize();
            Path fromJob = jobFolder.toAbsolutePath().resolve(plain).normalize();
            return Optional.of(!Files.exists(beside) && Files.exists(fromJob) ? fromJob : beside);
        } catch (InvalidPathException notAPath) {
            return Optional.empty();
        }
    }

    /** Folders with files beside several that are listed, which no list names. */
    private static void beside(Map<String, Place> places, Path jobFolder, List<Finding> findings) {
        Map<Path, Integer> parents = new HashMap<>();
        Set<Path> known = new HashSet<>();
        for (Place place : places.values()) {
            Path path = jobFolder.resolve(place.path()).toAbsolutePath().normalize();
            known.add(path);
            Path parent = path.getParent();
            if (parent != null) {
                parents.merge(parent, 1, Integer::sum);
            }
        }
        TreeSet<String> unlisted = new TreeSet<>();
        parents.forEach((parent, count) -> {
            if (count > 1 && !known.contains(parent)) {
                folders(parent)
                        .filter(each -> !known.contains(each) && holdsFiles(each))
                        .forEach(each -> unlisted.add(
                                JobDraft.relative(jobFolder.toAbsolutePath().normalize(), each)));
            }
        });
        if (!unlisted.isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "not-listed",
                    Where.JOB,
                    Says.count(unlisted.size(), "folder") + " beside the places listed "
                            + (unlisted.size() == 1 ? "holds" : "hold") + " files and "
                            + (unlisted.size() == 1 ? "is" : "are") + " in no list: "
                            + Says.list(unlisted.stream().map(Says::quoted).toList()) + ".",
                    "Their files are not looked at.",
                    "Put them into the list, or settle this in Check where it is so."));
        }
    }

    private static Stream<Path> folders(Path parent) {
        try (Stream<Path> inside = Files.list(parent)) {
            return inside
                    .filter(Files::isDirectory)
                    .filter(each -> !String.valueOf(each.getFileName()).startsWith("."))
                    .sorted()
                    .toList()
                    .stream();
        } catch (IOException unreachable) {
            return Stream.empty();
        }
    }

    private static boolean holdsFiles(Path folder) {
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.anyMatch(
                    each -> Files.isRegularFile(each) && SheetFiles.isKnownEnding(String.valueOf(each.getFileName())));
        } catch (IOException unreachable) {
            return false;
        }
    }

    /** The kind of the findings about files of the batch that list folders. */
    public static final String OFFER = "lists-folders";

    /**
     * Files of the batch that list folders which are there, of which no place is taken: each is offered as a list of places.
     *
     * @param outside the tables that are no part of the master
     */
    public static List<Finding> offers(
            Job job, Collection<PlacedTable> outside, Map<String, Source> sources, Path jobFolder) {
        List<Finding> offers = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (PlacedTable table : outside) {
            Source source = sources.get(table.source());
            if (source == null || !seen.add(table.source()) || table.table().kept() > LONGEST_LIST) {
                continue;
            }
            for (LaidColumn column : table.columns()) {
                Set<String> texts = column.evidence().oddities().keySet();
                long folders = texts.stream()
                        .filter(text -> path(text, source.file(), jobFolder)
                                .filter(path -> Files.isDirectory(path) && !isRoot(path, source.file()))
                                .isPresent())
                        .count();
                String list = JobDraft.relative(jobFolder.toAbsolutePath().normalize(), source.file());
                boolean taken = job.isSettled(Kinds.PLACES_FROM, list);
                if (folders >= FEWEST_LISTED && folders >= texts.size() * MOSTLY && !taken) {
                    offers.add(offer(
                            source,
                            list,
                            column.header(),
                            folders,
                            table.table().kept()));
                    break;
                }
            }
        }
        return offers;
    }

    /** A word such as "." names no folder that one would list. */
    private static boolean isRoot(Path path, Path list) {
        return list.toAbsolutePath().normalize().startsWith(path);
    }

    private static Finding offer(Source source, String list, String header, long folders, int rows) {
        return new Finding(
                Severity.REMARK,
                OFFER,
                Where.source(source.path()),
                "It looks like a list of folders: " + Says.number(folders) + " of its " + Says.count(rows, "row")
                        + " name one that is there under " + Says.quoted(header) + ".",
                "Its rows are no part of the master, and no place is taken from it.",
                "To have its folders looked at, take it as a list of places, here or with: cuvee decide JOB places-from "
                        + Says.quoted(list) + " " + Says.quoted(header) + ".");
    }

    /**
     * The decision that takes places from a file: the column whose texts are folders that are there, and of the others the
     * first that tells all of them apart as their label.
     *
     * @throws CuveeException where the file cannot be read or no column of it names folders
     */
    public static Decision from(Path file, Path jobFolder) {
        SmallTable table = SmallTable.read(file);
        int best = -1;
        long most = 0;
        for (int i = 0; i < table.headers().size(); i++) {
            int at = i;
            long there = table.rows().stream()
                    .filter(row -> path(row.get(at), file, jobFolder)
                            .filter(Files::isDirectory)
                            .isPresent())
                    .count();
            if (there > most) {
                most = there;
                best = i;
            }
        }
        if (best < 0 || most < table.rows().size() * MOSTLY) {
            throw CuveeException.failure(
                    "no-folders",
                    Where.source(String.valueOf(file.getFileName())),
                    "No column of its first table names folders that are there.",
                    "Nothing was changed.",
                    "Write the folders as they are, or as they are seen from where the list lies.");
        }
        String label = "";
        for (int i = table.headers().size() - 1; i >= 0; i--) {
            int at = i;
            Set<String> texts = new HashSet<>();
            boolean apart = i != best
                    && table.rows().stream().allMatch(row -> !row.get(at).isBlank() && texts.add(row.get(at)));
            label = apart ? table.headers().get(i) : label;
        }
        Listed listed = new Listed(
                JobDraft.relative(
                        jobFolder.toAbsolutePath().normalize(),
                        file.toAbsolutePath().normalize()),
                table.headers().get(best),
                label);
        return new Decision(
                listed.words().kind(),
                listed.words().subject(),
                listed.words().answer(),
                "by hand",
                Says.count(most, "folder") + " of " + Says.number(table.rows().size()));
    }
}
