package cuvee.detect;

import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.Run;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The rows of one table, from its titles and header on: tells each row for itself and gathers what the records hold. */
final class TableBody {

    private final HeaderHints hints;
    private final SheetClues clues;
    private final Reading reading;
    private final TableColumns columns;
    private final TotalRows totalRows;
    private final TotalColumn totalColumn;
    private final Outline outline;
    private final FoundTable.Sureness sureness;
    private final int rival;
    private final String reason;
    private final int width;
    private final int headRows;
    private final boolean numbered;
    private final AfterGap afterGap;
    private final LineRows lineRows;
    private final List<Aside> aside = new ArrayList<>();
    private final List<Run> runs = new ArrayList<>();
    private final List<String> titles = new ArrayList<>();
    /** The titles without their digits: {@code Page 2} stands where {@code Page 1} stood. */
    private final Set<String> titlePatterns = new HashSet<>();

    /** How many cells titles of several cells fill. */
    private final BitSet wideTitles = new BitSet();

    /** Doubts about rows that are kept. */
    private static final Set<String> OF_KEPT_ROWS = Set.of("total-word", "total-row");

    private final List<Doubt> doubts = new ArrayList<>();

    private final List<Integer> headerRows = new ArrayList<>();
    private final List<Row> lines = new ArrayList<>();
    private final LoneWords loneWords;
    private final HeadRows heads;
    /** Rows of a single word that are records if other records follow. */
    private final Set<Integer> maybeRecords = new HashSet<>();
    /** A row right below the header that may add up all the others. */
    private @Nullable Row above;

    private final int firstRow;
    private int lastRow;
    private int blanks;
    private int blanksBeforeLines;
    private int runFirst;
    private int runCount;
    private int sections;
    private int firstSection;
    private String firstSectionText = "";
    private String lastNote = "";
    private final List<Integer> notesBetween = new ArrayList<>();
    private int sparse;
    private int firstSparse;

    private TableBody(
            List<Row> rows,
            HeaderChoice.Choice choice,
            int width,
            HeaderHints hints,
            SheetClues clues,
            Reading reading) {
        this.hints = hints;
        this.clues = clues;
        this.reading = reading;
        this.reason = choice.reason();
        this.sureness = choice.sure() ? FoundTable.Sureness.SURE : FoundTable.Sureness.CLOSE;
        this.rival =
                choice.sure() || !choice.found() ? 0 : rows.get(choice.rival()).number();
        this.width = width;
        this.numbered = numbersColumns(rows, choice, reading);
        int headed = choice.bottom() + (numbered ? 2 : 1);
        List<Row> notes = notesOnHeader(rows.subList(headed, rows.size()), choice, reading);
        this.headRows = headed + notes.size();
        this.firstRow = rows.get(0).number();
        this.lastRow = firstRow - 1;
        List<Row> header = choice.found() ? rows.subList(choice.top(), choice.bottom() + 1) : List.of();
        String[] names = choice.found() ? HeaderNames.of(header, clues) : new String[0];
        this.columns = new TableColumns(
                names, header, rows.stream().mapToInt(Row::width).max().orElse(0), hints);
        this.totalColumn = new TotalColumn(names);
        this.outline = new Outline(columns);
        this.totalRows = new TotalRows(columns, clues, reading, hints, doubts);
        for (int i = 0; i <= choice.bottom(); i++) {
            head(rows.get(i), i > 0, i >= choice.top());
        }
        if (numbered) {
            aside.add(new Aside(rows.get(headed - 1).number(), RowClass.HEADER));
        }
        notes.forEach(row -> aside.add(new Aside(row.number(), RowClass.NOTE)));
        if (headRows > 0) {
            lastRow = rows.get(headRows - 1).number();
        }
        List<Row> below = rows.subList(headRows, rows.size());
        columns.comeNext(below);
        int leastFilled = filled(below, 4);
        this.loneWords = new LoneWords(below);
        this.heads = new HeadRows(reading);
        this.afterGap = new AfterGap(columns, totalRows, titles, leastFilled, hints, clues);
        this.lineRows = new LineRows(
                columns, totalRows, afterGap, loneWords, reading, width, choice.found(), leastFilled, filled(below, 2));
        if (!choice.found()) {
            doubts.add(new Doubt(
                    "no-header", firstRow, "No row looks like a header; the columns go by their letters.", 1));
        }
    }

