package cuvee.collect;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Place;
import cuvee.job.Place.Subfolders;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetFiles;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/** Lists the files of all places and says of each whether it is taken. */
public final class Collector {
    /** The kinds of reasons for setting a file aside without reading it. */
    public static final Set<String> KINDS =
            Set.of("lock-file", "hidden", "own-file", "unfinished", "other-kind", "copy", "name", "left-out");

    /** Why a file that the analyst left out is set aside. */
    public static final String LEFT_OUT = "left-out";

    private final Path base;
    private final Set<Path> own;
    private final Function<String, Optional<Boolean>> decided;
    private final Map<String, String> keptNames;
    private final Map<String, KnownSum> knownSums;
    private final NameOrder order = new NameOrder();

    /**
     * A sum of a file's content that is known from before.
     *
     * @param stamp what the system said of the file then
     */
    public record KnownSum(Stamp stamp, String sum) {}

    /**
     * @param base the folder that relative places start from
     * @param own files that Cuvee itself writes for this job, which are never sources
     */
    public Collector(Path base, Set<Path> own) {
        this(base, own, path -> Optional.empty(), Map.of(), Map.of());
    }

    /**
     * @param decided what the job says of single files by path: true takes one, false leaves it out
     * @param keptNames names of sources that the job keeps, by place and path in it
     * @param knownSums sums of contents that are known, by path, so that files need not be read for them
     */
    public Collector(
            Path base,
            Set<Path> own,
            Function<String, Optional<Boolean>> decided,
            Map<String, String> keptNames,
            Map<String, KnownSum> knownSums) {
        this.keptNames = Map.copyOf(keptNames);
        this.knownSums = Map.copyOf(knownSums);
        this.decided = decided;
        this.base = base;
        Set<Path> absolute = new HashSet<>();
        own.forEach(path -> absolute.add(path.toAbsolutePath().normalize()));
        this.own = absolute;
    }

    /**
     * What was found.
     *
     * @param sources the files in natural order
     * @param findings what is to be said of the places
     * @param names names of sources that the job does not keep yet, by place and path in it
     */
    public record Collected(List<Source> sources, List<Finding> findings, Map<String, String> names) {
        public Collected {
            sources = List.copyOf(sources);
            findings = List.copyOf(findings);
            names = Map.copyOf(names);
        }

        /** The same in an order of the analyst's; files that it does not name stay behind the one they follow by name. */
        public Collected inOrder(List<String> paths) {
            List<List<Source>> groups = new ArrayList<>();
            Map<Integer, List<Source>> byRank = new TreeMap<>();
            List<Source> group = new ArrayList<>();
            for (Source source : sources) {
                int rank = paths.indexOf(source.path());
                if (rank >= 0 || groups.isEmpty()) {
                    group = new ArrayList<>();
                    groups.add(group);
                    byRank.put(rank, group);
                }
                group.add(source);
            }
            List<Source> ordered = new ArrayList<>();
            byRank.values().forEach(ordered::addAll);
            return new Collected(ordered, findings, names);
        }
    }

    /** What a name is kept under where it is of a place whose path is said otherwise now; else what it was kept under. */
    public static String nameKeyAt(String key, String home, String newHome) {
        String before = SourceNames.key(home, "");
        return key.startsWith(before) ? SourceNames.key(newHome, key.substring(before.length())) : key;
    }

    /** What a place is called: by the analyst, else by the name of its folder; a single file has no name but its own. */
    private static String name(Place place, Path path) {
        return place.label().isEmpty() && Files.isDirectory(path) ? String.valueOf(path.getFileName()) : place.label();
    }

