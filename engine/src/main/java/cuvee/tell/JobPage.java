package cuvee.tell;

import cuvee.job.Delivery;
import cuvee.job.Place;
import cuvee.layout.Layout;
import cuvee.lineup.LineUp;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** The whole job as a page of sentences, to be read, printed and handed on. */
public record JobPage(String title, String under, List<Section> sections) {
    public JobPage {
        sections = List.copyOf(sections);
    }

    /** What is said about one subject. */
    public record Section(String title, List<String> sentences) {
        public Section {
            sentences = List.copyOf(sentences);
        }
    }

    /** The page of a job as its last refresh has it. */
    public static JobPage of(Outcome outcome) {
        List<Section> sections = new ArrayList<>();
        sections.add(new Section("Where the rows come from", places(outcome)));
        sections.add(new Section("Columns", columns(outcome)));
        for (Sentence.Paragraph paragraph : Sentence.Paragraph.values()) {
            sections.add(new Section(
                    paragraph.title(),
                    outcome.sentences().stream()
                            .filter(sentence -> sentence.paragraph() == paragraph && sentence.on())
                            .map(JobPage::said)
                            .toList()));
        }
        sections.add(new Section(
                "Open questions",
                outcome.questions().stream()
                        .map(question ->
                                question.where() + ": " + question.text() + " Assumed: " + question.assumedText() + ".")
                        .toList()));
        sections.add(new Section(
                "Where the master goes",
                outcome.job().deliveries().stream().map(JobPage::delivery).toList()));
        sections.removeIf(section -> section.sentences().isEmpty());
        return new JobPage(
                outcome.job().name(),
                Says.count(outcome.rows(), "row") + " from " + Says.count(outcome.taken(), "file") + ".",
                sections);
    }

    private static String said(Sentence sentence) {
        String why =
                sentence.yours() || sentence.reason().isEmpty() ? "" : " Assumed, since " + sentence.reason() + ".";
        String touched = sentence.touched();
        return sentence.said() + (touched.isEmpty() ? "" : " " + ended(touched)) + why;
    }

    private static List<String> places(Outcome outcome) {
        List<String> said = new ArrayList<>();
        for (Place place : outcome.job().places()) {
            said.add("From " + place.path()
                    + (place.label().isEmpty() ? "" : ", called " + place.label())
                    + (place.subfolders() == Place.Subfolders.INCLUDED ? ", with the folders in it" : "")
                    + (place.only().isEmpty() ? "" : ", only files whose names fit " + Says.list(place.only()))
                    + (place.without().isEmpty() ? "" : ", without those that fit " + Says.list(place.without()))
                    + ".");
        }
        long aside = outcome.sources().size() - outcome.taken();
        said.add(Says.count(outcome.taken(), "file") + " taken"
                + (aside == 0 ? "." : ", " + Says.number(aside) + " set aside:"));
        outcome.sources().stream()
                .filter(source -> source.state() == SourceReport.State.SET_ASIDE)
                .forEach(source -> said.add(source.path() + ": " + ended(source.reason())));
        said.add(Says.count(outcome.seen(), "line") + " seen, " + Says.number(outcome.kept()) + " kept as records, "
                + Says.number(outcome.seen() - outcome.kept())
                + " set aside as titles, headers, blanks, totals and notes.");
        return said;
    }

    private static String ended(String text) {
        return text.endsWith(".") ? text : text + ".";
    }

