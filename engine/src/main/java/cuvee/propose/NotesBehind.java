package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Meaning;
import cuvee.value.NoteMarks;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** Numbers some of which have a mark behind them that points to a note. */
final class NotesBehind {
    private static final Form[] WORDED = {Form.WORDS, Form.WORDS_AND_DIGITS};

    private final WrittenEvidence seen;

    NotesBehind(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** The tables whose cells are numbers, most of them without a mark. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> marked = new LinkedHashMap<>();
        TreeSet<String> marks = new TreeSet<>();
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            List<String> texts = e.oddities().keySet().stream()
                    .filter(text -> !Forms.saysNothing(text))
                    .toList();
            long numbers = e.count(WrittenEvidence.NUMBERS);
            boolean asWritten = seen.said(name, entry.getKey())
                    .filter(meaning -> meaning == Meaning.AS_WRITTEN)
                    .isPresent();
            if (!asWritten
                    && !texts.isEmpty()
                    && numbers > e.count(WORDED)
                    && numbers + e.count(WORDED) + e.count(Form.NOTHING_WORD, Form.CELL_ERROR) == e.filled()
                    && texts.stream()
                            .allMatch(text -> NoteMarks.numberIn(text.strip()).isPresent())) {
                marked.put(entry.getKey(), entry.getValue());
                texts.forEach(text -> marks.add(NoteMarks.markIn(text.strip())));
            }
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        if (marked.isEmpty()) {
            return meant;
        }
        seen.looked(marked, Convention.DEFAULT.withUnit(Convention.NOTES)).forEach((table, range) -> {
            LaidColumn column = marked.get(table);
            long worded = column == null ? 0 : column.evidence().count(WORDED);
            long plain = column == null ? 0 : column.evidence().count(WrittenEvidence.NUMBERS);
            if (range.fits() - plain >= worded) {
                meant.put(table, new Meant(Meaning.AS_WRITTEN, Convention.NOTES, worded, range.decimals()));
            }
        });
        if (!meant.isEmpty()) {
            seen.find(new Finding(
                    Severity.REMARK,
                    "written-as",
                    WrittenEvidence.where(meant.keySet()),
                    "Behind some numbers of the column " + Says.quoted(name) + " "
                            + (marks.size() == 1 ? "stands " : "stand ")
                            + Says.list(marks.stream().map(Says::quoted).toList()) + ", in "
                            + WrittenEvidence.files(meant.keySet()) + ".",
                    "They are read as numbers, without the marks.",
                    ""));
        }
        return meant;
    }
}
