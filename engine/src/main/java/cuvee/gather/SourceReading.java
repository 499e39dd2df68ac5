package cuvee.gather;

import cuvee.collect.FileContent;
import cuvee.collect.Source;
import cuvee.collect.Stamp;
import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.Reading;
import cuvee.detect.SheetClues;
import cuvee.detect.TableFinder;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.layout.Signatures;
import cuvee.master.StageWriter;
import cuvee.place.Where;
import cuvee.sheet.CellRange;
import cuvee.sheet.Quoting;
import cuvee.sheet.ReadAs;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetInfo.Visibility;
import cuvee.sheet.SheetSight;
import cuvee.sheet.SheetVisitor;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;

/** Reads one source once: stages its rows and finds its tables on the way. */
final class SourceReading {
    private static final long RECENT_MILLIS = 3000;
    private static final int MOST_MERGED = 2000;
    private final AtomicInteger nextId;
    private final ReadLimits limits;
    private final Function<String, ReadAs> said;
    private final OwnMasters own;

    SourceReading(AtomicInteger nextId, ReadLimits limits, Function<String, ReadAs> said, OwnMasters own) {
        this.own = own;
        this.said = said;
        this.nextId = nextId;
        this.limits = limits;
    }

    /** The facts of a source, which says itself what is wrong with it. One that changes meanwhile is read once more. */
    SourceFacts read(Source source, StageWriter writer, long now) {
        SourceFacts facts = readOnce(source, writer, now);
        if (!changed(facts, source)) {
            return facts;
        }
        Source again = refreshed(source);
        SourceFacts second = readOnce(again, writer, now);
        if (!changed(second, again)) {
            return second;
        }
        Finding moving = new Finding(
                Severity.WARNING,
                "changing",
                Where.source(source.path()),
                "The file changes while it is read.",
                "It is set aside; the others go on.",
                "Refresh again when its writer is done.");
        return facts(source.withStamp(Stamp.NONE), "", "", List.of(), List.of(moving));
    }

    private static SourceFacts facts(
            Source source, String sum, String readAs, List<SheetFacts> sheets, List<Finding> problem) {
        return facts(source, sum, readAs, sheets, problem, 0);
    }

    private static SourceFacts facts(
            Source source, String sum, String readAs, List<SheetFacts> sheets, List<Finding> problem, int openQuote) {
        return new SourceFacts(source.path(), source.home(), source.stamp(), sum, readAs, sheets, problem, openQuote);
    }

    private static boolean changed(SourceFacts facts, Source source) {
        Stamp now = refreshed(source).stamp();
        return now.size() != facts.size() || now.modified() != facts.modified();
    }

    private static Source refreshed(Source source) {
        try {
            return source.withStamp(Stamp.of(source.file()));
        } catch (IOException gone) {
            return source;
        }
    }

    /** A file changed a moment ago could change again within the same tick of its clock: its content is to tell then. */
    static Stamp sure(Stamp stamp, long now) {
        return now - stamp.modified() < RECENT_MILLIS || now - stamp.changed() / 1_000_000 < RECENT_MILLIS
                ? stamp.unsure()
                : stamp;
    }

    private SourceFacts readOnce(Source source, StageWriter writer, long now) {
        Source stamped = source.withStamp(sure(source.stamp(), now));
        Where where = Where.source(source.path());
        ReadAs as = said.apply(source.path());
        String words = as.words() + own.words(source.path());
        Optional<Finding> master = own.recognise(source);
        if (master.isPresent()) {
            return facts(stamped, FileContent.sum(source.file()), words, List.of(), List.of(master.get()));
        }
        try {
            Visitor visitor = new Visitor(writer);
            SheetFiles.read(source.file(), where, limits, as, visitor);
            return facts(stamped, FileContent.sum(source.file()), words, visitor.sheets, List.of());
        } catch (CuveeException unreadable) {
            Finding said = unreadable.finding();
            if (said.kind().equals(SheetFiles.TORN_QUOTES) && as.quoting().isEmpty()) {
                List<SheetFacts> plain = withoutQuotes(source, writer, as);
                if (!plain.isEmpty()) {
                    int line = Math.max(1, said.where().row());
                    return facts(stamped, FileContent.sum(source.file()), words, plain, List.of(), line);
                }
            }
            Finding warning =
                    new Finding(Severity.WARNING, said.kind(), said.where(), said.what(), said.done(), said.canDo());
            return facts(stamped, FileContent.sum(source.file()), words, List.of(), List.of(warning));
        }
    }

