package cuvee.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The styles of a workbook, to which some cell styles are added behind those that there are; every other byte of the part
 * stays. One that was added before is found again.
 */
final class WorkbookStyles {
    private static final Pattern FORMATS = Pattern.compile("<numFmts\\b[^>]*>(.*?)</numFmts>", Pattern.DOTALL);
    private static final Pattern FORMAT =
            Pattern.compile("<numFmt\\b[^>]*?numFmtId=\"(\\d+)\"[^>]*?formatCode=\"([^\"]*)\"[^>]*>|"
                    + "<numFmt\\b[^>]*?formatCode=\"([^\"]*)\"[^>]*?numFmtId=\"(\\d+)\"[^>]*>");
    private static final Pattern STYLES = Pattern.compile("(<cellXfs\\b[^>]*>)(.*?)(</cellXfs>)", Pattern.DOTALL);
    private static final Pattern STYLE = Pattern.compile("<xf\\b(?:[^>]*/>|.*?</xf>)", Pattern.DOTALL);
    private static final Pattern FONTS = Pattern.compile("(<fonts\\b[^>]*>)(.*?)(</fonts>)", Pattern.DOTALL);
    private static final Pattern FONT = Pattern.compile("<font\\b(?:[^>]*/>|.*?</font>)", Pattern.DOTALL);
    private static final Pattern COUNT = Pattern.compile("\\bcount=\"\\d+\"");
    /** Numbers below are those of the formats that every workbook has. */
    private static final int FIRST_OWN = 164;

    private String xml;
    private boolean changed;

    /** @throws Unfit where the part is written in a way that is not known */
    WorkbookStyles(String xml) throws Unfit {
        this.xml = xml;
        if (!STYLES.matcher(xml).find()) {
            throw new Unfit("its styles are written in a way that Cuvee does not know");
        }
    }

    /** Why something cannot be added to. */
    static final class Unfit extends Exception {
        private static final long serialVersionUID = 1L;

        Unfit(String why) {
            super(why);
        }

        String why() {
            return String.valueOf(getMessage());
        }
    }

    boolean isChanged() {
        return changed;
    }

    String xml() {
        return xml;
    }

    /** The place of the cell style with a number format, or of that of headers. */
    int style(String format) {
        if (format.equals(TabXml.HEAD)) {
            return place("<xf numFmtId=\"0\" fontId=\"" + boldFont()
                    + "\" fillId=\"0\" borderId=\"0\" xfId=\"0\" applyFont=\"1\"/>");
        }
        return place("<xf numFmtId=\"" + number(TabXml.escaped(format))
                + "\" fontId=\"0\" fillId=\"0\" borderId=\"0\" xfId=\"0\" applyNumberFormat=\"1\"/>");
    }

    private int place(String style) {
        Matcher styles = STYLES.matcher(xml);
        if (!styles.find()) {
            throw new IllegalStateException("looked at when it was made");
        }
        List<String> all = all(STYLE, styles.group(2));
        int at = all.indexOf(style);
        if (at >= 0) {
            return at;
        }
        put(styles, style, all.size() + 1);
        return all.size();
    }

    private int boldFont() {
        Matcher fonts = FONTS.matcher(xml);
        if (!fonts.find()) {
            return 0;
        }
        List<String> all = all(FONT, fonts.group(2));
        String first = all.isEmpty() ? "<font/>" : all.get(0);
        String bold = first.contains("<b/>")
                ? first
                : first.endsWith("/>")
                        ? "<font><b/></font>"
                        : first.replaceFirst(">", Matcher.quoteReplacement("><b/>"));
        int at = all.indexOf(bold);
        if (at < 0) {
            put(fonts, bold, all.size() + 1);
            return all.size();
        }
        return at;
    }

    private int number(String format) {
        Map<Integer, String> formats = new TreeMap<>();
        Matcher block = FORMATS.matcher(xml);
        Matcher each = FORMAT.matcher(block.find() ? block.group(1) : "");
        while (each.find()) {
            boolean first = each.group(1) != null;
            formats.put(Integer.parseInt(first ? each.group(1) : each.group(4)), first ? each.group(2) : each.group(3));
        }
        for (Map.Entry<Integer, String> known : formats.entrySet()) {
            if (known.getValue().equals(format)) {
                return known.getKey();
            }
        }
        int number = FIRST_OWN;
        while (formats.containsKey(number)) {
            number++;
        }
        String added = "<numFmt numFmtId=\"" + number + "\" formatCode=\"" + format + "\"/>";
        Matcher there = FORMATS.matcher(xml);
        if (there.find()) {
            String now = COUNT.matcher(there.group())
                    .replaceFirst("count=\"" + (formats.size() + 1) + "\"")
                    .replace("</numFmts>", added + "</numFmts>");
            xml = xml.substring(0, there.start()) + now + xml.substring(there.end());
        } else {
            String made = "<numFmts count=\"1\">" + added + "</numFmts>";
            int root = xml.indexOf('>', xml.indexOf("<styleSheet")) + 1;
            int empty = xml.indexOf("<numFmts");
            xml = empty >= 0
                    ? xml.substring(0, empty) + made + xml.substring(xml.indexOf("/>", empty) + 2)
                    : xml.substring(0, root) + made + xml.substring(root);
        }
        changed = true;
        return number;
    }

    /** Puts an element behind those of a list. */
    private void put(Matcher list, String element, int count) {
        String head = COUNT.matcher(list.group(1)).replaceFirst("count=\"" + count + "\"");
        xml = xml.substring(0, list.start())
                + head
                + list.group(2)
                + element
                + list.group(3)
                + xml.substring(list.end());
        changed = true;
    }

    private static List<String> all(Pattern of, String text) {
        List<String> all = new ArrayList<>();
        Matcher each = of.matcher(text);
        while (each.find()) {
            all.add(each.group());
        }
        return all;
    }
}