    /**
     * Looks at all places.
     *
     * @throws CuveeException where none of them can be looked at
     */
    public Collected collect(List<Place> places) {
        List<Source> found = new ArrayList<>();
        Map<Source, String> placeNames = new HashMap<>();
        List<Finding> findings = new ArrayList<>();
        List<Finding> unreachable = new ArrayList<>();
        Set<Path> seen = new HashSet<>();
        for (Place place : places) {
            Path path = base.resolve(place.path()).toAbsolutePath().normalize();
            List<Source> here = new ArrayList<>();
            try {
                walk(path, place, here, findings);
            } catch (IOException failed) {
                unreachable.add(unreachable(path, failed));
                continue;
            }
            here.sort(Comparator.comparing(Source::path, order));
            if (here.isEmpty()) {
                findings.add(empty(path, "is empty", "Put the workbooks there, or name another folder."));
            } else if (here.stream().noneMatch(Source::taken)) {
                findings.add(empty(
                        path,
                        "holds " + Says.count(here.size(), "file") + ", none of which can be a source",
                        "Cuvee takes .xlsx, .xlsm, .csv, .tsv and .txt."));
            }
            for (Source source : here) {
                if (seen.add(source.file())) {
                    found.add(source);
                    placeNames.put(source, name(place, path));
                }
            }
        }
        SourceNames names = new SourceNames(keptNames);
        Map<Source, String> called = names.of(found);
        List<Source> sources = found.stream()
                .map(source -> source.called(called.getOrDefault(source, ""), placeNames.getOrDefault(source, "")))
                .toList();
        if (unreachable.size() == places.size() && !unreachable.isEmpty()) {
            throw new CuveeException(unreachable.get(0));
        }
        unreachable.forEach(one -> findings.add(
                new Finding(Severity.WARNING, one.kind(), one.where(), one.what(), one.done(), one.canDo())));
        List<Source> judged = asDecided(withoutCopies(asDecided(sources)));
        findings.addAll(Series.gaps(judged));
        return new Collected(judged, findings, names.made());
    }

    /** Files put back, or left out, by the analyst; what cannot be read stays aside. */
    private List<Source> asDecided(List<Source> sources) {
        return sources.stream()
                .map(source -> decided.apply(source.path())
                        .map(take -> take ? source.setAside("", "") : source.setAside(LEFT_OUT, "left out by you"))
                        .orElse(source))
                .toList();
    }

    /**
     * The files of all places by their names alone: none is read, and copies are not told.
     *
     * @throws CuveeException where one of the places cannot be looked at
     */
    public List<Source> listed(List<Place> places) {
        List<Source> found = new ArrayList<>();
        for (Place place : places) {
            Path path = base.resolve(place.path()).toAbsolutePath().normalize();
            try {
                walk(path, place, found, new ArrayList<>());
            } catch (IOException failed) {
                throw new CuveeException(unreachable(path, failed));
            }
        }
        return found;
    }

    private static Finding unreachable(Path path, IOException failed) {
        String what = failed instanceof NoSuchFileException
                ? "There is no folder or file " + path + "."
                : failed instanceof AccessDeniedException
                        ? "You may not read " + path + "."
                        : path + " cannot be read: " + failed.getMessage() + ".";
        return new Finding(
                Severity.FAILURE,
                "no-place",
                Where.JOB,
                what,
                "Nothing was taken from there.",
                "Check the spelling and whether the drive is connected.");
    }

    private static Finding empty(Path path, String how, String canDo) {
        return new Finding(
                Severity.WARNING,
                "empty-place",
                Where.JOB,
                "The folder " + path + " " + how + ".",
                "Nothing was taken from there.",
                canDo);
    }

