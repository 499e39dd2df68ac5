package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Sees to it that writing a master destroys nothing of others. A file that the job reads is never written over. Any other
 * file that is there already, and that is not as Cuvee wrote it, is written over only where the analyst has said so.
 */
public final class TargetGuard {
    private final Set<Path> inputs = new HashSet<>();
    private final List<Path> places = new ArrayList<>();
    private final WrittenFiles written;

    /** Whether a file that Cuvee did not write may be replaced. */
    public enum Existing {
        KEEP,
        REPLACE
    }

    /**
     * @param inputs files that the job reads: its sources, small tables, prepared workbooks
     * @param places the folders and files of the job's places
     */
    public TargetGuard(Collection<Path> inputs, Collection<Path> places, WrittenFiles written) {
        inputs.forEach(input -> this.inputs.add(WrittenFiles.real(input)));
        places.forEach(place -> this.places.add(WrittenFiles.real(place)));
        this.written = written;
    }

    /**
     * Refuses a target whose writing would destroy something.
     *
     * @throws CuveeException that says what would be lost, and the way out
     */
    public void check(Path target, Existing existing) {
        Path real = WrittenFiles.real(target);
        if (places.contains(real)) {
            throw MasterFiles.failure("target-is-source", target, "it is a place of this job", "Name another file.");
        }
        boolean there = Files.exists(target);
        if (there && inputs.stream().anyMatch(input -> same(input, target, real))) {
            throw MasterFiles.failure(
                    "target-is-source", target, "it is one of the files that this job reads", "Name another file.");
        }
        if (!there) {
            return;
        }
        WrittenFiles.Standing standing = written.standing(target);
        if (standing == WrittenFiles.Standing.AS_WRITTEN) {
            return;
        }
        if (standing == WrittenFiles.Standing.NOT_OURS && inPlace(real) && !OwnMark.isIn(target)) {
            throw MasterFiles.failure(
                    "target-is-source",
                    target,
                    "a file of that name lies in a place of this job, and Cuvee did not write it",
                    "Name another file, or one outside of the job's places.");
        }
        if (existing == Existing.KEEP) {
            throw MasterFiles.failure(
                    "target-not-ours",
                    target,
                    lossOf(target, standing),
                    "Name another file; or say that this one may be replaced as a whole (--replace on the command"
                            + " line).");
        }
    }

    /** What writing to a target would destroy, in words; empty where nothing. */
    public Optional<String> loss(Path target) {
        if (!Files.isRegularFile(target)) {
            return Optional.empty();
        }
        WrittenFiles.Standing standing = written.standing(target);
        return standing == WrittenFiles.Standing.AS_WRITTEN ? Optional.empty() : Optional.of(lossOf(target, standing));
    }

    private static String lossOf(Path target, WrittenFiles.Standing standing) {
        String there = standing == WrittenFiles.Standing.CHANGED_SINCE
                ? "the file there has been changed since Cuvee wrote it"
                : "a file of that name is there already, and Cuvee did not write it";
        return there + " (" + content(target) + ")";
    }

    private static boolean same(Path input, Path target, Path real) {
        if (input.equals(real)) {
            return true;
        }
        try {
            return Files.exists(input) && Files.isSameFile(input, target);
        } catch (IOException unknown) {
            return false;
        }
    }

    /** True for a file or a folder that is, or lies in, a place of the job. */
    public boolean liesInPlace(Path path) {
        return inPlace(WrittenFiles.real(path));
    }

    private boolean inPlace(Path real) {
        return places.stream().anyMatch(real::startsWith);
    }

    /** What a file holds, as far as it can be told quickly: the tabs of a workbook, else its size. */
    private static String content(Path file) {
        List<String> tabs = new ArrayList<>();
        try {
            if (SheetFiles.ending(String.valueOf(file.getFileName())).startsWith("xls")) {
                SheetFiles.read(file, Where.JOB, ReadLimits.DEFAULT, new TabNames(tabs));
            }
            String size = Says.size(Files.size(file));
            return tabs.isEmpty()
                    ? size
                    : size + ", with the " + (tabs.size() == 1 ? "tab " : "tabs ")
                            + Says.list(tabs.stream().map(Says::quoted).toList());
        } catch (IOException | CuveeException unreadable) {
            return "what it holds cannot be read";
        }
    }

    private record TabNames(List<String> names) implements SheetVisitor {
        @Override
        public Wanted sheet(SheetInfo sheet) {
            if (!sheet.name().isEmpty()) {
                names.add(sheet.name());
            }
            return Wanted.NOTHING;
        }

        @Override
        public void row(Row row) {}

        @Override
        public void endSheet() {}
    }
}
