package cuvee.refresh;

import cuvee.chart.Chart;
import cuvee.chart.ChartLook;
import cuvee.chart.ChartPicture;
import cuvee.deliver.MasterFiles;
import cuvee.finding.CuveeException;
import cuvee.job.Delivery;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetFiles;
import cuvee.summary.NamedTable;
import cuvee.tell.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** Writes a summary that the job keeps as a picture. */
final class SummaryPicture {
    static final String ENDING = "png";
    private static final int WIDTH = 960;
    private static final int HEIGHT = 480;
    /** As sharp as print in an office document of usual width. */
    private static final double SCALE = 2;

    private SummaryPicture() {}

    /** Refuses a target that no picture can be written to. */
    static void check(Path target, @Nullable Path folder) {
        if (!SheetFiles.ending(String.valueOf(target.getFileName())).equals(ENDING)) {
            throw refused(target, "a picture's name ends in ." + ENDING, "Name the file with that ending.");
        }
        if (folder == null || !Files.isDirectory(folder)) {
            throw refused(target, "there is no folder " + folder, "Make the folder, or name another.");
        }
        if (Files.isDirectory(target)) {
            throw refused(target, "a folder has that name", "Name a file.");
        }
    }

    private static CuveeException refused(Path target, String why, String canDo) {
        return CuveeException.failure(
                "no-picture",
                Where.JOB,
                "The picture cannot be written to " + target + ": " + why + ".",
                "Nothing was written; the master itself is kept.",
                canDo);
    }

    /**
     * What is drawn.
     *
     * @throws CuveeException where the job has no such summary, or nothing of it can be drawn
     */
    static Chart chart(Store store, Outcome outcome, Delivery.Picture picture) {
        NamedTable named = Summaries.made(store, outcome).stream()
                .filter(each -> each.name().equals(picture.summary()))
                .findFirst()
                .orElseThrow(() -> CuveeException.failure(
                        "no-summary",
                        Where.JOB,
                        "There is no picture: the job keeps no summary " + Says.quoted(picture.summary())
                                + " that can be made.",
                        "Nothing was written; the master itself is kept.",
                        "Keep a summary under that name, or name another in the delivery."));
        return Chart.of(named.table())
                .orElseThrow(() -> CuveeException.failure(
                        "nothing-to-draw",
                        Where.JOB,
                        "There is no picture: the summary " + Says.quoted(picture.summary())
                                + " has no numbers to compare, or too many.",
                        "Nothing was written; the master itself is kept.",
                        "Ask it for numbers of a few lines or columns."));
    }

    static long write(
            Store store, Outcome outcome, Delivery.Picture picture, Path target, MasterFiles.Register register) {
        Chart chart = chart(store, outcome, picture);
        return MasterFiles.put(
                target,
                register,
                beside -> Files.write(
                        beside,
                        ChartPicture.png(chart, ChartLook.PAPER, WIDTH, ChartPicture.height(chart, HEIGHT), SCALE)));
    }
}
