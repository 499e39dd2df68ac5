package cuvee.refresh;

import com.fasterxml.aalto.stax.InputFactoryImpl;
import com.sun.management.OperatingSystemMXBean;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Comparator;
import java.util.Enumeration;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * What it costs to bring workbooks into a typed master, in processor time, beside the bare parsing of the same sheets by
 * the parser that reads them: one file at a time, without looking at any cell.
 */
public final class WorkbooksProof {
    private static final int COLUMNS = 12;
    private static final String[] PORTS = {"Brannock", "Eastray", "Hollin", "Marsay", "Norhaven", "Tarsk"};
    private static final OperatingSystemMXBean MACHINE =
            (OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();

    private WorkbooksProof() {}

    /**
     * Arguments: how many files, and how many rows each, and a folder where they are to be written and no more; without
     * any, the sorts that are promised.
     */
    public static void main(String[] arguments) throws IOException, XMLStreamException {
        if (arguments.length == 3) {
            write(
                    Files.createDirectories(Path.of(arguments[2])),
                    Integer.parseInt(arguments[0]),
                    Integer.parseInt(arguments[1]));
            return;
        }
        if (arguments.length == 2) {
            compare(Integer.parseInt(arguments[0]), Integer.parseInt(arguments[1]));
            return;
        }
        compare(250, 20);
        compare(250, 2_000);
        compare(50, 5_000);
        compare(1, 500_000);
    }

    private static void compare(int files, int rows) throws IOException, XMLStreamException {
        Path folder = Files.createTempDirectory("cuvee-workbooks");
        try {
            Path data = Files.createDirectory(folder.resolve("data"));
            write(data, files, rows);
            double bareFirst = bare(data);
            double bare = bare(data);
            Workplace workplace = new Workplace(
                    folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(320, 2));
            Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(data));
            try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
                double first = refresh(session, job, (long) files * rows);
                double again = refresh(session, job, (long) files * rows);
                System.out.printf(
                        Locale.ROOT,
                        "%,d workbooks of %,d rows: bare %.2f s, to the master %.2f s of processor time: %.2f times; warm"
                                + " %.2f s, %.2f s: %.2f times%n",
                        files,
                        rows,
                        bareFirst,
                        first,
                        first / bareFirst,
                        bare,
                        again,
                        again / bare);
            }
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }

    private static double refresh(JobSession session, Job job, long rows) {
        long start = MACHINE.getProcessCpuTime();
        Outcome made = session.refresh(job, Reread.EVERYTHING, Progress.NONE);
        if (made.rows() != rows) {
            throw new IllegalStateException(made.rows() + " rows");
        }
        return (MACHINE.getProcessCpuTime() - start) / 1e9;
    }

    private static double bare(Path data) throws IOException, XMLStreamException {
        long start = MACHINE.getProcessCpuTime();
        InputFactoryImpl parsers = new InputFactoryImpl();
        parsers.configureForSpeed();
        try (Stream<Path> files = Files.list(data)) {
            for (Path file : files.toList()) {
                try (ZipFile zip = new ZipFile(file.toFile())) {
                    Enumeration<? extends ZipEntry> entries = zip.entries();
                    while (entries.hasMoreElements()) {
                        ZipEntry entry = entries.nextElement();
                        boolean wanted = entry.getName().startsWith("xl/worksheets/sheet")
                                || entry.getName().equals("xl/sharedStrings.xml");
                        if (wanted) {
                            parse(parsers, zip.getInputStream(entry));
                        }
                    }
                }
            }
        }
        return (MACHINE.getProcessCpuTime() - start) / 1e9;
    }

    private static void parse(InputFactoryImpl parsers, InputStream in) throws XMLStreamException {
        XMLStreamReader xml = parsers.createXMLStreamReader(in);
        while (xml.hasNext()) {
            xml.next();
        }
        xml.close();
    }

    static void write(Path folder, int files, int rows) throws IOException {
        for (int i = 0; i < files; i++) {
            writeOne(folder.resolve("returns-" + i + ".xlsx"), i, rows);
        }
    }

    static void writeOne(Path file, int seed, int rows) throws IOException {
        Random random = new Random(seed);
        try (OutputStream out = Files.newOutputStream(file);
                Workbook workbook = new Workbook(out, "bench", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("Returns");
            for (int c = 0; c < COLUMNS; c++) {
                sheet.value(0, c, c < 3 ? List.of("Booking", "Port", "Vessel").get(c) : "Figure " + (char) ('A' + c));
            }
            for (int i = 1; i <= rows; i++) {
                sheet.value(i, 0, "B" + seed + "-" + i);
                sheet.value(i, 1, PORTS[random.nextInt(PORTS.length)]);
                sheet.value(i, 2, "MV " + (char) ('A' + random.nextInt(9)));
                for (int c = 3; c < COLUMNS; c++) {
                    sheet.value(i, c, c % 2 == 0 ? random.nextInt(5_000) : random.nextInt(1_000_000) / 100.0);
                }
            }
        }
    }
}
