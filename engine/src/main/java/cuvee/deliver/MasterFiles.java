package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Delivery;
import cuvee.place.Where;
import cuvee.sheet.SheetFiles;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The package's entry: writes the master to a file whose ending says the form. */
public final class MasterFiles {
    /** Kinds of failures that may pass by themselves. */
    private static final Set<String> FOR_NOW = Set.of("locked", "no-folder", "cannot-write");

    private static final Map<String, FileForm> FORMS = Map.of(
            "csv",
            new CsvForm(),
            "xlsx",
            new WorkbookForm(),
            "jsonl",
            new JsonLinesForm(),
            "parquet",
            new ParquetForm(),
            "sqlite",
            new SqliteForm(),
            "sql",
            new SqlForm());

    private MasterFiles() {}

    /** The endings that can be written, in the order in which they are offered. */
    public static List<String> endings() {
        return List.of("csv", "xlsx", "jsonl", "parquet", "sqlite", "sql");
    }

    /** On how many tabs of a workbook so many rows stand; 1 for other files. */
    public static int tabs(Path target, long rows) {
        boolean workbook =
                SheetFiles.ending(String.valueOf(target.getFileName())).equals("xlsx");
        return workbook ? WorkbookForm.tabs(rows) : 1;
    }

    /**
     * Refuses a target that cannot be written, before any work is done for it.
     *
     * @throws CuveeException with the reason and what can be done
     */
    public static void check(Path target) {
        check(target, target.toAbsolutePath().getParent());
    }

    /** The same where folders below one that has to be there are made. */
    public static void check(Path target, @Nullable Path folder) {
        if (!FORMS.containsKey(SheetFiles.ending(target.getFileName().toString()))) {
            throw failure(
                    "unknown-form",
                    target,
                    "its ending is none of ." + String.join(", .", endings()),
                    "Name the file with one of these endings.");
        }
        if (folder == null || !Files.isDirectory(folder)) {
            throw failure("no-folder", target, "there is no folder " + folder, "Make the folder, or name another.");
        }
        if (Files.isDirectory(target)) {
            throw failure("is-folder", target, "a folder has that name", "Name a file.");
        }
        if (Files.exists(target)) {
            refuseLocked(target);
        }
    }

    /** Is told of a whole file before it is moved to its target; what it throws keeps the file from being moved. */
    public interface Register {
        void enter(Path content, Path target) throws IOException;
    }

    /** What lies beside a target while it is written; a run that was stopped may leave it behind. */
    static Path beside(Path target) {
        return target.resolveSibling("." + target.getFileName() + ".writing");
    }

    /** Removes what a stopped run left beside a target. */
    public static void removeLeftovers(Path target) {
        FileForm.deleteQuietly(beside(target));
        FileForm.deleteQuietly(CsvForm.rows(beside(target)));
    }

    /**
     * Writes the master in one step; where that fails, what was there before is untouched. Whether the target may be
     * written over is for the {@link TargetGuard} to say.
     *
     * @return how many bytes the file has
     */
    public static long write(Content content, Path target, Register register) {
        check(target);
        return inOneStep(target, register, beside -> {
            FileForm form = FORMS.get(SheetFiles.ending(target.getFileName().toString()));
            if (form == null) {
                throw new IllegalStateException("checked above");
            }
            form.write(content, beside);
        });
    }

    /** The same as text, parted and written as a program wants it. */
    public static long writeText(Content content, Delivery.Text text, Path target, Register register) {
        check(target);
        return inOneStep(target, register, beside -> new TextOptions(text).write(content, beside));
    }

    /** Writes a text to a file in one step. */
    public static void writeText(String text, Path target, Register register) {
        inOneStep(target, register, beside -> Files.writeString(beside, text, StandardCharsets.UTF_8));
    }

    /** Puts a file where it belongs in one step; answers its size. */
    public static long put(Path target, Register register, Writing writing) {
        return inOneStep(target, register, writing);
    }

    /** Writes to a file. */
    public interface Writing {
        void to(Path file) throws IOException;
    }

    /** Writes beside a target and puts it there in one step, so that it is the old file or the new one; answers its size. */
    static long inOneStep(Path target, Register register, Writing writing) {
        Path beside = beside(target);
        try {
            writing.to(beside);
            register.enter(beside, target);
            move(beside, target);
            return Files.size(target);
        } catch (IOException failed) {
            throw failure(
                    "cannot-write",
                    target,
                    reason(failed),
                    "Free it or name another file; what was there before is untouched.");
        } finally {
            removeLeftovers(target);
        }
    }

    static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException otherDrive) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** True where a target cannot be written for now: it is open elsewhere, write-protected, or not reached. */
    public static boolean isForNow(CuveeException refused) {
        return FOR_NOW.contains(refused.finding().kind());
    }

    /** A free name beside a file that cannot be written. */
    private static Path free(Path target) {
        Path folder = target.toAbsolutePath().getParent();
        return folder == null ? target : free(folder, target);
    }

    /** A free name in a folder for a file that cannot be written where it belongs. */
    public static Path free(Path folder, Path target) {
        String name = String.valueOf(target.getFileName());
        int dot = Math.max(0, name.lastIndexOf('.'));
        Path free = folder.resolve(name);
        for (int copy = 2; Files.exists(free, LinkOption.NOFOLLOW_LINKS); copy++) {
            free = folder.resolve(name.substring(0, dot) + " " + copy + name.substring(dot));
        }
        return free;
    }

    /** Another program's lock on the target is its word that it must not be replaced now. */
    private static void refuseLocked(Path target) {
        String canDo = "Close it there, or write to another name such as "
                + free(target).getFileName() + ".";
        if (Files.exists(target.resolveSibling("~$" + target.getFileName()))
                || Files.exists(target.resolveSibling(".~lock." + target.getFileName() + "#"))) {
            throw failure("locked", target, "another program has it open", canDo);
        }
        if (!Files.isWritable(target)) {
            throw failure("locked", target, "it is write-protected", canDo);
        }
        try (RandomAccessFile file = new RandomAccessFile(target.toFile(), "rw");
                FileLock lock = file.getChannel().tryLock()) {
            if (lock == null) {
                throw failure("locked", target, "another program has it open", canDo);
            }
        } catch (OverlappingFileLockException held) {
            throw failure("locked", target, "it is being written already", canDo);
        } catch (IOException failed) {
            throw failure("locked", target, reason(failed), canDo);
        }
    }

    private static String reason(IOException failed) {
        if (failed instanceof AccessDeniedException) {
            return "you may not write there";
        }
        return String.valueOf(failed.getMessage());
    }

    static CuveeException failure(String kind, Path target, String why, String canDo) {
        return new CuveeException(new Finding(
                Severity.FAILURE,
                kind,
                Where.JOB,
                "The master cannot be written to " + target + ": " + why + ".",
                "Nothing was written; the master itself is kept.",
                canDo));
    }

    /** Takes away a file that was made on the way to a delivery that failed. */
    public static void drop(Path file) {
        FileForm.deleteQuietly(file);
    }
}