    /** Begins a table with the first rows of a stretch; how many of them are titles and header says {@link #headRows}. */
    static TableBody begin(List<Row> rows, HeaderHints hints, SheetClues clues, Reading reading) {
        HeaderChoice choosing = new HeaderChoice(rows, hints, clues);
        HeaderChoice.Choice choice = told(choosing.choose(), rows, reading);
        return new TableBody(rows, choice, choosing.width(), hints, clues, reading);
    }

    /** True where the row right below the header numbers the columns, or names their days. */
    private static boolean numbersColumns(List<Row> rows, HeaderChoice.Choice choice, Reading reading) {
        int next = choice.bottom() + 1;
        return choice.found()
                && next + 1 < rows.size()
                && rows.get(next).blanksBefore() == 0
                && !reading.rows().containsKey(rows.get(next).number())
                && !reading.headerRows().contains(rows.get(next).number())
                && UnderHeader.isIn(rows.get(next), rows.get(choice.bottom()), rows.subList(next + 1, rows.size()));
    }

    /** The rows right below the header that say what its columns hold in words, or what they can reach. */
    private List<Row> notesOnHeader(List<Row> below, HeaderChoice.Choice choice, Reading reading) {
        boolean decided = below.stream().limit(1).anyMatch(row -> reading.rows().containsKey(row.number()));
        if (!choice.found() || decided) {
            return List.of();
        }
        Optional<Row> words = WordsBelowHeader.at(below);
        if (words.isPresent()) {
            doubts.add(WordsBelowHeader.said(words.get()));
            return List.of(words.get());
        }
        LimitRows limits = LimitRows.at(below);
        if (!limits.rows().isEmpty()) {
            doubts.add(limits.said());
        }
        return limits.rows();
    }

    /** The header as it has been decided, where it has. */
    private static HeaderChoice.Choice told(HeaderChoice.Choice found, List<Row> rows, Reading reading) {
        if (reading.fixed()) {
            int top = -1;
            int bottom = -1;
            for (int i = 0; i < rows.size(); i++) {
                int number = rows.get(i).number();
                boolean begins = top < 0 && reading.beginsHeader(number);
                boolean goesOn = top >= 0
                        && bottom == i - 1
                        && reading.headerRows().contains(number)
                        && !reading.beginsHeader(number);
                if (begins || goesOn) {
                    top = begins ? i : top;
                    bottom = i;
                }
            }
            return top < 0 ? found : new HeaderChoice.Choice(top, bottom, -1, "The header is where you put it.");
        }
        int bottom = found.bottom() + reading.headerShift();
        if (reading.headerShift() == 0 || !found.found() || bottom < 0 || bottom >= rows.size()) {
            return found;
        }
        int top = Math.max(0, found.top() + reading.headerShift());
        String where =
                Says.count(Math.abs(reading.headerShift()), "row") + (reading.headerShift() > 0 ? " lower" : " higher");
        return new HeaderChoice.Choice(
                top, bottom, -1, "The header is " + where + " than it looked, as you put it for this layout.");
    }

    private void head(Row row, boolean countBlanks, boolean header) {
        blanks += countBlanks ? row.blanksBefore() : 0;
        aside.add(new Aside(row.number(), header ? RowClass.HEADER : RowClass.TITLE));
        if (header) {
            headerRows.add(row.number());
        } else {
            titles.add(RowText.of(row));
            titlePatterns.add(LooseText.codePattern(RowText.of(row)));
            wideTitles.set(row.filled(), row.filled() > 1);
        }
        lastRow = row.number();
    }

    /** How many of the first rows are titles and header. */
    int headRows() {
        return headRows;
    }

    int records() {
        return totalRows.sums().records();
    }

    /** True right behind a line that may head another table. */
    boolean afterLine() {
        return !lines.isEmpty();
    }

    /** True where lines of a word or two have headed records so far. */
    boolean headedByLines() {
        return sections > 0;
    }