    private static List<String> columns(Outcome outcome) {
        Proposal proposal = outcome.proposal();
        List<String> said = new ArrayList<>();
        for (Proposal.ColumnReport column : proposal.columns()) {
            Set<String> spelled = new LinkedHashSet<>();
            for (Layout layout : proposal.layouts()) {
                for (int i = 0; i < layout.keys().size(); i++) {
                    boolean feeds = column.name()
                            .equals(proposal.lineUp().get(layout.keys().get(i)));
                    if (feeds && !layout.headers().get(i).equals(column.name())) {
                        spelled.add(layout.headers().get(i));
                    }
                }
            }
            said.add(column.name() + ": " + column.typeWords()
                    + (spelled.isEmpty()
                            ? ""
                            : "; also called "
                                    + Says.list(
                                            spelled.stream().map(Says::quoted).toList()))
                    + (column.misfits() > 0 ? "; " + Says.count(column.misfits(), "value") + " do not fit" : "")
                    + ".");
        }
        proposal.leftOut()
                .forEach((column, cells) ->
                        said.add(column + " is left out, with " + Says.count(cells, "filled cell") + "."));
        long yours = outcome.job().settled().stream()
                .filter(decision -> decision.kind().equals(LineUp.KIND))
                .filter(decision -> !LooseText.key(decision.answer()).equals(decision.subject()))
                .count();
        if (yours > 0) {
            said.add(Says.count(yours, "header") + (yours == 1 ? " was" : " were") + " lined up by hand.");
        }
        return said;
    }

    private static String delivery(Delivery delivery) {
        Delivery.Form form = delivery.form();
        if (form instanceof Delivery.Prepared prepared) {
            return delivery.target() + ": a copy of " + prepared.workbook() + ", filled by " + prepared.key()
                    + " down and " + (prepared.item().isEmpty() ? "the names of columns" : prepared.item())
                    + " across.";
        }
        if (form instanceof Delivery.Tab tab) {
            return delivery.target() + ", tab " + Says.quoted(tab.tab())
                    + (tab.cell().isEmpty() ? "" : " from the cell " + tab.cell()) + ": " + how(tab.how(), tab.keys());
        }
        if (form instanceof Delivery.Table table) {
            return "Table " + Says.quoted(table.table()) + " in " + delivery.target() + ": "
                    + how(table.how(), table.keys());
        }
        if (form instanceof Delivery.Copies copies) {
            return "Copies of all sources in " + delivery.target() + ": "
                    + Says.list(
                            copies.changes().stream().map(Delivery.Change::said).toList())
                    + ".";
        }
        if (form instanceof Delivery.Text text) {
            return delivery.target() + ": the master as text, parted by "
                    + text.separator().word() + (text.decimalComma() ? ", with decimal commas" : "") + ".";
        }
        if (form instanceof Delivery.Picture picture) {
            return delivery.target() + ": a picture of the summary " + Says.quoted(picture.summary()) + ".";
        }
        return form instanceof Delivery.Each each
                ? delivery.target() + ": a file for each " + each.said() + ", named by "
                        + (!each.names().isEmpty()
                                ? each.names()
                                : each.columns().size() > 1 ? "them" : "it")
                        + (each.removesGone() ? "; files of values that are gone are removed." : ".")
                : delivery.target() + ": the master as a table.";
    }

    private static String how(Delivery.How how, List<String> keys) {
        return how.words() + (keys.isEmpty() ? "" : ", matched by " + Says.list(keys)) + ".";
    }

    /** The page as plain text. */
    public String text() {
        StringBuilder text = new StringBuilder(title).append("\n").append(under).append("\n");
        for (Section section : sections) {
            text.append("\n").append(section.title()).append("\n");
            section.sentences()
                    .forEach(sentence -> text.append("  ").append(sentence).append("\n"));
        }
        return text.toString();
    }

    /** The page as HTML that any browser shows and prints. */
    public String html() {
        StringBuilder html = new StringBuilder(
                        "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
                .append(escaped(title))
                .append("</title><style>body{font:15px/1.5 serif;max-width:46em;margin:2em auto;color:#2A2430}")
                .append(
                        "h1{font-size:1.5em}h2{font-size:1.1em;margin:1.4em 0 .3em}p{margin:.25em 0}</style></head><body>\n<h1>")
                .append(escaped(title))
                .append("</h1>\n<p>")
                .append(escaped(under))
                .append("</p>\n");
        for (Section section : sections) {
            html.append("<h2>").append(escaped(section.title())).append("</h2>\n");
            section.sentences()
                    .forEach(sentence ->
                            html.append("<p>").append(escaped(sentence)).append("</p>\n"));
        }
        return html.append("</body></html>\n").toString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
