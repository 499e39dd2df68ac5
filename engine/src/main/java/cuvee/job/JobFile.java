package cuvee.job;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Where;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Opens and saves job files. A save leaves the old file or the new one, never a torn one, and keeps the one before. */
public final class JobFile {
    private JobFile() {}

    public static Job open(Path file) {
        try {
            return JobJson.read(
                    Files.readString(file, StandardCharsets.UTF_8),
                    file.getFileName().toString());
        } catch (NoSuchFileException missing) {
            throw CuveeException.failure(
                    "no-job",
                    Where.JOB,
                    "There is no job file " + file + ".",
                    "Nothing was read.",
                    "Check the name, or make a job with: cuvee draft FOLDER --out " + file.getFileName());
        } catch (IOException failed) {
            throw new CuveeException(
                    new Finding(
                            Severity.FAILURE,
                            "corrupt-job",
                            Where.JOB,
                            "The job file " + file + " cannot be read: " + failed.getMessage() + ".",
                            "Nothing was changed.",
                            "Check that it is a job file and that you may read it."),
                    failed);
        }
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

    private static String reason(IOException failed) {
        return failed instanceof NoSuchFileException
                ? "the folder does not exist"
                : String.valueOf(failed.getMessage());
    }
}