    /**
     * How many cells the first rows fill that are fuller than one in so many of them: the fewest of records, or the usual.
     * Rows with a number and a word for a total or a balance say nothing of records.
     */
    private int filled(List<Row> below, int oneIn) {
        int gap = 0;
        while (gap < below.size() && (gap == 0 || below.get(gap).blanksBefore() == 0)) {
            gap++;
        }
        // What follows a gap may be notes.
        List<Row> first = gap >= 3 ? below.subList(0, gap) : below;
        int[] filled = first.stream()
                .filter(row -> row.filled() > 2
                        || !totalRows.named(row) && !TotalWords.namesBalance(row.text(row.firstFilled())))
                .mapToInt(Row::filled)
                .filter(count -> count > 1)
                .sorted()
                .toArray();
        return filled.length == 0 ? 1 : filled[filled.length / oneIn];
    }

    /** What rows behind a gap turn out to be. */
    AfterGap afterGap() {
        return afterGap;
    }

    /** A title above the header where it is repeated on another page. */
    void title(Row row, int blanksBefore) {
        settle();
        releaseLines(RowClass.TITLE, row);
        blanks += blanksBefore;
        aside.add(new Aside(row.number(), RowClass.TITLE));
        closeRun();
        lastRow = row.number();
    }

    // ---- block by block ----

    /** How many columns the rows of a block may have. */
    int blockWidth() {
        return columns.width();
    }

    /** True where the next rows are likely to be records like those so far, which a block of them can tell. */
    boolean takesBlocks() {
        return columns.takesBlocks()
                && lines.isEmpty()
                && totalColumn.isSettled()
                && outline.isEmpty()
                && !outline.isSeen()
                && !heads.isOpen()
                && !numbered
                && reading.tellsNoRow()
                && clues.named().isEmpty();
    }

    /**
     * Takes in a block of rows that follow the last one, where nothing in it is anything but a record.
     *
     * @return false where the rows have to be told one by one; nothing has been taken in then
     */
    boolean takeIn(RowBlock block) {
        if (!columns.look(block, width < 4 ? 2 : Math.max(2, width / 2) + 1) || totalRows.mayAddUp(block)) {
            return false;
        }
        run(block.firstNumber(), block.rows());
        columns.keep(block);
        totalRows.keep(block);
        lastRow = block.nextNumber() - 1;
        return true;
    }

    // ---- row by row ----

    /** True for the header of another table that follows without a gap: columns came in or left meanwhile. */
    boolean endsAt(Row row) {
        return !reading.fixed() && !reading.rows().containsKey(row.number()) && columns.isOtherHeader(row);
    }

    void row(Row row, int blanksBefore) {
        columns.look(row);
        if (isHeldInOutline(row, blanksBefore)) {
            outline.hold(row, blanksBefore);
            lastRow = row.number();
            return;
        }
        tell(row, blanksBefore);
    }

    /** True for a row that may have others under it, or stands under one that is held back. */
    private boolean isHeldInOutline(Row row, int blanksBefore) {
        boolean outside = reading.lastRow() > 0 && row.number() > reading.lastRow();
        if (outside || reading.rows().containsKey(row.number()) || clues.totalRow(row.number())) {
            settle();
            columns.look(row);
            return false;
        }
        if (blanksBefore == 0 && outline.goesOn(row)) {
            return true;
        }
        if (!outline.isEmpty()) {
            settle();
            columns.look(row);
        }
        return lines.isEmpty() && outline.mayBegin(row);
    }

    /** Tells the rows that are held back until those under them have gone by. */
    void settle() {
        for (Outline.Told each : outline.release()) {
            if (each.isTotal()) {
                blanks += each.blanks();
                aside.add(new Aside(each.row().number(), RowClass.TOTAL));
                closeRun();
                lastRow = each.row().number();
            } else {
                columns.look(each.row());
                tell(each.row(), each.blanks());
            }
        }
    }