    private void walk(Path path, Place place, List<Source> into, List<Finding> findings) throws IOException {
        BasicFileAttributes attributes = Files.readAttributes(path, BasicFileAttributes.class);
        if (!attributes.isDirectory()) {
            into.add(judge(place.path(), path.getFileName().toString(), path, Stamp.of(path, attributes)));
            return;
        }
        if (!Files.isReadable(path)) {
            throw new AccessDeniedException(path.toString());
        }
        Files.walkFileTree(path, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                boolean inner = !folder.equals(path);
                boolean hidden = inner && folder.getFileName().toString().startsWith(".");
                boolean tooDeep = place.depth() > 0 && path.relativize(folder).getNameCount() > place.depth();
                boolean skip = inner && (hidden || place.subfolders() == Subfolders.LEFT_OUT || tooDeep);
                return skip ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                String relative = path.relativize(file).toString().replace('\\', '/');
                try {
                    BasicFileAttributes real = attributes.isSymbolicLink()
                            ? Files.readAttributes(file, BasicFileAttributes.class)
                            : attributes;
                    if (real.isRegularFile()) {
                        into.add(byName(place, judge(place.path(), relative, file, Stamp.of(file, real))));
                    } else if (real.isDirectory()) {
                        findings.add(linkedFolder(relative));
                    }
                } catch (IOException failed) {
                    return visitFileFailed(file, failed);
                }
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException failed) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "no-access",
                        Where.source(path.relativize(file).toString().replace('\\', '/')),
                        "It cannot be opened: "
                                + (failed instanceof AccessDeniedException
                                        ? "you may not read it"
                                        : failed instanceof NoSuchFileException
                                                ? "it is a link to a file that is not there"
                                                : failed.getMessage())
                                + ".",
                        "It is left out; the others go on.",
                        "Ask for access to it, then refresh."));
                return FileVisitResult.CONTINUE;
            }
        });
    }

    private static Finding linkedFolder(String relative) {
        return new Finding(
                Severity.REMARK,
                "linked-folder",
                Where.source(relative),
                "It is a link to a folder.",
                "Links to folders are not followed.",
                "Add the folder as a place of its own if its files belong to the master.");
    }

    private static Source byName(Place place, Source source) {
        if (!source.taken()) {
            return source;
        }
        if (!place.only().isEmpty() && !NamePattern.anyFits(place.only(), source.path())) {
            return source.setAside("name", "its name is none of those wanted: " + String.join(", ", place.only()));
        }
        if (NamePattern.anyFits(place.without(), source.path())) {
            return source.setAside("name", "its name is one of those left out: " + String.join(", ", place.without()));
        }
        return source;
    }

    private Source judge(String home, String relative, Path file, Stamp stamp) {
        Source source = new Source(relative, home, relative, "", file, stamp, "", "", "");
        String name = file.getFileName().toString();
        String lower = name.toLowerCase(Locale.ROOT);
        if (name.startsWith("~$") || name.startsWith(".~lock.")) {
            return source.setAside("lock-file", "a trace of a workbook that somebody has open");
        }
        if (name.startsWith(".") || lower.equals("thumbs.db") || lower.equals("desktop.ini")) {
            return source.setAside("hidden", "a hidden file");
        }
        if (own.contains(file.toAbsolutePath().normalize())
                || lower.endsWith(".cuvee")
                || lower.endsWith(".cuvee.before")) {
            return source.setAside("own-file", "a file of this job, and no source");
        }
        if (lower.endsWith(".tmp") || lower.endsWith(".part") || lower.endsWith(".crdownload")) {
            return source.setAside("unfinished", "an unfinished download or a temporary file");
        }
        if (!SheetFiles.isKnownEnding(name)) {
            return source.setAside("other-kind", "not a workbook or a text table, by its ending");
        }
        return source;
    }

    /** Of files with the same content one is taken: the one with the shortest name, which copies rarely have. */
    private List<Source> withoutCopies(List<Source> sources) {
        Map<Long, List<Source>> bySize = new HashMap<>();
        sources.stream()
                .filter(source -> source.taken() && source.size() > 0)
                .forEach(source -> bySize.computeIfAbsent(source.size(), size -> new ArrayList<>())
                        .add(source));
        Map<Source, String> copies = new HashMap<>();
        for (List<Source> sameSize : bySize.values()) {
            if (sameSize.size() > 1) {
                sameSize.sort(Comparator.comparingInt((Source source) ->
                                source.file().getFileName().toString().length())
                        .thenComparing(Source::path, order));
                Map<String, List<Source>> originals = new HashMap<>();
                for (Source source : sameSize) {
                    String sum = sum(source);
                    if (!sum.isEmpty()) {
                        List<Source> alike = originals.computeIfAbsent(sum, any -> new ArrayList<>());
                        alike.stream()
                                .filter(original -> FileContent.same(original.file(), source.file()))
                                .findFirst()
                                .ifPresentOrElse(
                                        original -> copies.put(source, original.path()), () -> alike.add(source));
                    }
                }
            }
        }
        List<Source> judged = new ArrayList<>();
        for (Source source : sources) {
            String original = copies.get(source);
            judged.add(original == null ? source : source.copyOf(original));
        }
        return judged;
    }

    private String sum(Source source) {
        KnownSum known = knownSums.get(source.path());
        return known != null && known.stamp().equals(source.stamp()) ? known.sum() : FileContent.sum(source.file());
    }
}
