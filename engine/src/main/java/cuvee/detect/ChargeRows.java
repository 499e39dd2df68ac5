package cuvee.detect;

import cuvee.sheet.Row;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What stands between a subtotal and the total to be paid: tax, postage, a discount. Such rows are no records, though no
 * sum of rows agrees with them; the total below them adds them to the subtotal.
 */
final class ChargeRows {
    private static final Pattern CHARGE = Pattern.compile("(?i)(plus |zzgl\\.? |inkl\\.? |incl\\.? |less |abzgl\\.? )?"
            + "(vat|sales tax|tax(es)?|gst|hst|pst|mwst|ust|umsatzsteuer|mehrwertsteuer|steuer|tva|t\\.v\\.a|iva|i\\.v\\.a|btw|moms|podatek"
            + "|discount|rebate|rabatt|skonto|remise|descuento|sconto|korting"
            + "|shipping|postage|carriage|delivery( charge)?|freight|handling|packing|versand(kosten)?|porto|fracht"
            + "|frais de port|livraison|service charge|surcharge|zuschlag|rounding|rundung|deposit|anzahlung)"
            + "(?![\\p{L}]).{0,40}");
    private static final Pattern RATE = Pattern.compile("(\\d{1,2}(?:[.,]\\d{1,2})?) ?%");
    private static final double HUNDRED = 100;
    /** Tables of so many columns have more to say of a record than its name and an amount. */
    private static final int WIDE = 4;

    private final TableColumns columns;
    /** The subtotal that charges are added to, with those met so far, by column; empty where no total has gone by. */
    private final Map<Integer, Double> reached = new HashMap<>();

    private final Map<Integer, Double> subtotal = new HashMap<>();
    private boolean charged;

    ChargeRows(TableColumns columns) {
        this.columns = columns;
    }

    /** A total that has gone by, after which charges may come. */
    void behind(Row total) {
        forget();
        for (int column = 0; column < total.width(); column++) {
            double value = columns.value(total, column);
            if (!Double.isNaN(value)) {
                subtotal.put(column, value);
                reached.put(column, value);
            }
        }
    }

    /** A record has come: what follows is not of the total above it. */
    void forget() {
        subtotal.clear();
        reached.clear();
        charged = false;
    }

    /**
     * True for a row right below a subtotal, or below other charges, that says one and its amount. A rate that it names has
     * to come to that amount; without one, records have to hold more than a name and an amount, as such a row does not.
     */
    boolean isOne(Row row, RowWords said) {
        if (subtotal.isEmpty() || said.texts() != 1 || said.numbers() == 0) {
            return false;
        }
        String label = label(row, columns);
        if (!CHARGE.matcher(label.strip()).matches()) {
            return false;
        }
        Matcher rate = RATE.matcher(label);
        double share = rate.find() ? Double.parseDouble(rate.group(1).replace(',', '.')) / HUNDRED : Double.NaN;
        int width = columns.names().size();
        if (Double.isNaN(share) && (width < WIDE || columns.filled() * 2 > width)) {
            return false;
        }
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (Double.isNaN(value)) {
                continue;
            }
            Double base = reached.get(column);
            if (base == null || !Double.isNaN(share) && !isShare(value, share, column)) {
                return false;
            }
        }
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                reached.merge(column, value, Double::sum);
            }
        }
        charged = true;
        return true;
    }

    private boolean isShare(double value, double share, int column) {
        return Agreement.of(Math.abs(value), Math.abs(share * subtotal.getOrDefault(column, 0.0)), 2)
                || Agreement.of(Math.abs(value), Math.abs(share * reached.getOrDefault(column, 0.0)), 2);
    }

    /** What a column comes to with the charges below its subtotal; not a number where there are none. */
    double reached(int column) {
        return charged ? reached.getOrDefault(column, Double.NaN) : Double.NaN;
    }

    /** True for a row all of whose numbers are what the subtotal comes to with the charges below it. */
    boolean isTotal(Row row) {
        boolean any = false;
        for (int column = 0; charged && column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                if (!Agreement.of(value, reached(column), 2)) {
                    return false;
                }
                any = true;
            }
        }
        return any;
    }

    /** The first text of a row; empty where it has none. */
    static String label(Row row, TableColumns columns) {
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column) && !columns.form(column).isNumber()) {
                return row.text(column);
            }
        }
        return "";
    }
}