    private void tell(Row row, int blanksBefore) {
        if (mayAddUpBelow(row)) {
            blanks += blanksBefore;
            above = row.copy();
            totalRows.above().hold(row);
            lastRow = row.number();
            return;
        }
        if (RowText.isRuler(row) && !reading.rows().containsKey(row.number())) {
            blanks += blanksBefore;
            aside.add(new Aside(row.number(), RowClass.NOTE));
            closeRun();
            lastRow = row.number();
            return;
        }
        RowClass what = told(row, blanksBefore);
        if (what == null) {
            if (!lines.isEmpty()) {
                releaseLines(null, row);
                columns.look(row);
            }
            blanks += blanksBefore;
            keep(row);
        } else if (what == RowClass.NOTE && !reading.rows().containsKey(row.number())) {
            blanksBeforeLines = lines.isEmpty() ? blanksBefore : blanksBeforeLines + blanksBefore;
            lines.add(row.copy());
        } else {
            if (!lines.isEmpty()) {
                releaseLines(what, row);
                columns.look(row);
            }
            blanks += blanksBefore;
            boolean kept = what == RowClass.SECTION || what == RowClass.BELOW;
            aside.add(new Aside(row.number(), what, kept ? RowText.of(row) : ""));
            closeRun();
        }
        lastRow = row.number();
    }

    /** True for a row right below the header that is held back until all rows behind it can be added up. */
    private boolean mayAddUpBelow(Row row) {
        return above == null
                && totalRows.sums().records() == 0
                && lines.isEmpty()
                && !reading.rows().containsKey(row.number())
                && !columns.repeats(row)
                && totalRows.above().mayBe(row);
    }

    private void releaseAbove() {
        Row row = above;
        if (row == null) {
            return;
        }
        above = null;
        columns.look(row);
        if (totalRows.isTotalOfBelow(row)) {
            aside.add(new Aside(row.number(), RowClass.TOTAL));
            aside.sort(Comparator.comparingInt(Aside::row));
            return;
        }
        columns.keep(row);
        totalRows.keep(row);
        Run next = runs.isEmpty() ? new Run(0, 0) : runs.get(0);
        if (next.first() == row.number() + 1) {
            runs.set(0, new Run(row.number(), next.count() + 1));
        } else {
            runs.add(0, new Run(row.number(), 1));
        }
    }

    /** What a row is, null for a record: as it has been decided, else by the evidence. */
    private @Nullable RowClass told(Row row, int blanksBefore) {
        Optional<RowClass> decided =
                reading.rows().isEmpty() ? null : reading.rows().get(row.number());
        if (decided != null) {
            if (decided.isPresent() && decided.get() == RowClass.TOTAL) {
                totalRows.take(row);
            }
            return decided.orElse(null);
        }
        if (reading.lastRow() > 0 && row.number() > reading.lastRow()) {
            return RowClass.OUTSIDE;
        }
        return classify(row, blanksBefore);
    }

    private @Nullable RowClass classify(Row row, int blanksBefore) {
        if (columns.repeats(row)
                || repeatsTitle(row)
                || numbered && UnderHeader.isAgain(row, columns.names().size())) {
            return RowClass.REPEAT;
        }
        if (totalRows.isTotal(row)) {
            return RowClass.TOTAL;
        }
        return switch (lineRows.of(row, blanksBefore, !lines.isEmpty(), sections > 0)) {
            case RECORD -> null;
            case SPARSE -> {
                noteSparse(row.number());
                yield null;
            }
            case LINE_OR_RECORD -> {
                maybeRecords.add(row.number());
                yield RowClass.NOTE;
            }
            case LINE -> RowClass.NOTE;
        };
    }

    /** True for words over several columns that stand above the header too: they stand above it again where it is repeated. */
    private boolean repeatsTitle(Row row) {
        return wideTitles.get(columns.filled()) && titlePatterns.contains(LooseText.codePattern(RowText.of(row)));
    }

    private void keep(Row row) {
        run(row.number(), 1);
        columns.keep(row);
        heads.keep(row);
        totalRows.keep(row);
        totalColumn.keep(row, columns);
    }

    /** Notes that so many records follow each other. */
    private void run(int first, int count) {
        if (runCount == 0 || first != runFirst + runCount) {
            closeRun();
            runFirst = first;
        }
        runCount += count;
    }