    /** A text file whose quotes tear it, read as if they were text like any other; empty where that makes no table. */
    private List<SheetFacts> withoutQuotes(Source source, StageWriter writer, ReadAs as) {
        try {
            Visitor visitor = new Visitor(writer);
            SheetFiles.read(source.file(), Where.source(source.path()), limits, as.withQuoting(Quoting.NONE), visitor);
            return visitor.sheets.stream().anyMatch(sheet -> !sheet.tables().isEmpty()) ? visitor.sheets : List.of();
        } catch (CuveeException neither) {
            return List.of();
        }
    }

    /** The facts of a source that cannot be read even alone, for want of memory. */
    SourceFacts tooLarge(Source source) {
        Finding finding = new Finding(
                Severity.WARNING,
                "limit",
                Where.source(source.path()),
                "The file asks for more memory than Cuvee has.",
                "It is set aside; the others go on.",
                "If the file is to be trusted, split it or save the needed sheet by itself.");
        ReadAs as = said.apply(source.path());
        return facts(
                source,
                FileContent.sum(source.file()),
                as.words() + own.words(source.path()),
                List.of(),
                List.of(finding));
    }

    private final class Visitor implements SheetVisitor {
        private final StageWriter writer;
        private final List<SheetFacts> sheets = new ArrayList<>();
        private TableFinder finder = new TableFinder(HeaderHints.NONE);
        private SheetSight sight = SheetSight.PLAIN;
        private SheetInfo sheet = new SheetInfo("", 0, Visibility.VISIBLE, "");
        private int rows;
        private int lastRow;
        private int columns;

        Visitor(StageWriter writer) {
            this.writer = writer;
        }

        @Override
        public Wanted sheet(SheetInfo info) {
            sheet = info;
            finder = finder(info, List.of());
            sight = SheetSight.PLAIN;
            lastRow = 0;
            columns = 0;
            writer.begin(nextId.getAndIncrement());
            return Wanted.ROWS;
        }

        @Override
        public void row(Row row) {
            if ((++rows & 1023) == 0 && Thread.currentThread().isInterrupted()) {
                throw new CancellationException();
            }
            if (!row.blank()) {
                writer.add(row);
                lastRow = row.number();
                columns = Math.max(columns, row.width());
            }
            finder.row(row);
        }

        private TableFinder finder(SheetInfo info, List<CellRange> merged) {
            return new TableFinder(HeaderHints.NONE, new SheetClues(info.named(), merged), Reading.DEFAULT);
        }

        @Override
        public void sight(SheetSight seen) {
            sight = seen;
            finder.merged(seen.merged());
        }

        @Override
        public void endSheet() {
            List<FoundTable> tables = finder.end();
            List<SourceFacts.Plain> plain =
                    tables.stream().map(SourceFacts.Plain::of).toList();
            sheets.add(new SheetFacts(
                    writer.table(),
                    writer.width(),
                    sheet.name(),
                    sheet.form(),
                    sheet.visibility() == Visibility.HIDDEN,
                    new SheetClues(sheet.named(), merged(), sight.currencies()),
                    lastRow,
                    columns,
                    SourceFacts.Noticed.of(sight),
                    plain,
                    tables.stream().map(Signatures::of).toList(),
                    lateMerges(tables) ? "" : SecondLook.PLAIN,
                    nextId.getAndAdd(Math.max(1, tables.size())),
                    tables));
        }

        /** Joined cells that matter later: those over or in headers, and those that stand for several records. */
        private List<CellRange> merged() {
            return sight.merged().stream()
                    .filter(range -> range.columns() > 1 || range.rows() > 1)
                    .limit(MOST_MERGED)
                    .toList();
        }

        /** True where cells were joined in a header that had to be chosen before that was known. */
        private boolean lateMerges(List<FoundTable> tables) {
            return tables.stream().anyMatch(table -> table.lastRow() >= TableFinder.HEAD_ROWS)
                    && sight.merged().stream()
                            .anyMatch(range -> range.columns() > 1
                                    && tables.stream()
                                            .anyMatch(table -> range.firstRow() >= table.firstRow()
                                                    && range.firstRow()
                                                            <= table.headerRows().stream()
                                                                    .reduce(0, Math::max)));
        }
    }
}
