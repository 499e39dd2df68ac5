package cuvee.gather;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.Quoting;
import cuvee.sheet.ReadAs;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Asks how text files are encoded whose words hold signs that stand in no word. */
public final class TextFormQuestion {
    /** A sign between two letters that is neither a letter nor one of those that words are joined by. */
    private static final Pattern BROKEN =
            Pattern.compile("\\p{L}[^\\p{L}\\p{M}\\p{N}\\s\\p{Punct}’‘–—€£°·]\\p{L}?|\uFFFD");

    private static final List<String> CANDIDATES = List.of("windows-1252", "IBM850", "windows-1250", "windows-1251");

    private TextFormQuestion() {}

    /** A question for each file that a quote tears, and that was read with its quotes as text. */
    public static List<Question> aboutQuotes(Job job, Iterable<SourceFacts> sources) {
        List<Question> questions = new ArrayList<>();
        for (SourceFacts source : sources) {
            if (source.openQuote() > 0 && !job.isSettled(Kinds.TEXT_FORM, source.path())) {
                questions.add(Question.of(
                        Kinds.TEXT_FORM,
                        source.path(),
                        Where.source(source.path()).row(source.openQuote()),
                        "A quote is opened in line " + Says.number(source.openQuote())
                                + " and not closed where a cell could end, so all quotes of this file were read as text"
                                + " like any other. Is that right?",
                        Quoting.NONE.words(),
                        List.of(
                                new Answer(Quoting.NONE.words(), "yes, its quotes are text"),
                                new Answer(Quoting.DOUBLE.words(), "no, set the file aside until it is mended")),
                        source.rows()));
            }
        }
        return questions;
    }

    /** One question for all files that look so; none where it is settled. */
    public static Optional<Question> of(Job job, Iterable<SourceFacts> sources) {
        List<String> paths = new ArrayList<>();
        String example = "";
        String form = "";
        for (SourceFacts source : sources) {
            boolean said = source.openQuote() > 0 && !job.isSettled(Kinds.TEXT_FORM, source.path())
                    || saysEncoding(job, source.path())
                    || saysEncoding(job, SourceChoice.ALL_FILES);
            Optional<String> broken = said ? Optional.empty() : broken(source);
            if (broken.isPresent()) {
                example = paths.isEmpty() ? broken.get() : example;
                form = paths.isEmpty() ? source.sheets().get(0).form() : form;
                paths.add(source.path());
            }
        }
        if (paths.isEmpty()) {
            return Optional.empty();
        }
        String now = ReadAs.of(form)
                .flatMap(ReadAs::charset)
                .map(Charset::displayName)
                .orElse("");
        String subject = paths.size() == 1 ? paths.get(0) : SourceChoice.ALL_FILES;
        // What else has been said of the form of the file stays said.
        String rest = job.decision(Kinds.TEXT_FORM, subject)
                .map(decision -> ", " + decision.answer())
                .orElse("");
        List<Answer> answers = new ArrayList<>(List.of(new Answer(now + rest, now + ", as it was read")));
        CANDIDATES.stream()
                .filter(name -> !name.equals(now) && Charset.isSupported(name))
                .forEach(name -> answers.add(new Answer(name + rest, name)));
        return Optional.of(Question.of(
                Kinds.TEXT_FORM,
                subject,
                Where.source(paths.get(0)),
                Says.count(paths.size(), "text file") + (paths.size() == 1 ? " holds" : " hold")
                        + " words such as " + Says.quoted(example) + ". How "
                        + (paths.size() == 1 ? "is it" : "are they")
                        + " encoded?",
                now + rest,
                answers,
                paths.size()));
    }

    private static boolean saysEncoding(Job job, String subject) {
        return job.decision(Kinds.TEXT_FORM, subject)
                .flatMap(decision -> ReadAs.of(decision.answer()))
                .filter(as -> as.charset().isPresent())
                .isPresent();
    }

    /** A word of a text file that no language has; empty where there is none. */
    private static Optional<String> broken(SourceFacts source) {
        for (SheetFacts sheet : source.sheets()) {
            if (sheet.form().isEmpty() || sheet.form().contains("UTF-8")) {
                continue;
            }
            for (FoundTable table : sheet.tables()) {
                for (TableColumn column : table.columns()) {
                    if (BROKEN.matcher(column.header()).find()) {
                        return Optional.of(column.header());
                    }
                    for (String word : column.evidence().oddities().keySet()) {
                        if (BROKEN.matcher(word).find()) {
                            return Optional.of(word);
                        }
                    }
                }
            }
        }
        return Optional.empty();
    }
}