    private void closeRun() {
        if (runCount > 0) {
            runs.add(new Run(runFirst, runCount));
        }
        runCount = 0;
    }

    /**
     * Lines held back turn out to stand between records: they head the rows below, or are records with little in them.
     *
     * @param before what the row behind them is; null for a record
     * @param next the row behind them
     */
    private void releaseLines(@Nullable RowClass before, Row next) {
        boolean apart = blanksBeforeLines > 0;
        blanks += blanksBeforeLines;
        blanksBeforeLines = 0;
        List<Row> held = new ArrayList<>(lines);
        lines.clear();
        for (Row line : held) {
            String first = line.text(line.firstFilled()).strip();
            boolean record = line.filled() > 1 && !first.endsWith(":") && afterGap.strange(line) == 0
                    || before == null
                            && (maybeRecords.contains(line.number())
                                    || !apart && loneWords.goesWith(line, next, loneWords.areLines() || sections > 0));
            if (!record && (LineRows.isNote(first) || line.filled() > 1 && LineRows.isBlankForm(line))) {
                notesBetween.add(line.number());
                aside.add(new Aside(line.number(), RowClass.NOTE));
                closeRun();
            } else if (before == RowClass.REPEAT && (titles.contains(RowText.of(line)) || columns.isOfHeader(line))) {
                // What stands above the header, or in its first row, stands there again where it is repeated.
                aside.add(new Aside(line.number(), RowClass.REPEAT));
                closeRun();
            } else if (record) {
                noteSparse(line.number());
                columns.look(line);
                keep(line);
            } else {
                String heading = heading(line);
                if (sections == 0) {
                    firstSection = line.number();
                    firstSectionText = heading;
                }
                sections++;
                totalRows.headed(heading);
                aside.add(new Aside(line.number(), RowClass.SECTION, heading));
                closeRun();
            }
        }
    }

    /** What a line says of the rows below; one that goes on behind the turn of a page says what it said before. */
    private String heading(Row line) {
        String text = RowText.of(line);
        String before = LineRows.withoutContinued(text);
        boolean again = aside.stream()
                .anyMatch(other ->
                        other.rowClass() == RowClass.SECTION && other.text().equals(before));
        return again ? before : text;
    }

    private void noteSparse(int row) {
        firstSparse = sparse == 0 ? row : firstSparse;
        sparse++;
    }

    /** Lines behind the last record are notes, unless nothing parts a lone word from the records. */
    private void asideNotes() {
        blanks += blanksBeforeLines;
        blanksBeforeLines = 0;
        List<Row> words = new ArrayList<>();
        for (Row line : lines) {
            if (maybeRecords.contains(line.number())) {
                noteSparse(line.number());
                columns.look(line);
                keep(line);
            } else {
                columns.look(line);
                if (lineRows.mayBeRecord(line)) {
                    words.add(line);
                }
                aside.add(new Aside(line.number(), RowClass.NOTE));
                lastNote = RowText.of(line);
                closeRun();
            }
        }
        if (!words.isEmpty()) {
            doubts.add(new Doubt(
                    "words-below-records",
                    words.get(0).number(),
                    Says.count(words.size(), "row") + " below the records, the first "
                            + Says.quoted(RowText.of(words.get(0))) + ", "
                            + (words.size() == 1 ? "has" : "have")
                            + " words and none of the numbers that every record has; set aside as notes.",
                    words.size()));
        }
        lines.clear();
    }

    /** The table; empty where the rows turn out to be text and no table. */
    Optional<FoundTable> end() {
        settle();
        asideNotes();
        closeRun();
        releaseAbove();
        totalRows.above().doubtFirst();
        totalRows.doubtRowsBehind();
        headFromOutline();
        if (isText()) {
            return Optional.empty();
        }
        linesBelow();
        doubtLines();
        totalColumn
                .said(headerRows.isEmpty() ? 0 : headerRows.get(headerRows.size() - 1))
                .ifPresent(doubts::add);
        heads.said().ifPresent(doubts::add);
        aside.addAll(heads.aside());
        aside.sort(Comparator.comparingInt(Aside::row));
        forgetDoubtsOfRowsAside();
        List<TableColumn> named = columns
                .named(
                        headerRows,
                        totalRows.sums(),
                        doubts,
                        headerRows.isEmpty() || reading.cells().isPresent())
                .stream()
                .map(column -> heads.fill(column.index()) ? column.ofHeads() : column)
                .toList();
        return Optional.of(new FoundTable(
                firstRow,
                headerRows,
                lastRow,
                named,
                aside,
                blanks,
                heads.without(runs),
                titles,
                doubts,
                stated(),
                sureness,
                rival,
                reason,
                reading.words(),
                totalRows.names()));
    }

