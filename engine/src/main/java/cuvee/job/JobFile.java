package cuvee.job;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Says;
import cuvee.place.Where;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/** Opens and saves job files. A save leaves the old file or the new one, never a torn one, and keeps the one before. */
public final class JobFile {
    private static final long LARGEST = 64_000_000;

    private JobFile() {}

    /**
     * Refuses a file that a job could not be saved in, before any work is done for it.
     *
     * @throws CuveeException with the reason and what can be done
     */
    public static void checkWritable(Path file) {
        Path folder = file.toAbsolutePath().normalize().getParent();
        String why = folder == null || !Files.isDirectory(folder)
                ? "there is no folder " + folder
                : Files.isDirectory(file)
                        ? "a folder has that name"
                        : !Files.isWritable(folder) || (Files.exists(file) && !Files.isWritable(file))
                                ? "you may not write there"
                                : "";
        if (!why.isEmpty()) {
            throw CuveeException.failure(
                    "cannot-save",
                    Where.JOB,
                    "The job cannot be saved as " + file + ": " + why + ".",
                    "Nothing was read.",
                    "Make the folder, or name another.");
        }
    }

    public static Job open(Path file) {
        try {
            if (Files.size(file) > LARGEST) {
                throw unreadable(file, "no job is as large as " + Says.size(Files.size(file)), null);
            }
            return JobJson.read(
                    Files.readString(file, StandardCharsets.UTF_8),
                    file.getFileName().toString());
        } catch (CharacterCodingException otherText) {
            throw unreadable(file, "it is not text in UTF-8", otherText);
        } catch (NoSuchFileException missing) {
            throw CuveeException.failure(
                    "no-job",
                    Where.JOB,
                    "There is no job file " + file + ".",
                    "Nothing was read.",
                    "Check the name, or make a job with: cuvee draft FOLDER --out " + file.getFileName());
        } catch (AccessDeniedException denied) {
            throw unreadable(file, "you may not read it", denied);
        } catch (IOException failed) {
            throw unreadable(
                    file, Files.isDirectory(file) ? "it is a folder" : String.valueOf(failed.getMessage()), failed);
        }
    }

    private static CuveeException unreadable(Path file, String why, @Nullable IOException cause) {
        return new CuveeException(
                new Finding(
                        Severity.FAILURE,
                        "corrupt-job",
                        Where.JOB,
                        "The job file " + file + " cannot be read: " + why + ".",
                        "Nothing was changed.",
                        "Check that it is a job file and that you may read it."),
                cause);
    }

    /** The job as it would be saved. */
    public static String text(Job job) {
        return JobJson.write(job);
    }

    public static void save(Job job, Path file) {
        Path beside = file.resolveSibling(file.getFileName() + ".saving");
        try {
            byte[] content = JobJson.write(job).getBytes(StandardCharsets.UTF_8);
            try (FileChannel channel = FileChannel.open(
                    beside,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE,
                    StandardOpenOption.TRUNCATE_EXISTING)) {
                java.nio.ByteBuffer buffer = java.nio.ByteBuffer.wrap(content);
                while (buffer.hasRemaining()) {
                    channel.write(buffer);
                }
                channel.force(true);
            }
            if (Files.exists(file)) {
                Files.copy(
                        file, file.resolveSibling(file.getFileName() + ".before"), StandardCopyOption.REPLACE_EXISTING);
            }
            Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            removeQuietly(beside);
            throw new CuveeException(
                    new Finding(
                            Severity.FAILURE,
                            "cannot-save",
                            Where.JOB,
                            "The job cannot be saved as " + file + ": " + reason(failed) + ".",
                            "What was saved before is untouched.",
                            "Save it under another name or in another folder."),
                    failed);
        }
    }

    private static void removeQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException left) {
            // The next save writes over it.
            return;
        }
    }

    private static String reason(IOException failed) {
        return failed instanceof NoSuchFileException
                ? "the folder does not exist"
                : String.valueOf(failed.getMessage());
    }
}