    /** Says of lines between records what was made of them, and of records with next to nothing that they are kept. */
    private void doubtLines() {
        if (sections > 0) {
            doubts.add(new Doubt(
                    "section",
                    firstSection,
                    Says.count(sections, "line") + (sections == 1 ? " stands" : " stand")
                            + " between records, the first "
                            + Says.quoted(firstSectionText) + "; set aside as "
                            + (sections == 1 ? "a line that heads" : "lines that head") + " the rows below.",
                    sections));
        }
        if (!notesBetween.isEmpty()) {
            doubts.add(new Doubt(
                    "note-between",
                    notesBetween.get(0),
                    Says.count(notesBetween.size(), "note") + (notesBetween.size() == 1 ? " stands" : " stand")
                            + " between records, the first in row " + notesBetween.get(0)
                            + "; set aside, and said of no record.",
                    notesBetween.size()));
        }
        if (sparse > 0) {
            doubts.add(new Doubt(
                    "sparse-row",
                    firstSparse,
                    Says.count(sparse, "row") + (sparse == 1 ? " holds" : " hold")
                            + " next to nothing, the first at row " + firstSparse + "; kept as "
                            + (sparse == 1 ? "a record." : "records."),
                    sparse));
        }
    }

    /** Rows that might have been totals are kept as records, as the doubts say, unless something else set them aside. */
    private void forgetDoubtsOfRowsAside() {
        Set<Integer> rows = aside.stream().map(Aside::row).collect(Collectors.toSet());
        doubts.removeIf(doubt -> OF_KEPT_ROWS.contains(doubt.kind()) && rows.contains(doubt.row()));
    }

    /** Lines between records turn out to belong to those above them. */
    private void linesBelow() {
        int header = headerRows.isEmpty() ? 0 : headerRows.get(headerRows.size() - 1);
        Optional<LinesBelow> below = sections == 0 ? Optional.empty() : LinesBelow.in(aside, runs, header, lastNote);
        below.ifPresent(found -> {
            aside.clear();
            aside.addAll(found.aside());
            sections = 0;
            doubts.add(found.said());
        });
    }

    private List<StatedTotal> stated() {
        List<StatedTotal> stated = new ArrayList<>(outline.stated());
        stated.addAll(totalRows.stated());
        return stated;
    }

    /** Rows of an outline that add up those under them head these too, where all records stand under such rows. */
    private void headFromOutline() {
        doubts.addAll(outline.doubts());
        Map<Integer, String> headings = outline.headings(records());
        aside.replaceAll(row -> headings.containsKey(row.row())
                ? new Aside(row.row(), RowClass.SECTION, headings.getOrDefault(row.row(), ""))
                : row);
        if (!headings.isEmpty()) {
            doubts.add(new Doubt(
                    "section",
                    Collections.min(headings.keySet()),
                    Says.count(headings.size(), "row") + " of an outline "
                            + (headings.size() == 1 ? "adds" : "add")
                            + " up the rows below; set aside, with what they are called beside these.",
                    headings.size()));
        }
    }

    /** Lines of text below each other, such as instructions, are no table. */
    private boolean isText() {
        if (width > 1 || reading.fixed() || clues.headerRow(headerRows.isEmpty() ? 0 : headerRows.get(0))) {
            return false;
        }
        Set<String> known = new HashSet<>();
        columns.names().forEach(name -> {
            if (hints.knows(name)) {
                known.add(name);
            }
        });
        return known.isEmpty() && columns.onlyProse();
    }
}
